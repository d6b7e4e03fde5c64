import type { ImportTrips } from '@bluffwind/contract/imports';
import { type PastRow, tripsOf } from '@bluffwind/core/formats/pastTrips';
import { HOUR, startOfLocalDay } from '@bluffwind/core/units/time';

/** A day of which no line says when it began. */
const USUAL_START_H = 7;
const MOST_RODS = 20;

/** What the names in a file's lines stand for: keys of the outfit's own; empty for nothing. */
export interface Meanings {
  readonly spot: (name: string) => string;
  readonly bait: (name: string) => string;
  readonly species: (name: string) => string;
}

/** What no line says, as it was typed. */
export interface Usual {
  readonly hours: string;
  readonly rods: string;
}

/** The trips of a file's lines whose names are all known, as they are sent. */
export function pastTripsToSend(rows: readonly PastRow[], means: Meanings, usual: Usual, zone: string) {
  const hours = Number(usual.hours.replace(',', '.'));
  const matched = rows.filter((r) => means.spot(r.spot) && means.bait(r.bait) && (r.fish === 0 || means.species(r.species)));
  const { trips, without } = tripsOf(matched, {
    usualHours: usual.hours.trim() !== '' && hours > 0 && hours <= 24 ? hours : null,
    rods: Math.max(1, Math.min(MOST_RODS, Math.round(Number(usual.rods)) || 1)),
    dayStartMs: (date) => startOfLocalDay(date, zone) + USUAL_START_H * HOUR,
  });
  const body: ImportTrips['trips'] = trips.map((t) => ({
    stops: t.stops.map((s) => ({
      spotId: means.spot(s.spot),
      fromMs: s.fromMs,
      toMs: Math.round(s.toMs),
      sets: s.sets.map((x) => ({
        presentationId: means.bait(x.bait),
        rods: Math.min(MOST_RODS, x.rods),
        fish: x.fish.map((f) => ({ speciesId: means.species(f.species), lengthMm: f.lengthMm, atMs: f.atMs })),
      })),
    })),
  }));
  const stops = body.flatMap((t) => t.stops);
  return {
    trips: body,
    without,
    unmatched: rows.length - matched.length,
    stops: stops.length,
    fish: stops.reduce((n, s) => n + s.sets.reduce((m, x) => m + x.fish.length, 0), 0),
  };
}

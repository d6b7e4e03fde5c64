// The sample water that every outfit can add: Lake Ansgar with its newest season, by the drift boat alone and without its guests.
import type { SampleFile } from '@bluffwind/contract/sample';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { buildScenario } from './scenario';
import { forecastOf, readingsOf } from './station';
import { DEMO_START } from './weather';

/** Before this nothing of the sample happened. */
const SINCE = Date.UTC(2026, 3, 4);
const KIND = 'ansgar';

/** Cut out of the demo's world. */
export function buildSample(): SampleFile {
  const [greywether] = buildScenario().outfits;
  const water = greywether?.waters.find((w) => w.kind === 'fresh');
  if (!greywether || !water) throw new Error('the demo has no lake');
  const trips = greywether.trips
    .filter((t) => t.waterId === water.id && t.status === 'done' && Date.parse(t.startsAt) >= SINCE)
    .map((t) => ({
      ...t,
      clientIds: [],
      stops: t.stops.map((s) => ({
        ...s,
        sets: s.sets.map((x) => ({ ...x, catches: x.catches.map((k) => ({ ...k, clientId: null })) })),
      })),
    }));
  const boats = greywether.boats.filter((b) => trips.some((t) => t.boatId === b.id)).map((b) => ({ ...b, name: `${b.name} (sample)` }));
  const readings: SampleFile['readings'] = {};
  for (const r of readingsOf(KIND, SINCE - 10 * DAY, DEMO_START)) {
    const one = readings[r.variable] ?? { at: [], value: [] };
    readings[r.variable] = one;
    // Every third hour is enough for a season that is over; the last days are hourly.
    if (Date.parse(r.at) > DEMO_START - 3 * DAY || (Date.parse(r.at) / HOUR) % 3 === 0) {
      one.at.push(r.at);
      one.value.push(r.value);
    }
  }
  return {
    now: new Date(DEMO_START).toISOString(),
    offsetMin: -120,
    world: {
      boats,
      waters: [{ ...water, name: `${water.name} (sample)` }],
      spots: greywether.spots.filter((s) => s.waterId === water.id).map((s) => ({ ...s, privacy: 'crew' as const, keeperId: null })),
      trips,
    },
    familyOf: Object.fromEntries(greywether.presentations.map((p) => [p.id, p.familyId])),
    speciesOf: Object.fromEntries(greywether.species.map((s) => [s.id, s.name])),
    readings,
    forecast: { run: new Date(DEMO_START).toISOString(), ...forecastOf(KIND, DEMO_START) },
  };
}

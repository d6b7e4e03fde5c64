// What a client's page holds: made here once from the log, without a place in it, and kept as it was sent.
import type { ReportBody } from '@bluffwind/contract/report';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { shortName } from '@bluffwind/core/fish/shortName';
import { draftReport, weatherWords } from '@bluffwind/core/report/draftReport';
import { METRIC } from '@bluffwind/core/units/measure';
import { localDate, MINUTE, zoneOffsetMin } from '@bluffwind/core/units/time';
import { type EntityManager, In, IsNull } from 'typeorm';
import { PresentationEntity } from '../db/entities/baits';
import { SpeciesEntity } from '../db/entities/fish';
import { BoatEntity } from '../db/entities/boats';
import { ClientEntity } from '../db/entities/clients';
import { OutfitEntity } from '../db/entities/outfit';
import { PersonEntity } from '../db/entities/people';
import { CatchEntity, SetEntity, StopEntity } from '../db/entities/log';
import { PartyEntity, type TripRow } from '../db/entities/trip';
import type { Who } from '../http/who';
import { loadWaterState } from '../water/waterState';
import { lookOf } from './lookRoutes';

const TIDE_STEP_MS = 15 * MINUTE;

/** A first body of a trip's page, its text drafted, in the units of who makes it; photos are chosen by the captain. */
export async function bodyOf(entities: EntityManager, trip: TripRow, nowMs: number, maker: Pick<Who, 'personId'>): Promise<ReportBody> {
  const outfit = await entities.findOneByOrFail(OutfitEntity, { id: trip.outfitId });
  const [captain, boat] = [
    await entities.findOneByOrFail(PersonEntity, { id: trip.captainId }),
    await entities.findOneByOrFail(BoatEntity, { id: trip.boatId }),
  ];
  const { settings } = await entities.findOneByOrFail(PersonEntity, { id: maker.personId });
  const party = await entities.findBy(PartyEntity, { tripId: trip.id });
  const guests = await entities.find(ClientEntity, { where: { id: In(party.map((p) => p.clientId)) }, order: { name: 'ASC' } });
  const firstName = (clientId: string | null) => guests.find((g) => g.id === clientId)?.name.split(' ')[0] ?? null;
  const stops = await entities.find(StopEntity, { where: { tripId: trip.id, deletedAt: IsNull() }, order: { startedAt: 'ASC' } });
  const sets = await entities.findBy(SetEntity, { stopId: In(stops.map((s) => s.id)) });
  const catches = await entities.find(CatchEntity, {
    where: { setId: In(sets.map((s) => s.id)), deletedAt: IsNull() },
    order: { at: 'ASC' },
  });
  const names = new Map((await entities.find(SpeciesEntity)).map((s) => [s.id, shortName(s.name).toLowerCase()]));
  const baits = new Map((await entities.find(PresentationEntity)).map((p) => [p.id, p.name]));
  const landed = catches.filter((k) => k.outcome === 'landed');
  const tally = [...new Set(landed.map((k) => names.get(k.speciesId ?? '') ?? 'fish'))].map((species) => {
    const of = landed.filter((k) => (names.get(k.speciesId ?? '') ?? 'fish') === species);
    const sizes = of.flatMap((k) => k.lengthMm ?? []);
    return { species, landed: of.length, kept: of.filter((k) => k.kept).length, bestMm: sizes.length > 0 ? Math.max(...sizes) : null };
  });
  tally.sort((a, b) => b.landed - a.landed || a.species.localeCompare(b.species));
  const caughtOn = new Map<string, number>();
  for (const k of landed) {
    const bait = baits.get(sets.find((s) => s.id === k.setId)?.presentationId ?? '');
    if (bait) caughtOn.set(bait, (caughtOn.get(bait) ?? 0) + 1);
  }
  const [fromMs, toMs] = [(trip.beganAt ?? trip.startsAt).getTime(), (trip.endedAt ?? trip.endsAt).getTime()];
  const date = localDate(fromMs, outfit.zone);
  return {
    outfit: outfit.name,
    captain: captain.name,
    boat: boat.name,
    date,
    offsetMin: zoneOffsetMin(fromMs, outfit.zone),
    fromMs,
    toMs,
    tally,
    fish: landed.map((k) => ({
      atMs: k.at.getTime(),
      species: names.get(k.speciesId ?? '') ?? 'fish',
      lengthMm: k.lengthMm,
      kept: k.kept,
      angler: firstName(k.clientId),
    })),
    tideM: await tideOf(entities, trip.waterId, fromMs, toMs, nowMs),
    weather: weatherWords(stops.flatMap((s) => s.conditions ?? [])),
    learned: '',
    text: draftReport({
      date,
      captain: captain.name,
      guests: guests.filter((g) => !g.child).map((g) => g.name.split(' ')[0] as string),
      hours: (toMs - fromMs) / 3_600_000,
      tally,
      lostOrMissed: catches.length - landed.length,
      baits: [...caughtOn].sort((a, b) => b[1] - a[1]).map(([name]) => name),
    }),
    photos: [],
    look: await lookOf(entities),
    units: { ...METRIC, ...settings.units },
  };
}

/** The tide of the day as a share of its range: the line is told, not the height, by which a harbour could be found. */
async function tideOf(entities: EntityManager, waterId: string, fromMs: number, toMs: number, nowMs: number): Promise<number[]> {
  const { record } = await loadWaterState(entities, waterId, fromMs, toMs, nowMs);
  const { tide } = waterStateOf(record);
  if (!tide) return [];
  const count = Math.floor((toMs - fromMs) / TIDE_STEP_MS) + 1;
  const heights = Array.from({ length: Math.min(count, 200) }, (_, i) => tide.heightAt(fromMs + i * TIDE_STEP_MS));
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  return heights.map((h) => (high - low < 0.05 ? 0.5 : Math.round(((h - low) / (high - low)) * 100) / 100));
}

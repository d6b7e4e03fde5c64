// Trips of past years: a done trip a day with its stops, baits and fish, as if they had been logged on deck.
import type { ImportTrips } from '@bluffwind/contract/imports';
import { MINUTE } from '@bluffwind/core/units/time';
import { type EntityManager, In, Not } from 'typeorm';
import { v7 } from 'uuid';
import { bulkInsert } from '../db/bulk';
import { PresentationEntity } from '../db/entities/baits';
import { SpeciesEntity } from '../db/entities/fish';
import { SpotEntity } from '../db/entities/grounds';
import { BoatEntity } from '../db/entities/boats';
import { PersonEntity } from '../db/entities/people';
import { TripEntity } from '../db/entities/trip';
import type { WaterRow } from '../db/entities/water';
import { Problem } from '../errors';
import { found } from '../http/context';
import type { Who } from '../http/who';

type Stop = ImportTrips['trips'][number]['stops'][number];

/**
 * Stores what is not there yet. A day on which the boat or its captain has a trip already counts as known and is passed over.
 * Throws Problem for rows that name what the outfit does not have, stops that overlap, or days to come.
 */
export async function storeTrips(
  entities: EntityManager,
  who: Who,
  water: WaterRow,
  body: ImportTrips,
  nowMs: number,
): Promise<{ stored: number; known: number }> {
  const boat = found(await entities.findOneBy(BoatEntity, { id: body.boatId }), 'boat');
  const captain = found(await entities.findOneBy(PersonEntity, { id: body.captainId }), 'captain');
  if (captain.role === 'mate')
    throw new Problem('invalid', `captainId: ${captain.name} is a mate; name a captain`, [{ field: 'captainId', message: 'a mate' }]);
  const stops = body.trips.flatMap((t) => t.stops);
  const sets = stops.flatMap((s) => s.sets);
  await requireAll(
    entities,
    SpotEntity,
    stops.map((s) => s.spotId),
    'spot',
    { waterId: water.id },
  );
  await requireAll(
    entities,
    PresentationEntity,
    sets.map((s) => s.presentationId),
    'bait',
  );
  const kinds = await requireAll(
    entities,
    SpeciesEntity,
    sets.flatMap((s) => s.fish.map((f) => f.speciesId)),
    'species',
  );
  const measuredBy = new Map(kinds.map((k) => [k.id, (k as { lengthKind?: string }).lengthKind ?? 'total']));
  const spans = body.trips.map((t, i) => spanOf(t.stops, i, nowMs));
  const status = Not('cancelled' as const);
  const busy = await entities.find(TripEntity, {
    select: { id: true, startsAt: true, endsAt: true },
    where: [
      { status, boatId: boat.id },
      { status, captainId: captain.id },
    ],
  });
  const free = body.trips
    .map((t, i) => ({ ...t, id: v7(), span: spans[i] ?? [0, 0] }))
    .filter(({ span: [from, to] }, i, all) => {
      const other = all.slice(0, i).some((o) => o.span[0] < to && from < o.span[1]);
      return !other && !busy.some((b) => b.startsAt.getTime() < to && from < b.endsAt.getTime());
    });
  await insert(entities, who.outfitId, water.id, body, free, measuredBy);
  return { stored: free.length, known: body.trips.length - free.length };
}

async function requireAll(
  entities: EntityManager,
  entity: Parameters<EntityManager['find']>[0],
  ids: readonly string[],
  what: string,
  more: object = {},
): Promise<{ id: string }[]> {
  const wanted = [...new Set(ids)];
  const rows = (await entities.find(entity, { where: { id: In(wanted), ...more } })) as { id: string }[];
  if (rows.length < wanted.length) throw new Problem('not_found', `The file names a ${what} that the outfit does not have here.`);
  return rows;
}

/** Hours of a trip, from its first stop to its last. */
function spanOf(stops: readonly Stop[], i: number, nowMs: number): [number, number] {
  stops.forEach((s, k) => {
    const before = stops[k - 1];
    if (s.toMs <= s.fromMs || s.toMs - s.fromMs > 24 * 60 * MINUTE || (before && s.fromMs < before.toMs))
      throw new Problem('invalid', `trips.${i}.stops.${k}: a stop ends after it begins, within a day, and after the stop before it`, [
        { field: `trips.${i}.stops.${k}`, message: 'its times cannot be' },
      ]);
  });
  const [from, to] = [stops[0]?.fromMs ?? 0, stops.at(-1)?.toMs ?? 0];
  if (to > nowMs)
    throw new Problem('invalid', `trips.${i}: ${new Date(to).toISOString().slice(0, 10)} is not over yet; past trips only`, [
      { field: `trips.${i}`, message: 'not over yet' },
    ]);
  if (to - from > 24 * 60 * MINUTE)
    throw new Problem('invalid', `trips.${i}: a trip lasts at most 24 h`, [{ field: `trips.${i}`, message: 'longer than a day' }]);
  return [from, to];
}

async function insert(
  entities: EntityManager,
  outfitId: string,
  waterId: string,
  body: ImportTrips,
  trips: readonly { readonly id: string; readonly span: readonly [number, number]; readonly stops: readonly Stop[] }[],
  measuredBy: ReadonlyMap<string, string>,
): Promise<void> {
  const column = <T, R>(type: string, rows: readonly T[], value: (row: T) => R) => [type, rows.map(value)] as const;
  const iso = (ms: number) => new Date(ms).toISOString();
  const rodsOf = (stops: readonly Stop[]) => Math.max(1, ...stops.flatMap((s) => s.sets.map((x) => x.rods)));
  await bulkInsert(entities, 'trip', {
    id: column('uuid', trips, (t) => t.id),
    outfit_id: column('uuid', trips, () => outfitId),
    boat_id: column('uuid', trips, () => body.boatId),
    captain_id: column('uuid', trips, () => body.captainId),
    water_id: column('uuid', trips, () => waterId),
    starts_at: column('timestamptz', trips, (t) => iso(t.span[0])),
    ends_at: column('timestamptz', trips, (t) => iso(t.span[1])),
    goal: column('text', trips, () => 'numbers'),
    rods: column('int', trips, (t) => rodsOf(t.stops)),
    skill: column('int', trips, () => 2),
    wish: column('text', trips, () => ''),
    status: column('text', trips, () => 'done'),
    began_at: column('timestamptz', trips, (t) => iso(t.span[0])),
    ended_at: column('timestamptz', trips, (t) => iso(t.span[1])),
    import_id: column('uuid', trips, () => body.id),
  });
  const kinds = trips.flatMap((t) =>
    [...new Set(t.stops.flatMap((s) => s.sets.flatMap((x) => x.fish.map((f) => f.speciesId))))].map((speciesId) => ({
      trip: t.id,
      speciesId,
    })),
  );
  await bulkInsert(entities, 'trip_species', {
    trip_id: column('uuid', kinds, (k) => k.trip),
    species_id: column('uuid', kinds, (k) => k.speciesId),
    outfit_id: column('uuid', kinds, () => outfitId),
  });
  const stops = trips.flatMap((t) => t.stops.map((s) => ({ ...s, id: v7(), trip: t.id })));
  await bulkInsert(entities, 'stop', {
    id: column('uuid', stops, (s) => s.id),
    outfit_id: column('uuid', stops, () => outfitId),
    trip_id: column('uuid', stops, (s) => s.trip),
    spot_id: column('uuid', stops, (s) => s.spotId),
    started_at: column('timestamptz', stops, (s) => iso(s.fromMs)),
    ended_at: column('timestamptz', stops, (s) => iso(s.toMs)),
  });
  const sets = stops.flatMap((s) => s.sets.map((x) => ({ ...x, id: v7(), stop: s })));
  await bulkInsert(entities, '"set"', {
    id: column('uuid', sets, (s) => s.id),
    outfit_id: column('uuid', sets, () => outfitId),
    stop_id: column('uuid', sets, (s) => s.stop.id),
    presentation_id: column('uuid', sets, (s) => s.presentationId),
    rods: column('int', sets, (s) => s.rods),
    started_at: column('timestamptz', sets, (s) => iso(s.stop.fromMs)),
    ended_at: column('timestamptz', sets, (s) => iso(s.stop.toMs)),
  });
  // Fish whose hour is not told, or lies outside their stop, are spread over it.
  const fish = sets.flatMap((s) =>
    s.fish.map((f, k) => ({
      ...f,
      set: s.id,
      atMs:
        f.atMs !== null && f.atMs >= s.stop.fromMs && f.atMs <= s.stop.toMs
          ? f.atMs
          : s.stop.fromMs + ((s.stop.toMs - s.stop.fromMs) * (k + 0.5)) / s.fish.length,
    })),
  );
  await bulkInsert(entities, '"catch"', {
    id: column('uuid', fish, () => v7()),
    outfit_id: column('uuid', fish, () => outfitId),
    set_id: column('uuid', fish, (f) => f.set),
    species_id: column('uuid', fish, (f) => f.speciesId),
    client_id: column('uuid', fish, () => null),
    at: column('timestamptz', fish, (f) => iso(f.atMs)),
    length_mm: column('int', fish, (f) => f.lengthMm),
    length_kind: column('text', fish, (f) => measuredBy.get(f.speciesId) ?? 'total'),
    outcome: column('text', fish, () => 'landed'),
    kept: column('boolean', fish, () => false),
  });
}

// Loads whole outfits from a scenario file, as the owner of the tables.
import type { OutfitScenario, Scenario } from '@bluffwind/contract/scenario';
import { fetchRose } from '@bluffwind/core/exposure/fetch';
import { toLocal } from '@bluffwind/core/ground/seaBed';
import { GUST_FACTOR } from '@bluffwind/core/risk/judge';
import type { DataSource, EntityManager } from 'typeorm';
import { hashPassword } from '../auth/session';
import { bulkInsert } from '../db/bulk';
import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import { FeatureEntity, SpotEntity, SurveyEntity } from '../db/entities/grounds';
import { RuleEntity, SpeciesEntity } from '../db/entities/fish';
import { BoatEntity } from '../db/entities/boats';
import { ClientEntity } from '../db/entities/clients';
import { OutfitEntity } from '../db/entities/outfit';
import { PersonEntity } from '../db/entities/people';
import { ChartLayerEntity, InstrumentEntity, StationEntity, WaterEntity } from '../db/entities/water';
import { gridded } from '../grounds/gridded';

/** Loads a scenario in one transaction: all of it or nothing. */
export async function loadScenario(owner: DataSource, scenario: Scenario, demoPassword: string | null): Promise<void> {
  await owner.transaction(async (entities) => {
    for (const outfit of scenario.outfits) await loadOutfit(entities, outfit, Date.parse(scenario.now));
    if (demoPassword !== null) {
      await entities.query('insert into demo_clock (demo_at, password) values ($1, $2)', [scenario.now, demoPassword]);
    }
  });
}

async function loadOutfit(entities: EntityManager, o: OutfitScenario, nowMs: number): Promise<void> {
  const outfitId = o.outfit.id;
  const own = <T extends object>(rows: readonly T[]) => rows.map((r) => ({ ...r, outfitId }));
  // The tables bind their owner as well: everything that follows is this outfit's.
  await entities.query("select set_config('app.outfit', $1, true)", [outfitId]);
  await entities.insert(OutfitEntity, o.outfit);
  const hashes = new Map<string, string>();
  for (const p of o.people) if (!hashes.has(p.password)) hashes.set(p.password, await hashPassword(p.password));
  await entities.insert(
    PersonEntity,
    o.people.map(({ password, ...p }) => ({ ...p, outfitId, passwordHash: hashes.get(password) as string, active: true })),
  );
  await loadBoatsAndWaters(entities, outfitId, o, nowMs);
  if (o.stations.length > 0) await entities.insert(StationEntity, own(o.stations));
  await entities.insert(SpeciesEntity, own(o.species));
  await entities.insert(FamilyEntity, own(o.families));
  await entities.insert(
    PresentationEntity,
    own(o.presentations).map((p) => ({ ...p, active: true })),
  );
  await loadSpots(entities, outfitId, o);
  if (o.clients.length > 0) await entities.insert(ClientEntity, own(o.clients));
  if (o.rules.length > 0) await entities.insert(RuleEntity, own(o.rules) as never);
  if (o.instruments.length > 0) await entities.insert(InstrumentEntity, own(o.instruments));
  for (const { cellM, at, ...s } of o.surveys) {
    const grid = gridded(s, cellM);
    await entities.insert(SurveyEntity, { ...s, outfitId, source: 'file', madeAt: new Date(at), tideCorrected: true, grid: grid as never });
  }
  await loadReadings(entities, outfitId, o.crewReadings);
  await loadTrips(entities, outfitId, o.trips, new Map(o.species.map((x) => [x.id, x.lengthKind])));
}

type World = Pick<OutfitScenario, 'boats' | 'waters' | 'spots'>;

/** Boats, and waters with what is drawn on them. */
export async function loadBoatsAndWaters(
  entities: EntityManager,
  outfitId: string,
  o: Pick<World, 'boats' | 'waters'>,
  nowMs: number,
): Promise<void> {
  await entities.insert(
    BoatEntity,
    o.boats.map((b) => ({
      ...b,
      outfitId,
      gustLimitMps: b.gustLimitMps ?? (b.windLimitMps === null ? null : GUST_FACTOR * b.windLimitMps),
    })),
  );
  for (const { bed, marks, features, ...water } of o.waters) {
    await entities.insert(WaterEntity, { ...water, outfitId });
    await entities.insert(ChartLayerEntity, { outfitId, waterId: water.id, kind: 'bed', data: bed });
    await entities.insert(ChartLayerEntity, { outfitId, waterId: water.id, kind: 'marks', data: marks });
    const drawn = features.map((f) => ({
      ...f,
      outfitId,
      waterId: water.id,
      madeAt: new Date(nowMs),
      madeBy: null,
      importId: null,
      removedAt: null,
    }));
    if (drawn.length > 0) await entities.insert(FeatureEntity, drawn as never);
  }
}

/** Spots with the water that lies open before each. */
export async function loadSpots(entities: EntityManager, outfitId: string, o: Pick<World, 'waters' | 'spots'>): Promise<void> {
  const spots = o.spots.map((s) => {
    const bed = o.waters.find((w) => w.id === s.waterId)?.bed;
    if (!bed) throw new Error(`spot ${s.name}: its water is not in the file`);
    const { xM, yM } = toLocal(bed, s.lat, s.lon);
    return {
      ...s,
      points: s.points.length > 0 ? s.points : [[s.lon, s.lat] as [number, number]],
      outfitId,
      fetchM: fetchRose(bed, xM, yM),
    };
  });
  await entities.insert(SpotEntity, spots);
}

async function loadReadings(entities: EntityManager, outfitId: string, readings: OutfitScenario['crewReadings']): Promise<void> {
  await bulkInsert(entities, 'reading', {
    outfit_id: ['uuid', readings.map(() => outfitId)],
    water_id: ['uuid', readings.map((r) => r.waterId)],
    source: ['text', readings.map(() => 'crew')],
    variable: ['text', readings.map((r) => r.variable)],
    spot_id: ['uuid', readings.map((r) => r.spotId)],
    at: ['timestamptz', readings.map((r) => r.at)],
    value: ['double precision', readings.map((r) => r.value)],
    flag: ['smallint', readings.map(() => 1)],
  });
}

/** Trips with their stops, what was fished and what came. @param measuredBy - How each species is measured. */
export async function loadTrips(
  entities: EntityManager,
  outfitId: string,
  trips: OutfitScenario['trips'],
  measuredBy: ReadonlyMap<string, string>,
): Promise<void> {
  const column = <T, R>(type: string, rows: readonly T[], value: (row: T) => R) => [type, rows.map(value)] as const;
  await bulkInsert(entities, 'trip', {
    id: column('uuid', trips, (t) => t.id),
    outfit_id: column('uuid', trips, () => outfitId),
    boat_id: column('uuid', trips, (t) => t.boatId),
    captain_id: column('uuid', trips, (t) => t.captainId),
    water_id: column('uuid', trips, (t) => t.waterId),
    starts_at: column('timestamptz', trips, (t) => t.startsAt),
    ends_at: column('timestamptz', trips, (t) => t.endsAt),
    goal: column('text', trips, (t) => t.goal),
    rods: column('int', trips, (t) => t.rods),
    skill: column('int', trips, (t) => t.skill),
    wish: column('text', trips, (t) => t.wish),
    status: column('text', trips, (t) => t.status),
    began_at: column('timestamptz', trips, (t) => (t.status === 'done' ? t.startsAt : null)),
    ended_at: column('timestamptz', trips, (t) => (t.status === 'done' ? t.endsAt : null)),
    patience_min: column('int', trips, (t) => t.patienceMin ?? null),
  });
  const kinds = trips.flatMap((t) => t.speciesIds.map((speciesId) => ({ trip: t.id, speciesId })));
  await bulkInsert(entities, 'trip_species', {
    trip_id: column('uuid', kinds, (k) => k.trip),
    species_id: column('uuid', kinds, (k) => k.speciesId),
    outfit_id: column('uuid', kinds, () => outfitId),
  });
  const mates = trips.flatMap((t) => (t.mateIds ?? []).map((personId) => ({ trip: t.id, personId })));
  await bulkInsert(entities, 'trip_mate', {
    trip_id: ['uuid', mates.map((m) => m.trip)],
    person_id: ['uuid', mates.map((m) => m.personId)],
    outfit_id: ['uuid', mates.map(() => outfitId)],
  });
  const guests = trips.flatMap((t) => t.clientIds.map((clientId) => ({ trip: t.id, clientId })));
  await bulkInsert(entities, 'party', {
    trip_id: column('uuid', guests, (g) => g.trip),
    client_id: column('uuid', guests, (g) => g.clientId),
    outfit_id: column('uuid', guests, () => outfitId),
  });
  const stops = trips.flatMap((t) => t.stops.map((s) => ({ ...s, trip: t.id })));
  await bulkInsert(entities, 'stop', {
    id: column('uuid', stops, (s) => s.id),
    outfit_id: column('uuid', stops, () => outfitId),
    trip_id: column('uuid', stops, (s) => s.trip),
    spot_id: column('uuid', stops, (s) => s.spotId),
    started_at: column('timestamptz', stops, (s) => s.startedAt),
    ended_at: column('timestamptz', stops, (s) => s.endedAt),
  });
  const sets = stops.flatMap((s) => s.sets.map((x) => ({ ...x, stop: s.id })));
  await bulkInsert(entities, '"set"', {
    id: column('uuid', sets, (s) => s.id),
    outfit_id: column('uuid', sets, () => outfitId),
    stop_id: column('uuid', sets, (s) => s.stop),
    presentation_id: column('uuid', sets, (s) => s.presentationId),
    rods: column('int', sets, (s) => s.rods),
    started_at: column('timestamptz', sets, (s) => s.startedAt),
    ended_at: column('timestamptz', sets, (s) => s.endedAt),
  });
  const catches = sets.flatMap((s) => s.catches.map((k) => ({ ...k, set: s.id })));
  await bulkInsert(entities, '"catch"', {
    id: column('uuid', catches, (k) => k.id),
    outfit_id: column('uuid', catches, () => outfitId),
    set_id: column('uuid', catches, (k) => k.set),
    species_id: column('uuid', catches, (k) => k.speciesId),
    client_id: column('uuid', catches, (k) => k.clientId),
    at: column('timestamptz', catches, (k) => k.at),
    length_mm: column('int', catches, (k) => k.lengthMm),
    length_kind: column('text', catches, (k) => measuredBy.get(k.speciesId) ?? 'total'),
    outcome: column('text', catches, (k) => k.outcome),
    kept: column('boolean', catches, (k) => k.kept),
  });
}

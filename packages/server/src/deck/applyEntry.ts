// Writes one thing that happened on deck. Every entry carries the keys of its rows, so that sending it again changes
// nothing; the phone may send entries in any number of tries.
import type { DeckEntry } from '@bluffwind/contract/deck';
import type { TrialRods } from '@bluffwind/contract/trials';
import { type EntityManager, type EntitySchema, type FindOptionsWhere, Not } from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';
import { TrackPartEntity } from '../db/entities/day';
import { SetEntity, type SetRow, SightingEntity, StopEntity, TripEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import { saidDay, saidTime } from '@bluffwind/core/units/measure';
import type { DeckTrip } from './onTrip';
import { linesIn, linesOut } from './linesOut';
import { tellCatch } from './tellCatch';

/** How far a phone's clock may run ahead. */
const AHEAD_MS = 2 * 60_000;
/** Rods that one boat fishes at a time. */
const MOST_RODS = 20;
/** How long before its trip an entry may be made. */
const EARLY_MS = 12 * 3_600_000;
/** Things are got ready days ahead. */
const EARLY_TICK_MS = 14 * 24 * 3_600_000;

/** Throws Problem when an entry comes from the future or long before its trip. @param zone - Of the outfit, for the words. */
export function requireTime(trip: DeckTrip, entry: Pick<DeckEntry, 'at' | 'kind'>, nowMs: number, zone: string): void {
  const at = Date.parse(entry.at);
  const when = (ms: number) => `${saidTime(ms, zone)} on ${saidDay(ms, zone)}`;
  if (at > nowMs + AHEAD_MS)
    throw new Problem('invalid', `at: ${when(at)} is in the future; check the phone's clock`, [{ field: 'at', message: 'in the future' }]);
  const early = entry.kind === 'tick' ? EARLY_TICK_MS : EARLY_MS;
  if (at < trip.startsAt.getTime() - early)
    throw new Problem(
      'invalid',
      `at: ${when(at)} is more than ${early / 3_600_000} h before the trip, which begins at ${when(trip.startsAt.getTime())}; log it on its day, or check the phone's clock`,
      [{ field: 'at', message: 'before the trip' }],
    );
}

/** Applies an entry that is no catch to its trip. Throws Problem when it can never be accepted. */
export async function applyEntry(entities: EntityManager, trip: DeckTrip, entry: DeckEntry, by: string): Promise<void> {
  const at = new Date(entry.at);
  const outfitId = trip.outfitId;
  switch (entry.kind) {
    case 'begin-trip':
      if (trip.status === 'planned') {
        await entities.update(TripEntity, { id: trip.id, status: 'planned' }, { status: 'under way', beganAt: at });
        trip.status = 'under way';
      }
      return;
    case 'start-stop': {
      const rods = entry.sets.reduce((n, s) => n + s.rods, 0);
      if (rods > MOST_RODS)
        throw new Problem('invalid', `sets: ${rods} rods at one stop, at most ${MOST_RODS}`, [
          { field: 'sets', message: `at most ${MOST_RODS} rods in all` },
        ]);
      const spotId = await spotNow(entities, entry.spotId);
      const row = { id: entry.stopId, outfitId, tripId: trip.id, spotId, startedAt: at };
      const isNew = await insertOnce(
        entities,
        StopEntity,
        row,
        (known) => known.tripId === trip.id && known.spotId === spotId && +known.startedAt === +at,
      );
      if (!isNew) return;
      await closeOpen(entities, trip.id, at, { except: entry.stopId });
      for (const s of entry.sets) await insertSet(entities, { ...s, outfitId, stopId: entry.stopId, startedAt: at });
      return;
    }
    case 'switch-set': {
      await own(entities, StopEntity, { id: entry.stopId, tripId: trip.id }, 'stop');
      const isNew = await insertSet(entities, { ...entry.set, outfitId, stopId: entry.stopId, startedAt: at });
      if (!isNew) return;
      await entities.query(`update "set" set ended_at = greatest($2, started_at) where id = $1 and stop_id = $3 and ended_at is null`, [
        entry.endSetId,
        at,
        entry.stopId,
      ]);
      return;
    }
    case 'catch':
      throw new Error('catches are taken in bulk');
    case 'undo-catch':
      await entities.query(
        `update "catch" c set deleted_at = coalesce(c.deleted_at, $2) from "set" s join stop st on st.id = s.stop_id
         where c.id = $1 and s.id = c.set_id and st.trip_id = $3`,
        [entry.catchId, at, trip.id],
      );
      return;
    case 'sighting': {
      const { sightingId, what, note, depthM, relation, place, side } = entry;
      const spotId = entry.spotId === null ? null : await spotNow(entities, entry.spotId);
      const row = {
        id: sightingId,
        outfitId,
        tripId: trip.id,
        spotId,
        at,
        kind: what,
        note,
        depthM,
        relation,
        lat: place?.lat ?? null,
        lon: place?.lon ?? null,
        side,
      };
      await insertOnce(entities, SightingEntity, row, (k) => k.tripId === trip.id && k.kind === what && +k.at === +at);
      return;
    }
    case 'lines-out':
      await own(entities, StopEntity, { id: entry.stopId, tripId: trip.id }, 'stop');
      await linesOut(entities, outfitId, entry);
      return;
    case 'lines-in': {
      const stop = await entities.findOneBy(StopEntity, { id: entry.stopId, tripId: trip.id });
      if (!stop) throw new Problem('not_found', 'no such stop on this trip');
      await linesIn(entities, entry);
      // Another phone may have left the spot in the meantime: nothing fishes there any more.
      if (stop.endedAt !== null && stop.endedAt <= at) return;
      for (const s of entry.sets) await insertSet(entities, { ...s, outfitId, stopId: entry.stopId, startedAt: at });
      return;
    }
    case 'end-stop':
      await own(entities, StopEntity, { id: entry.stopId, tripId: trip.id }, 'stop');
      await closeOpen(entities, trip.id, at, { only: entry.stopId });
      return;
    case 'track':
      await own(entities, StopEntity, { id: entry.stopId, tripId: trip.id }, 'stop');
      await entities
        .createQueryBuilder()
        .insert()
        .into(TrackPartEntity)
        .values({ entryId: entry.entryId, outfitId, stopId: entry.stopId, at, points: entry.points as never })
        .orIgnore()
        .execute();
      return;
    case 'trial':
      await compare(entities, trip, entry, by);
      return;
    case 'rest':
      await takeRest(entities, trip, entry, by);
      return;
    case 'tick':
      await tick(entities, trip, entry, by);
      return;
    case 'tell-catch':
      await tellCatch(entities, trip, entry, by);
      return;
    case 'depart':
      await depart(entities, trip, entry, by);
      return;
    case 'end-trip':
      await closeOpen(entities, trip.id, at);
      if (trip.status !== 'done') {
        await entities.update(TripEntity, { id: trip.id, status: Not('done') }, { status: 'done', endedAt: at });
        trip.status = 'done';
      }
      return;
    default:
      throw unheard(entry);
  }
}

/** The later word holds, whichever phone says it and whenever it is sent. */
async function tick(entities: EntityManager, trip: DeckTrip, entry: Extract<DeckEntry, { kind: 'tick' }>, by: string): Promise<void> {
  await entities.query(
    `insert into rig_tick (trip_id, key, outfit_id, done, by, at) values ($1, $2, $3, $4, $5, $6)
     on conflict (trip_id, key) do update set done = excluded.done, by = excluded.by, at = excluded.at where rig_tick.at <= excluded.at`,
    [trip.id, entry.key, trip.outfitId, entry.done, by, new Date(entry.at)],
  );
}

/** As with a trial: the plan that holds again keeps its row, so that a rest that comes late does not take its place. */
async function takeRest(
  entities: EntityManager,
  trip: DeckTrip,
  { legs, at }: Extract<DeckEntry, { kind: 'rest' }>,
  by: string,
): Promise<void> {
  const spots = [...new Set((legs ?? []).map((l) => l.spotId))];
  const [{ known }] = await entities.query('select count(*)::int as known from spot where id = any($1)', [spots]);
  if (known < spots.length)
    throw new Problem('not_found', 'legs: a spot of it is not there any more; lay the rest anew', [
      { field: 'legs', message: 'no such spot' },
    ]);
  await entities.query(
    `insert into trip_rest (trip_id, outfit_id, legs, at, by) values ($1, $2, $3, $4, $5)
     on conflict (trip_id) do update set legs = excluded.legs, at = excluded.at, by = excluded.by where trip_rest.at <= excluded.at`,
    [trip.id, trip.outfitId, legs === null ? null : JSON.stringify(legs), new Date(at), by],
  );
}

/** A trial that is ended keeps its row with nothing to compare, so that an earlier word that comes late does not begin it again. */
async function compare(entities: EntityManager, trip: DeckTrip, entry: Extract<DeckEntry, { kind: 'trial' }>, by: string): Promise<void> {
  await entities.query(
    `insert into trial (trip_id, outfit_id, what, arms, at, by) values ($1, $2, $3, coalesce($4::text[], '{}'), $5, $6)
     on conflict (trip_id) do update set what = excluded.what, arms = coalesce($4::text[], '{}'), at = excluded.at, by = excluded.by
       where trial.at <= excluded.at`,
    [trip.id, trip.outfitId, entry.trial?.what ?? null, entry.trial?.arms ?? null, new Date(entry.at), by],
  );
}

/** How long after it is signed somebody ashore may be told to wait. */
const LONGEST_OUT_MS = 36 * 3_600_000;

/** Signed again, the later list holds. */
async function depart(entities: EntityManager, trip: DeckTrip, entry: Extract<DeckEntry, { kind: 'depart' }>, by: string): Promise<void> {
  const wait = Date.parse(entry.dueAt) - Date.parse(entry.at);
  if (wait <= 0 || wait > LONGEST_OUT_MS)
    throw new Problem('invalid', 'dueAt: expected a time after the list is signed, within 36 h', [
      { field: 'dueAt', message: 'after leaving, within 36 h' },
    ]);
  await entities.query(
    `insert into departure (trip_id, outfit_id, done, left_open, signed_by, due_at, ashore, at, by) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
     on conflict (trip_id) do update set done = excluded.done, left_open = excluded.left_open, signed_by = excluded.signed_by,
       due_at = excluded.due_at, ashore = excluded.ashore, at = excluded.at, by = excluded.by where departure.at <= excluded.at`,
    [trip.id, trip.outfitId, entry.done, entry.left, entry.signedBy, new Date(entry.dueAt), entry.ashore, new Date(entry.at), by],
  );
}

function insertSet(
  entities: EntityManager,
  {
    trial,
    ...set
  }: Pick<SetRow, 'id' | 'outfitId' | 'stopId' | 'presentationId' | 'rods' | 'startedAt'> & { trial?: TrialRods | undefined },
) {
  const row = { ...set, tried: trial?.what ?? null, arm: trial?.arm ?? null };
  return insertOnce(
    entities,
    SetEntity,
    row,
    (k) =>
      k.stopId === row.stopId &&
      k.presentationId === row.presentationId &&
      k.rods === row.rods &&
      k.arm === row.arm &&
      +k.startedAt === +row.startedAt,
  );
}

/**
 * Inserts a row unless its key is there already, which another try of the same entry may have put there a moment ago.
 * @returns Whether it was new. Throws Problem when the key belongs to something else.
 */
async function insertOnce<T extends { id: string }>(
  entities: EntityManager,
  entity: EntitySchema<T>,
  row: Partial<T> & { id: string },
  isSame: (known: T) => boolean,
): Promise<boolean> {
  const made = await entities
    .createQueryBuilder()
    .insert()
    .into(entity)
    .values(row as QueryDeepPartialEntity<T>)
    .orIgnore()
    .returning('id')
    .execute();
  if (made.raw.length > 0) return true;
  const known = await entities.findOneBy(entity, { id: row.id } as FindOptionsWhere<T>);
  if (known && isSame(known)) return false;
  throw otherKey();
}

/** A key that was used for something else before. */
export const otherKey = () =>
  new Problem('conflict', 'Another entry of the log has this key and says something else. Log it again: the phone makes a new key.');

/** A kind that the schema knows and nothing here writes does not compile. */
function unheard(entry: never): Problem {
  return new Problem('entry_unknown', `kind: ${String((entry as { kind?: unknown }).kind)} is not known here`);
}

/** Ends stops that run since before an instant (all but one, or one only), with their sets; sent again it ends nothing later. */
async function closeOpen(
  entities: EntityManager,
  tripId: string,
  at: Date,
  { only = null, except = null }: { only?: string | null; except?: string | null } = {},
): Promise<void> {
  const which = 'st.trip_id = $1 and st.started_at <= $2 and ($3::uuid is null or st.id = $3) and ($4::uuid is null or st.id <> $4) and';
  const values = [tripId, at, only, except];
  await entities.query(
    `update "set" s set ended_at = greatest($2, s.started_at) from stop st where st.id = s.stop_id and ${which} s.ended_at is null`,
    values,
  );
  await entities.query(
    `update disturbance d set to_at = greatest($2, d.from_at) from stop st where st.id = d.stop_id and ${which} d.to_at is null`,
    values,
  );
  await entities.query(`update stop st set ended_at = greatest($2, st.started_at) where ${which} st.ended_at is null`, values);
}

async function own(entities: EntityManager, entity: typeof StopEntity, where: { id: string; tripId: string }, what: string): Promise<void> {
  if (!(await entities.existsBy(entity, where))) throw new Problem('not_found', `no such ${what} on this trip`);
}

/** A phone may not have heard that two spots became one: what it logs goes to the one that is left. */
async function spotNow(entities: EntityManager, spotId: string): Promise<string> {
  const rows: { id: string }[] = await entities.query(
    `with recursive way (id, merged_into) as (
       select id, merged_into from spot where id = $1
       union select s.id, s.merged_into from spot s join way on s.id = way.merged_into)
     select id from way where merged_into is null`,
    [spotId],
  );
  return rows[0]?.id ?? spotId;
}

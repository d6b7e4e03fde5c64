// Writes one thing that happened on deck. Every entry carries the keys of its rows, so that sending it again changes
// nothing; the phone may send entries in any number of tries.
import type { DeckEntry } from '@bluffwind/contract/deck';
import { localDate, localTime } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';
import { CatchEntity, SetEntity, SightingEntity, StopEntity, TripEntity, type TripRow } from '../db/entities/trip';
import { Problem } from '../errors';
import { zoneOf } from '../trips/tripsOn';

/** How far a phone's clock may run ahead. */
const AHEAD_MS = 2 * 60_000;
/** How long before its trip an entry may be made. */
const EARLY_MS = 12 * 3_600_000;

/** Applies an entry to its trip. Throws Problem when it can never be accepted. */
export async function applyEntry(entities: EntityManager, trip: TripRow, entry: DeckEntry, nowMs: number): Promise<void> {
  const at = new Date(entry.at);
  const when = async (ms: number) => {
    const zone = await zoneOf(entities, trip.outfitId);
    return `${localTime(ms, zone)} on ${localDate(ms, zone)}`;
  };
  if (at.getTime() > nowMs + AHEAD_MS)
    throw new Problem('invalid', `at: ${await when(at.getTime())} is in the future; check the phone's clock`, [
      { field: 'at', message: 'in the future' },
    ]);
  if (at.getTime() < trip.startsAt.getTime() - EARLY_MS)
    throw new Problem(
      'invalid',
      `at: ${await when(at.getTime())} is more than 12 h before the trip, which begins at ${await when(trip.startsAt.getTime())}; log it on its day, or check the phone's clock`,
      [{ field: 'at', message: 'before the trip' }],
    );
  const outfitId = trip.outfitId;
  switch (entry.kind) {
    case 'begin-trip':
      if (trip.status === 'planned') await entities.update(TripEntity, { id: trip.id }, { status: 'under way', beganAt: at });
      return;
    case 'start-stop':
      if (await entities.existsBy(StopEntity, { id: entry.stopId })) return;
      await closeOpen(entities, trip.id, at);
      await entities.insert(StopEntity, {
        id: entry.stopId,
        outfitId,
        tripId: trip.id,
        spotId: await spotNow(entities, entry.spotId),
        startedAt: at,
      });
      await entities.insert(
        SetEntity,
        entry.sets.map((s) => ({ ...s, outfitId, stopId: entry.stopId, startedAt: at })),
      );
      return;
    case 'switch-set': {
      if (await entities.existsBy(SetEntity, { id: entry.set.id })) return;
      await own(entities, StopEntity, { id: entry.stopId, tripId: trip.id }, 'stop');
      await entities.query(`update "set" set ended_at = greatest($2, started_at) where id = $1 and stop_id = $3 and ended_at is null`, [
        entry.endSetId,
        at,
        entry.stopId,
      ]);
      await entities.insert(SetEntity, { ...entry.set, outfitId, stopId: entry.stopId, startedAt: at });
      return;
    }
    case 'catch': {
      if (await entities.existsBy(CatchEntity, { id: entry.catchId })) return;
      const [set] = await entities.query(`select 1 from "set" s join stop st on st.id = s.stop_id where s.id = $1 and st.trip_id = $2`, [
        entry.setId,
        trip.id,
      ]);
      if (!set) throw new Problem('not_found', 'setId: no such set on this trip');
      if (entry.outcome === 'landed' && !entry.speciesId)
        throw new Problem('invalid', 'speciesId: a landed fish needs its species', [
          { field: 'speciesId', message: 'needed for a landed fish' },
        ]);
      if (entry.kept && entry.outcome !== 'landed')
        throw new Problem('invalid', 'kept: only a landed fish can be kept', [{ field: 'kept', message: 'only for a landed fish' }]);
      const { catchId, setId, speciesId, clientId, lengthMm, lengthKind, outcome, kept } = entry;
      await entities.insert(CatchEntity, { id: catchId, outfitId, setId, speciesId, clientId, at, lengthMm, lengthKind, outcome, kept });
      return;
    }
    case 'undo-catch':
      await entities.query(
        `update "catch" c set deleted_at = coalesce(c.deleted_at, $2) from "set" s join stop st on st.id = s.stop_id
         where c.id = $1 and s.id = c.set_id and st.trip_id = $3`,
        [entry.catchId, at, trip.id],
      );
      return;
    case 'sighting':
      if (await entities.existsBy(SightingEntity, { id: entry.sightingId })) return;
      await entities.insert(SightingEntity, {
        id: entry.sightingId,
        outfitId,
        tripId: trip.id,
        spotId: entry.spotId === null ? null : await spotNow(entities, entry.spotId),
        at,
        kind: entry.what,
        note: entry.note,
        depthM: entry.depthM,
        relation: entry.relation,
      });
      return;
    case 'end-stop':
      await own(entities, StopEntity, { id: entry.stopId, tripId: trip.id }, 'stop');
      await closeOpen(entities, trip.id, at, entry.stopId);
      return;
    case 'end-trip':
      await closeOpen(entities, trip.id, at);
      if (trip.status !== 'done') await entities.update(TripEntity, { id: trip.id }, { status: 'done', endedAt: at });
      return;
    default:
      throw unheard(entry);
  }
}

/** A kind that the schema knows and nothing here writes does not compile. */
function unheard(entry: never): Problem {
  return new Problem('entry_unknown', `kind: ${String((entry as { kind?: unknown }).kind)} is not known here`);
}

/** Ends stops that run since before an instant (or one of them), with their sets; sent again it ends nothing later. */
async function closeOpen(entities: EntityManager, tripId: string, at: Date, only: string | null = null): Promise<void> {
  await entities.query(
    `update "set" s set ended_at = greatest($2, s.started_at) from stop st
     where st.id = s.stop_id and st.trip_id = $1 and st.started_at <= $2 and ($3::uuid is null or st.id = $3) and s.ended_at is null`,
    [tripId, at, only],
  );
  await entities.query(
    `update stop set ended_at = greatest($2, started_at) where trip_id = $1 and started_at <= $2 and ($3::uuid is null or id = $3) and ended_at is null`,
    [tripId, at, only],
  );
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

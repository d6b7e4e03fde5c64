// The same fishing logged by two phones: its hours would count twice, and its fish in two places. Made one, and parted again when asked.
import { randomUUID } from 'node:crypto';
import { MINUTE } from '@bluffwind/core/units/time';
import { type EntityManager, In, Not } from 'typeorm';
import { DisturbanceEntity, TrackPartEntity } from '../db/entities/day';
import { LogMergedEntity, LogMergeEntity, type MergedBefore } from '../db/entities/logMerge';
import { CatchEntity, SetEntity, StopEntity } from '../db/entities/log';
import { Problem } from '../errors';
import type { Who } from '../http/who';

interface Logged {
  readonly id: string;
  readonly stopId: string;
  readonly tripId: string;
  readonly spotId: string;
  readonly spot: string;
  readonly presentationId: string;
  readonly arm: string | null;
  readonly rods: number;
  readonly startedAt: Date;
  readonly endedAt: Date | null;
  readonly row: Record<string, unknown>;
}

/** Entries further apart were two times fished. */
const APART_MS = 10 * MINUTE;

/** Throws Problem unless these are one fishing logged more than once. @param logged - In order of their beginnings. */
function requireSame(logged: readonly Logged[]): void {
  const [first, ...others] = logged as [Logged, ...Logged[]];
  const differ = (what: string) => new Problem('invalid', `setIds: ${what}`, [{ field: 'setIds', message: what }]);
  for (const o of others) {
    if (o.tripId !== first.tripId) throw differ('these are entries of different trips; only what one boat fished at once can be one');
    if (o.spotId !== first.spotId) throw differ(`these were fished at different spots, ${first.spot} and ${o.spot}`);
    if (o.presentationId !== first.presentationId)
      throw differ('these were fished with different baits; give them the same bait first if one of them is wrong');
    if (o.arm !== first.arm) throw differ('these are the sides of a trial, which fish at the same time on purpose');
  }
  let until = first.endedAt?.getTime() ?? Number.NaN;
  for (const o of others) {
    if (!(o.startedAt.getTime() <= until + APART_MS))
      throw differ('there is a time between them in which nothing was fished; they are two entries, not one logged twice');
    until = Math.max(until, o.endedAt?.getTime() ?? Number.NaN);
  }
  if (Number.isNaN(until)) throw differ('one of them is still being fished; end its stop first');
}

/** Makes entries one: from the first's beginning to the last's end, on the most rods, with the fish of all. Throws Problem. */
export async function mergeSets(entities: EntityManager, who: Who, setIds: readonly string[], nowMs: number) {
  const ids = [...new Set(setIds)];
  const logged: Logged[] = await entities.query(
    `select s.id, s.stop_id as "stopId", st.trip_id as "tripId", st.spot_id as "spotId", sp.name as spot,
       s.presentation_id as "presentationId", s.arm, s.rods, s.started_at as "startedAt", s.ended_at as "endedAt", to_jsonb(s) as row
     from "set" s join stop st on st.id = s.stop_id and st.deleted_at is null join spot sp on sp.id = st.spot_id
     where s.id = any($1) order by s.started_at, s.id for update of s, st`,
    [ids],
  );
  if (logged.length < ids.length)
    throw new Problem('not_found', `${ids.length - logged.length} of the entries are not in the log any more.`);
  if (logged.length < 2) throw new Problem('invalid', 'setIds: choose two or more', [{ field: 'setIds', message: 'choose two or more' }]);
  requireSame(logged);
  const [kept, ...gone] = logged as [Logged, ...Logged[]];
  const goneIds = gone.map((g) => g.id);
  const ended = new Date(Math.max(...logged.map((l) => (l.endedAt as Date).getTime())));
  const rods = Math.max(...logged.map((l) => l.rods));
  const stopIds = [...new Set(logged.map((l) => l.stopId))];
  const stops = await entities.findBy(StopEntity, { id: In(stopIds) });
  const staying = await entities.findBy(SetEntity, { stopId: In(stopIds), id: Not(In(goneIds)) });
  const emptied = stopIds.filter((id) => id !== kept.stopId && !staying.some((s) => s.stopId === id));
  const fish = await entities.find(CatchEntity, { select: { id: true, setId: true }, where: { setId: In(goneIds) }, order: { at: 'ASC' } });
  const outs = await entities.find(DisturbanceEntity, { select: { id: true, stopId: true }, where: { stopId: In(emptied) } });
  const ways = await entities.find(TrackPartEntity, { select: { entryId: true, stopId: true }, where: { stopId: In(emptied) } });
  const before: MergedBefore = {
    what: 'entry',
    sets: gone.map((g) => g.row),
    kept: { rods: kept.rods, endedAt: (kept.endedAt as Date).toISOString() },
    stops: stops.map((s) => ({ id: s.id, endedAt: s.endedAt?.toISOString() ?? null, deleted: false })),
    fish: fish.map(({ id, setId }) => ({ id, setId })),
    outs: outs.map(({ id, stopId }) => ({ id, stopId })),
    ways: ways.flatMap(({ entryId, stopId }) => (stopId === null ? [] : [{ id: entryId, stopId }])),
  };
  await entities.update(CatchEntity, { setId: In(goneIds) }, { setId: kept.id });
  await entities.delete(SetEntity, { id: In(goneIds) });
  await entities.update(SetEntity, { id: kept.id }, { rods, endedAt: ended });
  await entities.update(DisturbanceEntity, { stopId: In(emptied) }, { stopId: kept.stopId });
  await entities.update(TrackPartEntity, { stopId: In(emptied) }, { stopId: kept.stopId });
  await entities.update(StopEntity, { id: In(emptied) }, { deletedAt: new Date(nowMs) });
  // The middle of the stop has moved, and with it the water that it was fished in.
  const stopEnded = stops.find((s) => s.id === kept.stopId)?.endedAt ?? ended;
  await entities.update(StopEntity, { id: kept.stopId }, { endedAt: stopEnded > ended ? stopEnded : ended, conditions: null });
  const mergeId = await noteMerge(entities, who, kept.id, before, nowMs, [
    ...goneIds.map((id) => ({ id, kind: 'set' as const, intoId: kept.id })),
    ...emptied.map((id) => ({ id, kind: 'stop' as const, intoId: kept.stopId })),
  ]);
  return { mergeId, setId: kept.id };
}

interface Part {
  readonly id: string;
  readonly kind: 'stop' | 'set' | 'catch';
  readonly intoId: string;
}

/** Keeps what was before, and where the parts went. @returns The merge's key. */
export async function noteMerge(
  entities: EntityManager,
  who: Who,
  intoId: string,
  before: MergedBefore,
  nowMs: number,
  parts: readonly Part[],
): Promise<string> {
  const id = randomUUID();
  await entities.insert(LogMergeEntity, {
    id,
    outfitId: who.outfitId,
    intoId,
    before: before as object,
    at: new Date(nowMs),
    by: who.personId,
  });
  await entities.insert(
    LogMergedEntity,
    parts.map((p) => ({ ...p, outfitId: who.outfitId, mergeId: id })),
  );
  return id;
}

// What was made one is two again.
import { type EntityManager, In } from 'typeorm';
import { CatchToldEntity, DisturbanceEntity, PhotoEntity, TrackPartEntity } from '../db/entities/day';
import { LogMergedEntity, LogMergeEntity, type LogMergeRow } from '../db/entities/logMerge';
import { SpotEntity } from '../db/entities/grounds';
import { CatchEntity, SetEntity, StopEntity } from '../db/entities/log';
import { stopOfCatch, stopOfSet } from '../deck/stopOf';
import { showLatest } from '../deck/tellCatch';
import { Problem } from '../errors';

/** Puts everything back as it was before a merge. Throws Problem when what it made is part of something else by now. */
export async function part(entities: EntityManager, merge: LogMergeRow): Promise<{ setId: string }> {
  const { before, intoId } = merge;
  if (await entities.existsBy(LogMergedEntity, { id: intoId }))
    throw new Problem('conflict', 'This was made one with another entry since: part that one first.');
  // A spot that another captain keeps is nothing that this one can see.
  const stop = before.what === 'fish' ? await stopOfCatch(entities, intoId) : await stopOfSet(entities, intoId);
  if (!stop || !(await entities.existsBy(SpotEntity, { id: stop.spotId })))
    throw new Problem('not_found', 'What it made is not in the log any more.');
  const setId = before.what === 'fish' ? await fishAgain(entities, merge) : await setsAgain(entities, merge);
  // Its parts go with it.
  await entities.delete(LogMergeEntity, { id: merge.id });
  return { setId };
}

async function fishAgain(entities: EntityManager, { before, intoId }: LogMergeRow): Promise<string> {
  const { other, photos = [], told } = before;
  const kept = await entities.findOneBy(CatchEntity, { id: intoId });
  if (!kept) throw new Problem('not_found', 'The fish is not in the log any more.');
  await entities.update(CatchEntity, { id: other }, { deletedAt: null });
  await entities.update(PhotoEntity, { id: In(photos) }, { catchId: other });
  if (told && told.fields.length > 0) {
    await entities.delete(CatchToldEntity, { entryId: told.entryId });
    await showLatest(entities, intoId, told.fields);
  }
  return kept.setId;
}

async function setsAgain(entities: EntityManager, { before, intoId }: LogMergeRow): Promise<string> {
  const { sets = [], kept, stops = [], fish = [], outs = [], ways = [] } = before;
  if (!(await entities.existsBy(SetEntity, { id: intoId }))) throw new Problem('conflict', 'The entry is not in the log any more.');
  for (const { id, endedAt } of stops)
    await entities.update(StopEntity, { id }, { endedAt: endedAt === null ? null : new Date(endedAt), deletedAt: null, conditions: null });
  await entities.query('insert into "set" select * from jsonb_populate_recordset(null::"set", $1)', [JSON.stringify(sets)]);
  if (kept) await entities.update(SetEntity, { id: intoId }, { rods: kept.rods, endedAt: new Date(kept.endedAt) });
  for (const { id, setId } of fish) await entities.update(CatchEntity, { id }, { setId });
  for (const { id, stopId } of outs) await entities.update(DisturbanceEntity, { id }, { stopId });
  for (const { id, stopId } of ways) await entities.update(TrackPartEntity, { entryId: id }, { stopId });
  return intoId;
}

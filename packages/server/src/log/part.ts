// What was made one is two again.
import { type EntityManager, In } from 'typeorm';
import { CatchToldEntity, PhotoEntity } from '../db/entities/day';
import { LogMergedEntity, LogMergeEntity, type LogMergeRow } from '../db/entities/logMerge';
import { CatchEntity, SetEntity } from '../db/entities/trip';
import { showLatest } from '../deck/tellCatch';
import { Problem } from '../errors';

/** Puts everything back as it was before a merge. Throws Problem when what it made is part of something else by now. */
export async function part(entities: EntityManager, merge: LogMergeRow): Promise<{ setId: string }> {
  const { before, intoId } = merge;
  if (await entities.existsBy(LogMergedEntity, { id: intoId }))
    throw new Problem('conflict', 'This was made one with another entry since: part that one first.');
  // A spot that another captain keeps is nothing that this one can see.
  const [seen] = await entities.query(
    `select s.id from "set" s join stop st on st.id = s.stop_id join spot sp on sp.id = st.spot_id
     where s.id = $1 or s.id = (select set_id from "catch" where id = $1)`,
    [intoId],
  );
  if (!seen) throw new Problem('not_found', 'What it made is not in the log any more.');
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
  await entities.query(
    'update stop set ended_at = x.ended, deleted_at = null, conditions = null from unnest($1::uuid[], $2::timestamptz[]) x(id, ended) where stop.id = x.id',
    [stops.map((s) => s.id), stops.map((s) => s.endedAt)],
  );
  await entities.query('insert into "set" select * from jsonb_populate_recordset(null::"set", $1)', [JSON.stringify(sets)]);
  if (kept) await entities.update(SetEntity, { id: intoId }, { rods: kept.rods, endedAt: new Date(kept.endedAt) });
  const back = async (table: string, key: string, column: string, moved: readonly { id: string; to: string }[]) =>
    entities.query(`update ${table} set ${column} = x.was from unnest($1::uuid[], $2::uuid[]) x(id, was) where ${table}.${key} = x.id`, [
      moved.map((m) => m.id),
      moved.map((m) => m.to),
    ]);
  await back(
    '"catch"',
    'id',
    'set_id',
    fish.map((f) => ({ id: f.id, to: f.setId })),
  );
  await back(
    'disturbance',
    'id',
    'stop_id',
    outs.map((o) => ({ id: o.id, to: o.stopId })),
  );
  await back(
    'track_part',
    'entry_id',
    'stop_id',
    ways.map((w) => ({ id: w.id, to: w.stopId })),
  );
  return intoId;
}

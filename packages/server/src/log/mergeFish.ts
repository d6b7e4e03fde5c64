// One fish logged by two phones.
import { randomUUID } from 'node:crypto';
import { fishMore } from '@bluffwind/contract/deck';
import { type EntityManager, In, IsNull } from 'typeorm';
import { PhotoEntity } from '../db/entities/day';
import { SpotEntity } from '../db/entities/grounds';
import { CatchEntity, type CatchRow } from '../db/entities/log';
import { stopOfSet } from '../deck/stopOf';
import { sayOf } from '../deck/tellCatch';
import { Problem } from '../errors';
import type { Who } from '../http/who';
import { noteMerge } from './mergeSets';

type Fish = Pick<CatchRow, 'id' | 'outcome' | 'setId'> & { readonly tripId: string; readonly said: Record<string, unknown> };

/** What one fish can take from the other: whether it was kept is said by the one that stays. */
const TAKEN = Object.keys(fishMore.shape).filter((f) => f !== 'kept' && f !== 'lengthKind');

/** Fish that are in the log still, at spots that who asks may know of; held until the end of the transaction. */
async function bothFish(entities: EntityManager, ids: readonly string[]): Promise<Fish[]> {
  const rows = await entities.find(CatchEntity, { where: { id: In([...ids]), deletedAt: IsNull() }, lock: { mode: 'pessimistic_write' } });
  const fish: Fish[] = [];
  for (const { id, outcome, setId, more, clientId, lengthMm, lengthKind, speciesId } of rows) {
    const stop = await stopOfSet(entities, setId);
    if (stop && (await entities.existsBy(SpotEntity, { id: stop.spotId })))
      fish.push({ id, outcome, setId, tripId: stop.tripId, said: { ...more, clientId, lengthMm, lengthKind, speciesId } });
  }
  return fish;
}

/** The one that is kept takes from the other what nobody said of it; the other is in the log no more. Throws Problem. */
export async function mergeFish(entities: EntityManager, who: Who, keepId: string, otherId: string, nowMs: number) {
  const found = await bothFish(entities, [keepId, otherId]);
  const keep = found.find((f) => f.id === keepId);
  const other = found.find((f) => f.id === otherId);
  if (!keep || !other || keepId === otherId) throw new Problem('not_found', 'One of the two is not in the log any more.');
  const differ = (what: string) => new Problem('invalid', `otherId: ${what}`, [{ field: 'otherId', message: what }]);
  if (keep.tripId !== other.tripId) throw differ('these are fish of different trips');
  if (keep.outcome !== other.outcome) throw differ('one of them was landed and the other was not');
  const lacks = TAKEN.filter((f) => (keep.said[f] ?? null) === null && (other.said[f] ?? null) !== null);
  // A length goes with the way that it was measured.
  if (lacks.includes('lengthMm')) lacks.push('lengthKind');
  const told = Object.fromEntries(lacks.map((f) => [f, other.said[f]]));
  const entryId = randomUUID();
  if (lacks.length > 0)
    await sayOf(entities, { entryId, outfitId: who.outfitId, catchId: keepId, told, at: new Date(nowMs), by: who.personId });
  const photos = await entities.find(PhotoEntity, { select: { id: true }, where: { catchId: otherId } });
  await entities.update(PhotoEntity, { catchId: otherId }, { catchId: keepId });
  await entities.update(CatchEntity, { id: otherId }, { deletedAt: new Date(nowMs) });
  const before = { what: 'fish' as const, other: otherId, photos: photos.map((p) => p.id), told: { entryId, fields: lacks } };
  const mergeId = await noteMerge(entities, who, keepId, before, nowMs, [{ id: otherId, kind: 'catch', intoId: keepId }]);
  return { mergeId, setId: keep.setId };
}

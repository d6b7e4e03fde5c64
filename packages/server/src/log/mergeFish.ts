// One fish logged by two phones.
import { randomUUID } from 'node:crypto';
import { fishMore } from '@bluffwind/contract/deck';
import type { EntityManager } from 'typeorm';
import { PhotoEntity } from '../db/entities/day';
import { CatchEntity, type CatchRow } from '../db/entities/trip';
import { sayOf } from '../deck/tellCatch';
import { Problem } from '../errors';
import type { Who } from '../http/who';
import { noteMerge } from './mergeSets';

type Fish = Pick<CatchRow, 'id' | 'outcome' | 'setId'> & { readonly tripId: string; readonly said: Record<string, unknown> };

/** What one fish can take from the other: whether it was kept is said by the one that stays. */
const TAKEN = Object.keys(fishMore.shape).filter((f) => f !== 'kept' && f !== 'lengthKind');

/** The one that is kept takes from the other what nobody said of it; the other is in the log no more. Throws Problem. */
export async function mergeFish(entities: EntityManager, who: Who, keepId: string, otherId: string, nowMs: number) {
  const found: Fish[] = await entities.query(
    `select k.id, k.outcome, k.set_id as "setId", st.trip_id as "tripId", k.more || jsonb_build_object('clientId', k.client_id,
       'lengthMm', k.length_mm, 'lengthKind', k.length_kind, 'speciesId', k.species_id) as said
     from "catch" k join "set" s on s.id = k.set_id join stop st on st.id = s.stop_id join spot sp on sp.id = st.spot_id
     where k.id = any($1) and k.deleted_at is null for update of k`,
    [[keepId, otherId]],
  );
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

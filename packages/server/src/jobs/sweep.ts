// What has had its time: sessions that are over, medical notes of guests who have not been back for long.
import { type DataSource, LessThan } from 'typeorm';
import { inOutfit } from '../db/database';
import { SessionEntity } from '../db/entities/waysIn';
import { outfitIds } from '../db/outfitIds';

/**
 * Clears every outfit's expired sessions, and the medical notes of clients whose last trip is longer ago than the outfit keeps them;
 * those of a guest who has not been out yet stay.
 * @returns Rows cleared.
 */
export async function sweep(source: DataSource, nowMs: number): Promise<{ sessions: number; notes: number }> {
  const now = new Date(nowMs);
  let [sessions, notes] = [0, 0];
  for (const id of await outfitIds(source))
    await inOutfit(source, id, async (entities) => {
      const { affected: ended } = await entities.delete(SessionEntity, { expiresAt: LessThan(now) });
      const [, cleared]: [unknown, number] = await entities.query(
        `update client k set medical_note = '' from outfit o
         where o.id = k.outfit_id and k.medical_note <> '' and exists (select from party p where p.client_id = k.id) and not exists (
           select from party p join trip t on t.id = p.trip_id
           where p.client_id = k.id and t.ends_at > $1::timestamptz - make_interval(days => o.medical_note_days))`,
        [now],
      );
      sessions += ended ?? 0;
      notes += cleared;
    });
  return { sessions, notes };
}

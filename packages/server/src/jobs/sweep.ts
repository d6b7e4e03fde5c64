// What has had its time: sessions that are over, medical notes of guests who have not been back for long.
import type { DataSource } from 'typeorm';
import { inOutfit } from '../db/database';

/**
 * Clears every outfit's expired sessions, and the medical notes of clients whose last trip is longer ago than the outfit keeps them;
 * those of a guest who has not been out yet stay.
 * @returns Rows cleared.
 */
export async function sweep(source: DataSource, nowMs: number): Promise<{ sessions: number; notes: number }> {
  const outfits: { id: string }[] = await source.query('select id from outfit_ids()');
  const now = new Date(nowMs);
  let [sessions, notes] = [0, 0];
  for (const { id } of outfits)
    await inOutfit(source, id, async (entities) => {
      const [, ended]: [unknown, number] = await entities.query('delete from session where expires_at < $1', [now]);
      const [, cleared]: [unknown, number] = await entities.query(
        `update client k set medical_note = '' from outfit o
         where o.id = k.outfit_id and k.medical_note <> '' and exists (select from party p where p.client_id = k.id) and not exists (
           select from party p join trip t on t.id = p.trip_id
           where p.client_id = k.id and t.ends_at > $1::timestamptz - make_interval(days => o.medical_note_days))`,
        [now],
      );
      sessions += ended;
      notes += cleared;
    });
  return { sessions, notes };
}

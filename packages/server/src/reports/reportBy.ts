import type { DataSource } from 'typeorm';
import { digest } from '../auth/session';

/** The report of a link, of whatever outfit, while it is open; null when it is over or never was. */
export async function reportBy(source: DataSource, token: string, nowMs: number): Promise<{ id: string; outfit_id: string } | null> {
  const [row]: { outfit_id: string; id: string }[] = await source.query('select * from report_by($1, $2)', [
    digest(token),
    new Date(nowMs),
  ]);
  return row ?? null;
}

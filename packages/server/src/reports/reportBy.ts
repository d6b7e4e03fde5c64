import { through } from '../db/doors';
import type { DataSource } from 'typeorm';
import { digest } from '../auth/session';

/** The report of a link, of whatever outfit, while it is open; null when it is over or never was. */
export async function reportBy(source: DataSource, token: string, nowMs: number): Promise<{ id: string; outfit_id: string } | null> {
  return (await through(source, 'report_by', digest(token), new Date(nowMs))) ?? null;
}

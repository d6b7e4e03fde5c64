import type { DataSource } from 'typeorm';
import { through } from '../db/doors';
import { digest } from './session';

/** The invitation of a link, of whatever outfit, while it holds; null when it is over or never was. */
export async function invitationBy(source: DataSource, token: string, nowMs: number) {
  return (await through(source, 'invitation_by', digest(token), new Date(nowMs))) ?? null;
}

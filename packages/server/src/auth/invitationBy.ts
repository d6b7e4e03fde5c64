import type { DataSource } from 'typeorm';
import { digest } from './session';

export interface OpenInvitation {
  readonly invitation_id: string;
  readonly outfit_id: string;
  readonly outfit: string;
  /** Whom it gives a new password; null asks in somebody new. */
  readonly person_id: string | null;
  readonly name: string;
  readonly email: string;
  readonly role: 'owner' | 'captain' | 'mate';
}

/** The invitation of a link, of whatever outfit, while it holds; null when it is over or never was. */
export async function invitationBy(source: DataSource, token: string, nowMs: number): Promise<OpenInvitation | null> {
  const [row]: OpenInvitation[] = await source.query('select * from invitation_by($1, $2)', [digest(token), new Date(nowMs)]);
  return row ?? null;
}

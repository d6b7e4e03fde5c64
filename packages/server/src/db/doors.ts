// The database's functions that look past one outfit, all of them: each answers one question, and nothing else that the
// server asks sees rows of an outfit it is not bound to (row level security).
import type { DataSource } from 'typeorm';

type Role = 'owner' | 'captain' | 'mate';
interface Holding {
  readonly session_id: string;
  readonly person_id: string;
  readonly outfit_id: string;
  readonly role: Role;
  readonly version: string;
  readonly topics: Record<string, number>;
}

/** What each is asked with, and a row of its answer. */
interface Doors {
  sign_in_person: [ask: [email: string], row: { person_id: string; outfit_id: string; password_hash: string }];
  session_person: [ask: [token: Buffer, now: Date, idle: string], row: Holding];
  program_key_by: [ask: [key: Buffer, now: Date], row: Holding & { scopes: string[] }];
  passkey_person: [ask: [credential: string], row: { outfit_id: string; person_id: string }];
  invitation_by: [
    ask: [token: Buffer, now: Date],
    row: {
      readonly invitation_id: string;
      readonly outfit_id: string;
      readonly outfit: string;
      /** Whom it gives a new password; null asks in somebody new. */
      readonly person_id: string | null;
      readonly name: string;
      readonly email: string;
      readonly role: Role;
    },
  ];
  report_by: [ask: [token: Buffer, now: Date], row: { outfit_id: string; id: string }];
  calendar_by: [ask: [token: Buffer], row: { outfit_id: string; person_id: string; role: Role }];
  outfit_ids: [ask: [], row: { id: string }];
  push_key_of: [ask: [publicKey: string, privateKey: string], row: { public_key: string; private_key: string }];
  device_known: [ask: [email: string, device: Buffer], row: { device_known: boolean }];
  email_taken: [ask: [email: string], row: { email_taken: boolean }];
  challenge_made: [ask: [challenge: string, until: Date], row: unknown];
  challenge_taken: [ask: [challenge: string, now: Date], row: { challenge_taken: boolean }];
  demo_sign_ins: [ask: [], row: { name: string; email: string; role: string; outfit: string }];
  demo_password: [ask: [], row: { password: string }];
  demo_clock_on: [ask: [at: Date], row: unknown];
  demo_time: [ask: [], row: { demo_time: Date | null }];
}

/** The rows that one of them answers. */
export function allThrough<N extends keyof Doors>(source: Pick<DataSource, 'query'>, door: N, ...ask: Doors[N][0]): Promise<Doors[N][1][]> {
  return source.query(`select * from ${door}(${ask.map((_, i) => `$${i + 1}`).join(', ')})`, ask);
}

/** The one row that it answers; undefined when there is none. */
export async function through<N extends keyof Doors>(
  source: Pick<DataSource, 'query'>,
  door: N,
  ...ask: Doors[N][0]
): Promise<Doors[N][1] | undefined> {
  return (await allThrough(source, door, ...ask))[0];
}

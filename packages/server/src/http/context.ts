import { OpenAPIHono } from '@hono/zod-openapi';
import type { Context } from 'hono';
import type { Logger } from 'pino';
import type { DataSource, EntityManager } from 'typeorm';
import type { Clock, SettableClock } from '../clock';
import type { Config } from '../config';
import type { Role } from '../db/entities/outfit';
import { type FieldFault, Problem } from '../errors';

/** Who asks. */
export interface Who {
  readonly personId: string;
  readonly outfitId: string;
  readonly role: Role;
}

/** What every feature is given. */
export interface Deps {
  readonly source: DataSource;
  readonly clock: Clock;
  /** Set in the demo only. */
  readonly demoClock: SettableClock | null;
  readonly config: Config;
  readonly log: Logger;
}

/** Variables of a request: its person, and the transaction that sees the person's outfit only. */
export type Env = { Variables: { who: Who; entities: EntityManager } };

/** A router whose validation failures are problem documents that name each field. */
export function router(): OpenAPIHono<Env> {
  return new OpenAPIHono<Env>({
    defaultHook: (result) => {
      if (!result.success) throw invalid(result.error.issues);
    },
  });
}

/** A problem from Zod's issues. */
export function invalid(issues: readonly { path: readonly PropertyKey[]; message: string }[]): Problem {
  const fields: FieldFault[] = issues.map((i) => ({ field: i.path.map(String).join('.') || 'body', message: i.message }));
  return new Problem('invalid', fields.map((f) => `${f.field}: ${f.message}`).join('; '), fields);
}

/** Throws unless the person may plan and change trips. */
export function requireCaptain(c: Context<Env>): void {
  if (c.get('who').role === 'mate') throw new Problem('not_allowed', 'Captains and the owner can change this.');
}

/** The row, or the problem that it is not there (for this outfit). */
export function found<T>(row: T | null | undefined, what: string): T {
  if (row === null || row === undefined) throw new Problem('not_found', `No such ${what}.`);
  return row;
}

import type { Context } from 'hono';
import type { Logger } from 'pino';
import type { DataSource, EntityManager } from 'typeorm';
import type { Clock, SettableClock } from '../clock';
import type { Config } from '../config';
import type { Topic } from '../db/topics';
import type { RouteTerms } from './terms';
import type { Jobs } from '../jobs/boss';
import type { Changes } from '../events/changes';
import type { Metrics } from '../metrics';
import type { Threads } from '../threads/pool';
import { type FieldFault, Problem } from '../errors';
import type { Holder, Who } from './who';

/** What every feature is given. */
export interface Deps {
  readonly source: DataSource;
  /** A copy of it for questions; absent where there is none. */
  readonly copy?: DataSource;
  readonly clock: Clock;
  /** Set in the demo only. */
  readonly demoClock: SettableClock | null;
  readonly config: Config;
  /** Work that follows from a request and is done elsewhere. */
  readonly jobs: Jobs;
  /** Where slow requests are answered; null when it is here. */
  readonly threads: Threads | null;
  /** Changes that follow each other within so long are told together. */
  readonly markEveryMs: number;
  /** Whether this process keeps answers until something changes. */
  readonly keepsAnswers: boolean;
  /** Changes that screens are told of; absent in threads. */
  readonly changes?: Changes;
  /** Counts requests; absent where nobody watches. */
  readonly metrics?: Metrics;
  /** This is such a thread: who asks was found out before. */
  readonly inThread?: boolean;
  readonly log: Logger;
}

export interface KeptAnswers {
  /**
   * The kept answer, or the one that `make` gives, kept if it is a success. Asked for twice at once it is made once. Where making it takes
   * long, a reader gets the one that was, marked as older, unless he has changed something himself since that was begun.
   * @param terms - How long an answer holds by the server's clock, though nothing has changed, and for whom.
   */
  answer(c: Context<Env>, terms: Pick<RouteTerms, 'keptMs' | 'keptFor' | 'from'>, make: () => Promise<Response>): Promise<Response>;
  /** A person has changed something: he waits for what shows it. */
  wrote(personId: string): void;
}

/** What a request carries on its way. */
export interface Env {
  /** In a thread: who asks, as the server has found out. */
  Bindings: { holder?: Holder };
  Variables: {
    who: Who;
    sessionId: string;
    version: string;
    topics: Holder['topics'];
    /** Answers kept in this process. */
    answers?: KeptAnswers;
    /** The time by the server's clock. */
    nowMs: number;
    /** The transaction that sees the person's outfit only; there while the work of `within` is under way. */
    entities: EntityManager;
    /** Opens that transaction for work. */
    within?: <T>(work: () => Promise<T>) => Promise<T>;
    /** Tells, when a change is committed, that there was one, and of what. */
    changed?: (topics: readonly Topic[], often: boolean) => Promise<void>;
    /** Whether what is worked out is for a later reader: whoever has asked was given the answer that was. */
    nobodyWaits?: () => boolean;
    /** Has the request answered by another thread. */
    elsewhere?: (body: ArrayBuffer | null) => Promise<Response>;
  };
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

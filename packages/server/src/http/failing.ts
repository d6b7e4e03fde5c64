// Errors on their way out: a document for who asked, a line of the log without what a query was given.
import type { ErrorHandler } from 'hono';
import { problemOf } from '../errors';
import type { Deps, Env } from './context';

/** Answers every error as a problem document (RFC 9457); only what nobody foresaw is written to the log. */
export const failing =
  (log: Deps['log']): ErrorHandler<Env> =>
  (error, c) => {
    const problem = problemOf(error);
    if (problem.code === 'internal') log.error({ err: withoutValues(error), path: c.req.path }, 'request failed');
    if (problem.retryAfterS !== null) c.header('Retry-After', String(problem.retryAfterS));
    return c.body(JSON.stringify(problem.body()), problem.status, { 'Content-Type': 'application/problem+json' });
  };

/** An error for the log: without the values that a query was given, which are people's names, notes and keys. */
function withoutValues(error: unknown): unknown {
  if (!(error instanceof Error)) return 'not an error';
  const { code, constraint, table, query } = { ...error, ...(error as { driverError?: object }).driverError } as Record<string, unknown>;
  const frames = error.stack
    ?.split('\n')
    .filter((l) => /^\s+at /.test(l))
    .slice(0, 8);
  const isDatabase = query !== undefined || code !== undefined;
  return { name: error.name, message: isDatabase ? undefined : error.message, code, constraint, table, query, stack: frames };
}

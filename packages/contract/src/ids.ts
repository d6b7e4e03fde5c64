import { z } from 'zod';

export const id = z.uuid();

/** Times that people fish in: what lies outside is a mistake, and some of it no database can hold. */
export const EARLIEST_MS = Date.UTC(1900, 0, 1);
export const LATEST_MS = Date.UTC(2200, 0, 1);

/** An instant, ISO 8601 with zone. */
export const instant = z.iso.datetime({ offset: true }).refine((s) => {
  const ms = Date.parse(s);
  return ms >= EARLIEST_MS && ms < LATEST_MS;
}, 'expected a time from 1900 to 2199');
/** A calendar date, YYYY-MM-DD. */
export const date = z.iso.date().refine((s) => s >= '1900-01-01' && s < '2200-01-01', 'expected a date from 1900 to 2199');
/** A whole number that a column holds. */
export const count = z.int32().nonnegative();
export const lengthKind = z.enum(['total', 'fork', 'standard', 'disc']);

import { z } from 'zod';

export const id = z.uuid();
/** An instant, ISO 8601 with zone. */
export const instant = z.iso.datetime({ offset: true });
/** A calendar date, YYYY-MM-DD. */
export const date = z.iso.date();
export const lengthKind = z.enum(['total', 'fork', 'standard', 'disc']);

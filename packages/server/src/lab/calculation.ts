import type { z } from 'zod';

/** A calculation of the command line: a schema for its input and the core's answer. */
export interface Calculation {
  readonly what: string;
  readonly schema: z.ZodType;
  /** Takes what the schema has parsed. */
  readonly run: (input: never) => unknown;
}

/** Ties a calculation to its schema, so that what it takes is what was parsed. */
export function calculation<S extends z.ZodType>(what: string, schema: S, run: (input: z.infer<S>) => unknown): Calculation {
  return { what, schema, run };
}

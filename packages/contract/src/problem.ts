import { z } from 'zod';

/** A problem document (RFC 9457) with a stable code, the fields at fault and what to do. */
export const problem = z.object({
  type: z.string(),
  code: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  remedy: z.string(),
  fields: z.array(z.object({ field: z.string(), message: z.string() })),
});
export type ProblemBody = z.infer<typeof problem>;

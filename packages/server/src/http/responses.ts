import { problem } from '@bluffwind/contract/problem';
import type { z } from '@hono/zod-openapi';

/** The answers of a route: its own, and a problem document for everything else. */
export function answers<T extends z.ZodType>(schema: T, description: string) {
  return {
    200: { description, content: { 'application/json': { schema } } },
    default: { description: 'What was wrong and what to do', content: { 'application/problem+json': { schema: problem } } },
  } as const;
}

/** A required JSON body. */
export function jsonBody<T extends z.ZodType>(schema: T) {
  return { body: { required: true, content: { 'application/json': { schema } } } } as const;
}

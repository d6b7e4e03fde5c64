// What a part of the server says of itself. The application and the database are put together from a list of these alone.
import type { EntitySchema } from 'typeorm';
import type { Deps } from './http/context';
import type { Routes } from './http/routes';

export interface Feature {
  /** What is answered at which address. */
  readonly routes: readonly ((deps: Deps) => Routes)[];
  /** Tables. */
  readonly entities: readonly EntitySchema<unknown>[];
}

/** A feature; its tables keep their own types where they are used. */
export function feature(parts: {
  routes?: readonly ((deps: Deps) => Routes)[];
  // biome-ignore lint/suspicious/noExplicitAny: a schema of any row
  entities?: readonly EntitySchema<any>[];
}): Feature {
  return { routes: parts.routes ?? [], entities: parts.entities ?? [] };
}

import type { Role } from '../db/entities/outfit';

/** Who asks. */
export interface Who {
  readonly personId: string;
  readonly outfitId: string;
  readonly role: Role;
}

/** Who asks, by which session. */
export interface Holder extends Who {
  readonly sessionId: string;
  /** Counts what has changed of the outfit. */
  readonly version: string;
}

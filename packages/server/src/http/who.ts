import type { Role } from '../db/entities/people';
import type { Topic } from '../db/topics';

/** Who asks. */
export interface Who {
  readonly personId: string;
  readonly outfitId: string;
  readonly role: Role;
  /** A program asks by a key of this person's: what guests say of their health is for no program. */
  readonly program?: true;
}

/** Who asks, by which session. */
export interface Holder extends Who {
  readonly sessionId: string;
  /** Counts what has changed of the outfit. */
  readonly version: string;
  /** The count at which each topic last changed; absent where it never did since they are noted. */
  readonly topics: Readonly<Partial<Record<Topic, number>>>;
}

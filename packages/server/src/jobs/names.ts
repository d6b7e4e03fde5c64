import type { MailJob } from '../mail/job';
import type { PushJob } from '../push/job';

/** What each kind of job is told. An outfit's job works in that outfit alone. */
export interface JobData {
  /** Conditions of finished stops that have none yet. */
  'see-stops': { readonly outfitId: string };
  /** Readings of a span came, changed or went: what stops of that time were fished in is worked out anew. */
  'refresh-stops': { readonly outfitId: string; readonly waterId: string; readonly fromMs: number; readonly toMs: number };
  /** Briefs of an outfit in which something has changed. */
  'make-briefs': { readonly outfitId: string };
  /** What the crew's readings say of spots' own temperatures. */
  'calibrate-spots': { readonly outfitId: string; readonly waterId: string; readonly spotIds: readonly string[] };
  /** Stations of all outfits that are due are asked. */
  'poll-stations': Record<string, never>;
  /** A letter to one person. */
  mail: MailJob;
  /** A notice on one device. */
  push: PushJob;
  /** Boats that are overdue are told to those ashore. */
  'look-overdue': Record<string, never>;
  /** Sessions that are over, notes that are no longer needed. */
  sweep: Record<string, never>;
}
export type JobName = keyof JobData;

export const JOB_NAMES: readonly JobName[] = [
  'see-stops',
  'refresh-stops',
  'calibrate-spots',
  'make-briefs',
  'poll-stations',
  'mail',
  'push',
  'look-overdue',
  'sweep',
];

/** Jobs that failed for good end here, for the owner to see. */
export const DEAD = 'dead';

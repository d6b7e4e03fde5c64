import { QUANTITIES } from '@bluffwind/core/risk/judge';

/** For tests whose water has hardly any readings: the captain has seen all that is not known. */
export const ALL_SEEN = [...QUANTITIES];

// Apart from the schemas: what a page is drawn with before it has asked for anything.
import { METRIC } from '@bluffwind/core/units/measure';
import type { OwnSettings } from './auth';

/** What holds until somebody sets it. */
export const USUAL_SETTINGS: OwnSettings = {
  units: METRIC,
  keys: true,
  mail: { overdue: true, brief: false },
  push: { overdue: true, brief: true },
};

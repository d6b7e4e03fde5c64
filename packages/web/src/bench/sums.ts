// The sums that need nothing but figures. Each gives its picture, its figures and a sentence.
import { dive } from './diveSum';
import { drift } from './driftSum';
import { feeder } from './feederSum';
import { fish } from './fishSum';
import { boyle } from './gasSum';
import { plumb } from './plumbSum';
import { search } from './searchSum';
import { sink } from './sinkSum';
import { zone } from './zoneSum';
import type { Sum } from './sum';

/** In the order of the list. */
export const SUMS: readonly Sum[] = [sink, plumb, drift, feeder, zone, dive, search, fish, boyle];

import { auth } from './auth/feature';
import { board } from './board/feature';
import { brief } from './brief/feature';
import { crew } from './crew/feature';
import { debrief } from './debrief/feature';
import { deck } from './deck/feature';
import { grounds } from './grounds/feature';
import { imports } from './imports/feature';
import { keys } from './keys/feature';
import { log } from './log/feature';
import { photos } from './photos/feature';
import { plan } from './plan/feature';
import { presentations } from './presentations/feature';
import { reports } from './reports/feature';
import { rigs } from './rigs/feature';
import { rules } from './rules/feature';
import { trips } from './trips/feature';
import { water } from './water/feature';
import { push } from './push/feature';
import { sample } from './sample/feature';
import type { Feature } from './feature';

/** Every part of the server. */
export const FEATURES: readonly Feature[] = [
  auth,
  crew,
  trips,
  water,
  imports,
  grounds,
  plan,
  presentations,
  rigs,
  rules,
  deck,
  photos,
  debrief,
  reports,
  brief,
  board,
  log,
  keys,
  sample,
  push,
];

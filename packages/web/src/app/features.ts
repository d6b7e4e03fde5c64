import { after } from '../after/feature';
import { backtest } from '../backtest/feature';
import { bench } from '../bench/feature';
import { board } from '../board/feature';
import { brief } from '../brief/feature';
import type { Feature } from '../data/feature';
import { calendar } from '../calendar/feature';
import { crew } from '../crew/feature';
import { deck } from '../deck/feature';
import { fleet } from '../fleet/feature';
import { grounds } from '../grounds/feature';
import { log } from '../log/feature';
import { plan } from '../plan/feature';
import { rigs } from '../rigs/feature';
import { gear } from '../rigs/gearFeature';
import { presentations } from '../presentations/feature';
import { water } from '../water/feature';
import { settings } from '../settings/feature';

/** Every screen, in the order of the work. */
export const FEATURES: readonly Feature[] = [
  board,
  calendar,
  water,
  grounds,
  plan,
  rigs,
  deck,
  after,
  fleet,
  presentations,
  gear,
  bench,
  brief,
  log,
  crew,
  settings,
  backtest,
];

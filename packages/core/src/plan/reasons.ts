import type { Factor } from '../catchrate/fitCatchRate';
import type { RateConditions } from '../catchrate/world';
import { compassPoint } from '../units/angle';

/** A reason for (+) or against (-) a call, in a guide's words. */
export interface Reason {
  readonly sign: '+' | '-';
  readonly text: string;
  readonly multiplier: number;
  readonly fish: number;
  readonly expected: number;
}

const STAGE_WORDS = [
  'first of the run-in',
  'young run-in',
  'run-in at its strongest',
  'last of the run-in',
  'first of the run-out',
  'young run-out',
  'run-out at its strongest',
  'last of the run-out',
] as const;
const LIGHT_WORDS = ['dark', 'low light', 'middling light', 'high sun'] as const;

const WORTH_SAYING = 0.1;

/** The factors that move a rate by a tenth or more, strongest first. */
export function reasonsOf(factors: readonly Factor[], conditions: RateConditions): Reason[] {
  return factors
    .filter((f) => f.name !== 'base' && f.level >= 0 && Math.abs(Math.log(f.multiplier)) > WORTH_SAYING)
    .map((f) => ({
      sign: f.multiplier > 1 ? ('+' as const) : ('-' as const),
      text: phrase(f, conditions),
      multiplier: f.multiplier,
      fish: f.fish,
      expected: f.expected,
    }))
    .sort((a, b) => Math.abs(Math.log(b.multiplier)) - Math.abs(Math.log(a.multiplier)));
}

function phrase(f: Factor, c: RateConditions): string {
  const good = f.multiplier > 1;
  const temp = c.waterTempC === null || c.waterTempC === undefined ? '' : ` at ${c.waterTempC.toFixed(1)} °C`;
  const wind = c.windFromDeg === null || c.windFromDeg === undefined ? 'this wind' : `wind from ${compassPoint(c.windFromDeg)}`;
  switch (f.name) {
    case 'spot':
      return good ? 'one of the better spots, all trips together' : 'a poorer spot, all trips together';
    case 'presentation':
      return good ? 'the crew does well on this presentation' : 'the crew does poorly on this presentation';
    case 'spot and presentation':
      return good ? 'this presentation suits the spot' : 'other presentations do better here';
    case 'tide stage':
      return `${STAGE_WORDS[f.level % 8]}${good ? '' : ', slow everywhere'}`;
    case 'spot and tide stage':
      return `${STAGE_WORDS[f.level % 8]}, ${good ? 'good' : 'poor'} here`;
    case 'light':
      return `${LIGHT_WORDS[f.level % 4]}${good ? '' : ' slows them'}`;
    case 'presentation and light':
      return `${good ? 'right' : 'wrong'} bait for ${LIGHT_WORDS[f.level % 4]}`;
    case 'water temperature':
      return `water${temp}: ${good ? 'they feed' : 'they are slow'}`;
    case 'presentation and temperature':
      return `${good ? 'works' : 'works less'}${temp}`;
    case 'presentation and clarity':
      return `${good ? 'suits' : 'does not suit'} this clarity`;
    case 'wind':
      return `${good ? 'this much wind helps' : 'this much wind hurts'}`;
    case 'spot and wind direction':
      return `${wind}, ${good ? 'good' : 'poor'} here`;
    case 'month':
      return good ? 'a good month' : 'a slow month';
    case 'spot lately':
      return good ? 'better than usual these two weeks' : 'worse than usual these two weeks';
    case 'depth for the presentation':
      return 'depth here is off what this bait fishes';
    default:
      return 'temperature is off what this bait likes';
  }
}

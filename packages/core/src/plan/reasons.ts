import { RATE_RULES } from '../catchrate/rateRules';
import type { Factor } from '../catchrate/rateModel';
import type { RateConditions } from '../catchrate/world';
import { compassPoint } from '../units/angle';
import { said } from '../units/measure';

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
const PHASE_WORDS = ['first of the run', 'young run', 'run at its strongest', 'last of the run'] as const;
const LIGHT_WORDS = ['dark', 'low light', 'middling light', 'high sun'] as const;

const WORTH_SAYING = 0.1;
/** Factors that are the same for every call. */
const UNSAID = ['base', 'share that is long enough', 'share that may be kept'];

/** The factors that move a rate by a tenth or more, strongest first. */
export function reasonsOf(factors: readonly Factor[], conditions: RateConditions): Reason[] {
  return factors
    .filter((f) => !UNSAID.includes(f.name) && f.level >= 0 && Math.abs(Math.log(f.multiplier)) > WORTH_SAYING)
    .map((f) => ({
      sign: f.multiplier > 1 ? ('+' as const) : ('-' as const),
      text: phrase(f, conditions),
      multiplier: f.multiplier,
      fish: f.fish,
      expected: f.expected,
    }))
    .sort((a, b) => Math.abs(Math.log(b.multiplier)) - Math.abs(Math.log(a.multiplier)));
}

/** A rate in two figures, as sentences say it: 4.7, 0.43, 12. */
export function rateWords(value: number): string {
  if (value >= 9.95) return value.toFixed(0);
  return value >= 0.995 ? value.toFixed(1) : value.toFixed(2);
}

type Phrase = (good: boolean, f: Factor, words: { temp: string; wind: string }) => string;

const either =
  (yes: string, no: string): Phrase =>
  (good) =>
    good ? yes : no;

const PHRASES: Readonly<Record<string, Phrase>> = {
  spot: either('one of the better spots, all trips together', 'a poorer spot, all trips together'),
  structure: either('this kind of place does well', 'this kind of place does poorly'),
  presentation: either('the crew does well on this presentation', 'the crew does poorly on this presentation'),
  family: either('the crew does well on this kind of bait', 'the crew does poorly on this kind of bait'),
  'spot and presentation': either('this presentation suits the spot', 'other presentations do better here'),
  'structure and family': either('this kind of bait suits this kind of place', 'this kind of bait does not suit this kind of place'),
  'tide stage': (good, f) => `${PHASE_WORDS[f.level % 4]}${good ? '' : ', slow everywhere'}`,
  'spot and tide stage': (good, f) => `${STAGE_WORDS[f.level % 8]}, ${good ? 'good' : 'poor'} here`,
  'spot and run': (good, f) => `${f.level % 2 === 0 ? 'run-in' : 'run-out'}, ${good ? 'good' : 'poor'} here`,
  light: (good, f) => `${LIGHT_WORDS[f.level % 4]}${good ? '' : ' slows them'}`,
  'presentation and light': (good, f) => `${good ? 'right' : 'wrong'} bait for ${LIGHT_WORDS[f.level % 4]}`,
  'water temperature': (good, _, w) => `water${w.temp}: ${good ? 'they feed' : 'they are slow'}`,
  'presentation and temperature': (good, _, w) => `${good ? 'works' : 'works less'}${w.temp}`,
  'presentation and clarity': either('suits this clarity', 'does not suit this clarity'),
  wind: either('this much wind helps', 'this much wind hurts'),
  'wind on the bank': either('the wind stands right on this bank', 'the wind stands wrong on this bank'),
  'spot and wind direction': (good, _, w) => `${w.wind}, ${good ? 'good' : 'poor'} here`,
  month: either('a good month', 'a slow month'),
  'spot lately': either('better than usual lately', 'worse than usual lately'),
  'depth for the presentation': either('the depth that this bait is made for', 'depth here is off what this bait fishes'),
  'temperature for the presentation': either('the temperature that this bait likes', 'temperature is off what this bait likes'),
  'clarity for the presentation': either('clarity that this bait is made for', 'clarity is off what this bait is made for'),
  'wind for the presentation': either('wind that this bait wants', 'wind is off what this bait wants'),
  'current for the presentation': either('current that this bait wants', 'current is off what this bait wants'),
  'ground for the presentation': either('ground that this bait is made for', 'not the ground that this bait is made for'),
  'season of the presentation': either('in season for this bait', 'out of season for this bait'),
  'light for the presentation': either('light that this bait is made for', 'light is off what this bait is made for'),
  'length of fish at this spot': either('longer fish than elsewhere', 'smaller fish than elsewhere'),
  'length of fish on this presentation': either('this bait picks longer fish', 'this bait picks smaller fish'),
  'share that may be kept, this spot': either('more of its fish may be kept', 'fewer of its fish may be kept'),
  'share that may be kept, this presentation': either('more fish on this bait may be kept', 'fewer fish on this bait may be kept'),
};

function phrase(f: Factor, c: RateConditions): string {
  const temp = c.waterTempC === null || c.waterTempC === undefined ? '' : ` at ${said(c.waterTempC, 'temp', 1)}`;
  const wind = c.windFromDeg === null || c.windFromDeg === undefined ? 'this wind' : `wind from ${compassPoint(c.windFromDeg)}`;
  return PHRASES[f.name]?.(f.multiplier > 1, f, { temp, wind }) ?? ruleWords(f);
}

/**
 * What lifts a call above what was caught in like water, or keeps it under, in one line: "2.0 an hour in like water; run-in at its
 * strongest and a good week make it 4.0".
 */
export function liftWords(call: {
  readonly ratePerRodHour: number;
  readonly likeRodHours: number;
  readonly likeFish: number;
  readonly reasons: readonly Reason[];
}): string {
  const rate = rateWords(call.ratePerRodHour);
  if (call.likeRodHours < 0.5) return `hardly fished in like water; other water, other spots and the rules of the trade make it ${rate}`;
  const like = call.likeFish / call.likeRodHours;
  const seen = `${rateWords(like)} an hour in like water (${call.likeFish.toFixed(0)} fish in ${call.likeRodHours.toFixed(0)} h)`;
  const off = Math.log((call.ratePerRodHour + 0.02) / (like + 0.02));
  if (Math.abs(off) < 0.15) return seen;
  const why = call.reasons.filter((r) => (off > 0 ? r.sign === '+' : r.sign === '-')).slice(0, 2);
  const words = why.map((r) => r.text).join(' and ');
  if (words === '') return `${seen}; the other spots and baits make it ${rate}`;
  return `${seen}; ${words} ${why.length > 1 ? 'make' : 'makes'} it ${rate}`;
}

/** A rule of the trade at its level; where the log has turned it round, that is said. */
function ruleWords(f: Factor): string {
  const words = RATE_RULES.find((r) => r.name === f.name)?.levels[f.level]?.words ?? f.name;
  // A level that the rule holds the others against says nothing itself: what the log has of it is added.
  if (f.rule?.prior === 1) return `${words}, and it gives ${f.multiplier > 1 ? 'more' : 'less'}`;
  const turned = f.rule !== null && Math.log(f.rule.prior) * Math.log(f.multiplier) < 0;
  return turned ? `${words}, but the log says otherwise` : words;
}

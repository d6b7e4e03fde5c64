// The groups of effects of the ranking model, each with how its level is found, how strongly it is pooled towards its
// prior (k, in fish) and the trade rule that sets the prior mean. Rules are common practice without published source.
import { DAY } from '../units/time';
import type { Envelope, RateConditions, RateWorld } from './world';

/** Levels of one set or query; -1 is unknown. */
export interface Levels {
  readonly spot: number;
  readonly presentation: number;
  readonly stage: number;
  readonly light: number;
  readonly temp: number;
  readonly clarity: number;
  readonly wind: number;
  readonly octant: number;
  readonly month: number;
  readonly lately: number;
  readonly depthFit: number;
  readonly tempFit: number;
}

export const STAGES = 8;
export const LIGHTS = 4;
const TEMPS = 6;
const CLARITIES = 3;
const WINDS = 4;
const OCTANTS = 9;
const FITS = 3;

export interface Group {
  readonly name: string;
  readonly k: number;
  readonly size: (spots: number, presentations: number) => number;
  readonly code: (l: Levels, presentations: number) => number;
  /** Prior mean of a level's multiplier, with the rule that says so. */
  readonly prior?: (code: number) => { mean: number; rule: string } | null;
}

const pair = (a: number, b: number, size: number) => (a < 0 || b < 0 ? -1 : a * size + b);

const fitPrior = (rule: string) => (code: number) => (code === 0 ? null : { mean: code === 1 ? 0.65 : 0.35, rule });

/** In the order in which they explain a call. */
export const GROUPS: readonly Group[] = [
  { name: 'spot', k: 4, size: (s) => s, code: (l) => l.spot },
  { name: 'presentation', k: 4, size: (_, p) => p, code: (l) => l.presentation },
  { name: 'spot and presentation', k: 6, size: (s, p) => s * p, code: (l, p) => pair(l.spot, l.presentation, p) },
  {
    name: 'tide stage',
    k: 8,
    size: () => STAGES,
    code: (l) => l.stage,
    prior: (code) => (code === 0 || code === STAGES / 2 ? { mean: 1.15, rule: 'T2' } : null),
  },
  { name: 'spot and tide stage', k: 5, size: (s) => s * STAGES, code: (l) => pair(l.spot, l.stage, STAGES) },
  {
    name: 'light',
    k: 8,
    size: () => LIGHTS,
    code: (l) => l.light,
    prior: (code) => (code === 1 ? { mean: 1.2, rule: 'T1' } : null),
  },
  { name: 'presentation and light', k: 8, size: (_, p) => p * LIGHTS, code: (l) => pair(l.presentation, l.light, LIGHTS) },
  { name: 'water temperature', k: 8, size: () => TEMPS, code: (l) => l.temp },
  { name: 'presentation and temperature', k: 8, size: (_, p) => p * TEMPS, code: (l) => pair(l.presentation, l.temp, TEMPS) },
  { name: 'presentation and clarity', k: 8, size: (_, p) => p * CLARITIES, code: (l) => pair(l.presentation, l.clarity, CLARITIES) },
  { name: 'wind', k: 8, size: () => WINDS, code: (l) => l.wind },
  { name: 'spot and wind direction', k: 6, size: (s) => s * OCTANTS, code: (l) => pair(l.spot, l.octant, OCTANTS) },
  { name: 'month', k: 8, size: () => 12, code: (l) => l.month },
  { name: 'spot lately', k: 4, size: (s) => s, code: (l) => (l.lately === 1 ? l.spot : -1) },
  { name: 'depth for the presentation', k: 10, size: () => FITS, code: (l) => l.depthFit, prior: fitPrior('P1') },
  { name: 'temperature for the presentation', k: 10, size: () => FITS, code: (l) => l.tempFit, prior: fitPrior('P3') },
];

/** Upper edges of the water temperature bands, C. */
export const TEMP_EDGES = [7, 10, 13, 16, 19] as const;
const CLARITY_EDGES = [1, 2.5] as const;
const WIND_EDGES = [2, 5, 9] as const;
const LIGHT_EDGES = [-6, 8, 30] as const;

/** Days that count as lately. */
export const LATELY_DAYS = 14;

function band(value: number | null | undefined, edges: readonly number[]): number {
  if (value === null || value === undefined || Number.isNaN(value)) return -1;
  let i = 0;
  while (i < edges.length && value >= (edges[i] as number)) i++;
  return i;
}

function fit(value: number | null | undefined, min: number, max: number, near: number): number {
  if (value === null || value === undefined || Number.isNaN(value)) return -1;
  if (value >= min && value <= max) return 0;
  return value >= min - near && value <= max + near ? 1 : 2;
}

/** Light band of a sun height: 0 night, 1 low sun and twilight, 2 middle, 3 high. */
export function lightBand(sunHeightDeg: number | null | undefined): number {
  return band(sunHeightDeg, LIGHT_EDGES);
}

/** Levels of conditions at a spot and presentation (indices in the world, -1 when unknown there). */
export function levelsOf(world: RateWorld, spot: number, presentation: number, at: number, c: RateConditions): Levels {
  const envelope: Envelope | null = world.presentations[presentation]?.envelope ?? null;
  const stage = c.tideStage;
  const calm = c.windMps !== null && c.windMps !== undefined && c.windMps < 2;
  const from = c.windFromDeg;
  const age = (world.now - at) / DAY;
  return {
    spot,
    presentation,
    stage: stage === null || stage === undefined ? -1 : Math.min(STAGES - 1, Math.floor(stage * STAGES)),
    light: lightBand(c.sunHeightDeg),
    temp: band(c.waterTempC, TEMP_EDGES),
    clarity: band(c.clarityM, CLARITY_EDGES),
    wind: band(c.windMps, WIND_EDGES),
    octant: calm ? 8 : from === null || from === undefined ? -1 : Math.round(from / 45) % 8,
    month: new Date(at).getUTCMonth(),
    lately: age <= LATELY_DAYS ? 1 : 0,
    depthFit: envelope ? fit(c.depthM, envelope.depthMinM, envelope.depthMaxM, Math.max(0.5, 0.3 * envelope.depthMaxM)) : -1,
    tempFit: envelope ? fit(c.waterTempC, envelope.tempMinC, envelope.tempMaxC, 3) : -1,
  };
}

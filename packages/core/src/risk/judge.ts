// What speaks against a boat and its party being at a place, or on a way, at an instant. It is the one judgement of the product:
// solver, calls, screens, brief and deck read it and nothing else. Usual practice, never a permission; what is not known is
// said to be unknown and never taken for nothing.
import { apparentWindMps, heatIndexC, humidityOf, windChillC } from '../exposure/feels';
import { OPPOSING_MPS, OPPOSING_WAVE_M, opposingMps } from '../exposure/waves';
import { type Hazard, hazardLevel } from './hazard';

/** How a quantity stands to its limit. */
export type Level = 'over' | 'near' | 'unknown' | 'within';

/** What is looked at, each always listed. */
export const QUANTITIES = [
  'wind',
  'gust',
  'wave',
  'keel',
  'visibility',
  'thunder',
  'darkness',
  'windAgainstCurrent',
  'cold',
  'heat',
] as const;
export type Quantity = (typeof QUANTITIES)[number];

/** One thing looked at. Value and limit in SI; null where there is none. */
export interface Finding {
  readonly quantity: Quantity | 'hazard';
  readonly level: Level;
  readonly value: number | null;
  readonly limit: number | null;
  /** What the crew wrote of a hazard. */
  readonly note?: string;
  /** It is so on the way in; at the spot itself there is more. */
  readonly wayIn?: true;
}

/** A boat's own limits; null or absent is not known. */
export interface BoatLimits {
  readonly windLimitMps?: number | null;
  /** 1.25 times the wind limit where the boat has none of its own. */
  readonly gustLimitMps?: number | null;
  readonly waveLimitM?: number | null;
  readonly draughtM?: number | null;
  /** Water wanted under the keel, m; half a metre where absent. */
  readonly marginM?: number | null;
  /** Planing speed, m/s, for the wind that is felt on the run. */
  readonly speedMps?: number | null;
  /** False for people on foot: nothing is under a keel, and a wave binds only where a limit is set; true where absent. */
  readonly afloat?: boolean;
}

/** Who is aboard, as far as limits go. */
export interface PartyAtRisk {
  readonly children: number | boolean;
  readonly firstTimers: number | boolean;
  readonly nonSwimmers: number | boolean;
  /** Share of the boat's limits of wind, gust and wave that holds for such a party, 0 to 1; three quarters where absent. */
  readonly share?: number | null;
}

/** What is known of a place at an instant, SI; null or absent is not known. */
export interface RiskConditions {
  readonly windMps?: number | null;
  readonly windGustMps?: number | null;
  readonly windFromDeg?: number | null;
  readonly waveM?: number | null;
  readonly currentMps?: number | null;
  readonly currentToDeg?: number | null;
  readonly visibilityM?: number | null;
  readonly thunder?: boolean | null;
  readonly sunHeightDeg?: number | null;
  /** Water over the ground, m. */
  readonly depthM?: number | null;
  readonly waterTempC?: number | null;
  readonly airTempC?: number | null;
  readonly dewPointC?: number | null;
  readonly tideHeightM?: number | null;
}

export interface Judgement {
  /** The gravest level of all findings: over, near, unknown, within. */
  readonly worst: Level;
  readonly findings: readonly Finding[];
}

/** Share of a limit from which it is near (common practice). */
export const NEAR_SHARE = 0.8;
/** Gusts a quarter over the wind limit are what a boat is held to when its captain has set nothing else (common practice). */
export const GUST_FACTOR = 1.25;
/** Share of a boat's limits for children, first-timers and people who do not swim (common practice). */
export const PARTY_SHARE = 0.75;
/** Water wanted under the keel, m (common practice). */
export const KEEL_MARGIN_M = 0.5;
const POOR_VISIBILITY_M = 1000;
/** The end of civil twilight, degrees of the sun under the horizon. */
const DARK_DEG = -6;
/** Exhausted within the hour below this, cold shock spoken of below the other, C (agency guidance, from memory). */
const COLD_WATER_C = 10;
const COLD_SHOCK_C = 15.6;
/** Felt on the run, C. */
const CHILL_C = -2;
const HEAT_C = 32;

const ORDER: Record<Level, number> = { over: 3, near: 2, unknown: 1, within: 0 };

/** The graver of two levels. */
export const graver = (a: Level, b: Level): Level => (ORDER[a] >= ORDER[b] ? a : b);

/** Levels in the order in which they are told: over first. */
export const byGravity = (a: Pick<Finding, 'level'>, b: Pick<Finding, 'level'>): number => ORDER[b.level] - ORDER[a.level];

/** Whether a party is held to a share of the boat's limits. */
export const atRisk = (p: PartyAtRisk): boolean => Number(p.children) + Number(p.firstTimers) + Number(p.nonSwimmers) > 0;

/**
 * Judges one place or way at one instant.
 * @param hazards - Of the place; each is one more finding.
 * @example judge({ windLimitMps: 10 }, { children: 0, firstTimers: 0, nonSwimmers: 0 }, { windMps: 11 }).worst // 'over'
 */
export function judge(boat: BoatLimits, party: PartyAtRisk, c: RiskConditions, hazards: readonly Hazard[] = []): Judgement {
  const share = atRisk(party) ? (party.share ?? PARTY_SHARE) : 1;
  const limitOf = (limit: number | null | undefined) => (limit === null || limit === undefined ? null : limit * share);
  const gustLimit = boat.gustLimitMps ?? (boat.windLimitMps == null ? null : boat.windLimitMps * GUST_FACTOR);
  const findings: Finding[] = [
    high('wind', c.windMps, limitOf(boat.windLimitMps)),
    high('gust', c.windGustMps, limitOf(gustLimit)),
    boat.afloat === false && boat.waveLimitM == null ? nothing('wave') : high('wave', c.waveM, limitOf(boat.waveLimitM)),
    boat.afloat === false ? nothing('keel') : keel(boat, c),
    low('visibility', c.visibilityM, POOR_VISIBILITY_M),
    thunder(c.thunder),
    darkness(c.sunHeightDeg),
    boat.afloat === false ? nothing('windAgainstCurrent') : againstCurrent(c, atRisk(party)),
    cold(boat, c),
    high('heat', feltHeat(c), HEAT_C),
    ...hazards.map((h) => hazardFinding(h, c, atRisk(party))),
  ];
  return { worst: findings.reduce<Level>((w, f) => graver(w, f.level), 'within'), findings };
}

/**
 * Whether a finding shuts a place or a way: over the limit in wind, gust, wave, keel, visibility, thunder, wind against current or
 * by a hazard. Darkness, cold and heat are said and shut nothing by themselves: lights, layers and water are carried.
 */
export function shuts(f: Finding): boolean {
  return f.level === 'over' && f.quantity !== 'darkness' && f.quantity !== 'cold' && f.quantity !== 'heat';
}

/** What does not concern people on foot. */
const nothing = (quantity: Quantity): Finding => ({ quantity, level: 'within', value: null, limit: null });

function high(quantity: Quantity, value: number | null | undefined, limit: number | null): Finding {
  if (value === null || value === undefined || limit === null) return { quantity, level: 'unknown', value: value ?? null, limit };
  return { quantity, level: value > limit ? 'over' : value >= NEAR_SHARE * limit ? 'near' : 'within', value, limit };
}

/** The less the worse: near from where the limit is four fifths of the value. */
function low(quantity: Quantity, value: number | null | undefined, limit: number): Finding {
  if (value === null || value === undefined) return { quantity, level: 'unknown', value: null, limit };
  return { quantity, level: value < limit ? 'over' : value * NEAR_SHARE <= limit ? 'near' : 'within', value, limit };
}

/** Water under the keel with half the wave taken off, against the margin. */
function keel(boat: BoatLimits, c: RiskConditions): Finding {
  const limit = boat.marginM ?? KEEL_MARGIN_M;
  if (c.depthM === null || c.depthM === undefined || boat.draughtM === null || boat.draughtM === undefined)
    return { quantity: 'keel', level: 'unknown', value: null, limit };
  return low('keel', c.depthM - boat.draughtM - (c.waveM ?? 0) / 2, limit);
}

function thunder(t: boolean | null | undefined): Finding {
  const level = t === null || t === undefined ? 'unknown' : t ? 'over' : 'within';
  return { quantity: 'thunder', level, value: t === null || t === undefined ? null : Number(t), limit: 0 };
}

/** Dark once the sun is six degrees under the horizon; near from sunset on. */
function darkness(sun: number | null | undefined): Finding {
  if (sun === null || sun === undefined) return { quantity: 'darkness', level: 'unknown', value: null, limit: DARK_DEG };
  return { quantity: 'darkness', level: sun < DARK_DEG ? 'over' : sun < 0 ? 'near' : 'within', value: sun, limit: DARK_DEG };
}

function againstCurrent(c: RiskConditions, careful: boolean): Finding {
  const { waveM, windFromDeg, currentMps, currentToDeg } = c;
  const quantity = 'windAgainstCurrent' as const;
  if (waveM == null || windFromDeg == null || currentMps == null || currentToDeg == null)
    return { quantity, level: 'unknown', value: null, limit: OPPOSING_MPS };
  const value = opposingMps(windFromDeg, currentMps, currentToDeg);
  const stands = value > OPPOSING_MPS && waveM > OPPOSING_WAVE_M;
  return { quantity, level: !stands ? 'within' : careful ? 'over' : 'near', value, limit: OPPOSING_MPS };
}

/** Cold water, made worse by what the air feels like on the run. */
function cold(boat: BoatLimits, c: RiskConditions): Finding {
  const felt =
    c.airTempC == null || c.windMps == null
      ? null
      : windChillC(c.airTempC, apparentWindMps(c.windMps, c.windFromDeg ?? 0, boat.speedMps ?? 0, null));
  if (felt !== null && felt < CHILL_C && !(c.waterTempC != null && c.waterTempC < COLD_WATER_C))
    return { quantity: 'cold', level: 'over', value: felt, limit: CHILL_C };
  if (c.waterTempC == null) return { quantity: 'cold', level: 'unknown', value: null, limit: COLD_WATER_C };
  const level = c.waterTempC < COLD_WATER_C ? 'over' : c.waterTempC < COLD_SHOCK_C ? 'near' : 'within';
  return { quantity: 'cold', level, value: c.waterTempC, limit: COLD_WATER_C };
}

/** Heat index where the damp is known, else the air's temperature. */
function feltHeat(c: RiskConditions): number | null {
  if (c.airTempC == null) return null;
  return c.dewPointC == null ? c.airTempC : heatIndexC(c.airTempC, humidityOf(c.airTempC, c.dewPointC));
}

function hazardFinding(h: Hazard, c: RiskConditions, careful: boolean): Finding {
  const stands = hazardLevel(h, c);
  const level: Level = stands === 'unknown' ? 'unknown' : stands === 'stands' ? (h.binds || careful ? 'over' : 'near') : 'within';
  return { quantity: 'hazard', level, value: null, limit: null, note: h.note };
}

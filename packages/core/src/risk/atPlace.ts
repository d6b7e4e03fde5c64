// Conditions of the water as the judgement reads them, at a spot and at a place on a way.
import type { SeaConditions, SpotConditions } from '../conditions/spotConditions';
import type { Hazard } from './hazard';
import { type BoatLimits, judge, type Judgement, type PartyAtRisk, type RiskConditions } from './judge';

/** A spot as far as risk goes. Depths below datum, m. */
export interface RiskSpot {
  readonly depthMaxM: number;
  /** Shallowest on the way in; null when always deep enough. */
  readonly accessDepthM: number | null;
  readonly hazards: readonly Hazard[];
}

/** A lake's water stands: no current is known of it because there is none. */
function currentOf(
  c: Pick<SeaConditions, 'currentMps' | 'currentToDeg' | 'stillWater'>,
): Pick<RiskConditions, 'currentMps' | 'currentToDeg'> {
  if (c.currentMps !== null || !c.stillWater) return { currentMps: c.currentMps, currentToDeg: c.currentToDeg };
  return { currentMps: 0, currentToDeg: 0 };
}

/** Water over ground of a charted depth; null where its height of tide is not known. */
function depthNow(chartedM: number, c: Pick<SeaConditions, 'tideHeightM' | 'stillWater'>): number | null {
  if (c.tideHeightM !== null) return chartedM + c.tideHeightM;
  return c.stillWater ? chartedM : null;
}

/** What the judgement reads at a spot: under the keel the shallower of the spot's own water and its way in. */
export function riskAtSpot(spot: Pick<RiskSpot, 'depthMaxM' | 'accessDepthM'>, c: SpotConditions): RiskConditions {
  const charted = spot.accessDepthM === null ? spot.depthMaxM : Math.min(spot.accessDepthM, spot.depthMaxM);
  return { ...c, ...currentOf(c), depthM: depthNow(charted, c) };
}

/** Judges a boat and its party at a spot. */
export function judgeSpot(boat: BoatLimits, party: PartyAtRisk, spot: RiskSpot, c: SpotConditions): Judgement {
  const { worst, findings } = judge(boat, party, riskAtSpot(spot, c), spot.hazards);
  const wayIn = spot.accessDepthM !== null && spot.accessDepthM < spot.depthMaxM;
  return { worst, findings: wayIn ? findings.map((f) => (f.quantity === 'keel' ? { ...f, wayIn } : f)) : findings };
}

/**
 * Judges a boat and its party at a place on a way.
 * @param barM - Charted depth of a bar there, m below datum; null where the way has been led over water deep enough, 'unsounded' where nobody
 * knows how deep it is.
 */
export function judgeSea(boat: BoatLimits, party: PartyAtRisk, c: SeaConditions, barM: number | 'unsounded' | null): Judgement {
  const depthM = typeof barM === 'number' ? depthNow(barM, c) : null;
  const { worst, findings } = judge(boat, party, { ...c, ...currentOf(c), depthM });
  if (barM !== null) return { worst, findings };
  const rest = findings.filter((f) => f.quantity !== 'keel');
  return { worst: rest.some((f) => f.level === worst) ? worst : gravest(rest.map((f) => f.level)), findings: rest };
}

function gravest(levels: readonly Judgement['worst'][]): Judgement['worst'] {
  for (const level of ['over', 'near', 'unknown'] as const) if (levels.includes(level)) return level;
  return 'within';
}

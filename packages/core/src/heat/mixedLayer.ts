// Mixed layer of one place: rho c z dT/dt = S_net absorbed - K (T - Te) + rho c z (Tmain - T) / tau. Each step is solved
// exactly for constant forcing, so that no sun and no wind decays to equilibrium and the energy balances. Edinger, Brady &
// Geyer 1974 for K; Te without sun is the dew point, which where unknown is taken 3 C below the air (common practice).
import { absorbedShare } from './absorbed';
import { exchangeWm2K } from './surface';

/** Heat of a cubic metre of water, J/m3/K. */
export const WATER_HEAT = 4.1e6;
/** Thinner water than this counts as this: wet ground holds heat as well, m. */
const THINNEST_M = 0.3;

/** What drives a place during one step. */
export interface HeatForcing {
  /** Light on the surface less what is reflected, W/m2. */
  readonly sunNetWm2: number;
  readonly windMps: number;
  /** Temperature that the surface would go to without sun, C. */
  readonly darkEquilibriumC: number;
  /** Depth of the layer, m. */
  readonly depthM: number;
  readonly secchiM: number;
  /** Temperature of the main water, C. */
  readonly mainC: number;
  /** Exchange with the main water, share per hour. */
  readonly exchangePerH: number;
}

/** Temperature after a step and what flowed, J/m2: positive warms. */
export interface HeatStep {
  readonly tempC: number;
  readonly sunJ: number;
  readonly surfaceJ: number;
  readonly exchangeJ: number;
}

/** One step of the layer. @param hours - Length, > 0. @param bottom - What the bottom is. */
export function heatStep(tempC: number, f: HeatForcing, bottom: string, hours: number): HeatStep {
  const z = Math.max(THINNEST_M, f.depthM);
  const heat = WATER_HEAT * z;
  const seconds = hours * 3600;
  const k = exchangeWm2K(tempC, (tempC + f.darkEquilibriumC) / 2, f.windMps);
  const sun = f.sunNetWm2 * absorbedShare(z, f.secchiM, bottom);
  const mix = (heat * f.exchangePerH) / 3600;
  const loss = k + mix;
  const goal = (sun + k * f.darkEquilibriumC + mix * f.mainC) / loss;
  const decay = Math.exp((-loss / heat) * seconds);
  const next = goal + (tempC - goal) * decay;
  // Mean over the step, exact for the exponential, so that the flows add up to what is stored.
  const mean = goal + ((tempC - goal) * (1 - decay)) / ((loss / heat) * seconds);
  return {
    tempC: next,
    sunJ: sun * seconds,
    surfaceJ: k * (f.darkEquilibriumC - mean) * seconds,
    exchangeJ: mix * (f.mainC - mean) * seconds,
  };
}

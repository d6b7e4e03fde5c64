// What is believed of a tide before its record: constituents of the equilibrium tide respond alike where their speeds are near (Munk &
// Cartwright 1966), those of shallow water are small, and the year lifts the level where the water is warmest.
import { DEG } from '../units/angle';
import { cholesky } from '../units/cholesky';
import { constituentSpeed } from './constituents';
import { APART, EQUILIBRIUM } from './equilibriumTide';

export const SHALLOW = [
  'M3',
  'MK3',
  '2MK3',
  'MO3',
  'SK3',
  'M4',
  'MN4',
  'MS4',
  'MK4',
  'S4',
  'M6',
  '2MN6',
  '2MS6',
  '2SM6',
  'M8',
  '3MS8',
  '2SM2',
  '2MS2',
  'MSN2',
];
/**
 * Long waves of the season, with their usual size, m, and the days that measured heights must have for them: in less the weather passes
 * for them. A table of turns has no weather in it, and its slow rise tells of them from the first.
 */
export const SLOW: readonly (readonly [name: string, sizeM: number, days: number])[] = [
  ['MM', 0.01, 90],
  ['MF', 0.01, 90],
  ['MSF', 0.01, 90],
  ['SSA', 0.03, 270],
  ['SA', 0.06, 330],
];
/**
 * What the year does to the level at most shores: highest when the water is warmest, at the beginning of autumn (Pattullo, Munk, Revelle
 * and Strong 1955; sizes and month from memory). A shore may stand two months and a few centimetres apart from it.
 */
const YEAR = { amplitudeM: 0.045, northDeg: 175, apartM: 0.025, leastLatDeg: 10 } as const;
/** What is believed before the record: how large tides are here, and how alike neighbours. */
export interface Belief {
  /** Response of the sea to the equilibrium tide, m, once and twice a day. */
  readonly scaleM: readonly [number, number];
  /** Speeds over which the response changes, degrees an hour. */
  readonly reach: number;
  /** Share by which one constituent stands apart from its neighbours. */
  readonly apart: number;
  readonly shallowM: number;
  readonly heightSdM: number;
  /** 0 where it is not known. */
  readonly latDeg: number;
}

/** The belief about all constants as the inverse of their covariances. */
export function priorPrecision(names: readonly string[], belief: Belief): { precision: Float64Array; logDet: number } {
  const n = 2 * names.length + 1;
  const precision = new Float64Array(n * n);
  precision[0] = 1 / 20 ** 2;
  let logDet = Math.log(1 / 20 ** 2);
  const tied = names.map((name, i) => ({ name, i })).filter(({ name }) => name in EQUILIBRIUM);
  for (const species of [1, 2] as const) {
    const own = tied.filter(({ name }) => EQUILIBRIUM[name]?.[0] === species);
    const m = own.length;
    const cov = new Float64Array(m * m);
    const scale = belief.scaleM[species - 1] ?? 1;
    own.forEach(({ name: p }, i) => {
      own.forEach(({ name: q }, j) => {
        const [hp, hq] = [EQUILIBRIUM[p]?.[1] ?? 0, EQUILIBRIUM[q]?.[1] ?? 0];
        const apart = i === j ? Math.hypot(belief.apart, APART[p] ?? 0) ** 2 : 0;
        const near = Math.exp(-0.5 * ((constituentSpeed(p) - constituentSpeed(q)) / belief.reach) ** 2);
        cov[i * m + j] = hp * hq * scale ** 2 * (near + apart);
      });
    });
    const factored = cholesky(cov, m);
    const inverse = factored.inverse();
    logDet -= 2 * factored.logDet;
    own.forEach(({ i: p }, i) => {
      own.forEach(({ i: q }, j) => {
        for (const part of [1, 2]) precision[(2 * p + part) * n + 2 * q + part] = inverse[i * m + j] ?? 0;
      });
    });
  }
  names.forEach((name, i) => {
    if (name in EQUILIBRIUM) return;
    const usual = SLOW.find(([slow]) => slow === name)?.[1] ?? (name === 'S1' ? 0.01 : belief.shallowM);
    const sd = name === 'SA' && knowsYear(belief) ? YEAR.apartM : usual;
    for (const part of [1, 2]) precision[(2 * i + part) * n + 2 * i + part] = 1 / sd ** 2;
    logDet += 2 * Math.log(1 / sd ** 2);
  });
  return { precision, logDet };
}

const knowsYear = ({ latDeg }: Belief) => Math.abs(latDeg) >= YEAR.leastLatDeg;

/** What is believed of each figure before the record: nothing, but of the year's wave where the latitude is known. */
export function priorMean(names: readonly string[], belief: Belief): Float64Array {
  const mean = new Float64Array(2 * names.length + 1);
  const year = names.indexOf('SA');
  if (year < 0 || !knowsYear(belief)) return mean;
  const phase = (YEAR.northDeg + (belief.latDeg < 0 ? 180 : 0)) * DEG;
  mean[1 + 2 * year] = YEAR.amplitudeM * Math.cos(phase);
  mean[2 + 2 * year] = YEAR.amplitudeM * Math.sin(phase);
  return mean;
}

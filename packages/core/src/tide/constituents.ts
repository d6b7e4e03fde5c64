// Equilibrium arguments after Schureman, Special Publication 98 (1940), table 2; compounds by the sum of their parts
// (IHO list of harmonic constituents). T is the hour angle of the mean sun, counted from noon.
import type { AstronomicalArguments } from './astronomicalArguments';
import type { NodeFactor, NodeFormula } from './nodeFactors';
import { fieldOf } from '../units/indexed';

interface Basic {
  /** Multiples of T, s, h, p, p1 and a constant in degrees. */
  readonly v: readonly [number, number, number, number, number, number];
  readonly node: NodeFormula;
}

const BASIC: Record<string, Basic> = {
  SA: { v: [0, 0, 1, 0, 0, 0], node: 'one' },
  SSA: { v: [0, 0, 2, 0, 0, 0], node: 'one' },
  MM: { v: [0, 1, 0, -1, 0, 0], node: 'MM' },
  MF: { v: [0, 2, 0, 0, 0, 0], node: 'MF' },
  S1: { v: [1, 0, 0, 0, 0, 0], node: 'one' },
  '2Q1': { v: [1, -4, 1, 2, 0, 90], node: 'O1' },
  SIG1: { v: [1, -4, 3, 0, 0, 90], node: 'O1' },
  Q1: { v: [1, -3, 1, 1, 0, 90], node: 'O1' },
  RHO1: { v: [1, -3, 3, -1, 0, 90], node: 'O1' },
  O1: { v: [1, -2, 1, 0, 0, 90], node: 'O1' },
  M1: { v: [1, -1, 1, 1, 0, -90], node: 'M1' },
  CHI1: { v: [1, -1, 3, -1, 0, -90], node: 'J1' },
  PI1: { v: [1, 0, -2, 0, 1, 90], node: 'one' },
  P1: { v: [1, 0, -1, 0, 0, 90], node: 'one' },
  K1: { v: [1, 0, 1, 0, 0, -90], node: 'K1' },
  PSI1: { v: [1, 0, 2, 0, -1, -90], node: 'one' },
  PHI1: { v: [1, 0, 3, 0, 0, -90], node: 'one' },
  THE1: { v: [1, 1, -1, 1, 0, -90], node: 'J1' },
  J1: { v: [1, 1, 1, -1, 0, -90], node: 'J1' },
  OO1: { v: [1, 2, 1, 0, 0, -90], node: 'OO1' },
  '2N2': { v: [2, -4, 2, 2, 0, 0], node: 'M2' },
  MU2: { v: [2, -4, 4, 0, 0, 0], node: 'M2' },
  N2: { v: [2, -3, 2, 1, 0, 0], node: 'M2' },
  NU2: { v: [2, -3, 4, -1, 0, 0], node: 'M2' },
  M2: { v: [2, -2, 2, 0, 0, 0], node: 'M2' },
  LDA2: { v: [2, -1, 0, 1, 0, 180], node: 'M2' },
  L2: { v: [2, -1, 2, -1, 0, 180], node: 'L2' },
  T2: { v: [2, 0, -1, 0, 1, 0], node: 'one' },
  S2: { v: [2, 0, 0, 0, 0, 0], node: 'one' },
  R2: { v: [2, 0, 1, 0, -1, 180], node: 'one' },
  K2: { v: [2, 0, 2, 0, 0, 0], node: 'K2' },
  ETA2: { v: [2, 1, 2, -1, 0, 0], node: 'ETA2' },
  M3: { v: [3, -3, 3, 0, 0, 0], node: 'M3' },
  S3: { v: [3, 0, 0, 0, 0, 0], node: 'one' },
};

type Parts = readonly (readonly [number, string])[];

const COMPOUND: Record<string, Parts> = {
  MSF: [
    [1, 'S2'],
    [-1, 'M2'],
  ],
  NO1: [
    [1, 'N2'],
    [-1, 'O1'],
  ],
  SO1: [
    [1, 'S2'],
    [-1, 'O1'],
  ],
  MNS2: [
    [1, 'M2'],
    [1, 'N2'],
    [-1, 'S2'],
  ],
  MSN2: [
    [1, 'M2'],
    [1, 'S2'],
    [-1, 'N2'],
  ],
  '2MS2': [
    [2, 'M2'],
    [-1, 'S2'],
  ],
  '2SM2': [
    [2, 'S2'],
    [-1, 'M2'],
  ],
  '2MN2': [
    [2, 'M2'],
    [-1, 'N2'],
  ],
  MKS2: [
    [1, 'M2'],
    [1, 'K2'],
    [-1, 'S2'],
  ],
  MO3: [
    [1, 'M2'],
    [1, 'O1'],
  ],
  SO3: [
    [1, 'S2'],
    [1, 'O1'],
  ],
  MK3: [
    [1, 'M2'],
    [1, 'K1'],
  ],
  '2MK3': [
    [2, 'M2'],
    [-1, 'K1'],
  ],
  SK3: [
    [1, 'S2'],
    [1, 'K1'],
  ],
  SP3: [
    [1, 'S2'],
    [1, 'P1'],
  ],
  M4: [[2, 'M2']],
  MN4: [
    [1, 'M2'],
    [1, 'N2'],
  ],
  N4: [[2, 'N2']],
  MS4: [
    [1, 'M2'],
    [1, 'S2'],
  ],
  SN4: [
    [1, 'S2'],
    [1, 'N2'],
  ],
  MK4: [
    [1, 'M2'],
    [1, 'K2'],
  ],
  SK4: [
    [1, 'S2'],
    [1, 'K2'],
  ],
  '3MS4': [
    [3, 'M2'],
    [-1, 'S2'],
  ],
  S4: [[2, 'S2']],
  '2MO5': [
    [2, 'M2'],
    [1, 'O1'],
  ],
  '2MK5': [
    [2, 'M2'],
    [1, 'K1'],
  ],
  '2SK5': [
    [2, 'S2'],
    [1, 'K1'],
  ],
  M6: [[3, 'M2']],
  '2MN6': [
    [2, 'M2'],
    [1, 'N2'],
  ],
  '2MS6': [
    [2, 'M2'],
    [1, 'S2'],
  ],
  '2MK6': [
    [2, 'M2'],
    [1, 'K2'],
  ],
  '2SM6': [
    [2, 'S2'],
    [1, 'M2'],
  ],
  MSN6: [
    [1, 'M2'],
    [1, 'S2'],
    [1, 'N2'],
  ],
  MSK6: [
    [1, 'M2'],
    [1, 'S2'],
    [1, 'K2'],
  ],
  S6: [[3, 'S2']],
  M8: [[4, 'M2']],
  '3MS8': [
    [3, 'M2'],
    [1, 'S2'],
  ],
  '2MSN8': [
    [2, 'M2'],
    [1, 'S2'],
    [1, 'N2'],
  ],
  '2MS8': [
    [2, 'M2'],
    [2, 'S2'],
  ],
};

const ALIAS: Record<string, string> = {
  LAM2: 'LDA2',
  LAMBDA2: 'LDA2',
  SIGMA1: 'SIG1',
  THETA1: 'THE1',
  RHO: 'RHO1',
  MSf: 'MSF',
  Mf: 'MF',
  Mm: 'MM',
  Sa: 'SA',
  Ssa: 'SSA',
  KO1: 'K1',
};

const RATES_PER_HOUR = { t: 15, s: 0.5490165333, h: 0.0410686387, p: 0.0046418333, p1: 0.0000019611 };

function partsOf(name: string): Parts {
  const known = ALIAS[name] ?? ALIAS[name.toUpperCase()] ?? name.toUpperCase();
  if (BASIC[known]) return [[1, known]];
  const compound = COMPOUND[known];
  if (!compound) throw new RangeError(`constituents: unknown name ${name}; use the IHO name, for example M2 or 2MK3`);
  return compound;
}

/** Speed of a constituent, degrees per hour. Throws RangeError for an unknown name. */
export function constituentSpeed(name: string): number {
  let speed = 0;
  for (const [times, part] of partsOf(name)) {
    const v = fieldOf(BASIC, part).v;
    const r = RATES_PER_HOUR;
    speed += times * (v[0] * r.t + v[1] * r.s + v[2] * r.h + v[3] * r.p + v[4] * r.p1);
  }
  return speed;
}

/**
 * Equilibrium argument V0 + u (degrees) and factor f at an instant.
 * @param hourUtc - Hours since the last UTC midnight, 0 to 24.
 */
export function equilibrium(
  name: string,
  hourUtc: number,
  args: AstronomicalArguments,
  nodes: Record<NodeFormula, NodeFactor>,
): { f: number; vuDeg: number } {
  let f = 1;
  let vuDeg = 0;
  const t = 15 * hourUtc + 180;
  for (const [times, part] of partsOf(name)) {
    const { v, node } = fieldOf(BASIC, part);
    const n = nodes[node];
    f *= n.f ** Math.abs(times);
    vuDeg += times * (v[0] * t + v[1] * args.s + v[2] * args.h + v[3] * args.p + v[4] * args.p1 + v[5] + n.uDeg);
  }
  return { f, vuDeg };
}

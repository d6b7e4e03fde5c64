// Relative amplitudes of the equilibrium tide (Schureman, Special Publication 98, 1940, table 2, mean coefficients; from memory to three
// figures). Neighbours in speed answer the moon and sun alike, so that these ratios tie what a short record cannot part.

/** Constituents that the equilibrium tide has, by species (1 once a day, 2 twice a day), with their relative amplitudes. */
export const EQUILIBRIUM: Readonly<Record<string, readonly [species: 1 | 2, amplitude: number]>> = {
  '2Q1': [1, 0.0095],
  SIG1: [1, 0.0116],
  Q1: [1, 0.0722],
  RHO1: [1, 0.0137],
  O1: [1, 0.3769],
  M1: [1, 0.0296],
  CHI1: [1, 0.0057],
  PI1: [1, 0.0103],
  P1: [1, 0.1755],
  K1: [1, 0.5305],
  PSI1: [1, 0.0042],
  PHI1: [1, 0.0076],
  THE1: [1, 0.0057],
  J1: [1, 0.0297],
  OO1: [1, 0.0162],
  '2N2': [2, 0.023],
  MU2: [2, 0.0278],
  N2: [2, 0.1739],
  NU2: [2, 0.033],
  M2: [2, 0.9085],
  LDA2: [2, 0.0067],
  L2: [2, 0.0251],
  T2: [2, 0.0248],
  S2: [2, 0.4229],
  R2: [2, 0.0035],
  K2: [2, 0.1149],
};

/**
 * How far a constituent may stand from its neighbours' ratio, as a share: the sun's warmth and sea breezes for those of the sun, shallow
 * water for those that compounds of the same speed meet (common practice).
 */
export const APART: Readonly<Record<string, number>> = { S2: 0.2, T2: 0.3, R2: 0.5, L2: 0.5, MU2: 0.6, LDA2: 0.6, '2N2': 0.25, M1: 0.6 };

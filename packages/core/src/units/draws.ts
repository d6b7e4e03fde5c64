// Draws of gamma and beta numbers from a seeded source (Marsaglia & Tsang 2000; normal numbers by Box & Muller 1958).

/** Draws of one source; equal seeds give equal numbers. */
export interface Draws {
  /** Gamma with a shape over 0 and rate 1. */
  gamma(shape: number): number;
  /** Beta, both parameters over 0. */
  beta(a: number, b: number): number;
}

/** @param uniform - Numbers in [0, 1), as of `seeded`. */
export function drawsFrom(uniform: () => number): Draws {
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  const gamma = (shape: number): number => {
    if (!(shape > 0)) throw new RangeError(`shape: expected more than 0, got ${shape}`);
    if (shape < 1) return gamma(shape + 1) * (1 - uniform()) ** (1 / shape);
    const d = shape - 1 / 3;
    const c = 1 / Math.sqrt(9 * d);
    for (;;) {
      const x = normal();
      const v = (1 + c * x) ** 3;
      if (v > 0 && Math.log(1 - uniform()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
    }
  };
  return {
    gamma,
    beta: (a, b) => {
      const x = gamma(a);
      return x / (x + gamma(b));
    },
  };
}

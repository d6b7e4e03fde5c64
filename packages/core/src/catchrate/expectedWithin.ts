/**
 * Mean of a count that stops at a limit, E[min(N, limit)], of a negative binomial with mean `expected` and shape `dispersion`:
 * what is kept of a day's fish up to the bag. Sum of the survival function, E[min(N, c)] = sum over n < c of P(N > n).
 * @param expected - Mean, fish, >= 0. @param dispersion - Shape k, > 0. @param limit - Whole fish, >= 0.
 * Throws RangeError for values outside these ranges.
 * @example expectedWithin(10, 2, 1e6) // 10
 */
export function expectedWithin(expected: number, dispersion: number, limit: number): number {
  if (!(expected >= 0)) throw new RangeError(`expected: expected >= 0, got ${expected}`);
  if (!(dispersion > 0)) throw new RangeError(`dispersion: expected > 0, got ${dispersion}`);
  if (!(limit >= 0)) throw new RangeError(`limit: expected >= 0, got ${limit}`);
  const share = expected / (dispersion + expected);
  let p = (dispersion / (dispersion + expected)) ** dispersion;
  let above = 1 - p;
  let mean = 0;
  for (let n = 0; n < limit && above > 1e-12; n++) {
    mean += above;
    p *= ((n + dispersion) / (n + 1)) * share;
    above -= p;
  }
  return mean;
}

import { gammaQuantile, negativeBinomialQuantile } from './distributions';
import type { CatchRateModel } from './rateModel';
import type { RateQuery } from './world';

/** 80 % range of a day's rate, fish per rod-hour: what is not known of it and how days differ. */
export function rateRange(model: CatchRateModel, query: RateQuery, rate = model.rate(query)): { lo80: number; hi80: number } {
  const shape = 1 / (model.logVariance(query) + 1 / model.dispersion);
  return { lo80: gammaQuantile(0.1, shape, shape / rate), hi80: gammaQuantile(0.9, shape, shape / rate) };
}

/** 80 % range of a count of fish with an expected value (negative binomial). */
export function countRange(expected: number, dispersion: number): { lo80: number; hi80: number } {
  return {
    lo80: negativeBinomialQuantile(0.1, dispersion, expected),
    hi80: negativeBinomialQuantile(0.9, dispersion, expected),
  };
}

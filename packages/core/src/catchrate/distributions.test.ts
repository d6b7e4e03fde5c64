import { describe, expect, it } from 'vitest';
import { gammaQuantile, logGamma, negativeBinomialQuantile } from './distributions';

describe('the gamma function', () => {
  // Abramowitz & Stegun 1964, table 6.1 (gamma of 1 to 2) and 6.1.8, 6.1.9, 6.1.12 (halves, thirds by reflection).
  it.each([
    [1, 1],
    [1.25, 0.9064024771],
    [1.5, 0.8862269255],
    [1.75, 0.9190625268],
    [2, 1],
    [0.5, 1.7724538509],
    [0.25, 3.6256099082],
    [1 / 3, 2.6789385347],
    [0.1, 9.5135076987],
    [7, 720],
    [12, 39916800],
  ])('of %s is that of the table', (x, value) => {
    expect(Math.exp(logGamma(x)) / value).toBeCloseTo(1, 9);
  });
  it('goes on by one as it must, above and below a half', () => {
    for (const x of [0.02, 0.3, 0.49, 0.5, 0.51, 3.7, 41, 170.2]) expect(logGamma(x + 1) - logGamma(x)).toBeCloseTo(Math.log(x), 11);
  });
});

describe('quantiles of a gamma distribution', () => {
  // Percentage points of the chi-squared distribution with v degrees of freedom, a gamma of shape v/2 and rate 1/2
  // (Abramowitz & Stegun 1964, table 26.8).
  it.each([
    [1, 0.95, 3.84146],
    [1, 0.005, 0.0000392704],
    [2, 0.95, 5.99147],
    [2, 0.5, 1.38629],
    [5, 0.01, 0.554298],
    [5, 0.99, 15.0863],
    [10, 0.1, 4.86518],
    [10, 0.9, 15.9872],
    [30, 0.025, 16.7908],
    [30, 0.975, 46.9792],
    [100, 0.05, 77.9295],
    [100, 0.95, 124.342],
  ])('with %s degrees at %s are those of the table', (v, share, value) => {
    expect(gammaQuantile(share, v / 2, 0.5) / value).toBeCloseTo(1, 4);
  });
  it('of shape one are those of waiting, in closed form', () => {
    for (const share of [1e-6, 0.01, 0.3, 0.6, 0.99, 0.999999])
      for (const rate of [0.02, 1, 40]) expect((gammaQuantile(share, 1, rate) * rate) / -Math.log1p(-share)).toBeCloseTo(1, 9);
  });
  it('lie where the closed form of whole shapes has them', () => {
    // Share below x for shape n: 1 - exp(-x) (1 + x + ... + x^(n-1)/(n-1)!).
    const below = (n: number, x: number) => {
      let [term, sum] = [1, 1];
      for (let k = 1; k < n; k++) {
        term *= x / k;
        sum += term;
      }
      return 1 - Math.exp(-x) * sum;
    };
    for (const n of [1, 2, 3, 8, 25, 60])
      for (const share of [0.001, 0.05, 0.2, 0.5, 0.8, 0.95, 0.999]) expect(below(n, gammaQuantile(share, n, 1))).toBeCloseTo(share, 9);
  });
  it('of a small shape reach down to next to nothing', () => {
    // Near zero the share below x is x^a / (a gamma(a)).
    const a = 0.1;
    const x = gammaQuantile(0.2, a, 1);
    expect((a * Math.log(x) - Math.log(a) - logGamma(a)) / Math.log(0.2)).toBeCloseTo(1, 4);
  });
});

describe('quantiles of a negative binomial', () => {
  /** Probability of n by the gamma function: what the recurrence of the code must add up to. */
  const chance = (n: number, r: number, mean: number) =>
    Math.exp(logGamma(n + r) - logGamma(r) - logGamma(n + 1) + r * Math.log(r / (r + mean)) + n * Math.log(mean / (r + mean)));
  it('are the smallest counts that reach the share', () => {
    for (const [r, mean] of [
      [0.5, 0.2],
      [0.5, 6],
      [2.5, 4],
      [13, 2],
      [40, 90],
    ] as const)
      for (const share of [0.01, 0.1, 0.5, 0.9, 0.99]) {
        const n = negativeBinomialQuantile(share, r, mean);
        let sum = 0;
        for (let k = 0; k < n; k++) sum += chance(k, r, mean);
        expect(sum).toBeLessThan(share);
        expect(sum + chance(n, r, mean)).toBeGreaterThanOrEqual(share - 1e-12);
      }
  });
  it('of size one are those of the geometric distribution', () => {
    // P(N <= n) = 1 - q^(n+1), q = mean / (1 + mean).
    for (const mean of [0.3, 3, 30])
      for (const share of [0.05, 0.4, 0.8, 0.99]) {
        const q = mean / (1 + mean);
        expect(negativeBinomialQuantile(share, 1, mean)).toBe(Math.max(0, Math.ceil(Math.log(1 - share) / Math.log(q) - 1 - 1e-12)));
      }
  });
  it('are nothing where nothing is expected', () => {
    expect(negativeBinomialQuantile(0.99, 2, 0)).toBe(0);
    expect(negativeBinomialQuantile(0.99, 2, -1)).toBe(0);
  });
});

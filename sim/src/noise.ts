/** Hash of two integers and a seed to [0, 1) (the mixing step of mulberry32, without its closure: called millions of times). */
function hash(i: number, j: number, seed: number): number {
  const a = (Math.imul(i, 0x9e3779b1) ^ Math.imul(j, 0x85ebca6b) ^ Math.imul(seed, 0xc2b2ae35)) + 0x6d2b79f5;
  let t = Math.imul(a ^ (a >>> 15), a | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}

const smooth = (t: number) => t * t * (3 - 2 * t);

/** Smooth noise along a line, -1 to 1, one wave to about two units. */
export function noise1(x: number, seed: number): number {
  const i = Math.floor(x);
  const t = smooth(x - i);
  return 2 * ((1 - t) * hash(i, 0, seed) + t * hash(i + 1, 0, seed)) - 1;
}

/** Smooth noise over a plane, -1 to 1. */
export function noise2(x: number, y: number, seed: number): number {
  const i = Math.floor(x);
  const j = Math.floor(y);
  const s = smooth(x - i);
  const t = smooth(y - j);
  const south = (1 - s) * hash(i, j, seed) + s * hash(i + 1, j, seed);
  const north = (1 - s) * hash(i, j + 1, seed) + s * hash(i + 1, j + 1, seed);
  return 2 * ((1 - t) * south + t * north) - 1;
}

/** Standard normal number of a uniform generator (Box-Muller). */
export function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** Poisson count of a mean (Knuth, below 30; normal above). */
export function poisson(mean: number, random: () => number): number {
  if (mean > 30) return Math.max(0, Math.round(mean + Math.sqrt(mean) * normal(random)));
  const limit = Math.exp(-mean);
  let n = 0;
  for (let p = random(); p > limit; p *= random()) n++;
  return n;
}

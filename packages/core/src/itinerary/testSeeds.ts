// Random problems are fewer and smaller while faults are planted (FEW_CASES): each fault runs every test again, and the planted code is
// many times slower.
const few = (): boolean => typeof process !== 'undefined' && process.env.FEW_CASES !== undefined;

/** Seeds of random problems for a test. */
export function testSeeds(from: number, count: number): number[] {
  return Array.from({ length: few() ? Math.max(2, Math.ceil(count / 8)) : count }, (_, i) => from + i);
}

/** Spots of a random problem for a test. */
export function testSpots(count: number): number {
  return few() ? Math.max(3, Math.ceil(count * 0.6)) : count;
}

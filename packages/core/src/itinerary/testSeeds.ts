/**
 * Seeds of random problems for a test: a few only while faults are planted (FEW_CASES), since each fault runs every test again and the
 * planted code is many times slower.
 */
export function testSeeds(from: number, count: number): number[] {
  const few = typeof process !== 'undefined' && process.env.FEW_CASES !== undefined;
  return Array.from({ length: few ? Math.max(2, Math.ceil(count / 8)) : count }, (_, i) => from + i);
}

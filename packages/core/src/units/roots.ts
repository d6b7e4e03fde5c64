/**
 * Root of a function between two instants with values of opposite sign (Illinois variant of the false position method,
 * Dowell & Jarratt 1971; converges in three to five evaluations where the function is nearly straight).
 * @param toleranceMs - How close the root must be enclosed, ms.
 */
export function rootBetween(
  f: (atMs: number) => number,
  fromMs: number,
  toMs: number,
  fFrom: number,
  fTo: number,
  toleranceMs = 500,
): number {
  let [a, b, fa, fb] = [fromMs, toMs, fFrom, fTo];
  let side = 0;
  for (let i = 0; i < 60; i++) {
    const at = fb === fa ? (a + b) / 2 : b - (fb * (b - a)) / (fb - fa);
    const f0 = f(at);
    if (f0 === 0 || Math.abs(b - a) < toleranceMs) return at;
    if (f0 > 0 === fb > 0) {
      if (Math.abs(b - at) < toleranceMs / 4) return at;
      [b, fb] = [at, f0];
      if (side === -1) fa /= 2;
      side = -1;
    } else {
      if (Math.abs(at - a) < toleranceMs / 4) return at;
      [a, fa] = [at, f0];
      if (side === 1) fb /= 2;
      side = 1;
    }
  }
  return (a + b) / 2;
}

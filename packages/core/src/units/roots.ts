/**
 * Root of a function between two instants with values of opposite sign: the Illinois variant of the false position method
 * (Dowell & Jarratt 1971), which takes three to five evaluations where the function is nearly straight, with a bisection
 * wherever it does not close in.
 * @param toleranceMs - The root is enclosed at least this closely, ms.
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
  while (b - a > toleranceMs) {
    const width = b - a;
    // A hair off the ends, so that the bracket closes from both sides.
    const at = Math.min(b - toleranceMs / 4, Math.max(a + toleranceMs / 4, fb === fa ? (a + b) / 2 : b - (fb * (b - a)) / (fb - fa)));
    const here = f(at);
    if (here === 0) return at;
    if (here > 0 === fb > 0) {
      [b, fb] = [at, here];
      if (side === -1) fa /= 2;
      side = -1;
    } else {
      [a, fa] = [at, here];
      if (side === 1) fb /= 2;
      side = 1;
    }
    // Half a tolerance beyond lies the other sign once the root is near: that ends it.
    const probe = side === -1 ? at - toleranceMs / 2 : at + toleranceMs / 2;
    if (probe > a && probe < b && Math.abs(b - a) > toleranceMs) {
      const there = f(probe);
      if (there > 0 === fb > 0) [b, fb] = [probe, there];
      else [a, fa] = [probe, there];
    }
    if (b - a > width / 2) {
      const middle = (a + b) / 2;
      const value = f(middle);
      if (value > 0 === fb > 0) [b, fb] = [middle, value];
      else [a, fa] = [middle, value];
      side = 0;
    }
  }
  return (a + b) / 2;
}

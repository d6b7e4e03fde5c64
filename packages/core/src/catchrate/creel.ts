// Creel survey estimators (Pollock, Jones & Brown 1994, Angler Survey Methods, AFS Special Publication 25).

/** Ratio of means for complete trips, fish per hour, with its standard error; needs effort above 0. */
export function ratioOfMeans(fish: readonly number[], hours: readonly number[]): { rate: number; se: number | null } {
  const n = fish.length;
  const totalHours = hours.reduce((a, b) => a + b, 0);
  if (!(totalHours > 0)) throw new RangeError(`hours: expected more than 0 in all, got ${totalHours}`);
  const rate = fish.reduce((a, b) => a + b, 0) / totalHours;
  if (n < 2) return { rate, se: null };
  const squares = fish.reduce((sum, y, i) => sum + (y - rate * (hours[i] as number)) ** 2, 0);
  return { rate, se: Math.sqrt(squares / (n - 1) / n) / (totalHours / n) };
}

// Creel survey estimators (Pollock, Jones & Brown 1994, Angler Survey Methods, AFS Special Publication 25).
import { num } from '../units/indexed';

/** Sums over complete trips, as a database gives them. */
export interface CatchSums {
  readonly n: number;
  readonly fish: number;
  readonly hours: number;
  /** Of squares of the fish, squares of the hours, and of fish times hours. */
  readonly fish2: number;
  readonly hours2: number;
  readonly cross: number;
}

/** Ratio of means for complete trips, fish per hour, with its standard error; needs effort above 0. */
export function ratioOfMeans(fish: readonly number[], hours: readonly number[]): { rate: number; se: number | null } {
  const sum = (value: (i: number) => number) => fish.reduce((total, _, i) => total + value(i), 0);
  const y = (i: number) => num(fish, i);
  const h = (i: number) => num(hours, i);
  return ratioFromSums({
    n: fish.length,
    fish: sum(y),
    hours: sum(h),
    fish2: sum((i) => y(i) ** 2),
    hours2: sum((i) => h(i) ** 2),
    cross: sum((i) => y(i) * h(i)),
  });
}

/**
 * The same from sums: the squares of what each trip gave beyond the rate, sum (y - r h)^2, are sum y^2 - 2 r sum y h + r^2 sum h^2.
 * @throws RangeError without effort.
 */
export function ratioFromSums({ n, fish, hours, fish2, hours2, cross }: CatchSums): { rate: number; se: number | null } {
  if (!(hours > 0)) throw new RangeError(`hours: expected more than 0 in all, got ${hours}`);
  const rate = fish / hours;
  if (n < 2) return { rate, se: null };
  // Of trips that all gave the rate a hair below zero is left.
  const squares = Math.max(0, fish2 - 2 * rate * cross + rate ** 2 * hours2);
  return { rate, se: Math.sqrt(squares / (n - 1) / n) / (hours / n) };
}

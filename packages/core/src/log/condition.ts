// How fat fish were for their length, month by month: against the published standard weight of the species (Anderson & Neumann 1996)
// where there is one, else against the middle of the crew's own fish of that kind by Fulton's condition factor, K = 10^5 W / L^3 with g and
// mm (Fulton 1904; Ricker 1975, from memory).
import { relativeWeight, STANDARD_WEIGHTS } from '../fish/standardWeight';
import { num } from '../units/indexed';

export interface WeighedFish {
  readonly species: string;
  /** Total length. */
  readonly lengthMm: number;
  readonly weightG: number;
  /** 1 to 12. */
  readonly month: number;
}

export interface MonthCondition {
  readonly month: number;
  readonly fish: number;
  /** Per cent of what is usual for the length: the middle fish, and the range of the middle half. */
  readonly middle: number;
  readonly lo: number;
  readonly hi: number;
  /** Too few to go by. */
  readonly thin: boolean;
}

/** Under so many weighed fish nothing is said of a kind or a month (common practice). */
const FEW = 5;

/**
 * Fulton's condition factor.
 * @param weightG - Over 0. @param lengthMm - Over 0.
 * @example fultonK(1000, 450).toFixed(3) === '1.097'
 */
export const fultonK = (weightG: number, lengthMm: number): number => (1e5 * weightG) / lengthMm ** 3;

/** Value below which a share of sorted values lies, between its neighbours in proportion. @param sorted - Not empty. */
function quantileOf(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const low = Math.floor(at);
  const [a, b] = [num(sorted, low), num(sorted, Math.min(low + 1, sorted.length - 1))];
  return a + (b - a) * (at - low);
}

const sortedBy = (values: readonly number[]) => [...values].sort((a, b) => a - b);

/**
 * @param fish - Weighed and measured fish, of any kinds.
 * @returns Months with such fish in their order, and how many fish are left out since nothing tells what is usual for their kind.
 */
export function conditionByMonth(fish: readonly WeighedFish[]): { months: MonthCondition[]; left: number } {
  const kinds = new Map<string, number[]>();
  for (const f of fish) kinds.set(f.species, [...(kinds.get(f.species) ?? []), fultonK(f.weightG, f.lengthMm)]);
  const usualK = new Map([...kinds].flatMap(([s, k]) => (k.length < FEW ? [] : [[s, quantileOf(sortedBy(k), 0.5)] as const])));
  const months = new Map<number, number[]>();
  let left = 0;
  for (const f of fish) {
    const line = STANDARD_WEIGHTS[f.species];
    const own = usualK.get(f.species);
    const share = line
      ? relativeWeight(f.weightG, f.lengthMm, line)
      : own === undefined
        ? null
        : (100 * fultonK(f.weightG, f.lengthMm)) / own;
    if (share === null) {
      left++;
      continue;
    }
    months.set(f.month, [...(months.get(f.month) ?? []), share]);
  }
  const told = [...months].map(([month, shares]): MonthCondition => {
    const sorted = sortedBy(shares);
    const at = (q: number) => quantileOf(sorted, q);
    return { month, fish: sorted.length, middle: at(0.5), lo: at(0.25), hi: at(0.75), thin: sorted.length < FEW };
  });
  return { months: told.sort((a, b) => a.month - b.month), left };
}

// What a trial of leaders, hooks or lures came to: which of them lands most, how sure that is, and how much more would tell.
import { hoursToTell, leaderChoice, type StrengthCount, type StrengthResult } from './leaderChoice';

/** What was counted of one of those compared. */
export interface ArmCount extends Omit<StrengthCount, 'kg'> {
  readonly arm: string;
}

export interface TrialOutcome {
  /** In the order they were given. */
  readonly arms: readonly (Omit<StrengthResult, 'kg'> & { readonly arm: string })[];
  /** The one that lands most an hour as it is known now. */
  readonly best: string;
  /** Chance that it is, 0 to 1. */
  readonly chance: number;
  /** Rod-hours more on each of the two best that would tell them apart nine times in ten; null where 500 would not. */
  readonly moreHours: number | null;
  readonly text: string;
}

/** Sure enough to go by. */
const TOLD = 0.9;

/** @throws RangeError for fewer than two, and as of {@link leaderChoice}. */
export function trialOutcome(counts: readonly ArmCount[]): TrialOutcome {
  if (counts.length < 2) throw new RangeError(`arms: a trial compares at least 2, got ${counts.length}`);
  // Their order stands for the strength: the sums ask for nothing else of it.
  const { strengths } = leaderChoice(counts.map(({ arm: _, ...c }, i) => ({ ...c, kg: i + 1 })));
  const arms = strengths.map(({ kg, ...r }) => ({ ...r, arm: counts[kg - 1]?.arm ?? '' }));
  const [first, second] = [...strengths].sort((a, b) => b.landedPerHour - a.landedPerHour);
  if (!first || !second) throw new RangeError('arms: a trial compares at least 2');
  const name = (s: StrengthResult) => counts[s.kg - 1]?.arm ?? '';
  const fished = Math.min(...[first, second].map((s) => counts[s.kg - 1]?.rodHours ?? 0));
  const moreHours = first.chanceToBeBest >= TOLD ? 0 : hoursToTell(first, second, fished);
  const share = Math.round(first.chanceToBeBest * 100);
  const so = `${name(first)} lands most: ${first.landedPerHour.toFixed(2)} a rod-hour, ${name(second)} ${second.landedPerHour.toFixed(2)}.`;
  const text =
    first.chanceToBeBest >= TOLD
      ? `${so} ${share} chances in 100 that it is the better one: go by it.`
      : `${so} Only ${share} chances in 100 so far${
          moreHours === null
            ? ', and they are so alike that no season would tell them apart: fish either.'
            : `: about ${Math.max(1, Math.ceil(moreHours))} rod-hours more on each would tell.`
        }`;
  return { arms, best: name(first), chance: first.chanceToBeBest, moreHours, text };
}

// A baiting campaign: roaming fish are held only by feeding that is regular, at least twice a week for one to two weeks ahead (T8, common
// practice).
import { inRange } from '../units/inRange';
import { DAY } from '../units/time';

export interface CampaignFeed {
  readonly atMs: number;
  readonly kg: number;
  readonly cost: number;
}

/**
 * Feeds before a day of fishing, spread evenly, the last on the day before.
 * @param plan - Weeks ahead (1 to 6), feeds a week (1 to 7), kg a feed, cost of a kg.
 * @throws RangeError for a quantity out of range.
 */
export function campaign(
  fishingAtMs: number,
  plan: { readonly weeks: number; readonly feedsAWeek: number; readonly kgAFeed: number; readonly costPerKg: number },
): { readonly feeds: readonly CampaignFeed[]; readonly kg: number; readonly cost: number; readonly holds: boolean } {
  const weeks = inRange('weeks', plan.weeks, 1, 6);
  const aWeek = inRange('feedsAWeek', plan.feedsAWeek, 1, 7);
  const kg = inRange('kgAFeed', plan.kgAFeed, 0, 200, 'kg');
  const cost = kg * inRange('costPerKg', plan.costPerKg, 0, 1e5);
  const n = Math.round(weeks * aWeek);
  const feeds = Array.from({ length: n }, (_, i) => ({ atMs: fishingAtMs - DAY * (1 + Math.floor(((n - 1 - i) * 7) / aWeek)), kg, cost }));
  return { feeds, kg: kg * n, cost: cost * n, holds: aWeek >= 2 };
}

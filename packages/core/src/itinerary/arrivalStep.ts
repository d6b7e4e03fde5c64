import type { ItinerarySpot } from './problem';

/**
 * Step in which a boat comes to a spot that it could reach by `earliest` and fishes from `start`: at once, or, where another boat
 * of ours lies there in between, when that one has gone. Until then it waits where it was.
 */
export function arrivalStep(spot: Pick<ItinerarySpot, 'blocked'>, earliest: number, start: number): number {
  return (spot.blocked ?? []).reduce((at, [, to]) => (to > at && to <= start ? to : at), earliest);
}

// What the phone knows of each spot: where it is, what the fish may do there hour by hour, and the way to every other.
import type { DeckPack } from '@bluffwind/contract/deck';
import { type Ranking, STEP_MS } from '@bluffwind/core/plan/rankTrip';
import { HOUR } from '@bluffwind/core/units/time';
import type { loadDesk } from '../plan/desk';
import { waysByHour } from './waysByHour';

type Desk = Awaited<ReturnType<typeof loadDesk>>;
/** Where nothing is to be expected a belief still needs a rate, fish an hour. */
const LEAST_RATE = 0.01;

/** The spots of a trip's desk, ranked for its rods. */
export function packSpots(desk: Desk, ranking: Ranking, { startMs, rods }: { startMs: number; rods: number }): DeckPack['spots'] {
  return desk.spots.map((s, i) => {
    const call = ranking.calls.find((k) => k.spotId === s.id);
    // Gamma belief for all rods with the model's mean; its shape is the spread between days.
    const a = ranking.model.dispersion;
    const rate = Math.max(LEAST_RATE, (call?.ratePerRodHour ?? LEAST_RATE) * rods);
    const travel = desk.spots
      .map((t, j) => [t.id, desk.travelMin[i]?.[j] ?? null] as const)
      .filter((x): x is readonly [string, number] => x[1] !== null);
    return {
      id: s.id,
      name: s.name,
      depthMinM: s.depthMinM,
      depthMaxM: s.depthMaxM,
      lat: s.lat,
      lon: s.lon,
      bottom: s.bottom,
      accessDepthM: s.accessDepthM,
      hazards: s.hazards,
      legality: s.legality,
      shoreNormalDeg: s.shoreNormalDeg,
      fetchM: s.fetchM,
      heatOffsetC: s.heatOffsetC,
      heatSdC: s.heatSdC,
      a,
      b: a / rate,
      hourly: { fromMs: startMs, ratePerHour: hourlyRates(ranking, i, rods) },
      baits: ranking.baits.map((p, b) => ({
        id: desk.presentations[p]?.id as string,
        ratePerHour: hourlyOf(ranking.rates[i]?.[b] ?? []).map((r) => Number((r * rods).toPrecision(3))),
      })),
      fadePerHour: s.fadePerHour,
      travelMin: Object.fromEntries(travel),
      ...waysByHour(ranking.ways, i, desk.spots, startMs),
      open: (ranking.open[i] ?? []).map(([from, to]): [number, number] => [startMs + from * STEP_MS, startMs + to * STEP_MS]),
    };
  });
}

/** A list of rates by the step as means by the hour. */
function hourlyOf(list: readonly number[]): number[] {
  const perHour = HOUR / STEP_MS;
  return Array.from({ length: Math.ceil(list.length / perHour) }, (_, h) => {
    const part = list.slice(h * perHour, (h + 1) * perHour);
    return part.reduce((sum, r) => sum + r, 0) / part.length;
  });
}

/** Expected fish an hour of all rods with the best bait, hour by hour of a trip. */
function hourlyRates(ranking: Ranking, spot: number, rods: number): number[] {
  const lists = (ranking.rates[spot] ?? []).map(hourlyOf);
  return (lists[0] ?? []).map((_, h) => rods * Math.max(...lists.map((list) => list[h] as number)));
}

// The ranking model on logs of an invented water: cold fit, one more stop, and every spot, bait and quarter-hour of a day.
import { fitCatchRate } from '@bluffwind/core/catchrate/fitCatchRate';
import { likeWater } from '@bluffwind/core/catchrate/likeWater';
import type { FishedSet, RateConditions } from '@bluffwind/core/catchrate/world';
import { seeded } from '@bluffwind/core/units/seeded';
import { ms, say, times } from './measure';

const DAY = 86_400_000;
const [SPOTS, BAITS, QUARTERS] = [60, 12, 96];

export function benchRank(): void {
  say(`\nCatch rate: ${SPOTS} spots, ${BAITS} presentations, ${QUARTERS} quarter-hours of a day`);
  for (const stops of [5000, 50_000]) {
    const random = seeded(7);
    const now = Date.UTC(2026, 5, 18);
    const conditions = (r: () => number): RateConditions => ({
      tideStage: r(),
      windMps: r() * 12,
      windFromDeg: r() * 360,
      waterTempC: 6 + r() * 14,
      clarityM: 0.5 + r() * 3,
      sunHeightDeg: r() * 60,
      depthM: r() * 10,
      onshore: 2 * r() - 1,
    });
    const set = (at: number): FishedSet => ({
      at,
      spot: String(Math.floor(random() * SPOTS)),
      presentation: String(Math.floor(random() * BAITS)),
      rodHours: 0.5 + random() * 4,
      fish: Math.floor(random() ** 3 * 5),
      conditions: conditions(random),
    });
    const sets = Array.from({ length: stops }, () => set(now - random() * 900 * DAY));
    const envelope = { depthMinM: 0.5, depthMaxM: 5, tempMinC: 8, tempMaxC: 18 };
    const kinds = ['rock', 'edge', 'flat', 'piles', 'weed'];
    const world = {
      spots: Array.from({ length: SPOTS }, (_, i) => ({ id: String(i), structure: kinds[i % 5] as string, pressure: 1 + (i % 3) })),
      presentations: Array.from({ length: BAITS }, (_, i) => ({ id: String(i), family: `F${i % 6}`, envelope })),
      now,
    };
    const grid = Array.from({ length: SPOTS }, () => Array.from({ length: QUARTERS }, () => conditions(random)));
    globalThis.gc?.();
    const before = process.memoryUsage().heapUsed;
    let model = fitCatchRate(world, sets);
    say(`  ${stops} sets, cold fit            ${ms(times(3, () => fitCatchRate(world, sets)))}`);
    say(
      `  ${stops} sets, one more stop       ${ms(
        times(9, (i) => {
          model = model.with([set(now + i * 1000)]);
        }),
      )}`,
    );
    const every = Array.from({ length: BAITS }, (_, p) => p);
    const out = new Float64Array(BAITS);
    const score = times(9, () => {
      for (let s = 0; s < SPOTS; s++)
        for (let q = 0; q < QUARTERS; q++) model.ratesAt(s, every, now + q * 900_000, grid[s]?.[q] as RateConditions, out);
    });
    say(`  ${stops} sets, ${SPOTS * BAITS * QUARTERS} rates          ${ms(score)}`);
    const bySpot = new Map(world.spots.map((x) => [x.id, sets.filter((s) => s.spot === x.id)]));
    const kernel = times(3, () => {
      for (let s = 0; s < SPOTS; s++)
        likeWater(
          bySpot.get(String(s)) ?? [],
          { at: now, spot: String(s), presentation: '0', conditions: grid[s]?.[0] as RateConditions },
          now,
        );
    });
    say(`  ${stops} sets, like water of ${SPOTS} calls ${ms(kernel)}`);
    const naive = times(1, () => {
      for (let s = 0; s < SPOTS; s++)
        for (let q = 0; q < 8; q++)
          likeWater(sets, { at: now, spot: String(s), presentation: '0', conditions: grid[s]?.[q] as RateConditions }, now);
    });
    say(`  peer: kernel on ${SPOTS * 8} of these rates    ${ms(naive)}`);
    say(`  heap grew ${((process.memoryUsage().heapUsed - before) / 2 ** 20).toFixed(0)} MB`);
  }
}

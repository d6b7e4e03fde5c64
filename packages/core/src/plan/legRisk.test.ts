// What is told of a stop and of the way to it.
import { describe, expect, it } from 'vitest';
import { layDay } from './layDay';
import { allDayLines, riskOfLegs, stopLines, worstLines } from './legRisk';
import { rankTrip } from './rankTrip';
import { inputs } from './testTrip';
import { inMetric } from '../units/measure';

/** A way over two bars and an open place: the shallower bar is the one to be told of. */
function trip() {
  const calm = new Array(36).fill(100);
  const place = (bar: string | null, depthM: number, fetchM: number[]) => ({ lat: 47.6, lon: -35.2, depthM, fetchM, bar });
  const places = [place('outer bar', 0.4, calm), place('inner bar', 0.2, calm), place(null, 8, new Array(36).fill(1500))];
  return inputs({ sea: { places, dock: [[], [0, 1, 2], []], between: [] } });
}

describe('the way to a stop', () => {
  it('is told at its worst place: of two bars the one with less water', () => {
    const day = trip();
    const ranking = rankTrip(day);
    const at = (ms: number) => ({ spotId: 'lee', arriveMs: ms, startMs: ms, departMs: ms + 40 * 60_000 });
    const found = [];
    for (let t = 1; t < 12; t++) {
      const legs = [at(day.startsAt + t * 10 * 60_000)];
      const { legs: risks } = riskOfLegs(day, ranking, legs);
      const keel = risks[0]?.way.find((s) => s.quantity === 'keel');
      if (!keel) continue;
      found.push(keel.worst.value as number);
      // The draught is 0.6 m: 0.2 m less water than over the other bar.
      const over = (bar: number) => ranking.ways.judgeAt(bar, 0).findings.find((f) => f.quantity === 'keel')?.value as number;
      expect(over(0) - over(1)).toBeCloseTo(0.2, 6);
      const lowest = Math.min(
        ...Array.from({ length: t * 2 }, (_, k) => ranking.ways.judgeAt(1, k).findings.find((f) => f.quantity === 'keel')?.value as number),
      );
      expect(keel.worst.value).toBeCloseTo(lowest, 6);
    }
    expect(found.length).toBeGreaterThan(0);
  });
  it('is judged for every stop of a laid day, and what the water is all day is told once', () => {
    const day = {
      ...inputs(),
      water: { ...inputs().water, waterTempC: { ...inputs().water.waterTempC, value: new Array(120).fill(12) } },
    } as ReturnType<typeof inputs>;
    const ranking = rankTrip(day);
    const plan = layDay(day, ranking);
    const risk = riskOfLegs(day, ranking, plan.legs);
    expect(risk.legs).toHaveLength(plan.legs.length);
    for (const leg of risk.legs) expect(stopLines(leg, 'UTC').some((l) => /^Water/.test(l.text))).toBe(false);
    const all = risk.legs.flatMap((l) => l.here);
    expect(inMetric(allDayLines(all).map((l) => l.text))).toEqual([expect.stringMatching(/^Water 12 °C: cold shock/)]);
  });
  it('is told for several places at once: each thing once a level, where it is worst and from the first hour to the last', () => {
    const span = (quantity: 'gust' | 'keel' | 'cold', level: 'near' | 'over', value: number, fromH: number, toH: number) => ({
      quantity,
      level,
      fromMs: fromH * 3_600_000,
      toMs: toH * 3_600_000,
      worst: { quantity, level, value, limit: 10 },
    });
    const lines = worstLines(
      [
        { where: 'at the point', spans: [span('gust', 'near', 9, 6, 7), span('keel', 'near', 0.4, 6, 7), span('cold', 'near', 9, 6, 7)] },
        { where: 'at the lee', spans: [span('gust', 'near', 9.5, 8, 9), span('keel', 'near', 0.6, 8, 9), span('gust', 'over', 11, 9, 10)] },
      ],
      'UTC',
    ).map((l) => inMetric(`${l.level} ${l.text}`));
    expect(lines[0]).toMatch(/^over Gusts 11\.0 m\/s at the lee.*09:00 to 10:00$/);
    expect(lines[1]).toMatch(/^near Gusts 9\.5 m\/s at the lee.*06:00 to 09:00$/);
    // Of water under the keel the least is the worst.
    expect(lines[2]).toMatch(/0\.4 m.*at the point.*06:00 to 09:00$/);
    expect(lines[3]).toMatch(/^near Water 9 °C/);
    expect(lines).toHaveLength(4);
  });
});

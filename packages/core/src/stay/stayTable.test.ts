import { describe, expect, it } from 'vitest';
import { beliefAt } from './beliefAt';
import { decideStay } from './decideStay';
import { effort } from './exposure';
import { alternativesFrom, stayOrMove } from './stayOrMove';
import { stayTable } from './stayTable';

const drain = { id: 'drain', a: 4, b: 2, fadePerHour: 0.6, travelMin: 12 };
const quay = { id: 'quay', a: 2, b: 2, fadePerHour: 0.6, travelMin: 20 };
const steady = { id: 'drain', a: 4, b: 4, fadePerHour: 0, travelMin: 12 };
const here = { belief: { a: 2, b: 2 }, fadePerHour: 0.6, minutesFished: 40, fish: 0, minutesLeft: 180 };

/** The best of leaving now or fishing on by enumerating what each step may bring, for three steps and one alternative. */
function byHand(a: number, b: number, fade: number, steps: number, travel: number, other: number): number {
  const go = (n: number, t: number): number => {
    const left = steps - t;
    const away = left > travel ? ((other * (left - travel)) / 12) * 1 : 0;
    if (t === steps) return away;
    const e0 = effort(fade, t / 12);
    const more = effort(fade, (t + 1) / 12) - e0;
    let stay = 0;
    let p = ((b + e0) / (b + e0 + more)) ** (a + n);
    for (let k = 0; k < 12; k++) {
      if (k > 0) p *= ((a + n + k - 1) / k) * (more / (b + e0 + more));
      stay += p * (k + go(n + k, t + 1));
    }
    return Math.max(stay, away);
  };
  return go(0, 0);
}

describe('decision table', () => {
  it('equals going through every outcome by hand', () => {
    // An alternative that does not fade and a stay of at least ten minutes: two steps.
    const table = stayTable({ a: 1.5, b: 1 }, 0.8, 20, [{ id: 'other', a: 3, b: 1, fadePerHour: 0, travelMin: 5 }]);
    const two = (left: number) => (left - 1 >= 2 ? 1 : 0);
    expect(two(4)).toBe(1);
    expect(table.value).toBeCloseTo(byHand(1.5, 1, 0.8, 4, 1, 3), 2);
  });

  it('asks for more fish the longer it was fished, and never for fewer on arrival', () => {
    const { leastToStay } = stayTable({ a: 2, b: 2 }, 0.6, 240, [drain, quay]);
    const early = leastToStay.slice(0, 36);
    expect([...early].sort((x, y) => x - y)).toEqual(early);
    expect(early[0]).toBe(0);
    expect(early.at(-1)).toBeGreaterThan(0);
  });

  it('is worth no less than staying to the end, and no less than leaving at once', () => {
    const table = stayTable({ a: 2, b: 2 }, 0.6, 180, [drain]);
    expect(table.value).toBeGreaterThanOrEqual(effort(0.6, 3));
    expect(table.value).toBeGreaterThanOrEqual(2 * effort(0.6, 168 / 60) - 1e-9);
  });

  it('stays to the end where there is nowhere to go', () => {
    const table = stayTable({ a: 2, b: 2 }, 0.6, 120, []);
    expect(table.leastToStay.slice(0, -1).every((n) => n === 0)).toBe(true);
    expect(table.value).toBeCloseTo(effort(0.6, 2), 6);
  });

  it('refuses a belief without weight', () => {
    expect(() => stayTable({ a: 1, b: 0 }, 0.5, 60, [])).toThrow(/belief/);
  });
});

describe('the decision with its sentence', () => {
  it('moves where the rule moves in plain cases, and gives the same figures', () => {
    // A steady alternative: every minute there is worth the same.
    const q = { ...here, alternatives: [steady] };
    const [d, rule] = [decideStay(q), stayOrMove(q)];
    expect(d).toMatchObject({
      move: true,
      to: 'drain',
      rateNowPerHour: rule.rateNowPerHour,
      bestAlternativePerHour: rule.bestAlternativePerHour,
    });
    expect(decideStay({ ...q, fish: 6 })).toMatchObject({ move: false, fishToStay: null });
  });

  it('says how many fish would change an advice to move', () => {
    const d = decideStay({ ...here, alternatives: [steady] });
    expect(d.fishToStay).toBeGreaterThan(0);
    // With so many more in ten minutes, it stays.
    expect(decideStay({ ...here, fish: d.fishToStay as number, minutesFished: 50, minutesLeft: 170, alternatives: [steady] }).move).toBe(
      false,
    );
  });

  it('uses the table that came with the plan as one made on the spot', () => {
    const table = stayTable(here.belief, here.fadePerHour, 220, [drain, quay]);
    const q = { ...here, alternatives: [drain, quay] };
    expect(decideStay(q, table)).toEqual(decideStay(q));
  });

  it('takes a spot’s rate of the hour in which the boat would be there', () => {
    const hourly = { fromMs: 0, ratePerHour: [4, 1, 0] };
    const spots: Parameters<typeof alternativesFrom>[0] = [
      { id: 'here', a: 1, b: 1, fadePerHour: 0, travelMin: { there: 30 } },
      { id: 'there', a: 2, b: 0.5, fadePerHour: 0, travelMin: {}, hourly },
    ];
    const at = (min: number) => alternativesFrom(spots, 'here', new Set(), min * 60_000)[0];
    expect([at(0)?.b, at(29)?.b]).toEqual([0.5, 0.5]);
    // Leaving at half past the first hour it is there in the second, where a fish an hour is expected: 2 in 2 hours.
    expect([at(30), at(89)].map((x) => [x?.a, x?.b])).toEqual([
      [2, 2],
      [2, 2],
    ]);
    // No fish at all to expect still is a belief, and beyond the last hour the last one holds.
    expect(at(90)?.b).toBe(200);
    expect(at(900)?.b).toBe(200);
    expect(beliefAt({ a: 2, b: 0.5 }, 0)).toEqual({ a: 2, b: 0.5 });
    expect(beliefAt({ a: 2, b: 0.5, hourly: { fromMs: 10_000_000, ratePerHour: [4] } }, 0)).toEqual({ a: 2, b: 0.5 });
  });

  it('offers only spots with a way that were not visited', () => {
    const spots: Parameters<typeof alternativesFrom>[0] = [
      { id: 'here', a: 1, b: 1, fadePerHour: 0, travelMin: { there: 10, gone: 5 } },
      { id: 'there', a: 2, b: 1, fadePerHour: 0, travelMin: {} },
      { id: 'gone', a: 2, b: 1, fadePerHour: 0, travelMin: {} },
      { id: 'cut off', a: 9, b: 1, fadePerHour: 0, travelMin: {} },
    ];
    expect(alternativesFrom(spots, 'here', new Set(['here', 'gone']), 0)).toEqual([
      { id: 'there', a: 2, b: 1, fadePerHour: 0, travelMin: 10 },
    ]);
  });
});

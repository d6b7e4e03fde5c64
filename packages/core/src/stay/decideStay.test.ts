// The decision on deck against a table made by hand, and the table and the rule against a plain going through of everything.
import { describe, expect, it } from 'vitest';
import { HOUR, MINUTE } from '../units/time';
import { decideStay } from './decideStay';
import { aheadOf, effort, exposure, shareAt } from './exposure';
import { alternativesFrom, type StayAlternative, type StayQuestion, stayOrMove } from './stayOrMove';
import { type StayTable, stayTable } from './stayTable';
import { nth } from '../units/indexed';

const drain: StayAlternative = { id: 'drain', a: 4, b: 2, fadePerHour: 0.6, travelMin: 12 };
const quay: StayAlternative = { id: 'quay', a: 2, b: 2, fadePerHour: 0.6, travelMin: 20 };
const asked: StayQuestion = {
  belief: { a: 2, b: 2 },
  fadePerHour: 0.6,
  minutesFished: 20,
  fish: 0,
  minutesLeft: 100,
  alternatives: [drain, quay],
};
/** Minutes 0, 5, 10 ... ask for so many fish. */
const table = (leastToStay: number[], to: (string | null)[] = leastToStay.map(() => 'quay')): StayTable => ({
  stepMin: 5,
  leastToStay,
  to,
  value: 1,
});

describe('the decision on deck', () => {
  const rising = table([0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 9, 9]);
  it('moves with fewer fish than the table asks for, and stays with as many', () => {
    expect(decideStay({ ...asked, fish: 1 }, rising)).toMatchObject({ move: true, to: 'quay', reconsiderInMin: null });
    expect(decideStay({ ...asked, fish: 2 }, rising)).toMatchObject({ move: false, fishToStay: null });
  });
  it('goes where the table had in mind, unless that is shut by now: then to the rule’s best', () => {
    expect(decideStay(asked, rising).to).toBe('quay');
    expect(decideStay({ ...asked, alternatives: [drain] }, rising).to).toBe('drain');
    expect(decideStay(asked, table([9, 9, 9, 9, 9, 9], [null, null, null, null, null, null])).to).toBe('drain');
    // Staying, it names the best of the rest as the rule has it.
    expect(decideStay({ ...asked, fish: 2 }, rising).to).toBe('drain');
  });
  it('never moves where there is nowhere to go', () => {
    expect(decideStay({ ...asked, alternatives: [] }, table([9, 9, 9, 9, 9], [null, null, null, null, null]))).toMatchObject({
      move: false,
      to: null,
    });
  });
  it('looks again when the table will ask for more than was caught: at least five minutes on, at most an hour', () => {
    const again = (fish: number, minutesFished: number, t = rising) => decideStay({ ...asked, fish, minutesFished }, t).reconsiderInMin;
    // With two fish at 20 min, three are asked for at 30.
    expect(again(2, 20)).toBe(10);
    expect(again(1, 12)).toBe(10);
    expect(again(0, 0)).toBe(10);
    expect(again(0, 5)).toBe(5);
    expect(again(50, 0, table(new Array(40).fill(0)))).toBe(60);
    expect(again(9, 55)).toBe(5);
  });
  it('says how few fish in the next ten minutes would turn it, when that is one to three', () => {
    const turn = (fish: number, minutesFished: number) => decideStay({ ...asked, fish, minutesFished }, rising).fishToStay;
    expect(turn(1, 20)).toBe(2);
    expect(turn(0, 20)).toBe(3);
    expect(turn(0, 25)).toBe(3);
    expect(turn(0, 30)).toBeNull();
    expect(turn(3, 40)).toBeNull();
    expect(turn(2, 20)).toBeNull();
    // Where no more is asked for than was caught, nothing has to come.
    expect(decideStay({ ...asked, fish: 1 }, table([0, 0, 0, 0, 2, 2, 1, 1])).fishToStay).toBeNull();
  });
  it('holds to the last row of a table that a stay has outlasted', () => {
    expect(decideStay({ ...asked, minutesFished: 300, fish: 8 }, rising).move).toBe(true);
    expect(decideStay({ ...asked, minutesFished: 300, fish: 9 }, rising).move).toBe(false);
  });
  it('makes its own table of the whole stay where none was kept', () => {
    const own = stayTable(asked.belief, asked.fadePerHour, 120, asked.alternatives);
    for (const fish of [0, 1, 2, 3, 4]) expect(decideStay({ ...asked, fish })).toEqual(decideStay({ ...asked, fish }, own));
  });
});

describe('what a stay is worth in hours', () => {
  it('fades, and has the spot’s own hours', () => {
    expect(effort(0, 1.5)).toBe(1.5);
    expect(effort(0.5, 2)).toBeCloseTo((1 - Math.exp(-1)) / 0.5, 12);
    expect(exposure(0, 12)).toBeCloseTo(0.2, 12);
    expect(exposure(0, 12, [])).toBeCloseTo(0.2, 12);
    // Five minutes at the whole rate, seven at half; the last holds on.
    expect(exposure(0, 12, [1, 0.5])).toBeCloseTo((5 + 3.5) / 60, 12);
    expect(exposure(0.8, 12, [1, 0.5])).toBeCloseTo(effort(0.8, 5 / 60) + 0.5 * (effort(0.8, 0.2) - effort(0.8, 5 / 60)), 12);
    expect(exposure(0.8, 0, [1, 0.5])).toBe(0);
    expect([undefined, []].map((a) => shareAt(a, 7))).toEqual([1, 1]);
    expect([-3, 0, 4.9, 5, 9.9, 10, 500].map((m) => shareAt([1, 0.5, 0.2], m))).toEqual([1, 1, 1, 0.5, 0.5, 0.2, 0.2]);
  });
  it('is read off the hours that the spot is told with', () => {
    const spot = { a: 2, b: 1, hourly: { fromMs: 0, ratePerHour: [2, 1, 0] } };
    expect(aheadOf({ a: 2, b: 1 }, 0, 60)).toBeUndefined();
    expect(aheadOf({ ...spot, hourly: { fromMs: 0, ratePerHour: [] } }, 0, 60)).toBeUndefined();
    expect(aheadOf(spot, 50 * MINUTE, 20)).toEqual([1, 1, 0.5, 0.5]);
    expect(aheadOf(spot, 50 * MINUTE, 21)).toHaveLength(5);
    expect(aheadOf(spot, 0, 0)).toEqual([1]);
    // No hour is so dead that nothing could ever come; before the first and after the last hour, the nearest holds.
    expect(aheadOf(spot, 2 * HOUR - 5 * MINUTE, 10)).toEqual([1, 0.01]);
    expect(aheadOf(spot, -3 * HOUR, 5)).toEqual([1]);
    expect(aheadOf(spot, 9 * HOUR, 5)).toEqual([1]);
  });
});

describe('the rule of one sentence', () => {
  it('has the rate of now by what was caught, fading, in the spot’s own hours', () => {
    const rate = (q: Partial<StayQuestion>) => stayOrMove({ ...asked, ...q }).rateNowPerHour;
    expect(rate({ minutesFished: 30, fish: 3 })).toBeCloseTo((5 / (2 + effort(0.6, 0.5))) * Math.exp(-0.3), 12);
    const ahead = [1, 1, 0.5, 0.5, 0.25];
    expect(rate({ minutesFished: 20, fish: 1, ahead })).toBeCloseTo((3 / (2 + exposure(0.6, 20, ahead))) * Math.exp(-0.2) * 0.25, 12);
  });
  it('has the best average of an alternative, its run counted, by trying every stay', () => {
    for (const minutesLeft of [25, 40, 100, 240]) {
      let best = 0;
      for (const x of [drain, quay])
        for (let t = 10; x.travelMin + t <= minutesLeft; t += 5)
          best = Math.max(best, ((x.a / x.b) * effort(x.fadePerHour, t / 60) * 60) / (x.travelMin + t));
      expect(stayOrMove({ ...asked, minutesLeft }).bestAlternativePerHour).toBeCloseTo(best, 12);
    }
    expect(stayOrMove({ ...asked, minutesLeft: 21 }).bestAlternativePerHour).toBe(0);
    expect(stayOrMove({ ...asked, minutesLeft: 22 }).bestAlternativePerHour).toBeGreaterThan(0);
  });
  it('looks again at the first five minutes in which blank water would turn it', () => {
    const q = { ...asked, fish: 3, minutesLeft: 200 };
    const said = stayOrMove(q);
    expect(said.move).toBe(false);
    const turns = [5, 10, 15, 20, 25, 30, 35, 40, 45, 50, 55, 60].find(
      (m) => stayOrMove({ ...q, minutesFished: q.minutesFished + m, minutesLeft: q.minutesLeft - m }).move,
    );
    expect(turns).toBeGreaterThan(5);
    expect(said.reconsiderInMin).toBe(turns);
    // With fish in plenty it is an hour, or what is left.
    expect(stayOrMove({ ...q, fish: 40 }).reconsiderInMin).toBe(60);
    expect(stayOrMove({ ...q, fish: 40, minutesLeft: 30 }).reconsiderInMin).toBe(30);
    expect(stayOrMove({ ...q, fish: 40, minutesLeft: 3 }).reconsiderInMin).toBe(5);
    expect(stayOrMove({ ...q, minutesFished: 3, minutesLeft: 3 }).reconsiderInMin).toBe(17);
  });
  it('goes only where there is a way, that was not fished yet, and that is open on arrival', () => {
    const spots: Parameters<typeof alternativesFrom>[0] = [
      { ...drain, travelMin: { quay: 20, wall: 10, rock: 10 } },
      { ...quay, travelMin: {}, open: [[30 * MINUTE, 60 * MINUTE]] as const },
      { ...quay, id: 'wall', travelMin: {}, open: [] },
      { ...quay, id: 'rock', travelMin: {} },
      { ...quay, id: 'island', travelMin: {} },
    ];
    const from = (min: number, visited: string[] = []) =>
      alternativesFrom(spots, 'drain', new Set(visited), min * MINUTE).map((x) => `${x.id} ${x.travelMin}`);
    expect(from(9)).toEqual(['rock 10']);
    expect(from(10)).toEqual(['quay 20', 'rock 10']);
    expect(from(39)).toEqual(['quay 20', 'rock 10']);
    expect(from(40)).toEqual(['rock 10']);
    expect(from(10, ['rock'])).toEqual(['quay 20']);
    expect(alternativesFrom(spots, 'nowhere', new Set(), 0)).toEqual([]);
  });
});

/** Worth of leaving with so many steps left: every order of the alternatives, each at most once. */
function away(left: number, rest: readonly StayAlternative[]): number {
  let best = 0;
  for (const x of rest) {
    const run = Math.ceil(x.travelMin / 5);
    for (let t = 2; run + t <= left; t++) {
      const others = rest.filter((y) => y !== x);
      best = Math.max(best, (x.a / x.b) * effort(x.fadePerHour, t / 12) + away(left - run - t, others));
    }
  }
  return best;
}

/** The table by plain recursion over what each five minutes may bring. */
function byHand(q: { a: number; b: number }, fade: number, steps: number, alternatives: readonly StayAlternative[], ahead?: number[]) {
  const gone = Array.from({ length: steps + 1 }, (_, left) => away(left, alternatives));
  const known = new Map<string, { worth: number; stay: number }>();
  const at = (n: number, t: number): { worth: number; stay: number } => {
    const key = `${n} ${t}`;
    const had = known.get(key);
    if (had) return had;
    const off = nth(gone, steps - t);
    let stay = 0;
    if (t < steps) {
      const before = exposure(fade, t * 5, ahead);
      const more = exposure(fade, t * 5 + 5, ahead) - before;
      let p = ((q.b + before) / (q.b + before + more)) ** (q.a + n);
      for (let k = 0; k < 12; k++) {
        if (k > 0) p *= ((q.a + n + k - 1) / k) * (more / (q.b + before + more));
        stay += p * (k + at(n + k, t + 1).worth);
      }
    }
    const found = { worth: Math.max(stay, off), stay };
    known.set(key, found);
    return found;
  };
  const least = Array.from({ length: steps }, (_, t) => {
    for (let n = 0; n <= 6; n++) if (at(n, t).stay >= nth(gone, steps - t)) return n;
    return null;
  });
  return { value: at(0, 0).worth, least };
}

describe('the table', () => {
  it.each([
    [{ a: 1.5, b: 1 }, 0.8, undefined],
    [{ a: 0.7, b: 2 }, 0.3, undefined],
    [{ a: 2, b: 1.5 }, 0.4, [1, 1, 0.8, 0.5, 0.2, 0.2, 1.5]],
  ] as const)('equals going through everything that may come: %o, fade %d, %o', (belief, fade, ahead) => {
    const alternatives = [
      { ...drain, a: 1.4 },
      { ...quay, a: 1.2, travelMin: 5 },
    ];
    const steps = 9;
    const hours = ahead ? [...ahead] : undefined;
    const made = stayTable(belief, fade, steps * 5, alternatives, hours);
    const hand = byHand(belief, fade, steps, alternatives, hours);
    expect(made.value).toBeCloseTo(hand.value, 5);
    hand.least.forEach((n, t) => {
      if (n !== null) expect(made.leastToStay[t], `at ${t * 5} min`).toBe(n);
      else expect(made.leastToStay[t], `at ${t * 5} min`).toBeGreaterThan(6);
    });
    // At lines up nobody stays.
    expect(made.leastToStay).toHaveLength(steps + 1);
    expect(made.leastToStay[steps]).toBe(41);
  });
  it('names the first of the best order, and the dock when too little is left for any', () => {
    const near = { id: 'near', a: 1, b: 1, fadePerHour: 2, travelMin: 5 };
    const far = { id: 'far', a: 3, b: 1, fadePerHour: 0, travelMin: 15 };
    const { to } = stayTable({ a: 1, b: 1 }, 0.5, 60, [near, far]);
    const left = (min: number) => to[(60 - min) / 5];
    expect([10, 15, 20, 25, 60].map(left)).toEqual([null, 'near', 'near', 'far', 'far']);
  });
  it('refuses a belief without weight, and takes a stay of no minutes', () => {
    expect(() => stayTable({ a: 1, b: 0 }, 0.5, 60, [])).toThrow(/belief/);
    expect(stayTable({ a: 1, b: 1 }, 0.5, 0, [])).toMatchObject({ leastToStay: [41], to: [null], value: 0 });
  });
});

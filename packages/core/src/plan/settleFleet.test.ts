import { describe, expect, it } from 'vitest';
import { HOUR, MINUTE } from '../units/time';
import type { DayPlan } from './plannedDay';
import { layDay, scoreDay } from './layDay';
import { rankTrip } from './rankTrip';
import { amongOthers, type SettlingBoat, settleFleet } from './settleFleet';
import { inputs, START } from './testTrip';
import { nth } from '../units/indexed';

const boat = (id: string): SettlingBoat => {
  const own = inputs();
  return { id, inputs: own, ranking: rankTrip(own), without: [] };
};
const stay = (spotId: string, from: number, to: number) => ({ spotId, startMs: START + from * MINUTE, departMs: START + to * MINUTE });
const sum = (plans: readonly DayPlan[]) => plans.reduce((s, p) => s + p.expected, 0);

describe('a fleet with what boats leave each other', () => {
  const boats = [boat('a'), boat('b')];
  const alone = (i: number, legs: ReturnType<typeof stay>[]) => scoreDay(inputs(), boats[i]?.ranking as SettlingBoat['ranking'], legs);

  it('counts what the earlier boat took from the later one, and nothing the other way', () => {
    const late = [stay('exposed', 15, 100), stay('lee', 120, 200)];
    const plans = [alone(0, [stay('lee', 15, 90)]), alone(1, late)];
    const first = amongOthers(nth(boats, 1), [{ id: 'a', legs: plans[0]?.legs ?? [] }]);
    expect(first.taken).toEqual([{ spotId: 'lee', fromMs: plans[0]?.legs[0]?.arriveMs, toMs: START + 90 * MINUTE, boat: 'a' }]);
    const later = scoreDay(first, boats[1]?.ranking as SettlingBoat['ranking'], late);
    expect(later.legs[1]?.expected).toBeLessThan(0.85 * (plans[1]?.legs[1]?.expected as number));
    // Settled, the later one goes elsewhere: that is worth more than what is left there.
    const settled = settleFleet(boats, plans);
    expect(sum(settled)).toBeGreaterThan((plans[0]?.expected as number) + later.expected);
  });

  it('keeps them apart, and each plan stands beside the others with the same arithmetic', () => {
    const free = boats.map((b) => layDay(b.inputs, b.ranking));
    // Both would go to the same spots at the same hours, which does not stand: they come back as they were.
    expect(settleFleet(boats, free)).toEqual(free);
    const apart = [nth(free, 0), { ...nth(free, 1), legs: [], expected: 0 }];
    const settled = settleFleet(boats, apart);
    expect(sum(settled)).toBeGreaterThan(nth(free, 0).expected + 1);
    const named = settled.map((p, i) => ({ id: boats[i]?.id as string, legs: p.legs }));
    settled.forEach((p, i) => {
      const b = nth(boats, i);
      expect(scoreDay(amongOthers(b, named), b.ranking, p.legs).expected).toBeCloseTo(p.expected, 9);
    });
    for (const x of settled[0]?.legs ?? [])
      for (const y of settled[1]?.legs ?? [])
        if (x.spotId === y.spotId) expect(x.departMs + 15 * MINUTE <= y.arriveMs || y.departMs + 15 * MINUTE <= x.arriveMs).toBe(true);
  });

  it('only scores them where nothing is to be laid anew', () => {
    // The second boat is elsewhere until the first has left.
    const plans = [alone(0, [stay('lee', 15, 90)]), alone(1, [stay('exposed', 15, 100), stay('lee', 120, 200)])];
    const scored = settleFleet(boats, plans, { layAnew: false });
    expect(scored.map((p) => p.legs.map((l) => l.spotId))).toEqual([['lee'], ['exposed', 'lee']]);
    expect(scored[0]?.expected).toBeCloseTo(plans[0]?.expected as number, 9);
    const lee = (p: DayPlan | undefined) => p?.legs.at(-1)?.expected as number;
    expect(lee(scored[1])).toBeLessThan(0.85 * lee(plans[1]));
    expect(scored[1]?.legs[0]?.expected).toBeCloseTo(plans[1]?.legs[0]?.expected as number, 9);
    // They are not proved any more, and their bounds are those that they came with.
    expect(scored.map((p) => [p.proved, p.bound])).toEqual(plans.map((p) => [false, p.bound]));
    const empty = { ...nth(plans, 1), legs: [], expected: 0, proved: true };
    expect(settleFleet(boats, [nth(plans, 0), empty], { layAnew: false })[1]).toBe(empty);
  });

  it('leaves to other boats what a boat is to leave, scored and laid anew', () => {
    const without = boats.map((b) => ({ ...b, without: ['worm'] }));
    const plans = without.map((b, i) => scoreDay(b.inputs, b.ranking, [stay(i === 0 ? 'lee' : 'exposed', 15, 60)], { without: b.without }));
    const settled = settleFleet(without, plans);
    expect(settled.flatMap((p) => p.legs.flatMap((l) => l.parts.map((x) => x.presentationId)))).not.toContain('worm');
    expect(sum(settled)).toBeGreaterThan(sum(plans));
    const scored = settleFleet(without, plans, { layAnew: false });
    expect(scored.map((p) => p.expected)).toEqual(plans.map((p) => expect.closeTo(p.expected, 9)));
  });

  it('keeps a boat’s plan where nothing better can be laid, and does not swallow what is no refusal', () => {
    const plans = [alone(0, [stay('lee', 15, 90)]), alone(1, [stay('exposed', 15, 100)])];
    // Every bait is left to others: it cannot be laid at all, and comes back as it was.
    const none = boats.map((b) => ({ ...b, without: ['worm', 'shad'] }));
    expect(settleFleet(none, plans)).toEqual(plans);
    const broken = boats.map((b) => ({ ...b, inputs: { ...b.inputs, breaks: null as never } }));
    expect(() => settleFleet(broken, plans)).toThrow(TypeError);
  });

  it('changes nothing for boats that do not share a spot and have their best day', () => {
    const far = boats.map((b, i) => ({ ...b, inputs: { ...b.inputs, spots: b.inputs.spots.map((s) => ({ ...s, id: `${s.id}-${i}` })) } }));
    const own = far.map((b) => ({ ...b, ranking: rankTrip({ ...b.inputs, sets: [] }) }));
    const plans = own.map((b) => layDay(b.inputs, b.ranking));
    expect(settleFleet(own, plans).map((p) => p.expected)).toEqual(plans.map((p) => expect.closeTo(p.expected, 6)));
    expect(plans[0]?.legs[0]?.departMs).toBeGreaterThan(START + HOUR / 2);
  });

  it('never loses by laying anew, from whatever plans it starts', () => {
    // The stone is shut from the second hour on.
    const starts = { exposed: [15, 25, 40], lee: [15, 60, 120, 180] };
    const spots = ['exposed', 'lee'] as const;
    let gained = 0;
    let kept = 0;
    for (const a of spots)
      for (const b of spots)
        for (const from of starts[a])
          for (const to of starts[b]) {
            const plans = [alone(0, [stay(a, from, from + 60)]), alone(1, [stay(b, to, to + 60)])];
            const scored = settleFleet(boats, plans, { layAnew: false });
            const settled = settleFleet(boats, plans);
            expect(sum(settled), `${a} ${from}, ${b} ${to}`).toBeGreaterThanOrEqual(sum(scored) - 1e-9);
            if (sum(settled) > sum(scored) + 1e-9) gained++;
            // Laid once more from where it settled, a plan that gains nothing by it stays the very one that it was.
            const again = settleFleet(boats, settled);
            if (sum(again) <= sum(settled) + 1e-9) {
              kept++;
              expect(again.map((p) => p.legs)).toEqual(settled.map((p) => p.legs));
            }
          }
    expect(gained).toBeGreaterThan(5);
    expect(kept).toBeGreaterThan(5);
  });
});

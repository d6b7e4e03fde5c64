import { describe, expect, it } from 'vitest';
import { HOUR, MINUTE } from '../units/time';
import { type DayPlan, layDay, scoreDay } from './layDay';
import { rankTrip } from './rankTrip';
import { amongOthers, type SettlingBoat, settleFleet } from './settleFleet';
import { inputs, START } from './testTrip';

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
    const plans = [alone(0, [stay('lee', 15, 90)]), alone(1, [stay('lee', 120, 200)])];
    const first = amongOthers(boats[1] as SettlingBoat, [{ id: 'a', legs: plans[0]?.legs ?? [] }]);
    expect(first.taken).toEqual([{ spotId: 'lee', fromMs: plans[0]?.legs[0]?.arriveMs, toMs: START + 90 * MINUTE, boat: 'a' }]);
    const later = scoreDay(first, boats[1]?.ranking as SettlingBoat['ranking'], [stay('lee', 120, 200)]);
    expect(later.expected).toBeLessThan(0.85 * (plans[1]?.expected as number));
    // Settled, the later one goes elsewhere: that is worth more than what is left there.
    const settled = settleFleet(boats, plans);
    expect(sum(settled)).toBeGreaterThan((plans[0]?.expected as number) + later.expected);
  });

  it('keeps them apart, and each plan stands beside the others with the same arithmetic', () => {
    const free = boats.map((b) => layDay(b.inputs, b.ranking));
    // Both would go to the same spots at the same hours, which does not stand: they come back as they were.
    expect(settleFleet(boats, free)).toEqual(free);
    const apart = [free[0] as DayPlan, { ...(free[1] as DayPlan), legs: [], expected: 0 }];
    const settled = settleFleet(boats, apart);
    expect(sum(settled)).toBeGreaterThan((free[0] as DayPlan).expected + 1);
    const named = settled.map((p, i) => ({ id: boats[i]?.id as string, legs: p.legs }));
    settled.forEach((p, i) => {
      const b = boats[i] as SettlingBoat;
      expect(scoreDay(amongOthers(b, named), b.ranking, p.legs).expected).toBeCloseTo(p.expected, 9);
    });
    for (const x of settled[0]?.legs ?? [])
      for (const y of settled[1]?.legs ?? [])
        if (x.spotId === y.spotId) expect(x.departMs + 15 * MINUTE <= y.arriveMs || y.departMs + 15 * MINUTE <= x.arriveMs).toBe(true);
  });

  it('changes nothing for boats that do not share a spot and have their best day', () => {
    const far = boats.map((b, i) => ({ ...b, inputs: { ...b.inputs, spots: b.inputs.spots.map((s) => ({ ...s, id: `${s.id}-${i}` })) } }));
    const own = far.map((b) => ({ ...b, ranking: rankTrip({ ...b.inputs, sets: [] }) }));
    const plans = own.map((b) => layDay(b.inputs, b.ranking));
    expect(settleFleet(own, plans).map((p) => p.expected)).toEqual(plans.map((p) => expect.closeTo(p.expected, 6)));
    expect(plans[0]?.legs[0]?.departMs).toBeGreaterThan(START + HOUR / 2);
  });
});

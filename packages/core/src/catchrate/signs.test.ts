import { describe, expect, it } from 'vitest';
import { HOUR } from '../units/time';
import { type Sign, signIndex, signsAt } from './signs';
import { nth } from '../units/indexed';

const NOON = Date.UTC(2026, 5, 18, 12);
// 350 m and 1000 m north of the first, and one that nobody has placed.
const SPOTS = [
  { id: 'head', lat: 47.6, lon: -35.2 },
  { id: 'elbow', lat: 47.6 + 350 / 111_200, lon: -35.2 },
  { id: 'root', lat: 47.6 + 1600 / 111_200, lon: -35.2 },
  { id: 'somewhere' },
];
const seen = (kind: Sign['kind'], more: Partial<Sign> = {}): Sign => ({ at: NOON, spot: 'head', kind, ...more });
const at = (signs: Sign[], spot: number, hours: number, halfLifeH = 12) =>
  signsAt(signIndex(SPOTS, signs), spot, NOON + hours * HOUR, halfLifeH);

describe('signs', () => {
  it('halve by the hours and by 350 m, and reach no farther than a mile', () => {
    expect([0, 12, 24].map((h) => at([seen('rays')], 0, h).any)).toEqual([1, 0.5, 0.25]);
    expect(at([seen('rays')], 0, 4, 4).any).toBeCloseTo(0.5, 12);
    expect(at([seen('rays')], 1, 0).any).toBeCloseTo(0.5, 6);
    expect(at([seen('rays')], 2, 0).any).toBe(0);
    expect(at([seen('rays')], 3, 0).any).toBe(0);
    expect(at([seen('rays', { spot: 'somewhere' })], 3, 0).any).toBe(1);
  });
  it('are known only once they were seen, and forgotten after six half-lives', () => {
    expect(at([seen('birds')], 0, -0.1)).toEqual({ any: 0, bait: 0, follow: 0, break: 0 });
    expect(at([seen('birds')], 0, 71.9).any).toBeGreaterThan(0);
    expect(at([seen('birds')], 0, 72.1).any).toBe(0);
  });
  it('bait and birds are bait as well; marks tight to the bottom count more than those that hang above', () => {
    expect(at([seen('bait')], 0, 0)).toEqual({ any: 1, bait: 1, follow: 0, break: 0 });
    expect(at([seen('birds')], 0, 0).bait).toBe(1);
    expect(at([seen('surface')], 0, 0)).toEqual({ any: 1, bait: 0, follow: 0, break: 0 });
    expect((['tight', null, 'above'] as const).map((relation) => at([seen('marks', { relation })], 0, 0).any)).toEqual([1, 0.7, 0.35]);
  });
  it('a follow is one fish, where it was; a break of colour or temperature is told apart', () => {
    expect(at([seen('follow')], 0, 0)).toEqual({ any: 0, bait: 0, follow: 1, break: 0 });
    expect(at([seen('follow')], 1, 0).follow).toBe(0);
    expect(at([seen('colour'), seen('temperature')], 0, 12)).toEqual({ any: 0, bait: 0, follow: 0, break: 1 });
  });
  it('set on the chart count by how far each spot is from there, whether they have a spot or not', () => {
    // Half way between head and elbow.
    const between = { spot: null, lat: 47.6 + 175 / 111_200, lon: -35.2 };
    expect(at([seen('rays', between)], 0, 0).any).toBeCloseTo(2 ** -0.5, 6);
    expect(at([seen('rays', between)], 1, 0).any).toBeCloseTo(2 ** -0.5, 6);
    expect(at([seen('rays', { ...between, spot: 'root' })], 0, 0).any).toBeCloseTo(2 ** -0.5, 6);
    expect(at([seen('follow', between)], 0, 0).follow).toBe(0);
    expect(at([seen('follow', { spot: null, lat: 47.6 + 40 / 111_200, lon: -35.2 })], 0, 0).follow).toBeCloseTo(2 ** (-40 / 350), 6);
    expect(at([seen('rays', { spot: null })], 0, 0).any).toBe(0);
  });
  it('add up, whatever their order; those of places that are not known are left out', () => {
    const list = [seen('rays'), seen('birds', { at: NOON - 12 * HOUR }), seen('rays', { spot: 'gone' })];
    expect(at(list, 0, 0).any).toBeCloseTo(1.5, 12);
    expect(at([...list].reverse(), 0, 0).any).toBeCloseTo(1.5, 12);
    expect(signIndex(SPOTS, [])).toBeNull();
    expect(signsAt(null, 0, NOON, 12)).toEqual({ any: 0, bait: 0, follow: 0, break: 0 });
  });
  it('are taken where they were set down, east and west as far as north and south', () => {
    // 350 m east of the first spot: a degree of longitude is shorter by the cosine of the latitude.
    const lon = -35.2 + 350 / (111_200 * Math.cos((47.6 * Math.PI) / 180));
    const east = { lat: 47.6, lon };
    expect(at([seen('rays', { spot: null, ...east })], 0, 0).any).toBeCloseTo(0.5, 9);
    expect(at([seen('rays', { spot: null, lat: 47.6 + 350 / 111_200, lon: -35.2 })], 1, 0).any).toBeCloseTo(1, 9);
    // Its spot, where one is named, has it whole.
    expect(at([seen('rays', east)], 0, 0).any).toBe(1);
  });
  it('without a whole position are where their spot is, and nowhere without one', () => {
    for (const half of [{ lat: 47.7 }, { lon: -30 }, { lat: null, lon: -30 }, { lat: 47.7, lon: null }] as const) {
      expect(at([seen('rays', half)], 1, 0).any).toBeCloseTo(0.5, 6);
      expect(at([seen('rays', { spot: null, ...half })], 0, 0).any).toBe(0);
    }
    expect(at([seen('rays', { spot: 'unknown' })], 0, 0).any).toBe(0);
    // A spot with half a position is nowhere.
    for (const half of [{ lat: 47.6 }, { lon: -35.2 }, { lat: 47.6, lon: null }, { lat: null, lon: -35.2 }]) {
      const index = signIndex([nth(SPOTS, 0), { id: 'half', ...half }], [seen('rays')]);
      expect(signsAt(index, 1, NOON, 12).any).toBe(0);
      const from = signIndex([nth(SPOTS, 0), { id: 'half', ...half }], [seen('rays', { spot: 'half' })]);
      expect(signsAt(from, 0, NOON, 12).any).toBe(0);
    }
  });
  it('come in any order', () => {
    const signs = [
      seen('rays', { at: NOON - 100 * HOUR }),
      seen('rays'),
      seen('birds', { at: NOON - 12 * HOUR }),
      seen('rays', { at: NOON - 300 * HOUR }),
    ];
    for (const order of [
      [0, 1, 2, 3],
      [3, 2, 1, 0],
      [1, 0, 3, 2],
    ])
      expect(
        at(
          order.map((i) => nth(signs, i)),
          0,
          0,
        ).any,
      ).toBeCloseTo(1.5, 9);
  });
  it('are none of a spot that is not there, or where nobody has seen any', () => {
    expect(signIndex(SPOTS, [])).toBeNull();
    expect(signsAt(null, 0, NOON, 12).any).toBe(0);
    expect(signsAt(signIndex(SPOTS, [seen('rays')]), 9, NOON, 12).any).toBe(0);
  });
});

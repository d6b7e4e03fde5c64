// Every rule of the trade that speaks while a trip is planned (common practice, no published source): the water that it speaks of,
// the opposite, its factor, its sentence, and how it fades when the log says otherwise.
import { describe, expect, it } from 'vitest';
import { reasonsOf } from '../plan/reasons';
import { seeded } from '../units/seeded';
import { DAY, HOUR } from '../units/time';
import { fitCatchRate } from './fitCatchRate';
import type { CatchRateModel } from './rateModel';
import { RATE_RULES } from './rateRules';
import type { Sign } from './signs';
import type { FishedSet, RateConditions, RatePresentation, RateQuery, RateSpot, RateWorld } from './world';

const JUNE_NOON = Date.UTC(2026, 5, 19, 12);
const date = (month: number, hour: number) => Date.UTC(2026, month - 1, 15, hour);

/** One water, spot, bait and hour. */
interface Case {
  readonly spot?: Partial<RateSpot>;
  readonly bait?: Partial<RatePresentation>;
  readonly c?: RateConditions;
  readonly at?: number;
  readonly signs?: readonly Sign['kind'][];
  /** Hours since what was seen. */
  readonly seenH?: number;
  /** Days ago on which the spot was fed. */
  readonly fedDays?: readonly number[];
}
interface Row {
  readonly id: string;
  readonly name: string;
  readonly yes: Case;
  /** The same with one thing turned round. */
  readonly no: Case;
  /** How many times as good the one is as the other, before any log: of this factor alone. */
  readonly times: number;
  readonly words: string;
}

const DUSK = 3;
const HIGH = 50;
const TABLE: readonly Row[] = [
  {
    id: 'W2',
    name: 'moving water, fair clarity and bait',
    yes: { c: { tidePush: 0.8, clarityM: 1.5 }, signs: ['bait'] },
    no: { c: { tidePush: 0.8, clarityM: 1.5 } },
    times: 1.4,
    words: 'moving water, fair clarity and bait seen, all three',
  },
  {
    id: 'W2',
    name: 'moving water, fair clarity and bait',
    yes: { c: { tidePush: 0.8, clarityM: 1.5 }, signs: ['bait'] },
    no: { c: { tidePush: 0.1, clarityM: 1.5 }, signs: ['bait'] },
    times: 1.4,
    words: 'moving water, fair clarity and bait seen, all three',
  },
  {
    id: 'W2',
    name: 'moving water, fair clarity and bait',
    yes: { c: { currentMps: 0.4, clarityM: 1.5 }, signs: ['bait'] },
    no: { c: { currentMps: 0.4, clarityM: 0.3 }, signs: ['bait'] },
    times: 1.4,
    words: 'moving water, fair clarity and bait seen, all three',
  },
  {
    id: 'W3',
    name: 'edges',
    yes: { spot: { structure: 'rock', depthMinM: 2, depthMaxM: 6 } },
    no: { spot: { structure: 'rock', depthMinM: 2, depthMaxM: 3 } },
    times: 1.12,
    words: 'an edge with a drop',
  },
  {
    id: 'W4',
    name: 'shade at piles',
    yes: { spot: { structure: 'piles' }, c: { sunHeightDeg: HIGH, currentMps: 0 } },
    no: { spot: { structure: 'piles' }, c: { sunHeightDeg: DUSK, currentMps: 0 } },
    times: 1.12,
    words: 'shade or a current seam at the piles',
  },
  {
    id: 'W5',
    name: 'sun on lone rock',
    yes: { spot: { bottom: 'boulder' }, c: { sunHeightDeg: 25, waterTempC: 10 }, at: date(4, 13) },
    no: { spot: { bottom: 'sand' }, c: { sunHeightDeg: 25, waterTempC: 10 }, at: date(4, 13) },
    times: 1.1,
    words: 'sun on the rock in cold water',
  },
  {
    id: 'W6',
    name: 'spring pockets',
    yes: { spot: { structure: 'wood' }, c: { depthM: 1.5 }, at: date(4, 12) },
    no: { spot: { structure: 'wood' }, c: { depthM: 1.5 }, at: date(8, 12) },
    times: 1.12,
    words: 'a shallow pocket in spring',
  },
  {
    id: 'W7',
    name: 'warming and cooling',
    yes: { c: { depthM: 1, waterTempC: 11, waterTemp48hC: 1 } },
    no: { c: { depthM: 1, waterTempC: 11, waterTemp48hC: -1 } },
    times: 1.15 / 0.85,
    words: 'shallow water that has warmed since the day before yesterday',
  },
  {
    id: 'W8',
    name: 'weed through the year',
    yes: { spot: { structure: 'weed' }, at: date(6, 12) },
    no: { spot: { structure: 'weed' }, at: date(7, 12) },
    times: 1.12 / 0.92,
    words: 'new weed',
  },
  {
    id: 'W8',
    name: 'weed through the year',
    yes: { spot: { structure: 'weed' }, at: date(10, 12) },
    no: { spot: { structure: 'weed' }, at: date(12, 12) },
    times: 1.12 / 0.92,
    words: 'weed that dies off and opens',
  },
  { id: 'W9', name: 'signs', yes: { signs: ['birds'] }, no: {}, times: 1.6, words: 'strong signs of fish here just now' },
  { id: 'W9', name: 'signs', yes: { signs: ['rays'], seenH: 14 }, no: {}, times: 1.25, words: 'signs of fish near it lately' },
  {
    id: 'W10',
    name: 'inflow',
    yes: { spot: { structure: 'inflow' }, at: date(3, 12) },
    no: { spot: { structure: 'inflow' }, at: date(7, 12) },
    times: 1.25,
    words: 'an inflow in early spring',
  },
  {
    id: 'W11',
    name: 'holes and flats in the cold',
    yes: { spot: { structure: 'hole' }, c: { waterTempC: 6 } },
    no: { spot: { structure: 'flat' }, c: { waterTempC: 6, sunHeightDeg: DUSK } },
    times: 1.25 / 0.8,
    words: 'a hole in cold water',
  },
  {
    id: 'W12',
    name: 'dark ground in the cold',
    yes: { spot: { bottom: 'shell' }, c: { waterTempC: 8, sunHeightDeg: 32 }, at: date(3, 13) },
    no: { spot: { bottom: 'shell' }, c: { waterTempC: 8, sunHeightDeg: 32 }, at: date(3, 9) },
    times: 1.12,
    words: 'dark ground in the sun on a cold day',
  },
  {
    id: 'W13',
    name: 'points in the current',
    yes: { spot: { structure: 'point' }, c: { currentMps: 0.3 } },
    no: { spot: { structure: 'point' }, c: { currentMps: 0 } },
    times: 1.1,
    words: 'a point with the current going past',
  },
  {
    id: 'W14',
    name: 'drains on the ebb',
    yes: { spot: { structure: 'drain' }, c: { tideStage: 0.8 } },
    no: { spot: { structure: 'drain' }, c: { tideStage: 0.3 } },
    times: 1.3 / 0.95,
    words: 'run-out empties the drain',
  },
  {
    id: 'W15',
    name: 'suspended over deep water',
    yes: { spot: { fresh: true }, bait: { zone: 'middle' }, c: { depthM: 14 } },
    no: { spot: { fresh: true }, bait: { zone: 'bottom' }, c: { depthM: 14 } },
    times: 1.15 / 0.9,
    words: 'fishes where they hang over deep water',
  },
  {
    id: 'W16',
    name: 'hard ground offshore',
    yes: { spot: { structure: 'wreck' }, bait: { family: 'F17' }, c: { depthM: 30 } },
    no: { spot: { structure: 'sand' }, bait: { family: 'F17' }, c: { depthM: 30 } },
    times: 1.3,
    words: 'chum raises them off the wreck',
  },
  {
    id: 'W17',
    name: 'autumn schools',
    yes: { c: { depthM: 13, waterTempC: 12 }, at: date(10, 12) },
    no: { c: { depthM: 5, waterTempC: 12 }, at: date(10, 12) },
    times: 1.15,
    words: 'the depth of the autumn schools',
  },
  {
    id: 'W18',
    name: 'a break in the water',
    yes: { signs: ['colour'] },
    no: {},
    times: 1.2,
    words: 'a break in colour or temperature was seen near it',
  },
  {
    id: 'W19',
    name: 'fishing pressure',
    yes: { spot: { pressure: 3 } },
    no: { spot: { pressure: 1 } },
    times: 0.88,
    words: 'many other boats fish it',
  },
  {
    id: 'T1',
    name: 'low light',
    yes: { c: { sunHeightDeg: DUSK } },
    no: { c: { sunHeightDeg: HIGH } },
    times: 1.2,
    words: 'low light lowers caution',
  },
  {
    id: 'T1',
    name: 'low light',
    yes: { c: { sunHeightDeg: DUSK, cloud: 1 } },
    no: { c: { sunHeightDeg: HIGH, cloud: 1 } },
    times: 1.2,
    words: 'low light lowers caution',
  },
  {
    id: 'T1',
    name: 'depth and light',
    yes: { c: { sunHeightDeg: HIGH, depthM: 1 } },
    no: { c: { sunHeightDeg: HIGH, depthM: 2.5 } },
    times: 0.78 / 1.1,
    words: 'shallow under bright sun',
  },
  {
    // Thick cloud takes the glare off, and the shallows are not shut then.
    id: 'T1',
    name: 'depth and light',
    yes: { c: { sunHeightDeg: HIGH, depthM: 1, cloud: 0 } },
    no: { c: { sunHeightDeg: HIGH, depthM: 1, cloud: 0.9 } },
    times: 0.78,
    words: 'shallow under bright sun',
  },
  {
    id: 'T1',
    name: 'depth and light',
    yes: { c: { sunHeightDeg: DUSK, depthM: 1 } },
    no: { c: { sunHeightDeg: DUSK, depthM: 6 } },
    times: 1.15 / 0.95,
    words: 'shallow water in low light',
  },
  {
    id: 'T2',
    name: 'turn of the tide',
    yes: { c: { tideStage: 0.51, sinceTurnH: 0.4 } },
    no: { c: { tideStage: 0.51, sinceTurnH: 0.6 } },
    times: 1.25,
    words: 'the first half hour after the turn',
  },
  { id: 'T8', name: 'feeding', yes: { fedDays: [1, 4, 8] }, no: {}, times: 1.5, words: 'fed twice a week or more for a week and longer' },
  { id: 'T8', name: 'feeding', yes: { fedDays: [1] }, no: {}, times: 1.05, words: 'fed, but not regularly: it holds few' },
  {
    id: 'T3',
    name: 'cold morning',
    yes: { c: { waterTempC: 6 }, at: date(1, 9) },
    no: { c: { waterTempC: 6 }, at: date(1, 11) },
    times: 0.75,
    words: 'a cold morning starts late',
  },
  {
    id: 'T4',
    name: 'hours of big jointed lures',
    yes: { bait: { family: 'F7' }, c: { clarityM: 1, windMps: 6, cloud: 0.8 }, at: date(6, 12) },
    no: { bait: { family: 'F7' }, c: { clarityM: 1, windMps: 6, cloud: 0.1 }, at: date(6, 12) },
    times: 1.3 / 0.9,
    words: 'the hours, clarity, breeze and cloud of big jointed lures',
  },
  {
    id: 'T4',
    name: 'hours of big jointed lures',
    yes: { bait: { family: 'F7' }, c: { clarityM: 1, windMps: 6, cloud: 0.8 }, at: date(6, 12) },
    no: { bait: { family: 'F7' }, c: { clarityM: 1, windMps: 2, cloud: 0.8 }, at: date(6, 17) },
    times: 1.3 / 0.65,
    words: 'the hours, clarity, breeze and cloud of big jointed lures',
  },
  {
    id: 'T5',
    name: 'calm and wind on flats',
    yes: { spot: { structure: 'flat' }, c: { windMps: 0.5 } },
    no: { spot: { structure: 'flat' }, c: { windMps: 3 } },
    times: 0.85,
    words: 'flat calm scatters them on the flat',
  },
  {
    id: 'T5',
    name: 'calm and wind on flats',
    yes: { spot: { structure: 'edge' }, c: { windMps: 6 } },
    no: { spot: { structure: 'edge' }, c: { windMps: 2 } },
    times: 1.12,
    words: 'wind packs them on the edge',
  },
  {
    id: 'T6',
    name: 'bank and channel through the day',
    yes: { spot: { structure: 'wall' }, c: { sunHeightDeg: HIGH } },
    no: { spot: { structure: 'wall' }, c: { sunHeightDeg: DUSK } },
    times: 0.88 / 1.1,
    words: 'the bank with the sun high',
  },
  {
    id: 'T6',
    name: 'bank and channel through the day',
    yes: { spot: { structure: 'hole' }, c: { sunHeightDeg: HIGH } },
    no: { spot: { structure: 'hole' }, c: { sunHeightDeg: DUSK } },
    times: 1.1 / 0.92,
    words: 'the channel with the sun high',
  },
  {
    id: 'P3',
    name: 'change-over of baits',
    yes: { bait: { coverRate: 1, sizeMm: 60 }, c: { waterTempC: 8 } },
    no: { bait: { coverRate: 5, sizeMm: 60 }, c: { waterTempC: 8 } },
    times: 1.15 / 0.8,
    words: 'slow and small for cold water',
  },
  {
    id: 'P3',
    name: 'change-over of baits',
    yes: { bait: { coverRate: 5, sizeMm: 60 }, c: { waterTempC: 14 } },
    no: { bait: { coverRate: 5, sizeMm: 60 }, c: { waterTempC: 12.9 } },
    times: 1.08 / 0.8,
    words: 'fast and large for warm water',
  },
  {
    id: 'P4',
    name: 'pauses in cold water',
    yes: { bait: { family: 'F4', pauseS: 4 }, c: { waterTempC: 7 } },
    no: { bait: { family: 'F4', pauseS: 1 }, c: { waterTempC: 7 } },
    times: 1.15 / 0.88,
    words: 'pauses long enough for cold water',
  },
  {
    id: 'P5',
    name: 'flash and vibration',
    yes: { bait: { look: 'vibration' }, c: { clarityM: 0.5 } },
    no: { bait: { look: 'vibration' }, c: { clarityM: 3 } },
    times: 1.15,
    words: 'flash or vibration in dirty water',
  },
  {
    id: 'P6',
    name: 'colour for the water',
    yes: { bait: { colour: 'chartreuse' }, c: { clarityM: 0.8 } },
    no: { bait: { colour: 'chartreuse' }, c: { clarityM: 3, depthM: 2, sunHeightDeg: HIGH } },
    times: 1.08 / 0.93,
    words: 'its colour suits this water',
  },
  {
    id: 'P8',
    name: 'light heads on flats',
    yes: { spot: { structure: 'flat' }, bait: { family: 'F12', weightG: 14 }, c: { depthM: 1 } },
    no: { spot: { structure: 'flat' }, bait: { family: 'F12', weightG: 5 }, c: { depthM: 1 } },
    times: 0.9 / 1.05,
    words: 'a heavy head for a shallow flat',
  },
  {
    id: 'P9',
    name: 'leader in clear water',
    yes: { bait: { leaderKg: 14 }, c: { clarityM: 4 } },
    no: { bait: { leaderKg: 5 }, c: { clarityM: 4 } },
    times: 0.92,
    words: 'a heavy leader in clear water',
  },
  {
    id: 'P13',
    name: 'feeders in the wind',
    yes: { bait: { family: 'F21' }, c: { windMps: 9 } },
    no: { bait: { family: 'F21' }, c: { windMps: 4 } },
    times: 0.85,
    words: 'too much wind for the feeder',
  },
  {
    id: 'P17',
    name: 'surface baits and the sun',
    yes: { bait: { family: 'F23' }, c: { sunHeightDeg: HIGH }, at: date(6, 13) },
    no: { bait: { family: 'F23' }, c: { sunHeightDeg: DUSK }, at: date(6, 20) },
    times: 1.12 / 0.92,
    words: 'the sun has warmed the top for a surface bait',
  },
  {
    id: 'P18',
    name: 'early spring baits',
    yes: { bait: { family: 'F22' }, c: { waterTempC: 8 }, at: date(3, 12) },
    no: { bait: { family: 'F24' }, c: { waterTempC: 8 }, at: date(3, 12) },
    times: 1.2 / 0.85,
    words: 'a single bright bait in cold spring water',
  },
  {
    id: 'P21',
    name: 'a follow',
    yes: { bait: { coverRate: 1 }, signs: ['follow'] },
    no: { bait: { coverRate: 1 } },
    times: 1.5,
    words: 'a fish followed here, and this comes slower',
  },
  {
    id: 'P23',
    name: 'plumb jigging',
    yes: { bait: { family: 'F14' }, c: { windMps: 9 } },
    no: { bait: { family: 'F14' }, c: { windMps: 3 } },
    times: 0.75 / 1.1,
    words: 'too much wind or current to jig plumb',
  },
  {
    id: 'P29',
    name: 'weed on the lure',
    yes: { spot: { structure: 'weed' }, bait: { zone: 'bottom' }, at: date(7, 12) },
    no: { spot: { structure: 'weed' }, bait: { zone: 'surface' }, at: date(7, 12) },
    times: 0.85,
    words: 'drags through thick weed',
  },
  {
    id: 'F11',
    name: 'moving water at the rocks',
    yes: { bait: { family: 'F11' }, c: { tidePush: 0.9 } },
    no: { bait: { family: 'F11' }, c: { tidePush: 0.05 } },
    times: 1.15 / 0.8,
    words: 'the water moves at the rocks',
  },
  {
    id: 'F13',
    name: 'rising water for flatfish',
    yes: { bait: { family: 'F13' }, c: { tideStage: 0.3 } },
    no: { bait: { family: 'F13' }, c: { tideStage: 0.8 } },
    times: 1.15 / 0.88,
    words: 'rising water for flatfish',
  },
];

type Side = 'yes' | 'no';
const SIDES: readonly Side[] = ['yes', 'no'];
const timeOf = (k: Case) => k.at ?? JUNE_NOON;
/** Spots of each side, so that it is the rule that learns and not the one spot. */
const ALIKE = 6;

/** A world of both sides: each has its spots and its bait, and sees its signs before each of the hours given. */
function worldOf(row: Row, hours: (side: Side) => readonly number[]): RateWorld {
  const spots = SIDES.flatMap((side) => Array.from({ length: ALIKE }, (_, i) => ({ id: `${side}${i}`, ...row[side].spot })));
  return {
    now: Math.max(timeOf(row.yes), timeOf(row.no)) + HOUR,
    spots,
    presentations: SIDES.map((id) => ({ id, envelope: null, ...row[id].bait })),
    signs: SIDES.flatMap((side) => {
      const { signs = [], seenH = 0.5 } = row[side];
      const of = spots.filter((s) => s.id.startsWith(side));
      return signs.flatMap((kind) => of.flatMap(({ id }) => hours(side).map((at) => ({ at: at - seenH * HOUR, spot: id, kind }))));
    }),
    feeds: SIDES.flatMap((side) => {
      const { fedDays = [] } = row[side];
      const of = spots.filter((s) => s.id.startsWith(side));
      return fedDays.flatMap((d) => of.flatMap(({ id }) => hours(side).map((at) => ({ at: at - d * DAY, spot: id }))));
    }),
  };
}
const ask = (side: Side, k: Case, spot = 0): RateQuery => ({
  spot: `${side}${spot}`,
  presentation: side,
  at: timeOf(k),
  conditions: k.c ?? {},
});
const factor = (m: CatchRateModel, name: string, q: RateQuery) => m.factors(q).find((f) => f.name === name);

describe('each rule of the trade', () => {
  it.each(TABLE.map((r) => [`${r.id}: ${r.words}`, r] as const))('%s', (_, row) => {
    const queries = { yes: ask('yes', row.yes), no: ask('no', row.no) };
    const empty = fitCatchRate(
      worldOf(row, (side) => [queries[side].at]),
      [],
    );
    const yes = factor(empty, row.name, queries.yes);
    const no = factor(empty, row.name, queries.no);
    const prior = yes?.multiplier as number;
    expect(prior / (no?.multiplier ?? 1), 'factor').toBeCloseTo(row.times, 9);
    expect(yes?.rule).toMatchObject({ id: row.id });
    // Said beside the call, whatever else is said.
    const said = reasonsOf([{ ...(yes as NonNullable<typeof yes>), multiplier: prior > 1 ? 1.5 : 0.6 }], queries.yes.conditions);
    expect(said.map((r) => r.text)).toEqual([row.words]);

    // Fading: a season in which the one water gave what the rule says of the other.
    const before = (side: Side) => Array.from({ length: 20 }, (_, d) => queries[side].at - (d + 1) * DAY);
    const world = worldOf(row, (side) => [queries[side].at, ...before(side)]);
    const sets: FishedSet[] = SIDES.flatMap((side) =>
      before(side).flatMap((at) =>
        Array.from({ length: ALIKE }, (_, i) => ({
          ...ask(side, row[side], i),
          at,
          rodHours: 4,
          fish: side === 'yes' ? 8 / row.times : 8,
        })),
      ),
    );
    const taught = fitCatchRate(world, sets);
    const ratio = taught.rate(queries.yes) / taught.rate(queries.no);
    expect(Math.abs(Math.log(ratio * row.times)), `the log says ${1 / row.times}, the model ${ratio}`).toBeLessThan(0.12);
  });

  it('gives way itself where nothing else could explain the log', () => {
    // A season on which the first half hour after the turn is worth no more than any other.
    const random = seeded(3);
    const spots = Array.from({ length: 8 }, (_, i) => ({ id: `mark${i}` }));
    const world: RateWorld = { now: JUNE_NOON, spots, presentations: [{ id: 'shad', envelope: null }] };
    const sets = (count: number): FishedSet[] =>
      Array.from({ length: count }, (_, i) => {
        const sinceTurnH = random() < 0.5 ? 0.3 : 2;
        return {
          at: JUNE_NOON - Math.floor(random() * 100 * DAY),
          spot: `mark${i % 8}`,
          presentation: 'shad',
          rodHours: 2,
          fish: 1 + Math.floor(random() * 4),
          conditions: { sinceTurnH, tideStage: random() },
        };
      });
    const turn = (n: number) =>
      factor(fitCatchRate(world, sets(n)), 'turn of the tide', {
        spot: 'mark0',
        presentation: 'shad',
        at: JUNE_NOON,
        conditions: { sinceTurnH: 0.3 },
      })?.multiplier as number;
    const [none, few, many] = [0, 60, 1500].map(turn) as [number, number, number];
    expect(none).toBeCloseTo(1.25, 9);
    expect(few).toBeLessThan(1.25);
    expect(many).toBeLessThan(few);
    expect(many).toBeLessThan(1.06);
  });

  it('is in the table, by its id and its factor', () => {
    expect([...new Set(TABLE.map((r) => `${r.id} ${r.name}`))].sort()).toEqual(RATE_RULES.map((r) => `${r.id} ${r.name}`).sort());
  });

  it('says nothing where what it looks at is not known', () => {
    const x = {
      c: {},
      spot: undefined,
      bait: undefined,
      month: 6,
      hour: 12,
      light: -1,
      signs: { any: 0, bait: 0, follow: 0, break: 0 },
      feeding: -1 as const,
    };
    for (const r of RATE_RULES) expect(r.level(x), r.name).toBe(-1);
  });
});

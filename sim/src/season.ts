// Seasons of an invented water with a truth that is known, for judging how well catches are turned into choices. Three
// truths: one of the ranking model's own shape, two that are not.
import type { FishedSet, RateConditions, RateWorld } from '@bluffwind/core/catchrate/world';
import { seeded } from '@bluffwind/core/units/seeded';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { noise1, normal, poisson } from './noise';

export type TruthName = 'matched' | 'thresholds' | 'moving schools';

export interface Season {
  readonly world: RateWorld;
  readonly start: number;
  /** Conditions at a spot, by index. */
  conditions(spot: number, at: number): RateConditions;
  /** True fish per rod-hour. */
  rate(spot: number, presentation: number, at: number): number;
  /** Fishes: draws a count from the truth, with the day's own luck. */
  fish(spot: number, presentation: number, at: number, rodHours: number): FishedSet;
}

const STRUCTURES = ['rock', 'edge', 'flat', 'piles', 'weed'] as const;
const SPOTS = 24;
const PRESENTATIONS = 8;
const FAMILIES = 4;
const TIDE_HOURS = 12.4206;

/** A season from a seed; equal arguments give equal seasons. @param zeros - Aims at this share of blank stops. */
export function makeSeason(truth: TruthName, seed: number, zeros: 0.4 | 0.64 = 0.4): Season {
  const random = seeded(seed * 7919 + truth.length);
  const start = Date.UTC(2026, 3, 1);
  const draw = (n: number, sd: number) => Array.from({ length: n }, () => sd * normal(random));
  const spots = Array.from({ length: SPOTS }, (_, i) => ({
    id: `spot ${i}`,
    structure: STRUCTURES[Math.floor(random() * STRUCTURES.length)] as string,
    depthM: 1 + random() * 6,
    faces: Math.floor(random() * 360),
  }));
  const presentations = Array.from({ length: PRESENTATIONS }, (_, i) => ({
    id: `bait ${i}`,
    family: `family ${i % FAMILIES}`,
    envelope: null,
  }));
  const world: RateWorld = { spots, presentations, now: start };
  const phase = random() * 100;
  const conditions = (spot: number, at: number): RateConditions => {
    const d = (at - start) / DAY;
    const hour = (at / HOUR) % 24;
    const windMps = Math.max(0, 5 + 3.2 * noise1(d / 1.7 + phase, 1) + 1.5 * noise1(d * 3 + phase, 2));
    const windFromDeg = (((220 + 150 * noise1(d / 2.3 + phase, 3)) % 360) + 360) % 360;
    const stage = (at / HOUR / TIDE_HOURS) % 1;
    const faces = spots[spot]?.faces ?? 0;
    return {
      tideStage: stage,
      windMps,
      windFromDeg,
      waterTempC: 8 + 9 * Math.sin((Math.min(200, d) / 200) * (Math.PI / 2)) + 1.2 * noise1(d / 5 + phase, 4),
      clarityM: Math.max(0.4, 2 + 0.9 * noise1(d / 3 + phase, 5) - 0.12 * windMps),
      sunHeightDeg: 58 * Math.sin(((hour - 5.5) / 15) * Math.PI),
      cloud: 0.5,
      depthM: (spots[spot]?.depthM ?? 3) - 1.2 * Math.cos(2 * Math.PI * stage),
      onshore: Math.cos(((windFromDeg - faces) * Math.PI) / 180),
    };
  };
  const log = truths[truth]({ random, draw, spots, start, phase, conditions });
  const base = zeros === 0.4 ? -1.5 : -2.4;
  const rate = (s: number, p: number, at: number) => Math.exp(base + log(s, p, at));
  const luck = seeded(seed * 104_729 + 13);
  return {
    world,
    start,
    conditions,
    rate,
    fish(s, p, at, rodHours) {
      // Stops differ by more than any reading explains.
      const day = gamma(3, luck) / 3;
      return {
        at,
        spot: spots[s]?.id ?? '',
        presentation: presentations[p]?.id ?? '',
        rodHours,
        fish: poisson(rate(s, p, at) * rodHours * day, luck),
        conditions: conditions(s, at),
      };
    },
  };
}

interface Parts {
  readonly random: () => number;
  readonly draw: (n: number, sd: number) => number[];
  readonly spots: readonly { structure: string; depthM: number }[];
  readonly start: number;
  readonly phase: number;
  readonly conditions: (spot: number, at: number) => RateConditions;
}
type LogRate = (spot: number, presentation: number, at: number) => number;

const at = (values: readonly number[], i: number) => values[i] as number;
const bandOf = (value: number, edges: readonly number[]) => edges.filter((e) => value >= e).length;

const truths: Record<TruthName, (parts: Parts) => LogRate> = {
  matched({ draw, start, conditions, random }) {
    const spot = draw(SPOTS, 0.6);
    const bait = draw(PRESENTATIONS, 0.4);
    const both = draw(SPOTS * PRESENTATIONS, 0.45);
    const stage = draw(8, 0.2);
    const spotStage = draw(SPOTS * 8, 0.45);
    const baitLight = draw(PRESENTATIONS * 4, 0.35);
    const baitTemp = draw(PRESENTATIONS * 6, 0.35);
    const baitClarity = draw(PRESENTATIONS * 3, 0.3);
    const octant = draw(SPOTS * 9, 0.35);
    const weeks: number[][] = Array.from({ length: SPOTS }, () => {
      let x = 0.45 * normal(random);
      return Array.from({ length: 60 }, () => {
        x = 0.7 * x + 0.45 * Math.sqrt(1 - 0.49) * normal(random);
        return x;
      });
    });
    return (s, p, when) => {
      const c = conditions(s, when);
      const st = Math.floor((c.tideStage ?? 0) * 8);
      const light = bandOf(c.sunHeightDeg ?? 0, [-6, 8, 30]);
      const o = (c.windMps ?? 0) < 2 ? 8 : Math.round((c.windFromDeg ?? 0) / 45) % 8;
      return (
        at(spot, s) +
        at(bait, p) +
        at(both, s * PRESENTATIONS + p) +
        at(stage, st) +
        at(spotStage, s * 8 + st) +
        at(baitLight, p * 4 + light) +
        at(baitTemp, p * 6 + bandOf(c.waterTempC ?? 0, [7, 10, 13, 16, 19])) +
        at(baitClarity, p * 3 + bandOf(c.clarityM ?? 0, [1, 2.5])) +
        at(octant, s * 9 + o) +
        at(weeks[s] as number[], Math.min(59, Math.floor((when - start) / DAY / 7)))
      );
    };
  },

  // Optimum curves, a window of the tide, thresholds of wind, and baits that work only at some places on some run.
  thresholds({ draw, random, conditions, start, spots }) {
    const spot = draw(SPOTS, 0.5);
    const likes = Array.from({ length: SPOTS }, () => random());
    const bestTemp = Array.from({ length: PRESENTATIONS }, () => 9 + random() * 9);
    const taste = draw(PRESENTATIONS * 5, 0.6);
    const bank = draw(SPOTS, 0.5);
    const trick = Array.from({ length: SPOTS }, () => [Math.floor(random() * PRESENTATIONS), random() < 0.5] as const);
    const kinds = [...new Set(spots.map((x) => x.structure))];
    return (s, p, when) => {
      const c = conditions(s, when);
      const stage = c.tideStage ?? 0;
      const off = Math.abs(((stage - at(likes, s) + 1.5) % 1) - 0.5);
      const onto = (c.onshore ?? 0) * (c.windMps ?? 0);
      const [bait, flood] = trick[s] as readonly [number, boolean];
      const shallowSun = (c.depthM ?? 3) < 2 && (c.sunHeightDeg ?? 0) > 35;
      return (
        at(spot, s) +
        Math.log(0.35 + 1.5 * Math.exp(-((off / 0.17) ** 2))) -
        0.5 * (((c.waterTempC ?? 12) - at(bestTemp, p)) / 4) ** 2 +
        at(taste, p * 5 + kinds.indexOf(spots[s]?.structure ?? '')) +
        (onto > 6 ? -1 : onto > 2 ? 0.4 + at(bank, s) : onto < -4 ? 0.2 : 0) +
        (p === bait && stage < 0.5 === flood ? 1 : 0) +
        (shallowSun ? -0.7 : 0) +
        0.6 * noise1((when - start) / DAY / 16 + s * 11.7, 107) +
        0.3
      );
    };
  },

  // Three schools that stay a week or two and move on, a bait that stops working and gear that gets better by June.
  'moving schools'({ draw, random, conditions, start }) {
    const spot = draw(SPOTS, 0.35);
    const bait = draw(PRESENTATIONS, 0.35);
    const spotStage = draw(SPOTS * 2, 0.35);
    const schools = Array.from({ length: 3 }, () => {
      const stays: { until: number; spot: number }[] = [];
      let day = 0;
      while (day < 400) {
        day += 6 + random() * 12;
        stays.push({ until: day, spot: Math.floor(random() * SPOTS) });
      }
      return stays;
    });
    const dead = Math.floor(random() * PRESENTATIONS);
    return (s, p, when) => {
      const d = (when - start) / DAY;
      const here = schools.filter((stays) => stays.find((x) => d < x.until)?.spot === s).length;
      const c = conditions(s, when);
      return (
        at(spot, s) +
        at(bait, p) +
        at(spotStage, s * 2 + ((c.tideStage ?? 0) < 0.5 ? 0 : 1)) +
        1.3 * here +
        (d > 70 ? 0.45 : 0) +
        (p === dead && d > 90 ? -1.5 : 0)
      );
    };
  },
};

function gamma(shape: number, random: () => number): number {
  let sum = 0;
  for (let i = 0; i < shape; i++) sum -= Math.log(1 - random());
  return sum;
}

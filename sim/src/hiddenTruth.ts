// The truth behind the invented log: how many fish a rod meets in an hour. Nothing outside sim reads it. Its shape
// differs from the ranking model's on purpose: thresholds, optimum curves and a school that moves.
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { noise1 } from './noise';
import type { Structure } from './names';

export interface FishKind {
  readonly name: string;
  readonly habitat: 'salt' | 'fresh';
  readonly waters: readonly string[];
  readonly base: number;
  readonly tempC: number;
  readonly tempWidth: number;
  readonly structures: Partial<Record<Structure, number>>;
  /** Families it takes, with strength. */
  readonly families: Readonly<Record<string, number>>;
  /** Taste for low light, 1 none. */
  readonly lowLight: number;
  readonly meanMm: number;
  readonly sdMm: number;
}

export const FISH: readonly FishKind[] = [
  {
    name: 'European sea bass',
    habitat: 'salt',
    waters: ['sound'],
    base: 0.34,
    tempC: 15.5,
    tempWidth: 5,
    structures: { piles: 1.9, drain: 2.1, rock: 1.4, edge: 1.1, wall: 1.1, flat: 0.9 },
    families: { F4: 1.3, F6: 1.2, F9: 1.5, F1: 1, F12: 1.2, F10: 0.8 },
    lowLight: 1.8,
    meanMm: 430,
    sdMm: 90,
  },
  {
    name: 'Pollack',
    habitat: 'salt',
    waters: ['sound', 'skerries'],
    base: 0.26,
    tempC: 13,
    tempWidth: 4.5,
    structures: { rock: 1.5, piles: 1.3, reef: 2, wreck: 1.9, wall: 0.8 },
    families: { F6: 1.4, F9: 1.1, F14: 1.3, F15: 1, F2: 1 },
    lowLight: 1.4,
    meanMm: 420,
    sdMm: 95,
  },
  {
    name: 'Ballan wrasse',
    habitat: 'salt',
    waters: ['sound', 'skerries'],
    base: 0.24,
    tempC: 16,
    tempWidth: 4,
    structures: { rock: 2, wall: 1.8, reef: 1.2, weed: 0.8 },
    families: { F10: 1.4, F11: 1.9, F9: 0.8 },
    lowLight: 0.6,
    meanMm: 330,
    sdMm: 50,
  },
  {
    name: 'European plaice',
    habitat: 'salt',
    waters: ['sound', 'skerries'],
    base: 0.2,
    tempC: 13.5,
    tempWidth: 5,
    structures: { flat: 2, edge: 1.7, hole: 1, drain: 0.8 },
    families: { F13: 1.8, F10: 1.3, F18: 1 },
    lowLight: 0.8,
    meanMm: 320,
    sdMm: 50,
  },
  {
    name: 'Thornback ray',
    habitat: 'salt',
    waters: ['sound', 'skerries'],
    base: 0.09,
    tempC: 14,
    tempWidth: 6,
    structures: { hole: 2, edge: 1.5, flat: 1 },
    families: { F18: 2.4 },
    lowLight: 1.2,
    meanMm: 620,
    sdMm: 110,
  },
  {
    name: 'Black seabream',
    habitat: 'salt',
    waters: ['sound', 'skerries'],
    base: 0.18,
    tempC: 16,
    tempWidth: 3.2,
    structures: { weed: 1.8, reef: 1.4, edge: 1, wall: 1 },
    families: { F10: 1.5, F11: 1.3, F15: 1 },
    lowLight: 0.9,
    meanMm: 300,
    sdMm: 45,
  },
  {
    name: 'Atlantic mackerel',
    habitat: 'salt',
    waters: ['sound', 'skerries'],
    base: 0.3,
    tempC: 15,
    tempWidth: 4,
    structures: { rock: 1, reef: 1.4, piles: 1, edge: 0.8 },
    families: { F3: 1.2, F5: 1.2, F14: 1.3, F15: 0.8 },
    lowLight: 0.9,
    meanMm: 310,
    sdMm: 30,
  },
  {
    name: 'Atlantic cod',
    habitat: 'salt',
    waters: ['skerries'],
    base: 0.22,
    tempC: 9.5,
    tempWidth: 5,
    structures: { wreck: 2, reef: 1.2, edge: 0.8 },
    families: { F14: 1.8, F18: 1.2, F6: 0.9 },
    lowLight: 1,
    meanMm: 520,
    sdMm: 110,
  },
  {
    name: 'Northern pike',
    habitat: 'fresh',
    waters: ['lake'],
    base: 0.2,
    tempC: 14,
    tempWidth: 6,
    structures: { weed: 2, wood: 1.6, edge: 1, flat: 0.8 },
    families: { F7: 1.5, F6: 1.2, F5: 1, F1: 0.9 },
    lowLight: 1.2,
    meanMm: 640,
    sdMm: 140,
  },
  {
    name: 'European perch',
    habitat: 'fresh',
    waters: ['lake'],
    base: 0.5,
    tempC: 17,
    tempWidth: 6,
    structures: { wood: 1.7, rock: 1.6, piles: 1.4, weed: 1, edge: 1 },
    families: { F9: 1.4, F10: 1.5, F5: 1.1, F3: 1 },
    lowLight: 1.1,
    meanMm: 250,
    sdMm: 60,
  },
  {
    name: 'Zander',
    habitat: 'fresh',
    waters: ['lake'],
    base: 0.18,
    tempC: 16,
    tempWidth: 5,
    structures: { hole: 1.9, edge: 1.5, wall: 1.3 },
    families: { F14: 1.4, F9: 1.3, F2: 1, F6: 1 },
    lowLight: 2.6,
    meanMm: 520,
    sdMm: 110,
  },
  {
    name: 'Brown trout',
    habitat: 'fresh',
    waters: ['lake'],
    base: 0.16,
    tempC: 12,
    tempWidth: 4,
    structures: { inflow: 2.6, rock: 1.2, wall: 1 },
    families: { F4: 1.4, F5: 1.3, F3: 0.9 },
    lowLight: 1.6,
    meanMm: 360,
    sdMm: 70,
  },
  {
    name: 'Common carp',
    habitat: 'fresh',
    waters: ['lake'],
    base: 0.07,
    tempC: 20,
    tempWidth: 5,
    structures: { flat: 1.8, weed: 1.5, wood: 1.2 },
    families: { F23: 2, F24: 1.6 },
    lowLight: 1.1,
    meanMm: 620,
    sdMm: 120,
  },
  {
    name: 'Common bream',
    habitat: 'fresh',
    waters: ['lake'],
    base: 0.24,
    tempC: 18,
    tempWidth: 5,
    structures: { hole: 1.5, flat: 1.4, edge: 1.2 },
    families: { F21: 2, F24: 0.8 },
    lowLight: 1.2,
    meanMm: 380,
    sdMm: 60,
  },
];

/** Expected fish of one kind per rod-hour. */
export function trueRate(
  fish: FishKind,
  spot: { index: number; water: string; structure: Structure; exposed: boolean },
  family: { id: string; depthMinM: number; depthMaxM: number },
  c: SpotConditions,
): number {
  if (!fish.waters.includes(spot.water)) return 0;
  let rate = fish.base * (fish.structures[spot.structure] ?? 0.25) * (fish.families[family.id] ?? 0.18);
  // What a spot is worth, and which run of the tide it likes, is its own secret.
  rate *= Math.exp(0.55 * noise1(spot.index * 7.3, 101 + fish.name.length));
  if (c.tideStage !== null && c.tidePush !== null) {
    const likes = noise1(spot.index * 3.1, 103) > 0 ? 0.25 : 0.75;
    const off = Math.abs(((c.tideStage - likes + 1.5) % 1) - 0.5);
    rate *= 0.35 + 1.5 * Math.exp(-((off / 0.17) ** 2)) + 0.25 * c.tidePush;
  }
  const temp = c.waterTempC ?? fish.tempC;
  rate *= Math.exp(-0.5 * ((temp - fish.tempC) / fish.tempWidth) ** 2);
  if (c.sunHeightDeg < 9) rate *= fish.lowLight;
  else if (c.sunHeightDeg > 38 && (c.cloud ?? 0.5) < 0.35) rate *= 0.75;
  // Up to a threshold wind onto the bank helps, past it the spot cannot be held.
  const onto = (c.onshore ?? 0) * (c.windMps ?? 0);
  if (onto > 2 && onto < 6) rate *= 1.35;
  if (onto >= 6 || (c.waveM ?? 0) > 0.7) rate *= 0.35;
  if (onto < -4) rate *= spot.exposed ? 0.8 : 1.25;
  const low = family.depthMinM - 0.5;
  const high = family.depthMaxM * 1.2 + 0.5;
  if (c.depthM < low || c.depthM > high) rate *= 0.3;
  // Schools drift from spot to spot over two or three weeks.
  return rate * Math.exp(0.6 * noise1(c.at / (16 * 86_400_000) + spot.index * 11.7, 107));
}

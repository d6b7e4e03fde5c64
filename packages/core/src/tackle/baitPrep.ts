// What natural bait asks of the evening before: amounts by rod-hour and hours of preparation, common practice of the trade.
import type { Layout } from './rigFamilies';

export interface BaitPrep {
  /** What is done, such as "thaw". */
  readonly what: string;
  /** Hours before the departure at which it has to begin. */
  readonly hoursBefore: number;
  /** Amount for an hour of one rod. */
  readonly perRodHour: number;
  readonly unit: 'g' | 'pieces';
}

const PREP: Readonly<Record<string, BaitPrep>> = {
  worm: { what: 'fetch or dig, keep cool in damp paper', hoursBefore: 11, perRodHour: 25, unit: 'g' },
  shrimp: { what: 'fetch live, keep aerated', hoursBefore: 6, perRodHour: 8, unit: 'pieces' },
  crab: { what: 'fetch, keep cool and damp', hoursBefore: 10, perRodHour: 3, unit: 'pieces' },
  'cut fish': { what: 'thaw in the cool', hoursBefore: 9, perRodHour: 120, unit: 'g' },
  'small fish': { what: 'thaw, or catch on the way', hoursBefore: 8, perRodHour: 4, unit: 'pieces' },
  'live fish': { what: 'catch on the way, keep aerated', hoursBefore: 2, perRodHour: 4, unit: 'pieces' },
  fish: { what: 'thaw in the cool', hoursBefore: 9, perRodHour: 3, unit: 'pieces' },
  'sand eel': { what: 'thaw in the cool', hoursBefore: 6, perRodHour: 6, unit: 'pieces' },
  squid: { what: 'thaw in the cool', hoursBefore: 9, perRodHour: 2, unit: 'pieces' },
  maggot: { what: 'fetch, keep cool', hoursBefore: 11, perRodHour: 60, unit: 'g' },
  bread: { what: 'buy, keep soft', hoursBefore: 11, perRodHour: 60, unit: 'g' },
  particles: { what: 'soak for a day, then boil', hoursBefore: 36, perRodHour: 400, unit: 'g' },
  'bait ball': { what: 'take out of the freezer, let them dry', hoursBefore: 12, perRodHour: 8, unit: 'pieces' },
};

/** Layouts that carry a natural bait. */
const NATURAL: readonly Layout[] = ['drop', 'two-bait', 'free', 'bottom', 'boards', 'troll', 'feeder', 'float'];

/** How a bait is got ready; null for a lure, and where nothing is known of the bait. */
export function baitPrep(layout: Layout, forage: readonly string[]): (BaitPrep & { readonly bait: string }) | null {
  if (!NATURAL.includes(layout)) return null;
  for (const bait of forage) {
    const prep = PREP[bait.toLowerCase()];
    if (prep) return { bait, ...prep };
  }
  return null;
}

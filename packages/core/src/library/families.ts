// The families of presentations, with the water each is for: common practice of the trade, where the ranking begins before an outfit has
// a log of its own. Depths are of the water fished, m; temperatures of the water, C; clarity is the depth a white disc is seen to, m.
import type { EnvelopeLimits } from '../catchrate/envelope';

/** One family: what it is for and what it asks of water and people. */
export interface LibraryFamily extends EnvelopeLimits {
  readonly id: string;
  readonly name: string;
  /** Water covered, 1 (one place) to 5. */
  readonly coverRate: number;
  /** Skill it asks of an angler, 1 to 3. */
  readonly skill: number;
  /** Risk to lose the rig, 1 to 3. */
  readonly snag: number;
  readonly handling: string;
  /** Kinds of place it is for; any when left out. */
  readonly cover?: string[];
  /** Months, 1 to 12; all when left out. */
  readonly months?: number[];
  readonly zone?: 'bottom' | 'middle' | 'surface';
  readonly look?: string;
  readonly rods?: number;
  /** Bait and feed, in the outfit's money an hour. */
  readonly costPerHour?: number;
  readonly forage?: string[];
}

const family = (
  id: string,
  name: string,
  [depthMinM, depthMaxM]: [number, number],
  [tempMinC, tempMaxC]: [number, number],
  [coverRate, skill, snag]: [number, number, number],
  handling: string,
  more: Partial<LibraryFamily> = {},
): LibraryFamily => ({ id, name, depthMinM, depthMaxM, tempMinC, tempMaxC, coverRate, skill, snag, handling, ...more });

const MURK = { clarityMaxM: 2.5 };
const BOTTOM = { zone: 'bottom' } as const;
const SURFACE = { zone: 'surface' } as const;

/** F1 to F26. */
export const FAMILIES: readonly LibraryFamily[] = [
  family('F1', 'Shallow diver', [0.3, 3], [8, 24], [4, 1, 2], 'Deflect off cover, vary pace and stops, along the bank.', {
    look: 'wobble',
    forage: ['small fish'],
  }),
  family('F2', 'Medium and deep diver', [2.5, 5], [7, 26], [4, 1, 2], 'Reel down to touch, then as slow as it stays down.', {
    ...BOTTOM,
    look: 'wobble',
    forage: ['small fish', 'crayfish'],
  }),
  family('F3', 'Lipless vibrating lure', [0.5, 6], [4, 20], [4, 1, 2], 'Cold: lift slowly, flutter down close to the bottom.', {
    look: 'vibration',
    forage: ['shad'],
  }),
  family('F4', 'Stop-and-go minnow', [0.5, 3], [3, 15], [3, 2, 1], 'Twitch, pause 3 to 4 s when cold.', {
    clarityMinM: 1,
    look: 'natural',
    forage: ['small fish'],
  }),
  family('F5', 'Blade', [0.5, 3], [8, 22], [4, 1, 1], 'Slow-roll by the bottom and the weed edge.', {
    ...MURK,
    look: 'flash',
    forage: ['small fish'],
  }),
  family('F6', 'Paddle-tail swimbait', [0.5, 6], [4, 22], [4, 1, 1], 'Slow-roll, tick the bottom; size to the forage.', {
    look: 'tail beat',
    forage: ['small fish', 'sand eel'],
  }),
  family('F7', 'Large jointed swimming lure', [0.3, 2], [10, 22], [4, 3, 1], 'Speed up on a follow; mark the fish and come back slower.', {
    ...SURFACE,
    clarityMinM: 0.75,
    clarityMaxM: 1.5,
    windMinMps: 4.5,
    windMaxMps: 9,
    look: 'big and jointed',
    costPerHour: 2,
    forage: ['large fish'],
  }),
  family(
    'F8',
    'Vibrating jig over shallow flats',
    [0.5, 2.5],
    [8, 18],
    [4, 1, 1],
    'Let it touch, slow steady; blades stopping is the take.',
    {
      ...MURK,
      windMinMps: 2,
      look: 'vibration',
      cover: ['flat', 'weed', 'edge'],
      forage: ['shad'],
    },
  ),
  family('F9', 'Soft lure on a light head', [0.5, 4], [6, 26], [2, 2, 2], 'To the bottom, small hops, watch the line on the drop.', {
    ...BOTTOM,
    look: 'natural',
    forage: ['small fish', 'worm'],
  }),
  family('F10', 'Drop rig', [1, 15], [4, 24], [1, 2, 1], 'Hook at the height of the fish; hold still, shake the slack.', {
    ...BOTTOM,
    look: 'bait',
    costPerHour: 1.5,
    forage: ['worm'],
  }),
  family('F11', 'Drop rig at rocks, natural bait', [1, 8], [8, 26], [1, 1, 2], 'Within 1.5 m of the rock; recast each 30 to 45 s.', {
    ...BOTTOM,
    look: 'bait',
    cover: ['rock', 'wall', 'reef', 'piles'],
    costPerHour: 2,
    forage: ['shrimp', 'crab'],
  }),
  family('F12', 'Two-bait rig', [1, 4], [10, 26], [2, 1, 2], 'Sink, 3 to 4 hops, rest 10 to 15 s.', {
    ...BOTTOM,
    look: 'lure and bait',
    costPerHour: 2.5,
    forage: ['shrimp', 'small fish'],
  }),
  family('F13', 'Hopping for flatfish', [0.3, 2], [10, 24], [3, 2, 2], 'Quick flicks, follow the line down.', {
    ...BOTTOM,
    look: 'puffs of sand',
    cover: ['flat', 'edge', 'drain', 'hole'],
    forage: ['worm', 'shrimp'],
  }),
  family('F14', 'Vertical spoon', [8, 38], [6, 14], [1, 2, 1], 'Within 0.3 m of the bottom; bring fish up slowly.', {
    ...BOTTOM,
    look: 'flash',
    forage: ['sand eel'],
  }),
  family('F15', 'Small bait on suspended fish', [1.5, 10], [12, 22], [1, 2, 1], 'To the marked depth, above the fish.', {
    clarityMinM: 1.5,
    look: 'bait',
    cover: ['piles', 'reef', 'wall', 'wreck'],
    forage: ['small fish'],
  }),
  family('F16', 'Jig and minnow at seen pods', [1, 3], [6, 18], [3, 2, 1], 'Short exact cast, barely moving, quiet boat.', {
    clarityMinM: 1.5,
    windMaxMps: 2.5,
    look: 'natural',
    forage: ['small fish'],
  }),
  family('F17', 'Free-lined bait with chum', [0, 40], [16, 28], [1, 1, 1], 'No weight, feed line at the speed of the chum, let it load.', {
    ...SURFACE,
    clarityMinM: 3,
    currentMinMps: 0.1,
    look: 'bait',
    costPerHour: 12,
    forage: ['small fish'],
  }),
  family('F18', 'Bottom bait for big fish', [3, 35], [8, 28], [1, 1, 1], 'Circle hook, rod in the holder, let it load.', {
    ...BOTTOM,
    currentMinMps: 0.05,
    look: 'bait',
    rods: 3,
    costPerHour: 5,
    forage: ['crab', 'cut fish'],
  }),
  family('F19', 'Planing-board spread', [0.6, 12], [6, 18], [5, 2, 2], 'Up to eight boards; lengths by the depth under each.', {
    look: 'live bait',
    rods: 6,
    costPerHour: 8,
    cover: ['edge', 'flat', 'hole'],
    forage: ['live fish'],
  }),
  family('F20', 'Trolled natural baits', [0, 40], [20, 28], [5, 3, 1], 'Two swimming wide, one skipping long, teasers near.', {
    ...SURFACE,
    clarityMinM: 6,
    look: 'skipping bait',
    rods: 3,
    costPerHour: 15,
    forage: ['squid', 'fish'],
  }),
  family('F21', 'Bottom feeder at range', [3, 22], [5, 22], [1, 2, 2], 'Three to four casts fast, then steady.', {
    ...BOTTOM,
    look: 'feed',
    costPerHour: 4,
    forage: ['maggot', 'worm'],
  }),
  family('F22', 'Single bright bait, little feed', [1, 6], [6, 12], [2, 2, 1], 'Cast at shown fish, move; wide gap above weed.', {
    ...BOTTOM,
    look: 'bright',
    months: [2, 3, 4, 5],
    costPerHour: 1,
    forage: ['bait ball'],
  }),
  family('F23', 'Surface-layer bait', [0.3, 5], [8, 20], [1, 2, 1], 'Up as the top warms, down toward evening.', {
    ...SURFACE,
    windMaxMps: 6,
    look: 'bait',
    costPerHour: 1.5,
    forage: ['bread'],
  }),
  family('F24', 'Baiting campaign', [2, 5], [10, 22], [1, 2, 2], 'Two or more feeds a week for one to two weeks.', {
    ...BOTTOM,
    look: 'feed',
    rods: 2,
    costPerHour: 9,
    cover: ['flat', 'weed', 'wood', 'edge'],
    forage: ['particles'],
  }),
  family('F25', 'Dragged bottom lure, very slow', [0.5, 4], [4, 12], [1, 2, 1], 'Slow-fall weight, feel a thump, wait, then set.', {
    ...BOTTOM,
    look: 'natural',
    months: [11, 12, 1, 2, 3],
    forage: ['worm', 'crayfish'],
  }),
  family('F26', 'Small diver off platforms', [1, 2.5], [22, 30], [3, 1, 3], 'Away from ropes; pressured fish see few of these.', {
    ...MURK,
    look: 'bright',
    cover: ['piles', 'wall'],
    forage: ['small fish'],
  }),
];

// Families (data of the trade, common practice) and the crew's presentations.
import type { OutfitScenario } from '@bluffwind/contract/scenario';

type Family = OutfitScenario['families'][number];
type Presentation = Omit<OutfitScenario['presentations'][number], 'id'>;

const family = (
  id: string,
  name: string,
  [depthMinM, depthMaxM]: [number, number],
  [tempMinC, tempMaxC]: [number, number],
  [coverRate, skill, snag]: [number, number, number],
  handling: string,
  more: Partial<Family> = {},
): Family => ({ id, name, depthMinM, depthMaxM, tempMinC, tempMaxC, coverRate, skill, snag, handling, ...more });

const MURK = { clarityMaxM: 2.5 };
const BOTTOM = { zone: 'bottom' } as const;
const SURFACE = { zone: 'surface' } as const;

export const FAMILIES: readonly Family[] = [
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

const p = (familyId: string, name: string, habitat: Presentation['habitat'], more: Partial<Presentation> = {}): Presentation => ({
  familyId,
  name,
  habitat,
  ...more,
});

export const PRESENTATIONS: readonly Presentation[] = [
  p('F1', 'Shallow diver 9 cm, along the bank', 'both', {
    sizeMm: 90,
    weightG: 11,
    colour: 'roach',
    leaderKg: 5,
    retrieve: 'steady with stops',
    pauseS: 1,
  }),
  p('F2', 'Deep diver 7 cm, slow', 'both', { sizeMm: 70, weightG: 14, colour: 'perch', leaderKg: 5, retrieve: 'as slow as it stays down' }),
  p('F3', 'Lipless 14 g, lift and flutter', 'both', {
    sizeMm: 65,
    weightG: 14,
    colour: 'silver',
    leaderKg: 5,
    retrieve: 'lift and flutter',
  }),
  p('F4', 'Stop-and-go minnow 9 cm, pause 2 s', 'both', {
    sizeMm: 90,
    weightG: 10,
    colour: 'natural',
    leaderKg: 4,
    retrieve: 'twitch and stop',
    pauseS: 2,
  }),
  p('F5', 'In-line blade 12 g, slow roll', 'both', { weightG: 12, colour: 'copper', leaderKg: 5, retrieve: 'slow roll' }),
  p('F6', 'Paddle-tail 12 cm, 14 g head', 'both', { sizeMm: 120, weightG: 14, colour: 'white', leaderKg: 6, retrieve: 'slow roll' }),
  p('F7', 'Jointed lure 22 cm', 'fresh', { sizeMm: 220, weightG: 110, colour: 'trout', leaderKg: 25, retrieve: 'steady' }),
  p('F9', 'Soft shad 10 cm, 7 g head, slow hops', 'both', {
    sizeMm: 100,
    weightG: 7,
    colour: 'green',
    leaderKg: 3,
    retrieve: 'small hops',
  }),
  p('F10', 'Drop rig, ragworm, hook 25 cm up', 'salt', { weightG: 40, leaderKg: 5, retrieve: 'held still' }),
  p('F10', 'Drop rig, worm, hook 40 cm up', 'fresh', { weightG: 14, leaderKg: 2.5, retrieve: 'held still' }),
  p('F11', 'Drop rig at the rocks, shrimp', 'salt', { weightG: 30, leaderKg: 8, retrieve: 'recast each 40 s' }),
  p('F12', 'Two-bait rig, jig and live prawn', 'salt', {
    weightG: 14,
    leaderKg: 6,
    retrieve: 'hops and rest',
    pauseS: 12,
    // The prawn trap fills two live wells in a night.
    tripsADay: 2,
  }),
  p('F13', 'Flatfish hopper 15 g, worm tip', 'salt', { weightG: 15, colour: 'orange', leaderKg: 4, retrieve: 'quick flicks' }),
  p('F14', 'Vertical spoon 60 g', 'salt', { weightG: 60, colour: 'silver', leaderKg: 12, retrieve: 'lift and fall' }),
  p('F15', 'Small bait on a horizontal head', 'salt', { weightG: 5, colour: 'pearl', leaderKg: 3, retrieve: 'held at the mark' }),
  p('F18', 'Crab on a circle hook, three rods', 'salt', { weightG: 120, leaderKg: 20, retrieve: 'in the holder' }),
  p('F21', 'Closed feeder, maggots', 'fresh', { weightG: 45, leaderKg: 2, retrieve: 'clipped' }),
  p('F23', 'Adjustable float, bread', 'fresh', { weightG: 6, leaderKg: 3, retrieve: 'drift' }),
  // Bought or built and not fished yet: only the rules of the trade speak for them.
  p('F8', 'Vibrating jig 14 g, white trailer', 'both', { weightG: 14, colour: 'white', leaderKg: 8, retrieve: 'slow steady' }),
  p('F16', 'Jig 3 g and minnow', 'fresh', { weightG: 3, colour: 'natural', leaderKg: 2, retrieve: 'barely moving' }),
  p('F17', 'Free-lined sand eel with chum', 'salt', { leaderKg: 18, retrieve: 'with the chum' }),
  p('F19', 'Four boards, live joey mackerel', 'salt', { leaderKg: 15, retrieve: 'slow way' }),
  p('F20', 'Skipping bait and two swimmers', 'salt', { leaderKg: 60, retrieve: 'trolled' }),
  p('F22', 'Single pink bait 15 mm', 'fresh', { sizeMm: 15, colour: 'pink', leaderKg: 6, retrieve: 'still' }),
  p('F24', 'Two rods over particles', 'fresh', { sizeMm: 20, leaderKg: 8, retrieve: 'still' }),
  p('F25', 'Dragged creature 9 cm', 'both', { sizeMm: 90, weightG: 10, colour: 'dark', leaderKg: 5, retrieve: 'dragged' }),
  p('F26', 'Small diver 5 cm, bright', 'both', { sizeMm: 50, weightG: 5, colour: 'chartreuse', leaderKg: 4, retrieve: 'brisk' }),
];

/** Presentations that the crew of the demo has fished so far. */
export const FISHED_SO_FAR = 18;

// Families (data of the trade, common practice) and the crew's presentations.
type Family = {
  id: string;
  name: string;
  depthMinM: number;
  depthMaxM: number;
  tempMinC: number;
  tempMaxC: number;
  coverRate: number;
  skill: number;
  snag: number;
  handling: string;
};

const family = (
  id: string,
  name: string,
  [depthMinM, depthMaxM]: [number, number],
  [tempMinC, tempMaxC]: [number, number],
  [coverRate, skill, snag]: [number, number, number],
  handling: string,
): Family => ({ id, name, depthMinM, depthMaxM, tempMinC, tempMaxC, coverRate, skill, snag, handling });

export const FAMILIES: readonly Family[] = [
  family('F1', 'Shallow diver', [0.3, 3], [8, 24], [4, 1, 2], 'Deflect off cover, vary pace and stops, along the bank.'),
  family('F2', 'Medium and deep diver', [2.5, 5], [7, 26], [4, 1, 2], 'Reel down to touch, then as slow as it stays down.'),
  family('F3', 'Lipless vibrating lure', [0.5, 6], [4, 20], [4, 1, 2], 'Cold: lift slowly, flutter down close to the bottom.'),
  family('F4', 'Stop-and-go minnow', [0.5, 3], [3, 15], [3, 2, 1], 'Twitch, pause 3 to 4 s when cold.'),
  family('F5', 'Blade', [0.5, 3], [8, 22], [4, 1, 1], 'Slow-roll by the bottom and the weed edge.'),
  family('F6', 'Paddle-tail swimbait', [0.5, 6], [4, 22], [4, 1, 1], 'Slow-roll, tick the bottom.'),
  family('F7', 'Large jointed swimming lure', [0.3, 2], [10, 22], [4, 3, 1], 'Speed up on a follow; mark the fish and come back slower.'),
  family('F9', 'Soft lure on a light head', [0.5, 4], [6, 26], [2, 2, 2], 'To the bottom, small hops, watch the line on the drop.'),
  family('F10', 'Drop rig', [1, 15], [4, 24], [1, 2, 1], 'Hook at the height of the fish; hold still, shake the slack.'),
  family('F11', 'Drop rig at rocks, natural bait', [1, 8], [8, 26], [1, 1, 2], 'Within 1.5 m of the rock; recast each 30 to 45 s.'),
  family('F12', 'Two-bait rig', [1, 4], [10, 26], [2, 1, 2], 'Sink, 3 to 4 hops, rest 10 to 15 s.'),
  family('F13', 'Hopping for flatfish', [0.3, 2], [10, 24], [3, 2, 2], 'Quick flicks, follow the line down.'),
  family('F14', 'Vertical spoon', [8, 38], [6, 14], [1, 2, 1], 'Within 0.3 m of the bottom; bring fish up slowly.'),
  family('F15', 'Small bait on suspended fish', [1.5, 10], [12, 22], [1, 2, 1], 'To the marked depth, above the fish.'),
  family('F18', 'Bottom bait for big fish', [3, 35], [8, 28], [1, 1, 1], 'Circle hook, rod in the holder, let it load.'),
  family('F21', 'Bottom feeder at range', [3, 22], [5, 22], [1, 2, 2], 'Three to four casts fast, then steady.'),
  family('F23', 'Surface-layer bait', [0.3, 5], [8, 20], [1, 2, 1], 'Up as the top warms, down toward evening.'),
  family('F24', 'Baiting campaign', [2, 5], [10, 22], [1, 2, 2], 'Regular feeds for one to two weeks.'),
];

export const PRESENTATIONS: readonly { familyId: string; name: string; habitat: 'salt' | 'fresh' | 'both' }[] = [
  { familyId: 'F1', name: 'Shallow diver 9 cm, along the bank', habitat: 'both' },
  { familyId: 'F2', name: 'Deep diver 7 cm, slow', habitat: 'both' },
  { familyId: 'F3', name: 'Lipless 14 g, lift and flutter', habitat: 'both' },
  { familyId: 'F4', name: 'Stop-and-go minnow 9 cm, pause 2 s', habitat: 'both' },
  { familyId: 'F5', name: 'In-line blade 12 g, slow roll', habitat: 'both' },
  { familyId: 'F6', name: 'Paddle-tail 12 cm, 14 g head', habitat: 'both' },
  { familyId: 'F7', name: 'Jointed lure 22 cm', habitat: 'fresh' },
  { familyId: 'F9', name: 'Soft shad 10 cm, 7 g head, slow hops', habitat: 'both' },
  { familyId: 'F10', name: 'Drop rig, ragworm, hook 25 cm up', habitat: 'salt' },
  { familyId: 'F10', name: 'Drop rig, worm, hook 40 cm up', habitat: 'fresh' },
  { familyId: 'F11', name: 'Drop rig at the rocks, shrimp', habitat: 'salt' },
  { familyId: 'F12', name: 'Two-bait rig, jig and live prawn', habitat: 'salt' },
  { familyId: 'F13', name: 'Flatfish hopper 15 g, worm tip', habitat: 'salt' },
  { familyId: 'F14', name: 'Vertical spoon 60 g', habitat: 'salt' },
  { familyId: 'F15', name: 'Small bait on a horizontal head', habitat: 'salt' },
  { familyId: 'F18', name: 'Crab on a circle hook, three rods', habitat: 'salt' },
  { familyId: 'F21', name: 'Closed feeder, maggots', habitat: 'fresh' },
  { familyId: 'F23', name: 'Adjustable float, bread', habitat: 'fresh' },
];

// Spots and people of the invented world. Coordinates are metres east and north of a water's grid corner.

export type Structure = 'piles' | 'rock' | 'drain' | 'flat' | 'edge' | 'wall' | 'weed' | 'hole' | 'reef' | 'wreck' | 'wood' | 'inflow';

/** Kept by the captain who found it. */
export const KEPT_SPOT = 'Mill stream mouth';

/** [name, x, y, structure, bottom, charted depth on the way in or null, privacy] */
export type SpotSeed = readonly [string, number, number, Structure, string, number | null, 'crew' | 'captain'];

export const SPOTS: Record<'sound' | 'skerries' | 'lake', readonly SpotSeed[]> = {
  sound: [
    ['Outer jetty, head', 1050, 3560, 'rock', 'boulder', null, 'crew'],
    ['Outer jetty, elbow', 1180, 4150, 'rock', 'boulder', null, 'crew'],
    ['Inner jetty, tip', 1330, 2040, 'rock', 'boulder', null, 'crew'],
    ['Inner jetty, root', 1420, 1250, 'rock', 'shingle', null, 'crew'],
    ['Stub rocks', 2350, 3400, 'rock', 'rock', null, 'crew'],
    ['Long bank', 2950, 2150, 'edge', 'sand', null, 'crew'],
    ['Mussel beds', 2900, 1500, 'flat', 'shell', 0.2, 'crew'],
    ['Gannet Pier, east piles', 4280, 3250, 'piles', 'mud', null, 'crew'],
    ['Gannet Pier, west piles', 4120, 2500, 'piles', 'mud', null, 'crew'],
    ['Gannet Pier, old channel', 4200, 2950, 'piles', 'mud', null, 'captain'],
    ['Reed mouth', 4050, 4600, 'weed', 'mud', 0.4, 'crew'],
    ['Cold Kettle drain', 5750, 3750, 'drain', 'mud', -0.1, 'crew'],
    ['Cold Kettle flat', 6000, 3600, 'flat', 'mud', 0.1, 'crew'],
    ['Dunlin drain', 6900, 3800, 'drain', 'mud', -0.2, 'captain'],
    ['Kettle lip', 6350, 3330, 'edge', 'mud', null, 'crew'],
    ['Sallow Quay wall', 5600, 1080, 'wall', 'concrete', null, 'crew'],
    ['Sallow Quay corner', 5950, 1150, 'wall', 'concrete', null, 'crew'],
    ['Eelgrass edge', 3600, 1150, 'weed', 'sand', null, 'crew'],
    ['Whin island lee', 8250, 2560, 'rock', 'rock', null, 'crew'],
    ['Whin island point', 7480, 2480, 'rock', 'rock', null, 'crew'],
    ['Tarn hole', 8700, 2080, 'hole', 'mud', null, 'captain'],
    ['Heron flat', 8700, 3800, 'flat', 'mud', 0.6, 'crew'],
    ['Shell ridge', 7500, 3200, 'edge', 'shell', null, 'crew'],
    ['Slack pool', 4750, 1650, 'hole', 'sand', null, 'crew'],
  ],
  skerries: [
    ['Great Skerry, south', 1500, 1380, 'reef', 'rock', null, 'crew'],
    ['Little Skerry gully', 1890, 1560, 'reef', 'kelp', null, 'crew'],
    ['Anvil reef', 2100, 3300, 'reef', 'rock', null, 'crew'],
    ['Anvil reef, west end', 1400, 3320, 'reef', 'rock', null, 'crew'],
    ['Ordeal wreck, bow', 3300, 2500, 'wreck', 'steel', null, 'captain'],
    ['Ordeal wreck, stern', 3420, 2560, 'wreck', 'steel', null, 'captain'],
    ['Sill bank', 4300, 1500, 'edge', 'sand', null, 'crew'],
    ['North stack', 4700, 3380, 'reef', 'kelp', null, 'crew'],
  ],
  lake: [
    ['Dam wall', 330, 1500, 'wall', 'concrete', null, 'crew'],
    ['Valve tower', 480, 1750, 'piles', 'mud', null, 'crew'],
    ['Drowned wood', 1250, 1980, 'wood', 'mud', null, 'crew'],
    ['Boulder row', 1700, 1500, 'rock', 'boulder', null, 'crew'],
    ['Old road', 1150, 1150, 'edge', 'gravel', null, 'crew'],
    ['Deep basin', 700, 1350, 'hole', 'mud', null, 'crew'],
    ['Stump bay', 950, 1000, 'wood', 'mud', null, 'crew'],
    ['Alder point', 1450, 900, 'edge', 'gravel', null, 'crew'],
    ['Weed line, north', 1700, 2020, 'weed', 'mud', null, 'crew'],
    ['Weed line, south', 1900, 950, 'weed', 'mud', null, 'crew'],
    ['Gull rock', 2150, 1150, 'rock', 'boulder', null, 'crew'],
    ['Narrows', 2550, 1250, 'edge', 'gravel', null, 'crew'],
    ['Inlet bar', 3000, 1200, 'flat', 'sand', null, 'crew'],
    ['Mill stream mouth', 3600, 1300, 'inflow', 'gravel', null, 'captain'],
  ],
};

export const CLIENT_NAMES = [
  'Maren Halden',
  'Ivo Halden',
  'Tilde Halden',
  'Pelle Halden',
  'Bettina Rusk',
  'Corvin Rusk',
  'Ansel Dray',
  'Odile Marchmont',
  'Hester Vane',
  'Lorcan Vane',
  'Sunniva Pell',
  'Torsten Pell',
  'Jonas Averill',
  'Petra Lund-Hay',
  'Wystan Crake',
  'Rosalind Thole',
  'Edda Brannock',
  'Kasper Oldroyd',
  'Mirelle Fenn',
  'Absalom Fenn',
  'Greta Holloway-Finch',
  'Dirk Sallowby',
  'Una Merriot',
  'Felix Tarn',
] as const;

/** Spots that lie along a line: from their middle to their end, m east and north. */
export const LINES: Readonly<Record<string, readonly [number, number]>> = {
  'Long bank': [300, 120],
  'Whin island point': [140, 60],
  'Shell ridge': [220, 150],
  'Sill bank': [280, -60],
  'Old road': [180, 80],
};

// Everything that the demo starts with, from one seed.
import type { OutfitScenario, Scenario } from '@bluffwind/contract/scenario';
import { toPosition } from '@bluffwind/core/ground/seaBed';
import { FAMILIES } from '@bluffwind/core/library/families';
import { seeded } from '@bluffwind/core/units/seeded';
import { addDays, HOUR } from '@bluffwind/core/units/time';
import { PRESENTATIONS } from './catalogue';
import { crewClarity, crewTemperatures } from './crewReadings';
import { GROUND } from './geography';
import { FISH } from './hiddenTruth';
import { drawHistory, SEASONS } from './history';
import { CLIENT_NAMES, KEPT_SPOT, LINES, SPOTS } from './names';
import { KEYS, lonLat, measured, position, type WaterKey } from './place';
import { HAZARDS, pierSurvey, soundFeatures } from './soundChart';
import { seededUuid } from './uuid';
import { DEMO_START, SOUND_CURRENTS, SOUND_TIDE } from './weather';

const WATER_NAMES: Record<WaterKey, string> = { sound: 'Hollin Sound', skerries: 'The Outer Skerries', lake: 'Lake Ansgar' };

const MARKS: Record<WaterKey, { kind: 'bridge' | 'quay' | 'weed'; name: string; at: [number, number][] }[]> = {
  sound: [
    {
      kind: 'bridge',
      name: 'Gannet Pier',
      at: [
        [4300, 4900],
        [4180, 780],
      ],
    },
    {
      kind: 'quay',
      name: 'Sallow Quay',
      at: [
        [5450, 960],
        [6050, 1060],
      ],
    },
    {
      kind: 'weed',
      name: 'eelgrass',
      at: [
        [3250, 1000],
        [3900, 1020],
        [4000, 1250],
        [3500, 1300],
      ],
    },
    {
      kind: 'weed',
      name: 'reeds',
      at: [
        [3800, 4620],
        [4300, 4560],
        [4250, 4760],
        [3850, 4780],
      ],
    },
  ],
  skerries: [],
  lake: [
    {
      kind: 'quay',
      name: 'Ansgar dam',
      at: [
        [250, 640],
        [250, 2050],
      ],
    },
    {
      kind: 'weed',
      name: 'weed line',
      at: [
        [1400, 2040],
        [2000, 2000],
        [2000, 2080],
        [1500, 2100],
      ],
    },
    {
      kind: 'weed',
      name: 'weed line',
      at: [
        [1750, 900],
        [2050, 870],
        [2100, 990],
        [1800, 1000],
      ],
    },
  ],
};

/** Words for the demo's sign-ins; shown on the sign-in page of the demo only. */
export const DEMO_PASSWORD = 'lanyard-and-plug';

const CAUTIONS: Record<string, string> = {
  'European sea bass': 'Spiny back fin and sharp gill plates: hold by the lower jaw, wet hands.',
  'Thornback ray': 'Thorns on back and tail: hold by the sides of the snout.',
  'Northern pike': 'Teeth: long pliers, support the belly, keep it in the water.',
  Zander: 'Teeth and spiny fin; from about 10 m bring it up slowly.',
  'European perch': 'Spiny back fin and gill plates: smooth the fin down.',
  'Atlantic cod': 'From about 10 m bring it up slowly, descending device ready.',
  Pollack: 'From about 10 m bring it up slowly, descending device ready.',
};

/** Guests who have never been on a boat. */
const FIRST_TIME = ['Sunniva Pell', 'Torsten Pell', 'Petra Lund-Hay'];

/** The demo world. */
export function buildScenario(seed = 20260618): Scenario {
  const uuid = seededUuid(seed);
  return {
    history: SEASONS.map(([from, to]) => ({ from: `${addDays(from, -4)}T00:00:00.000Z`, to: `${addDays(to, 2)}T00:00:00.000Z` })),
    now: new Date(DEMO_START).toISOString(),
    outfits: [greywether(seed, uuid), secondOutfit(uuid)],
  };
}

function greywether(seed: number, uuid: () => string): OutfitScenario {
  const waters = KEYS.map((key) => {
    const { bed, dock } = GROUND[key];
    const dockAt = toPosition(bed, dock.xM, dock.yM);
    const middle = toPosition(bed, (bed.columns * bed.cellM) / 2, (bed.rows * bed.cellM) / 2);
    return {
      id: uuid(),
      name: WATER_NAMES[key],
      kind: key === 'lake' ? ('fresh' as const) : ('salt' as const),
      ruleZone: key === 'lake' ? 'lake' : 'sea',
      ...middle,
      dockLat: dockAt.lat,
      dockLon: dockAt.lon,
      tide: key === 'lake' ? null : { z0M: SOUND_TIDE.z0M, constants: SOUND_TIDE.constants.map((c) => ({ ...c })) },
      currents: key === 'sound' ? SOUND_CURRENTS.map(({ x, y, ...c }) => ({ ...c, ...position(key, x, y) })) : [],
      bed: { ...bed, depthM: [...(bed.depthM as number[])] },
      marks: MARKS[key].map((m) => ({
        kind: m.kind,
        name: m.name,
        points: m.at.map(([x, y]) => lonLat(key, x, y)),
        ...(m.kind === 'bridge' ? { piles: { count: 9, widthM: 3.5, deckM: 9 } } : {}),
      })),
      features: key === 'sound' ? soundFeatures(uuid) : [],
    };
  });
  const waterId = (key: WaterKey) => waters[KEYS.indexOf(key)]?.id as string;
  const people = (
    [
      ['Runa Askeby', 'runa@greywether.example', 'owner'],
      ['Tobias Wend', 'tobias@greywether.example', 'captain'],
      ['Ilse Marrable', 'ilse@greywether.example', 'captain'],
      ['Oskar Thrane', 'oskar@greywether.example', 'captain'],
      ['Nell Quarrie', 'nell@greywether.example', 'mate'],
      ['Birk Solander', 'birk@greywether.example', 'mate'],
    ] as const
  ).map(([name, email, role]) => ({ id: uuid(), name, email, password: DEMO_PASSWORD, role }));
  const boats = [
    {
      id: uuid(),
      name: "Tern's Errand",
      hull: '7.6 m centre console',
      seats: 4,
      speedMps: 11,
      draughtM: 0.6,
      windLimitMps: 13,
      waveLimitM: 1.1,
      tankL: 210,
      burnLph: 48,
    },
    {
      id: uuid(),
      name: 'Second Kettle',
      hull: '6.2 m open boat',
      seats: 3,
      speedMps: 9,
      draughtM: 0.45,
      windLimitMps: 12,
      waveLimitM: 0.8,
      tankL: 95,
      burnLph: 24,
      checks: ['Anchor shackle wired', 'Livewell pump tried'],
      gear: [
        { what: 'Flares, 6 red', endsOn: '2026-08-10' },
        { what: 'Fire extinguisher', endsOn: '2027-04-30' },
        { what: 'Anchor, 6 m chain, 60 m line', endsOn: null },
      ],
    },
    {
      id: uuid(),
      name: 'Marrow',
      hull: '5 m flat drift boat',
      seats: 2,
      speedMps: 4,
      draughtM: 0.2,
      windLimitMps: 10,
      // A flat drift boat: its captain allows gusts no more than the wind.
      gustLimitMps: 10,
      waveLimitM: 0.4,
      tankL: 22,
      burnLph: 5,
    },
  ];
  const stations = (
    [
      ['Hollin Harbour', 'sound', 'harbour', 6800, 1150],
      ['Point Sarn', 'sound', 'sarn', 900, 4300],
      ['Skerry Light', 'skerries', 'skerry', 1500, 1700],
      ['Ansgar Dam', 'lake', 'ansgar', 250, 1500],
    ] as const
  ).map(([name, key, path, x, y]) => ({ id: uuid(), waterId: waterId(key), name, path, ...position(key, x, y) }));
  const species = FISH.map((f) => ({
    id: uuid(),
    name: f.name,
    habitat: f.habitat,
    // A ray is measured across its disc: its tail may be broken.
    lengthKind: f.name === 'Thornback ray' ? ('disc' as const) : ('total' as const),
    leastMm: Math.max(50, Math.round((f.meanMm - 3 * f.sdMm) / 10) * 10),
    mostMm: Math.round((f.meanMm + 3.5 * f.sdMm) / 10) * 10,
    sizeGoalMm: Math.round((f.meanMm + 0.9 * f.sdMm) / 10) * 10,
    caution: CAUTIONS[f.name] ?? 'Wet hands, support the belly.',
  }));
  const speciesId = (name: string) => species.find((s) => s.name === name)?.id as string;
  const spots = KEYS.flatMap((key) =>
    SPOTS[key].map(([name, x, y, structure, bottom, accessDepthM, privacy]) => ({
      id: uuid(),
      waterId: waterId(key),
      name,
      structure,
      bottom,
      ...measured(key, x, y),
      accessDepthM,
      fadePerHour: 0.35,
      privacy,
      // One captain found it and tells only the owner.
      keeperId: name === KEPT_SPOT ? (people.find((x) => x.name === 'Oskar Thrane')?.id ?? null) : null,
      hazards: HAZARDS[name] ?? [],
      legality: name === 'Ansgar dam' ? 'Keep 50 m off the spillway.' : '',
      restDays: structure === 'hole' ? 3 : 0,
      pressure: structure === 'wall' || structure === 'piles' ? 3 : structure === 'hole' || structure === 'drain' ? 1 : 2,
      ...shapeOf(key, name, x, y),
    })),
  );
  const random = seeded(seed + 5);
  const clients = CLIENT_NAMES.map((name, i) => ({
    id: uuid(),
    name,
    experience: i === 12 ? 3 : FIRST_TIME.includes(name) ? 1 : 1 + Math.floor(random() * 2),
    child: i === 2 || i === 3,
    note: i === 0 ? 'Left-handed.' : '',
    hand: i === 0 ? ('left' as const) : null,
    wishes: i === 4 ? 'A bass to remember; has caught many small ones.' : '',
    medicalNote: i === 5 ? 'Carries an adrenaline pen for wasp stings.' : '',
  }));
  const rule = (name: string, zone: string | null, body: OutfitScenario['rules'][number]['body']) => ({
    id: uuid(),
    speciesId: speciesId(name),
    zone,
    body,
    source: 'Hollin Fisheries Office (invented, demo)',
    checkedOn: '2026-06-12',
  });
  const length = (minMm: number | null, maxMm: number | null = null) => ({
    kind: 'length' as const,
    minMm,
    maxMm,
    lengthKind: 'total' as const,
  });
  const rules = [
    rule('European sea bass', 'sea', length(420, 600)),
    rule('European sea bass', 'sea', { kind: 'bag', perAngler: 2 }),
    rule('Pollack', 'sea', length(300)),
    rule('European plaice', 'sea', length(270)),
    rule('Black seabream', 'sea', length(230)),
    rule('Black seabream', 'sea', { kind: 'bag', perAngler: 6 }),
    rule('Atlantic cod', 'sea', length(350)),
    rule('Atlantic mackerel', 'sea', length(200)),
    rule('Northern pike', 'lake', length(500, 850)),
    rule('Northern pike', 'lake', { kind: 'closed', from: '03-01', to: '05-15' }),
    rule('Zander', 'lake', length(450)),
    rule('Zander', 'lake', { kind: 'bag', perAngler: 2 }),
    rule('Brown trout', 'lake', length(300)),
    rule('Brown trout', 'lake', { kind: 'bag', perAngler: 2 }),
    rule('Pollack', 'sea', { kind: 'bag', perAngler: 3 }),
    rule('European plaice', 'sea', { kind: 'bag', perAngler: 4 }),
  ];
  const world = {
    outfit: { id: uuid(), name: 'Greywether Guiding', zone: 'Etc/GMT+2' },
    people,
    boats,
    waters,
    stations,
    species,
    families: FAMILIES.map((f) => ({ ...f })),
    presentations: PRESENTATIONS.map((p) => ({ id: uuid(), ...p })),
    spots,
    clients,
    rules,
    crewReadings: [...KEYS.flatMap((key) => crewClarity(key, waterId(key))), ...crewTemperatures(spots, waterId)],
    instruments: [
      { id: uuid(), boatId: boats[0]?.id as string, waterId: waterId('sound'), name: "Sounder of Tern's Errand", transducerM: 0.3 },
    ],
    surveys: [pierSurvey(uuid(), waterId('sound'))],
  };
  return { ...world, trips: [...drawHistory(world, seed + 1, uuid), ...tomorrow(world, uuid)] };
}

/** Five client trips on Friday. */
function tomorrow(world: Omit<OutfitScenario, 'trips'>, uuid: () => string): OutfitScenario['trips'] {
  const at = (hour: number) => new Date(Date.UTC(2026, 5, 19, 2) + hour * HOUR).toISOString();
  const client = (name: string) => world.clients.find((c) => c.name === name)?.id as string;
  const fish = (...names: string[]) => names.map((n) => world.species.find((s) => s.name === n)?.id as string);
  const trip = (
    boat: number,
    water: number,
    from: number,
    to: number,
    goal: OutfitScenario['trips'][number]['goal'],
    names: string[],
    rods: number,
    skill: number,
    wish: string,
    speciesIds: string[],
  ) => ({
    id: uuid(),
    boatId: world.boats[boat]?.id as string,
    captainId: world.people[boat + 1]?.id as string,
    waterId: world.waters[water]?.id as string,
    startsAt: at(from),
    endsAt: at(to),
    goal,
    speciesIds,
    rods,
    skill,
    wish,
    status: 'planned' as const,
    clientIds: names.map(client),
    mateIds: world.people.filter((p) => p.role === 'mate').flatMap((p, i) => (i === boat % 2 ? [p.id] : [])),
    stops: [],
  });
  const salt = fish('European sea bass', 'Pollack', 'Ballan wrasse', 'Black seabream', 'Atlantic mackerel');
  return [
    trip(0, 0, 6.5, 13, 'numbers', ['Maren Halden', 'Ivo Halden', 'Tilde Halden', 'Pelle Halden'], 4, 2, 'Action for the children', salt),
    trip(1, 0, 7, 13.5, 'size', ['Bettina Rusk', 'Corvin Rusk'], 2, 2, 'One big bass', fish('European sea bass')),
    trip(
      2,
      2,
      8,
      14,
      'numbers',
      ['Jonas Averill'],
      1,
      3,
      'Knows his way; wants to be shown new water',
      fish('Northern pike', 'European perch', 'Zander', 'Brown trout'),
    ),
    trip(
      0,
      0,
      14.5,
      19,
      'numbers',
      ['Sunniva Pell', 'Torsten Pell', 'Petra Lund-Hay'],
      3,
      1,
      'Family afternoon, first time on a boat',
      salt,
    ),
    trip(
      1,
      0,
      15,
      19.5,
      'table',
      ['Edda Brannock', 'Kasper Oldroyd'],
      2,
      2,
      'Dinner for four',
      fish('European sea bass', 'Pollack', 'European plaice', 'Black seabream'),
    ),
  ];
}

/** A second outfit, so that nothing of the first may show to it. */
function secondOutfit(uuid: () => string): OutfitScenario {
  const waterId = uuid();
  const bed = {
    lat0: 47.9,
    lon0: -35.6,
    cellM: 50,
    columns: 41,
    rows: 31,
    openBeyond: true,
    depthM: Array.from({ length: 41 * 31 }, (_, k) => 4 + (k % 41) * 0.2),
  };
  return {
    outfit: { id: uuid(), name: 'Farrow Reach Charters', zone: 'Etc/GMT+2' },
    people: [{ id: uuid(), name: 'Ottoline Speck', email: 'ottoline@farrowreach.example', password: DEMO_PASSWORD, role: 'owner' }],
    boats: [
      {
        id: uuid(),
        name: 'Patient Wader',
        hull: '6 m open boat',
        seats: 3,
        speedMps: 8,
        draughtM: 0.5,
        windLimitMps: 10,
        waveLimitM: 0.6,
        tankL: 60,
        burnLph: 18,
      },
    ],
    waters: [
      {
        id: waterId,
        name: 'Farrow Reach',
        kind: 'salt',
        ruleZone: 'sea',
        lat: 47.906,
        lon: -35.586,
        dockLat: 47.902,
        dockLon: -35.598,
        tide: { z0M: SOUND_TIDE.z0M, constants: SOUND_TIDE.constants.map((c) => ({ ...c })) },
        currents: [],
        bed,
        marks: [],
        features: [],
      },
    ],
    stations: [],
    species: [{ id: uuid(), name: 'European sea bass', habitat: 'salt', lengthKind: 'total', sizeGoalMm: 520, caution: 'Spiny back fin.' }],
    families: FAMILIES.slice(0, 2).map((f) => ({ ...f })),
    presentations: [{ id: uuid(), familyId: 'F1', name: 'Shallow diver', habitat: 'both' }],
    spots: [
      {
        id: uuid(),
        waterId,
        name: 'Farrow spit',
        structure: 'edge',
        bottom: 'sand',
        depthMinM: 4,
        depthMaxM: 5,
        lat: 47.905,
        lon: -35.59,
        shoreNormalDeg: null,
        accessDepthM: null,
        fadePerHour: 0.35,
        privacy: 'crew',
        hazards: [],
        legality: '',
        restDays: 0,
        pressure: 1,
        shape: 'point',
        points: [[-35.59, 47.905]],
      },
    ],
    clients: [],
    rules: [],
    crewReadings: [],
    instruments: [],
    surveys: [],
    trips: [],
  };
}

/** A bank or ridge that a boat drifts or tows along is a line, all else a point. */
function shapeOf(key: WaterKey, name: string, x: number, y: number) {
  const half = LINES[name];
  if (!half) return { shape: 'point' as const, points: [lonLat(key, x, y)] };
  const [dx, dy] = half;
  return { shape: 'line' as const, points: [lonLat(key, x - dx, y - dy), lonLat(key, x, y), lonLat(key, x + dx, y + dy)] };
}

// A small outfit with rows of its own ids, for tests: one salt water, two spots, two presentations, a few fished sets.
import { randomUUID } from 'node:crypto';
import type { OutfitScenario } from '@bluffwind/contract/scenario';
import { DAY, HOUR } from '@bluffwind/core/units/time';

/** Test time: 18 June 2026, 19:40 UTC. */
export const TEST_NOW = Date.UTC(2026, 5, 18, 19, 40);
export const PASSWORD = 'a-word-for-tests';

const iso = (ms: number) => new Date(ms).toISOString();

/** A fresh outfit; every call has other ids and e-mails. */
export function smallOutfit(): OutfitScenario {
  const key = randomUUID().slice(0, 8);
  const ids = { water: randomUUID(), boat: randomUUID(), small: randomUUID(), species: randomUUID() };
  const person = (name: string, role: 'owner' | 'captain' | 'mate') => ({
    id: randomUUID(),
    name,
    email: `${name}-${key}@crew.example`,
    password: PASSWORD,
    role,
  });
  const people = [person('owner', 'owner'), person('captain', 'captain'), person('mate', 'mate')];
  const columns = 41;
  const rows = 31;
  const bed = {
    lat0: 47.58,
    lon0: -35.26,
    cellM: 100,
    columns,
    rows,
    openBeyond: true,
    depthM: Array.from({ length: columns * rows }, (_, k) => (k < columns * 3 ? -4 : 5 + (k % columns) * 0.1)),
  };
  const spots = ['Near stone', 'Far stone'].map((name, i) => ({
    id: randomUUID(),
    waterId: ids.water,
    name,
    structure: 'rock',
    bottom: 'rock',
    depthMinM: 2,
    depthMaxM: 4,
    lat: 47.59 + i * 0.008,
    lon: -35.24 + i * 0.012,
    shoreNormalDeg: 0,
    accessDepthM: null,
    fadePerHour: 0.35,
    privacy: i === 0 ? ('crew' as const) : ('captain' as const),
    hazards: [],
    legality: '',
    restDays: 0,
    pressure: 1,
    shape: 'point' as const,
    points: [[-35.24 + i * 0.012, 47.59 + i * 0.008] as [number, number]],
  }));
  const presentations = [
    { id: randomUUID(), familyId: 'F9', name: `Soft shad ${key}`, habitat: 'both' as const },
    { id: randomUUID(), familyId: 'F4', name: `Minnow ${key}`, habitat: 'both' as const },
  ];
  const clients = Array.from({ length: 4 }, (_, i) => ({
    id: randomUUID(),
    name: `Guest ${i} ${key}`,
    experience: 1,
    child: false,
    note: '',
    medicalNote: i === 0 ? `secret ${key}` : '',
  }));
  const trip = (startMs: number, stops: OutfitScenario['trips'][number]['stops'], status: 'planned' | 'done', guests = 2) => ({
    id: randomUUID(),
    boatId: ids.boat,
    captainId: people[1]?.id as string,
    waterId: ids.water,
    startsAt: iso(startMs),
    endsAt: iso(startMs + 5 * HOUR),
    goal: 'numbers' as const,
    speciesIds: [ids.species],
    rods: 2,
    skill: 3,
    wish: '',
    status,
    clientIds: clients.slice(0, guests).map((c) => c.id),
    mateIds: [people[2]?.id as string],
    stops,
  });
  const past = Array.from({ length: 12 }, (_, day) => {
    const start = TEST_NOW - (day + 2) * DAY - 6 * HOUR;
    const stops = spots.map((spot, s) => {
      const from = start + HOUR + s * 2 * HOUR;
      const [startedAt, endedAt] = [iso(from), iso(from + HOUR)];
      const catches = Array.from({ length: s === 0 ? 2 : day % 2 }, (_, i) => ({
        id: randomUUID(),
        speciesId: ids.species,
        at: iso(from + (i + 1) * 60_000),
        lengthMm: 400 + 10 * i,
        outcome: 'landed' as const,
        kept: false,
        clientId: null,
      }));
      return {
        id: randomUUID(),
        spotId: spot.id,
        startedAt,
        endedAt,
        sets: [{ id: randomUUID(), presentationId: presentations[day % 2]?.id as string, rods: 2, startedAt, endedAt, catches }],
      };
    });
    return trip(start, stops, 'done');
  });
  return {
    outfit: { id: randomUUID(), name: `Outfit ${key}`, zone: 'Etc/GMT+2' },
    people,
    boats: [
      {
        id: ids.boat,
        name: `Boat ${key}`,
        hull: 'open',
        seats: 3,
        speedMps: 8,
        draughtM: 0.5,
        windLimitMps: 12,
        waveLimitM: 1,
        tankL: 80,
        burnLph: 20,
      },
      {
        id: ids.small,
        name: `Small ${key}`,
        hull: 'open',
        seats: 1,
        speedMps: 6,
        draughtM: 0.3,
        windLimitMps: 8,
        waveLimitM: 0.5,
        tankL: 30,
        burnLph: 8,
      },
    ],
    waters: [
      {
        id: ids.water,
        name: `Water ${key}`,
        kind: 'salt',
        ruleZone: 'sea',
        lat: 47.59,
        lon: -35.24,
        dockLat: 47.59,
        dockLon: -35.25,
        tide: {
          z0M: 1.7,
          constants: [
            { name: 'M2', amplitudeM: 1.2, phaseDeg: 300 },
            { name: 'K1', amplitudeM: 0.15, phaseDeg: 100 },
          ],
        },
        currents: [],
        bed,
        marks: [],
        features: [],
      },
    ],
    stations: [{ id: randomUUID(), waterId: ids.water, name: `Station ${key}`, path: key, lat: 47.59, lon: -35.25 }],
    species: [{ id: ids.species, name: `Bass ${key}`, habitat: 'salt', lengthKind: 'total', sizeGoalMm: 500, caution: '' }],
    families: ['F9', 'F4'].map((id) => ({
      id,
      name: id,
      depthMinM: 0.5,
      depthMaxM: 6,
      tempMinC: 5,
      tempMaxC: 25,
      coverRate: 2,
      skill: 1,
      snag: 1,
      handling: '',
    })),
    presentations,
    spots,
    clients,
    rules: [
      {
        id: randomUUID(),
        speciesId: ids.species,
        zone: null,
        body: { kind: 'bag', perAngler: 2 },
        source: 'test',
        checkedOn: '2026-06-01',
      },
    ],
    crewReadings: [{ waterId: ids.water, variable: 'clarityM', at: iso(TEST_NOW - 5 * HOUR), value: 1.7, spotId: null }],
    instruments: [],
    surveys: [],
    trips: [...past, trip(TEST_NOW + 13 * HOUR, [], 'planned')],
  };
}

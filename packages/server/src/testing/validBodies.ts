// Valid bodies of every route, and rows for them: what tests of strangers and of bad input begin from.
import { randomUUID } from 'node:crypto';
import { USUAL_SETTINGS } from '@bluffwind/contract/usualSettings';
import { ALL_SEEN } from './allSeen';
import { emailOf, type Harness } from './harness';
import { smallPhoto } from './smallPhoto';
import { TEST_NOW } from './smallOutfit';

export const iso = (ms: number) => new Date(ms).toISOString();

/** What is open to who has no session. */
export const PUBLIC = [
  '/sign-in',
  '/sign-in/passkey',
  '/sign-in/passkey/begin',
  '/begin',
  '/invitation/look',
  '/invitation/take',
  '/password/forgotten',
];

/** Valid bodies of the routes that take one, naming rows of an outfit. */
export function bodies(o: Harness['mine']): Record<string, unknown> {
  const trip = o.trips.at(-1);
  const spot = o.spots[0];
  if (!trip || !spot) throw new Error('the outfit has no trip or spot');
  const plan = {
    id: randomUUID(),
    replaces: 0,
    seen: ALL_SEEN,
    bans: [],
    legs: [
      {
        spotId: spot.id,
        startAt: iso(Date.parse(trip.startsAt) + 3_600_000),
        departAt: iso(Date.parse(trip.startsAt) + 7_200_000),
        pinned: false,
      },
    ],
  };
  return {
    '/fleet/plans': { plans: [{ ...plan, tripId: trip.id }] },
    '/outfit/name': { name: 'Another name', zone: 'Etc/GMT+3' },
    '/outfit/settings': { medicalNoteDays: 300, newSpots: 'crew' },
    '/outfit/look': { name: 'Pell and sons', colour: '#224466', words: 'Tight lines.', logo: null },
    '/me/settings': USUAL_SETTINGS,
    '/sign-in/passkey': { answer: { id: 'unknown' } },
    '/me/push': { id: randomUUID(), endpoint: 'https://push.example/one', p256dh: 'B'.repeat(87), auth: 'A'.repeat(22) },
    '/me/passkeys/begin': { password: 'not mine' },
    '/me/passkeys': { id: randomUUID(), name: 'Phone', answer: { id: 'unknown' } },
    '/me/passkeys/{id}/remove': { password: 'not mine' },
    '/password/forgotten': { email: 'nobody@crew.example' },
    '/laid-aside/try': { id: randomUUID() },
    '/boats/{id}/limits': { windLimitMps: 10, gustLimitMps: 12, waveLimitM: 0.8 },
    '/boats/{id}/aboard': { checks: ['Anchor shackle wired'], gear: [{ what: 'Flares', endsOn: '2027-03-31' }] },
    '/boats/{id}/refills': { id: randomUUID(), at: iso(TEST_NOW) },
    '/waters/{id}/readings': { id: randomUUID(), variable: 'clarityM', at: iso(TEST_NOW - 60_000), value: 2, spotId: null, note: '' },
    '/brief/{date}/words': { tripId: null, text: 'Fog early.' },
    '/trips/{id}/plans': plan,
    '/deck/{tripId}/entries': { entries: [{ kind: 'begin-trip', entryId: randomUUID(), at: iso(TEST_NOW) }] },
    '/trips': {
      id: randomUUID(),
      boatId: o.boats[0]?.id,
      captainId: o.people[1]?.id,
      waterId: o.waters[0]?.id,
      startsAt: iso(TEST_NOW + 40 * 3_600_000),
      endsAt: iso(TEST_NOW + 44 * 3_600_000),
      goal: 'numbers',
      speciesIds: [o.species[0]?.id],
      rods: 1,
      skill: 1,
      wish: '',
      clientIds: [],
    },
    '/readings/{readingId}/correct': { id: randomUUID(), value: 2 },
    '/waters/{id}/spots': spotBody(spot),
    '/spots/{id}/merge': { into: o.spots[1]?.id },
    '/waters/{id}/features': {
      id: randomUUID(),
      kind: 'track',
      name: 'Drift',
      points: [
        [-35.24, 47.59],
        [-35.23, 47.59],
      ],
      detail: {},
    },
    '/waters/{id}/dismissals': { kind: 'hump', lat: 47.59, lon: -35.24 },
    '/waters/{id}/dismissals/undo': { kind: 'hump', lat: 47.59, lon: -35.24 },
    '/waters/{id}/imports/readings': {
      id: randomUUID(),
      fileName: 'a.csv',
      refused: 0,
      source: 'csv',
      atMs: [TEST_NOW - 3_600_000],
      variable: ['waterTempC'],
      value: [14],
    },
    '/waters/{id}/imports/soundings': {
      id: randomUUID(),
      fileName: 's.csv',
      refused: 0,
      transducerM: 0,
      lat: [47.59, 47.591, 47.592],
      lon: [-35.24, -35.241, -35.239],
      soundedM: [4, 5, 6],
      atMs: [0, 0, 0],
    },
    '/waters/{id}/imports/places': {
      id: randomUUID(),
      fileName: 'p.gpx',
      refused: 0,
      privacy: 'crew',
      places: [{ name: 'Mark', note: '', shape: 'point', points: [[-35.24, 47.59]], as: 'spot', into: null }],
    },
    '/waters/{id}/imports/trips': {
      id: randomUUID(),
      fileName: 'past.csv',
      refused: 0,
      boatId: o.boats[0]?.id,
      captainId: o.people[1]?.id,
      trips: [
        {
          stops: [
            {
              spotId: spot.id,
              fromMs: TEST_NOW - 3000 * 3_600_000,
              toMs: TEST_NOW - 2998 * 3_600_000,
              sets: [{ presentationId: o.presentations[0]?.id, rods: 1, fish: [] }],
            },
          ],
        },
      ],
    },
    '/trips/{id}/fit': { patienceMin: 30, breaks: [], aboard: null },
    '/trips/{id}/mates': { personIds: [o.people[2]?.id] },
    '/sessions/end': { id: null },
    '/clients/{id}/notes': { experience: 2, hand: 'left', wishes: '' },
    '/families/{familyId}': familyBody,
    '/presentations': {
      id: randomUUID(),
      familyId: 'F9',
      name: `Shad ${randomUUID()}`,
      habitat: 'both',
      sizeMm: null,
      weightG: 7,
      colour: '',
      leaderKg: null,
      retrieve: '',
      pauseS: null,
      look: null,
      active: true,
    },
    '/boats': boatBody(`Boat ${randomUUID()}`),
    '/clients': clientBody,
    '/species': {
      id: randomUUID(),
      name: `Fish ${randomUUID()}`,
      habitat: 'salt',
      lengthKind: 'total',
      leastMm: 200,
      mostMm: 800,
      sizeGoalMm: null,
      caution: '',
    },
    '/waters': { id: randomUUID(), name: `Water ${randomUUID()}`, kind: 'salt', ruleZone: '', dockLat: 47.59, dockLon: -35.24 },
    '/waters/{id}/chart': { shore: null, acrossM: 4000 },
    '/waters/{id}/tide': { tide: { z0M: 1.8, constants: [{ name: 'M2', amplitudeM: 1.2, phaseDeg: 140 }] } },
    '/rules': {
      id: randomUUID(),
      speciesId: o.species[0]?.id,
      zone: '',
      body: { kind: 'bag', perAngler: 3 },
      source: 'a notice',
      checkedOn: '2026-06-01',
    },
    '/people/{id}': { name: 'Renamed', role: 'mate', active: true },
    '/invitations': { id: randomUUID(), personId: null, name: 'New mate', email: `new-${randomUUID()}@crew.example`, role: 'mate' },
    '/me/password': { old: 'not the one', password: 'a longer new one' },
    '/begin': {
      id: randomUUID(),
      name: 'New outfit',
      zone: 'Etc/GMT+2',
      units: 'metric',
      personId: randomUUID(),
      personName: 'New owner',
      email: `owner-${randomUUID()}@new.example`,
      password: 'a password of length',
    },
    '/invitation/look': { token: 'x'.repeat(32) },
    '/invitation/take': { token: 'x'.repeat(32), name: 'Somebody', password: 'a password of length' },
    '/trips/{id}': {
      boatId: o.boats[0]?.id,
      captainId: o.people[1]?.id,
      startsAt: trip.startsAt,
      endsAt: trip.endsAt,
      goal: 'numbers',
      speciesIds: [o.species[0]?.id],
      rods: 1,
      skill: 1,
      wish: '',
      clientIds: [],
    },
    '/trips/{id}/cancel': { reason: 'gale' },
    '/trips/{id}/rig-choices': { spotId: spot.id, presentationId: o.presentations[0]?.id, part: 'weight', value: 60 },
    '/stations/try': { url: 'http://127.0.0.1:1/none.json', reading: null },
    '/stations': {
      id: randomUUID(),
      waterId: o.waters[0]?.id,
      name: 'Pier',
      url: 'https://pier.example/now.json',
      reading: { kind: 'metar', unit: 'metric', mapping: null },
      lat: 47.59,
      lon: -35.24,
    },
    '/instruments': {
      id: randomUUID(),
      boatId: o.boats[0]?.id,
      waterId: o.waters[0]?.id,
      name: 'Plotter',
      address: 'plotter.example:10110',
      transducerM: 0.4,
    },
    '/instruments/{id}/heard': { lines: ['$SDDPT,6.00,0.30*00'] },
    '/gear': gearBody(`Lead ${randomUUID()}`),
    '/bait-trials': { presentationId: o.presentations[0]?.id, sank: { depthM: 3, seconds: 4 }, divesM: null },
    '/boats/{id}/drift': { windageM2: 6, timed: { windMps: 8, throughWaterMps: 0.45, anchorDiameterM: 0 } },
    '/deck/{tripId}/photos': { id: randomUUID(), catchId: null, at: iso(TEST_NOW), data: smallPhoto().toString('base64') },
    '/trips/{id}/debrief': { said: 'Slow until the turn.', chips: ['slow'], lost: [], baitLeft: '', signed: false },
    '/trips/{id}/report': { id: randomUUID(), text: 'Thank you.', learned: '', photoIds: [], days: 30 },
    '/log/fix': { setIds: [o.trips[0]?.stops[0]?.sets[0]?.id], presentationId: o.presentations[0]?.id },
    '/log/merge': { setIds: o.trips.slice(0, 2).map((t) => t.stops[0]?.sets[0]?.id) },
    '/log/fish/merge': { keepId: randomUUID(), otherId: randomUUID() },
    '/spots/{id}/feeds': { feeds: [{ id: randomUUID(), at: iso(TEST_NOW - 3_600_000), what: 'corn', kg: 1, cost: 2, done: true }] },
    '/feeds/{id}': { at: iso(TEST_NOW - 3_600_000), what: 'corn', kg: 1, cost: 2, done: true },
    '/waters/{id}/pictures': pictureBody(o),
    '/papers': { id: randomUUID(), personId: o.people[0]?.id, kind: 'radio', name: '', endsOn: '2027-05-01' },
    '/away': { id: randomUUID(), personId: o.people[0]?.id, fromOn: '2027-05-01', toOn: '2027-05-02', why: '' },
    '/bookings/fetch': { url: 'http://127.0.0.1:1/bookings.ics' },
    '/me/second-factor/begin': { password: 'not the one' },
    '/me/second-factor/confirm': { code: '000000' },
    '/me/second-factor/end': { password: 'not the one' },
    '/keys': { id: randomUUID(), name: 'Logger', scopes: ['log'] },
    '/stops/find': { ids: [o.trips[0]?.stops[0]?.id] },
  };
}

const gearBody = (name: string) => ({
  id: randomUUID(),
  kind: 'weight',
  name,
  massG: 60,
  strengthKg: null,
  acrossMm: null,
  stock: 4,
  cost: 2,
  note: '',
});

const boatBody = (name: string) => ({
  id: randomUUID(),
  name,
  craft: 'boat',
  castM: null,
  accessNote: '',
  hull: '5 m open boat',
  seats: 3,
  speedMps: 8,
  draughtM: 0.4,
  windLimitMps: 10,
  gustLimitMps: 12,
  waveLimitM: 0.6,
  tankL: 40,
  burnLph: 12,
});

const clientBody = {
  id: randomUUID(),
  name: 'Guest',
  contact: '',
  experience: 1,
  child: false,
  swims: null,
  hand: null,
  wishes: '',
  note: '',
};

const familyBody = {
  name: 'Soft lure',
  depthMinM: 0.5,
  depthMaxM: 6,
  tempMinC: 5,
  tempMaxC: 25,
  clarityMinM: null,
  clarityMaxM: null,
  windMinMps: null,
  windMaxMps: null,
  currentMinMps: null,
  currentMaxMps: null,
  light: [],
  cover: [],
  months: [],
  coverRate: 2,
  skill: 1,
  snag: 1,
  zone: 'bottom',
  look: 'natural',
  rods: 1,
  costPerHour: 0,
  forage: [],
  handling: '',
};

const spotBody = (spot: Harness['mine']['spots'][number]) => ({
  id: randomUUID(),
  name: `New ${spot.name}`,
  structure: 'rock',
  bottom: 'rock',
  shape: 'point',
  points: [[spot.lon, spot.lat]],
  depthMinM: null,
  depthMaxM: null,
  accessDepthM: null,
  privacy: 'crew',
  hazards: [],
  legality: '',
  restDays: 0,
  pressure: 1,
});

/** A picture of 24 by 16 px over the dock, a pixel of some ten metres. */
export const pictureBody = (o: Harness['mine']) => {
  const { dockLat = 0, dockLon = 0 } = o.waters[0] ?? {};
  const place = { lon: [dockLon, 0.0001, 0], lat: [dockLat, 0, -0.0001] };
  return { id: randomUUID(), name: 'From above', widthPx: 24, heightPx: 16, ...place, data: smallPhoto().toString('base64') };
};

/** Things of the first outfit that tests make: an import, a feature, a survey, a reading, a photo. */
export const made: Record<
  '/log' | '/imports' | '/features' | '/surveys' | '/readings' | '/photos' | '/papers' | '/away' | '/feeds' | '/pictures',
  string
> = {
  '/log': '',
  '/feeds': '',
  '/pictures': '',
  '/papers': '',
  '/away': '',
  '/photos': '',
  '/imports': '',
  '/features': '',
  '/surveys': '',
  '/readings': '',
};

/** A route's address with ids of an outfit in it. */
export function fill(path: string, o: Harness['mine']): string {
  const first = `/${path.split('/')[1]}`;
  const own = made[first as keyof typeof made];
  const id =
    own ??
    (path.startsWith('/waters')
      ? o.waters[0]?.id
      : path.startsWith('/spots')
        ? o.spots[0]?.id
        : path.startsWith('/people')
          ? o.people[0]?.id
          : path.startsWith('/species')
            ? o.species[0]?.id
            : path.startsWith('/rules')
              ? o.rules[0]?.id
              : path.startsWith('/boats')
                ? o.boats[0]?.id
                : path.startsWith('/clients')
                  ? o.clients[0]?.id
                  : o.trips.at(-1)?.id);
  const query = path.endsWith('/state')
    ? `?from=${iso(TEST_NOW - 3_600_000)}&to=${iso(TEST_NOW)}`
    : path === '/trips' || path === '/risks'
      ? '?date=2026-06-19'
      : path === '/calendar'
        ? '?from=2026-06-15&to=2026-06-21'
        : path.endsWith('/export')
          ? '?format=gpx'
          : '';
  return (
    path
      .replace(/\{(id|tripId|readingId)\}/, id as string)
      .replace('{date}', '2026-06-19')
      .replace('{version}', '1')
      .replace('{familyId}', 'F9') + query
  );
}

/** Makes the rows that ids of some routes name. */
export async function makeRows(h: Harness): Promise<void> {
  const captain = await h.signIn(emailOf(h.mine, 'captain'));
  const post = async (path: string) => {
    const answer = await captain.post(fill(path, h.mine), bodies(h.mine)[path]);
    if (answer.status !== 200) throw new Error(`${path}: ${JSON.stringify(answer.body)}`);
    return answer.body;
  };
  made['/log'] = h.mine.trips.flatMap((t) => t.stops.flatMap((s) => s.sets))[0]?.id as string;
  made['/readings'] = (await post('/waters/{id}/readings')).readingId;
  made['/features'] = (await post('/waters/{id}/features')).id;
  made['/imports'] = (await post('/waters/{id}/imports/soundings')).id;
  const fed = bodies(h.mine)['/spots/{id}/feeds'] as { feeds: { id: string }[] };
  if ((await captain.post(fill('/spots/{id}/feeds', h.mine), fed)).status !== 200) throw new Error('no feed was stored');
  made['/feeds'] = fed.feeds[0]?.id as string;
  for (const path of ['/papers', '/away'] as const) {
    const own = { ...(bodies(h.mine)[path] as object), id: randomUUID(), personId: h.mine.people[1]?.id };
    if ((await captain.post(path, own)).status !== 200) throw new Error(`${path} was not stored`);
    made[path] = own.id;
  }
  const picture = pictureBody(h.mine);
  if ((await captain.post(fill('/waters/{id}/pictures', h.mine), picture)).status !== 200) throw new Error('no picture was stored');
  made['/pictures'] = picture.id;
  const photo = bodies(h.mine)['/deck/{tripId}/photos'] as { id: string };
  const kept = await captain.post(fill('/deck/{tripId}/photos', h.mine), photo);
  if (kept.status !== 200) throw new Error(JSON.stringify(kept.body));
  made['/photos'] = photo.id;
  const chart = await captain.get(fill('/waters/{id}/chart', h.mine));
  made['/surveys'] = chart.body.surveys[0].id;
}

/** Every route of the published description. */
export async function routes(h: Harness): Promise<{ method: string; path: string }[]> {
  const doc = await (await h.app.request('/api/openapi.json')).json();
  return Object.entries(doc.paths as Record<string, object>).flatMap(([path, methods]) =>
    Object.keys(methods).map((m) => ({ method: m.toUpperCase(), path: path.replace(/^\/api/, '') })),
  );
}

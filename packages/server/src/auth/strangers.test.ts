// Everybody who should not, at every route of the published description: nobody, another outfit, a mate who is not aboard, another
// captain. What is answered to those who may holds what its schema names and nothing else.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ALL_SEEN } from '../testing/allSeen';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';
import { bodies, fill, iso, makeRows, PUBLIC, routes } from '../testing/validBodies';

let h: Harness;
const NAMES = ['ashore', 'rival'] as const;
const emails: Record<string, string> = {};
let attempts = 0;
const KEPT = 'Keeper hollow';

beforeAll(async () => {
  h = await startHarness();
  await makeRows(h);
  for (const name of NAMES) {
    emails[name] = `${name}-${randomUUID()}@crew.example`;
    await h.owner.query(
      `insert into person (id, outfit_id, name, email, password_hash, role, active)
       select gen_random_uuid(), outfit_id, $2, $3, password_hash, $4, true from person where id = $1`,
      [h.mine.people[0]?.id, name, emails[name], name === 'ashore' ? 'mate' : 'captain'],
    );
  }
  // The captain keeps a spot for himself, and his plan goes there.
  const [spot, trip, captain] = [h.mine.spots[1], h.mine.trips.at(-1), h.mine.people[1]];
  await h.owner.query(`update spot set name = $2, privacy = 'captain', keeper_id = $3 where id = $1`, [spot?.id, KEPT, captain?.id]);
  const start = Date.parse(trip?.startsAt as string);
  const legs = [{ spotId: spot?.id, startAt: iso(start + 3_600_000), departAt: iso(start + 7_200_000), pinned: false }];
  const kept = await (await h.signIn(emailOf(h.mine, 'captain'))).post(`/trips/${trip?.id}/plans`, {
    id: randomUUID(),
    replaces: 0,
    seen: ALL_SEEN,
    bans: [],
    legs,
  });
  if (kept.status !== 200) throw new Error(JSON.stringify(kept.body));
});
afterAll(() => {
  process.stdout.write(`${attempts} attempts without a right to\n`);
  return h.close();
});

/** All that names a row of the first outfit. */
const everyId = () => [...new Set(JSON.stringify(h.mine).match(/[0-9a-f]{8}-[0-9a-f-]{27}/g))];
const asked = (path: string, id: string) => fill(path, h.mine).replace(/[0-9a-f]{8}-[0-9a-f-]{27}/, id);
const secrets = () => [
  ...h.mine.clients.flatMap((c) => [c.id, c.medicalNote]),
  ...h.mine.people.flatMap((p) => [p.id, p.email]),
  ...h.mine.spots.map((s) => s.id),
  ...h.mine.boats.flatMap((b) => [b.id, b.name]),
  h.mine.outfit.name,
  KEPT,
];
function tells(body: unknown, values: readonly string[]): string | undefined {
  const text = JSON.stringify(body);
  return values.find((v) => v !== '' && text.includes(v));
}

describe('nobody', () => {
  it('is told to sign in, whatever key he shows', async () => {
    const junk = [
      '',
      'bluffwind_session=',
      `bluffwind_session=${randomUUID()}`,
      'bluffwind_session=%00',
      `bluffwind_device=${randomUUID()}`,
    ];
    for (const { method, path } of await routes(h)) {
      if (PUBLIC.includes(path)) continue;
      for (const cookie of junk) {
        const headers = { 'Content-Type': 'application/json', Cookie: cookie };
        const body = method === 'POST' ? { body: JSON.stringify(bodies(h.mine)[path] ?? {}) } : {};
        const answer = await h.app.request(`/api${fill(path, h.mine)}`, { method, headers, ...body });
        attempts++;
        expect(answer.status, `${method} ${path} with ${cookie}`).toBe(401);
        expect(tells(await answer.json(), secrets()), path).toBeUndefined();
      }
    }
  }, 120_000);
});

describe('another outfit', () => {
  it('finds no row by any id, and reads no name', async () => {
    const before = await counts();
    const ids = everyId();
    for (const role of ['owner', 'captain', 'mate'] as const) {
      const stranger = await h.signIn(emailOf(h.other, role));
      for (const { method, path } of await routes(h)) {
        if (!/\{(id|tripId|readingId)\}/.test(path) || path === '/imports/{id}/undo') continue;
        const own = /^\/(readings|features|surveys)/.test(path);
        // Each route is asked for a third of all ids, another third by each role.
        const some = own ? [''] : ids.filter((_, i) => (i + path.length + role.length) % 3 === 0);
        for (const id of some) {
          const at = own ? fill(path, h.mine) : asked(path, id);
          const answer = method === 'POST' ? await stranger.post(at, bodies(h.mine)[path]) : await stranger.get(at);
          attempts++;
          expect([400, 403, 404], `${role} ${method} ${at}: ${answer.status}`).toContain(answer.status);
          expect(tells(answer.body, secrets()), `${role} ${method} ${at}`).toBeUndefined();
        }
      }
    }
    expect(await counts()).toEqual(before);
    expect(attempts).toBeGreaterThan(2500);
  }, 120_000);
});

describe('a mate who is not aboard', () => {
  it('reads nothing of a kept spot and cannot log; one who is aboard reads where his boat goes and logs', async () => {
    const trip = h.mine.trips.at(-1)?.id as string;
    const entry = () => ({
      entries: [{ kind: 'begin-trip', entryId: randomUUID(), at: iso(Date.parse(h.mine.trips.at(-1)?.startsAt as string)) }],
    });
    const ashore = await h.signIn(emails.ashore as string);
    const seen = await readAll(ashore);
    for (const [path, body] of seen) expect(tells(body, [KEPT, String(h.mine.spots[1]?.lon)]), path).toBeUndefined();
    expect(await ashore.post(`/deck/${trip}/entries`, entry())).toMatchObject({ status: 403, body: { code: 'not_aboard' } });
    for (const { method, path } of await routes(h)) {
      const open = [
        '/sign-out',
        ...PUBLIC,
        '/sessions/end',
        '/me/password',
        '/me/settings',
        '/me/calendar',
        '/me/calendar/end',
        '/me/passkeys',
        '/me/push',
        '/me/push/{id}/remove',
        '/me/push/{id}/try',
        '/me/passkeys/begin',
        '/me/passkeys/{id}/remove',
        '/me/second-factor/begin',
        '/me/second-factor/confirm',
        '/me/second-factor/end',
        '/stops/find',
        '/deck/{tripId}/entries',
        '/brief/{date}/read',
      ];
      const both = [
        '/waters/{id}/readings',
        '/readings/{readingId}/correct',
        '/waters/{id}/imports/readings',
        '/boats/{id}/refills',
        '/bait-trials',
        '/spots/{id}/feeds',
        '/feeds/{id}',
        '/feeds/{id}/remove',
        '/boats/{id}/drift',
      ];
      if (method !== 'POST' || open.includes(path) || both.includes(path)) continue;
      const answer = await ashore.post(fill(path, h.mine), bodies(h.mine)[path] ?? {});
      attempts++;
      expect(answer.status, path).toBe(403);
    }
    const aboard = await h.signIn(emailOf(h.mine, 'mate'));
    h.clock.set(Date.parse(h.mine.trips.at(-1)?.startsAt as string) + 60_000);
    expect(JSON.stringify((await aboard.get(`/deck/${trip}`)).body)).toContain(KEPT);
    expect((await aboard.post(`/deck/${trip}/entries`, entry())).body.receipts[0]).toMatchObject({ ok: true });
    h.clock.set(TEST_NOW);
  });
});

describe('another captain', () => {
  it('reads nothing of a kept spot, and cannot keep one for himself that the crew has fished', async () => {
    const rival = await h.signIn(emails.rival as string);
    for (const [path, body] of await readAll(rival)) expect(tells(body, [KEPT]), path).toBeUndefined();
    const spot = h.mine.spots[0];
    const [person] = await h.owner.query('select id from person where email = $1', [emails.rival]);
    const body = bodies(h.mine)['/waters/{id}/spots'] as object;
    const mine = { ...body, id: spot?.id, name: spot?.name, privacy: 'captain', keeperId: person.id };
    expect(await rival.post(fill('/waters/{id}/spots', h.mine), mine)).toMatchObject({
      status: 403,
      body: { code: 'not_allowed', fields: [{ field: 'keeperId', message: 'ask the owner' }] },
    });
  });
});

describe('those who may', () => {
  it('are answered with what the schema of the route names and nothing else', async () => {
    const doc = await (await h.app.request('/api/openapi.json')).json();
    for (const role of ['owner', 'captain', 'mate'] as const) {
      for (const [path, body, route] of await readAll(await h.signIn(emailOf(h.mine, role)))) {
        // What is the owner's alone says so to others.
        if ((role !== 'owner' && OWNERS.includes(route)) || (role === 'mate' && CAPTAINS.includes(route))) {
          expect(body).toMatchObject({ code: 'not_allowed' });
          continue;
        }
        const schema = doc.paths[`/api${route}`]?.get.responses['200'].content['application/json'].schema;
        expect(beyond(schema, body, doc), `${role} ${path}`).toEqual([]);
      }
    }
    const lists = (await (await h.signIn(emailOf(h.mine, 'mate'))).get('/outfit')).body;
    expect(tells(lists, [...h.mine.clients.map((c) => c.medicalNote), ...h.mine.people.map((p) => p.email)])).toBeUndefined();
  });
});

const OWNERS = ['/outfit/settings', '/laid-aside', '/people', '/invitations', '/keys'];
const CAPTAINS = ['/clients', '/stations', '/instruments', '/trips/{id}/report', '/outfit/look'];

/** Every GET of a client that answers, with its route. */
async function readAll(client: Client): Promise<[path: string, body: unknown, route: string][]> {
  const out: [string, unknown, string][] = [];
  for (const { method, path } of await routes(h)) {
    if (method !== 'GET') continue;
    const at = fill(path, h.mine);
    attempts++;
    out.push([at, (await client.get(at)).body, path]);
  }
  return out;
}

interface Schema {
  readonly $ref?: string;
  readonly type?: string | string[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly additionalProperties?: unknown;
  readonly items?: Schema;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
}

/** Places of a value that its JSON schema does not name. */
function beyond(schema: Schema | undefined, value: unknown, doc: unknown, path = ''): string[] {
  if (!schema || value === null || typeof value !== 'object') return [];
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) {
    const found = choices.map((s) => beyond(s, value, doc, path));
    return found.find((f) => f.length === 0) ?? found[0] ?? [];
  }
  if (Array.isArray(value)) return schema.items ? value.slice(0, 50).flatMap((v, i) => beyond(schema.items, v, doc, `${path}.${i}`)) : [];
  if (!schema.properties) return [];
  return Object.entries(value).flatMap(([k, v]) => {
    const own = schema.properties?.[k];
    return own ? beyond(own, v, doc, `${path}.${k}`) : schema.additionalProperties ? [] : [`${path}.${k}`];
  });
}

async function counts(): Promise<Record<string, number>> {
  const tables = [
    'trip',
    'plan',
    'spot',
    'reading',
    'survey',
    'ground_feature',
    'client',
    'boat',
    'refill',
    'stop',
    'sighting',
    'import',
    'trip_mate',
    'person',
    'invitation',
    'water',
    'species',
    'rule',
  ];
  const out: Record<string, number> = {};
  for (const t of tables) {
    const [row] = await h.owner.query(`select count(*)::int as n from ${t} where outfit_id = $1`, [h.mine.outfit.id]);
    out[t] = row.n;
  }
  return out;
}

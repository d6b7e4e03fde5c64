// Everything that a scenario file could fill is filled, changed and taken out by screens: each of its tables against the routes that do it, the
// roles that may, and the screens that call them.
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { bodies, fill, routes } from '../testing/validBodies';

const HERE = path.dirname(fileURLToPath(import.meta.url));
const WEB = path.resolve(HERE, '../../../web/src');

/** Who may do it: the owner alone, captains as well, or everybody aboard. */
type May = 'owner' | 'captain' | 'crew';
interface Ways {
  readonly fill: string;
  readonly change: string;
  /** Null for what only goes with something else, or is put away by a change. */
  readonly out: string | null;
  readonly may: May;
}

const WAYS: Record<string, Ways> = {
  outfit: { fill: '/begin', change: '/outfit/settings', out: null, may: 'owner' },
  person: { fill: '/invitations', change: '/people/{id}', out: '/people/{id}', may: 'owner' },
  boat: { fill: '/boats', change: '/boats', out: '/boats/{id}/retire', may: 'captain' },
  water: { fill: '/waters', change: '/waters', out: '/waters/{id}/retire', may: 'captain' },
  chart_layer: { fill: '/waters/{id}/chart', change: '/waters/{id}/chart', out: null, may: 'captain' },
  feature: { fill: '/waters/{id}/features', change: '/waters/{id}/features', out: '/features/{id}/remove', may: 'captain' },
  station: { fill: '/stations', change: '/stations', out: '/stations/{id}/retire', may: 'captain' },
  instrument: { fill: '/instruments', change: '/instruments', out: '/instruments/{id}/retire', may: 'captain' },
  species: { fill: '/species', change: '/species', out: '/species/{id}/retire', may: 'captain' },
  family: { fill: '/families/{familyId}', change: '/families/{familyId}', out: null, may: 'captain' },
  presentation: { fill: '/presentations', change: '/presentations', out: '/presentations', may: 'captain' },
  spot: { fill: '/waters/{id}/spots', change: '/waters/{id}/spots', out: '/spots/{id}/retire', may: 'captain' },
  client: { fill: '/clients', change: '/clients', out: '/clients/{id}/retire', may: 'captain' },
  rule: { fill: '/rules', change: '/rules', out: '/rules/{id}/remove', may: 'captain' },
  survey: { fill: '/waters/{id}/imports/soundings', change: '/waters/{id}/imports/soundings', out: '/imports/{id}/undo', may: 'captain' },
  reading: { fill: '/waters/{id}/readings', change: '/readings/{readingId}/correct', out: null, may: 'crew' },
  trip: { fill: '/trips', change: '/trips/{id}', out: '/trips/{id}/cancel', may: 'captain' },
  trip_species: { fill: '/trips', change: '/trips/{id}', out: '/trips/{id}', may: 'captain' },
  party: { fill: '/trips', change: '/trips/{id}', out: '/trips/{id}', may: 'captain' },
  trip_mate: { fill: '/trips/{id}/mates', change: '/trips/{id}/mates', out: '/trips/{id}/mates', may: 'captain' },
  stop: { fill: '/deck/{tripId}/entries', change: '/deck/{tripId}/entries', out: null, may: 'crew' },
  set: { fill: '/deck/{tripId}/entries', change: '/deck/{tripId}/entries', out: null, may: 'crew' },
  catch: { fill: '/deck/{tripId}/entries', change: '/deck/{tripId}/entries', out: '/deck/{tripId}/entries', may: 'crew' },
};

let h: Harness;
let mate: Client;
let captain: Client;
beforeAll(async () => {
  h = await startHarness();
  [mate, captain] = [await h.signIn(emailOf(h.mine, 'mate')), await h.signIn(emailOf(h.mine, 'captain'))];
});
afterAll(() => h.close());

/** Tables that the loader of a scenario writes, by what it names. */
function loaded(): string[] {
  const text = readFileSync(path.join(HERE, 'loadScenario.ts'), 'utf8');
  const entities = [...text.matchAll(/entities\.insert\(\s*(\w+)Entity/g)].map((m) => m[1] ?? '');
  const bulk = [...text.matchAll(/bulkInsert\(\s*entities,\s*'"?(\w+)"?'/g)].map((m) => m[1] ?? '');
  const snake = (s: string) => s.replaceAll(/(?<!^)([A-Z])/g, '_$1').toLowerCase();
  return [...new Set([...entities.map(snake), ...bulk])].sort();
}

describe('what a scenario file fills', () => {
  it('has a way by screens for every table', () => {
    const tables = loaded();
    expect(tables.length).toBeGreaterThan(15);
    expect(tables.filter((t) => !(t in WAYS))).toEqual([]);
  });

  it('is filled, changed and taken out by routes that exist, and that a screen calls', async () => {
    const known = (await routes(h)).filter((r) => r.method === 'POST').map((r) => r.path);
    const text = readdirSync(WEB, { recursive: true, encoding: 'utf8' })
      .filter((f) => /\.tsx?$/.test(f) && !f.includes('.test.'))
      .map((f) => readFileSync(path.join(WEB, f), 'utf8'))
      .join('\n');
    for (const [table, ways] of Object.entries(WAYS))
      for (const route of [ways.fill, ways.change, ways.out].filter((r) => r !== null)) {
        expect([table, known.includes(route) ? route : 'no such route']).toEqual([table, route]);
        // '/boats/${id}/retire' and the like, as the screens write it.
        const written = new RegExp(route.replaceAll('/', '\\/').replaceAll(/\{\w+\}/g, '\\$\\{[^}]+\\}'));
        expect([table, written.test(text) ? route : 'no screen']).toEqual([table, route]);
      }
  });

  it('is refused to who may not', async () => {
    const valid = bodies(h.mine);
    for (const [table, { fill: route, may }] of Object.entries(WAYS)) {
      if (route === '/begin' || may === 'crew') continue;
      const answer = await mate.post(fill(route, h.mine), valid[route]);
      expect([table, answer.status]).toEqual([table, 403]);
      if (may === 'owner') expect([table, (await captain.post(fill(route, h.mine), valid[route])).status]).toEqual([table, 403]);
    }
  });
});

import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';

let h: Harness;
let captain: Client;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
});
afterAll(() => h.close());

const family = (more: object = {}) => ({
  name: 'Blade',
  depthMinM: 0.5,
  depthMaxM: 3,
  tempMinC: 8,
  tempMaxC: 22,
  clarityMinM: null,
  clarityMaxM: 2.5,
  windMinMps: null,
  windMaxMps: null,
  currentMinMps: null,
  currentMaxMps: null,
  light: [1, 2],
  cover: ['weed'],
  months: [5, 6, 7],
  coverRate: 4,
  skill: 1,
  snag: 1,
  zone: 'middle',
  look: 'flash',
  rods: 1,
  costPerHour: 0.5,
  forage: ['small fish'],
  handling: 'Slow roll.',
  ...more,
});
const variant = (more: object = {}) => ({
  id: randomUUID(),
  familyId: 'F5',
  name: 'Copper 12 g',
  habitat: 'both',
  sizeMm: null,
  weightG: 12,
  colour: 'copper',
  leaderKg: 5,
  retrieve: 'slow roll',
  pauseS: null,
  look: null,
  active: true,
  ...more,
});

describe('families and variants', () => {
  it('are added and changed by the crew, and reach the plan with their envelope', async () => {
    expect((await captain.post('/families/F5', family())).body).toMatchObject({
      id: 'F5',
      name: 'Blade',
      light: [1, 2],
      months: [5, 6, 7],
    });
    const made = variant();
    expect((await captain.post('/presentations', made)).status).toBe(200);
    const all = (await captain.get('/presentations')).body;
    expect(all.families.map((f: { id: string }) => f.id).sort()).toEqual(['F4', 'F5', 'F9']);
    const tripId = h.mine.trips.at(-1)?.id;
    const desk = (await captain.get(`/trips/${tripId}/desk`)).body;
    expect(desk.presentations.find((p: { id: string }) => p.id === made.id)).toMatchObject({
      family: 'F5',
      look: 'flash',
      zone: 'middle',
      envelope: { clarityMaxM: 2.5, cover: ['weed'], months: [5, 6, 7] },
    });
    // Put away, it is no longer planned.
    await captain.post('/presentations', { ...made, active: false });
    const after = (await captain.get(`/trips/${tripId}/desk`)).body;
    expect(after.presentations.some((p: { id: string }) => p.id === made.id)).toBe(false);
  });

  it('say what each has earned from the log', async () => {
    const all = (await captain.get('/presentations')).body;
    const shad = all.presentations.find((p: { id: string }) => p.id === h.mine.presentations[0]?.id);
    expect(shad.sets).toBe(12);
    expect(shad.rodHours).toBeCloseTo(24, 6);
    expect(shad.fish).toBeGreaterThan(5);
  });

  it('name the limit that is the wrong way round, and a family or a name that cannot be', async () => {
    const wrong = await captain.post('/families/F5', family({ depthMinM: 4 }));
    expect(wrong.body.fields).toEqual([{ field: 'depthMaxM', message: 'expected at least 4 m, got 3 m' }]);
    expect((await captain.post('/families/F5', family({ months: [13] }))).body.fields[0].field).toBe('months.0');
    expect((await captain.post('/presentations', variant({ familyId: 'F99' }))).status).toBe(404);
    expect((await captain.post('/presentations', variant({ name: h.mine.presentations[0]?.name }))).body).toMatchObject({
      code: 'conflict',
      fields: [{ field: 'name' }],
    });
  });
});

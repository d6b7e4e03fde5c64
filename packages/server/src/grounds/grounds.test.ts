import { randomUUID } from 'node:crypto';
import { readGeoJson } from '@bluffwind/core/formats/geojson';
import { readGpx } from '@bluffwind/core/formats/gpx';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';

let h: Harness;
let captain: Client;
let mate: Client;
let waterId: string;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  mate = await h.signIn(emailOf(h.mine, 'mate'));
  waterId = h.mine.waters[0]?.id as string;
});
afterAll(() => h.close());

const spot = (more: object = {}) => ({
  id: randomUUID(),
  name: `Spot ${randomUUID().slice(0, 6)}`,
  structure: 'edge',
  bottom: 'sand',
  shape: 'point',
  points: [[-35.23, 47.595]],
  depthMinM: null,
  depthMaxM: null,
  accessDepthM: null,
  privacy: 'crew',
  hazards: [],
  legality: '',
  restDays: 0,
  pressure: 1,
  ...more,
});
const add = (body: object) => captain.post(`/waters/${waterId}/spots`, body);
const feature = (body: object) => captain.post(`/waters/${waterId}/features`, { id: randomUUID(), name: 'Drawn', detail: {}, ...body });
const area = [
  [-35.245, 47.585],
  [-35.22, 47.585],
  [-35.22, 47.605],
  [-35.245, 47.605],
];

describe('spots', () => {
  it('are measured from the chart when their depths are left empty, and keep those that are given', async () => {
    const measured = (await add(spot())).body;
    expect(measured.depthMinM).toBeGreaterThan(4);
    expect(measured.fetchM).toHaveLength(36);
    expect((await add(spot({ depthMinM: 1, depthMaxM: 2 }))).body).toMatchObject({ depthMinM: 1, depthMaxM: 2 });
  });
  it('can be lines and areas, and be changed as a whole', async () => {
    const body = spot({ shape: 'area', points: area });
    expect((await add(body)).body.shape).toBe('area');
    const moved = await add({
      ...body,
      name: `${body.name} moved`,
      hazards: [
        {
          kind: 'rocks',
          windSectorDeg: null,
          windMps: null,
          waveM: null,
          tideBelowM: 1,
          tideAboveM: null,
          binds: true,
          note: 'Rock awash',
        },
      ],
      shape: 'point',
      points: [[-35.235, 47.594]],
    });
    expect(moved.body).toMatchObject({
      id: body.id,
      hazards: [
        {
          kind: 'rocks',
          windSectorDeg: null,
          windMps: null,
          waveM: null,
          tideBelowM: 1,
          tideAboveM: null,
          binds: true,
          note: 'Rock awash',
        },
      ],
      lat: 47.594,
    });
  });
  it('are refused with the field: taken name, off the chart, too few points, deepest shallower than shallowest', async () => {
    expect((await add(spot({ name: 'Near stone' }))).body).toMatchObject({ code: 'conflict', fields: [{ field: 'name' }] });
    expect((await add(spot({ points: [[10, 10]] }))).body.fields[0].field).toBe('points');
    expect((await add(spot({ shape: 'area', points: area.slice(0, 2) }))).body.fields[0].message).toBe('at least 3');
    expect((await add(spot({ depthMinM: 5, depthMaxM: 2 }))).body.fields[0].field).toBe('depthMaxM');
    expect((await add(spot({ points: [[200, 47]] }))).status).toBe(400);
  });
  it('merge into one with both logs, and stay secret if one was', async () => {
    const [near, far] = h.mine.spots;
    const before = (await captain.get(`/spots/${near?.id}/history`)).body.stops.length;
    const other = (await captain.get(`/spots/${far?.id}/history`)).body.stops.length;
    expect(before).toBeGreaterThan(5);
    const merged = await captain.post(`/spots/${far?.id}/merge`, { into: near?.id });
    expect(merged.body).toMatchObject({ ok: true, stops: 12 });
    expect((await captain.get(`/spots/${near?.id}/history`)).body.stops.length).toBe(Math.min(40, before + other));
    const views = (await captain.get(`/waters/${waterId}/spots`)).body;
    expect(views.some((v: { id: string }) => v.id === far?.id)).toBe(false);
    expect(views.find((v: { id: string }) => v.id === near?.id).privacy).toBe('captain');
    expect((await captain.post(`/spots/${near?.id}/merge`, { into: near?.id })).status).toBe(400);
    const desk = (await captain.get(`/trips/${h.mine.trips.at(-1)?.id}/desk`)).body;
    expect(desk.evidence.fish.reduce((a: number, b: number) => a + b, 0)).toBe(30);
  });
  it('are retired without losing their log', async () => {
    const body = spot();
    await add(body);
    expect((await captain.post(`/spots/${body.id}/retire`)).status).toBe(200);
    expect((await captain.post(`/spots/${body.id}/retire`)).status).toBe(404);
    expect((await add(body)).body.code).toBe('conflict');
  });
});

describe('the way out', () => {
  it("leaves captains' spots out unless they are asked for twice, and notes who did", async () => {
    const secret = spot({ privacy: 'captain', name: 'Secret ledge' });
    await add(secret);
    const plain = (await captain.get(`/waters/${waterId}/export?format=gpx`)).body;
    expect(plain.text).not.toMatch(/Secret ledge/);
    expect(plain.leftOut).toBeGreaterThan(0);
    const once = await captain.get(`/waters/${waterId}/export?format=gpx&captains=yes`);
    expect(once).toMatchObject({ status: 409, body: { code: 'not_sure' } });
    const twice = (await captain.get(`/waters/${waterId}/export?format=gpx&captains=yes&sure=yes`)).body;
    expect(readGpx(twice.text).places.map((p) => p.name)).toContain('Secret ledge');
    const noted = await h.owner.query(`select action from audit where outfit_id = $1 and action like 'export%'`, [h.mine.outfit.id]);
    expect(noted).toHaveLength(1);
  });
  it.each(['gpx', 'geojson'] as const)('and back again keeps what is known of a spot: %s', async (format) => {
    const hazards = [
      {
        kind: 'swell',
        windSectorDeg: [180, 270],
        windMps: 6,
        waveM: null,
        tideBelowM: 1.2,
        tideAboveM: null,
        binds: true,
        note: 'Breaks & rolls',
      },
    ];
    const known = {
      structure: 'reef',
      bottom: 'kelp',
      accessDepthM: 0.6,
      hazards,
      legality: 'ask at the quay',
      restDays: 3,
      pressure: 2,
      footing: 2,
    };
    const name = `There and back ${format}`;
    const { id } = (await add(spot({ ...known, name, privacy: 'captain' }))).body;
    const seen = async () => (await captain.get(`/waters/${waterId}/spots`)).body.find((s: { name: string }) => s.name === name);
    const before = await seen();
    const { text } = (await captain.get(`/waters/${waterId}/export?format=${format}&captains=yes&sure=yes`)).body;
    await captain.post(`/spots/${id}/retire`);
    const place = (format === 'gpx' ? readGpx : readGeoJson)(text).places.find((p) => p.name === name);
    const { line: _, ...rest } = place as NonNullable<typeof place>;
    const answer = await captain.post(`/waters/${waterId}/imports/places`, {
      id: randomUUID(),
      fileName: `spots.${format}`,
      refused: 0,
      privacy: 'crew',
      places: [{ ...rest, as: 'spot', into: null }],
    });
    expect(answer.status).toBe(200);
    const after = await seen();
    for (const key of [...Object.keys(known), 'shape', 'depthMinM', 'depthMaxM', 'privacy', 'note'] as const)
      expect(after[key], key).toEqual(before[key]);
    expect(after.id).not.toBe(before.id);
  });
  it('takes what the crew has drawn along when it is asked for', async () => {
    await feature({ kind: 'part', name: 'Mussel side', points: area });
    const without = (await captain.get(`/waters/${waterId}/export?format=geojson`)).body.text;
    expect(without).not.toContain('Mussel side');
    const { text } = (await captain.get(`/waters/${waterId}/export?format=geojson&drawn=yes`)).body;
    const drawn = readGeoJson(text).places.find((p) => p.name === 'Mussel side');
    expect(drawn).toMatchObject({ shape: 'area', note: 'a part of the water' });
  });
  it('never gives a mate what he may not see', async () => {
    const answer = await mate.get(`/waters/${waterId}/export?format=geojson&captains=yes&sure=yes`);
    expect(answer.body.text).not.toMatch(/Secret ledge/);
  });
});

describe('what is drawn on the chart', () => {
  it('a part that is written off takes its spots out of plans, with the reason, until it is fished again', async () => {
    const body = {
      id: randomUUID(),
      kind: 'part',
      name: 'West bay',
      points: area,
      detail: { writtenOff: { reason: 'weed', on: '2026-06-01' } },
    };
    const deskSpots = async () => (await captain.get(`/trips/${h.mine.trips.at(-1)?.id}/desk`)).body.spots.length;
    const before = await deskSpots();
    await feature(body);
    const view = (await captain.get(`/waters/${waterId}/spots`)).body.find((s: { lat: number }) => s.lat > 47.585 && s.lat < 47.605);
    expect(view.writtenOff).toBe('West bay: weed (2026-06-01)');
    expect(await deskSpots()).toBeLessThan(before);
    await feature({ ...body, detail: { writtenOff: null } });
    expect(await deskSpots()).toBe(before);
  });
  it('slow water and keep-out areas change run times', async () => {
    const travel = async () => (await captain.get(`/trips/${h.mine.trips.at(-1)?.id}/desk`)).body.dockTravelMin as (number | null)[];
    const before = await travel();
    const slow = (await feature({ kind: 'no-wake', points: area, detail: { limitMps: 1 } })).body;
    const during = await travel();
    expect(during[0] ?? 0).toBeGreaterThan((before[0] ?? 0) * 1.5);
    expect((await captain.post(`/features/${slow.id}/remove`)).status).toBe(200);
    expect(await travel()).toEqual(before);
  });
  it('a passage needs its depth, an area three points', async () => {
    expect((await feature({ kind: 'passage', points: area.slice(0, 2) })).body.fields[0].field).toBe('detail.chartedDepthM');
    expect((await feature({ kind: 'no-go', points: area.slice(0, 2) })).body.fields[0].field).toBe('points');
  });
  it('what the finder offered and was dismissed stays dismissed until that is undone', async () => {
    await captain.post(`/waters/${waterId}/dismissals`, { kind: 'hump', lat: 47.591, lon: -35.231 });
    expect((await captain.get(`/waters/${waterId}/chart`)).body.dismissed).toEqual([{ kind: 'hump', lat: 47.591, lon: -35.231 }]);
    await captain.post(`/waters/${waterId}/dismissals/undo`, { kind: 'hump', lat: 47.591, lon: -35.231 });
    expect((await captain.get(`/waters/${waterId}/chart`)).body.dismissed).toEqual([]);
  });
});

describe('readings at a spot', () => {
  it('calibrate its own temperature with shrinkage, surer with each', async () => {
    const at = (i: number) => new Date(TEST_NOW - (i + 1) * 3_600_000).toISOString();
    const main = Array.from({ length: 30 }, (_, i) => TEST_NOW - i * 3_600_000);
    await captain.post(`/waters/${waterId}/imports/readings`, {
      id: randomUUID(),
      fileName: 'main.csv',
      refused: 0,
      source: 'csv',
      atMs: main,
      variable: main.map(() => 'waterTempC'),
      value: main.map((_, i) => 14 + (i % 2) * 0.1),
    });
    const body = spot({ name: 'Warm corner' });
    await add(body);
    const view = async () => (await captain.get(`/waters/${waterId}/spots`)).body.find((s: { id: string }) => s.id === body.id);
    const sds: number[] = [(await view()).heatSdC];
    for (let i = 0; i < 4; i++) {
      const answer = await captain.post(`/waters/${waterId}/readings`, {
        id: randomUUID(),
        variable: 'waterTempC',
        at: at(i),
        value: 16,
        spotId: body.id,
        note: '',
      });
      expect(answer.status).toBe(200);
      await h.jobsDone();
      sds.push((await view()).heatSdC);
    }
    const v = await view();
    expect(v.heatReadings).toBe(4);
    expect(v.heatOffsetC).toBeGreaterThan(1.4);
    expect(v.heatOffsetC).toBeLessThan(2);
    sds.slice(1).forEach((sd, i) => {
      expect(sd).toBeLessThan(sds[i] as number);
    });
    // The main water stays what the main water is.
    const state = (await captain.get(`/waters/${waterId}/state?from=${at(20)}&to=${new Date(TEST_NOW).toISOString()}`)).body;
    expect(Math.max(...state.record.waterTempC.value)).toBeLessThan(14.2);
  });
});

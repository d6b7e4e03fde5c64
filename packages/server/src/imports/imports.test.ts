import { randomUUID } from 'node:crypto';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inOutfit } from '../db/database';
import { soundingsToDraw } from '../grounds/soundingsToDraw';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';

const HOUR = 3_600_000;
const iso = (ms: number) => new Date(ms).toISOString();
let h: Harness;
let captain: Client;
let waterId: string;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  waterId = h.mine.waters[0]?.id as string;
});
afterAll(() => h.close());

const state = async () => (await captain.get(`/waters/${waterId}/state?from=${iso(TEST_NOW - 20 * HOUR)}&to=${iso(TEST_NOW)}`)).body;
const temps = async (): Promise<number[]> => (await state()).record.waterTempC?.value ?? [];
const readings = (more: object = {}) => ({
  id: randomUUID(),
  fileName: 'logger.csv',
  refused: 1,
  source: 'csv',
  atMs: [0, 1, 2, 3, 4].map((i) => TEST_NOW - (10 - i) * HOUR),
  variable: new Array(5).fill('waterTempC'),
  value: [13, 13.1, 29, 13.2, 13.3],
  ...more,
});

describe('imported readings', () => {
  it('are stored with flags, feed what is shown, and the spike among them does not', async () => {
    const answer = await captain.post(`/waters/${waterId}/imports/readings`, readings());
    expect(answer.body).toMatchObject({ stored: 5, known: 0, refused: 1, kind: 'readings', by: 'captain' });
    expect(await temps()).toEqual([13, 13.1, 13.2, 13.3]);
  });

  it('that were imported before are counted and not stored twice; the same import again is the same', async () => {
    const body = readings();
    const first = await captain.post(`/waters/${waterId}/imports/readings`, body);
    expect(first.body).toMatchObject({ stored: 0, known: 5 });
    expect((await captain.post(`/waters/${waterId}/imports/readings`, body)).body).toEqual(first.body);
    const [row] = await h.owner.query(`select count(*)::int as n from import where id = $1`, [body.id]);
    expect(row.n).toBe(1);
  });

  it('change the conditions of stops fished then, and undoing them changes them back', async () => {
    const stop = h.mine.trips[0]?.stops[0];
    const from = Date.parse(stop?.startedAt as string);
    const tempOf = async () =>
      (await h.owner.query(`select conditions->>'waterTempC' as c from stop where id = $1`, [stop?.id]))[0].c as string | null;
    expect(await tempOf()).toBeNull();
    const body = readings({
      atMs: [from - HOUR, from, from + HOUR],
      variable: new Array(3).fill('waterTempC'),
      value: [12, 12, 12],
      fileName: 'old.csv',
    });
    expect((await captain.post(`/waters/${waterId}/imports/readings`, body)).status).toBe(200);
    await h.jobsDone();
    expect(Number(await tempOf())).toBeCloseTo(12, 6);
    expect(Date.parse((await captain.post(`/imports/${body.id}/undo`)).body.undoneAt)).toBeGreaterThanOrEqual(TEST_NOW);
    await h.jobsDone();
    expect(await tempOf()).toBeNull();
    const [kept] = await h.owner.query(`select count(*)::int as n from reading where import_id = $1 and withdrawn_at is not null`, [
      body.id,
    ]);
    expect(kept.n).toBe(3);
  });

  it('are refused whole when one is further ahead than any forecast or a column is short, and nothing is half written', async () => {
    const before = await h.owner.query('select count(*)::int as n from reading');
    const future = readings({ atMs: [TEST_NOW - HOUR, TEST_NOW + 900 * HOUR], variable: ['waterTempC', 'waterTempC'], value: [13, 13] });
    expect((await captain.post(`/waters/${waterId}/imports/readings`, future)).body).toMatchObject({
      code: 'invalid',
      fields: [{ field: 'atMs', message: expect.stringMatching(/zone/) }],
    });
    const short = await captain.post(`/waters/${waterId}/imports/readings`, readings({ value: [1, 2] }));
    expect(short.body.fields[0]).toEqual({ field: 'value', message: '5 values expected' });
    expect(await h.owner.query('select count(*)::int as n from reading')).toEqual(before);
    const odd = await captain.post(
      `/waters/${waterId}/imports/readings`,
      readings({ variable: ['waterTempC', '__proto__', 'x', 'x', 'x'] }),
    );
    expect(odd.body).toMatchObject({
      code: 'invalid',
      detail: expect.stringContaining('"__proto__"'),
      fields: [{ field: 'variable.1', message: expect.stringContaining('waterTempC') }],
    });
    expect(await h.owner.query('select count(*)::int as n from reading')).toEqual(before);
    const nul = await captain.post(`/waters/${waterId}/imports/readings`, readings({ fileName: 'log\u0000ger.csv' }));
    expect(nul.body).toMatchObject({
      code: 'invalid',
      detail: expect.stringMatching(/^fileName: it holds a character that cannot be stored/),
    });
    const [left] = await h.owner.query('select count(*)::int as n from import where id = $1', [future.id]);
    expect(left.n).toBe(0);
  });
});

describe('imported soundings', () => {
  const at = TEST_NOW - 26 * HOUR;
  const grid = Array.from({ length: 400 }, (_, i) => ({ lat: 47.588 + (i % 20) * 0.0001, lon: -35.244 + Math.floor(i / 20) * 0.00013 }));
  const body = (more: object = {}) => ({
    id: randomUUID(),
    fileName: 'drift.csv',
    refused: 0,
    transducerM: 0.4,
    lat: grid.map((p) => p.lat),
    lon: grid.map((p) => p.lon),
    soundedM: grid.map(() => 9),
    atMs: grid.map(() => at),
    ...more,
  });

  it('are taken to datum by the tide at their time and the transducer, and laid over the chart', async () => {
    const answer = await captain.post(`/waters/${waterId}/imports/soundings`, body());
    expect(answer.body).toMatchObject({ stored: 400, kind: 'soundings' });
    const { record } = await state();
    const level = waterStateOf(record).levelAt?.(at) ?? 0;
    const s = (await captain.get(`/waters/${waterId}/soundings`)).body;
    expect(s.depthM).toHaveLength(400);
    expect(s.depthM[0]).toBeCloseTo(9.4 - level, 1);
    const chart = (await captain.get(`/waters/${waterId}/chart`)).body;
    expect(chart.surveys[0]).toMatchObject({ soundings: 400, tideCorrected: true, name: 'drift.csv' });
    expect(chart.surveys[0].grid.depthM.some((d: number | null) => d !== null && Math.abs(d - (9.4 - level)) < 0.05)).toBe(true);
  });

  it('change the depth of a spot set there, until they are undone', async () => {
    const spot = {
      id: randomUUID(),
      name: 'Sounded hole',
      structure: 'hole',
      bottom: 'mud',
      shape: 'point',
      points: [[-35.243, 47.589]],
      depthMinM: null,
      depthMaxM: null,
      accessDepthM: null,
      privacy: 'crew',
      hazards: [],
      legality: '',
      restDays: 0,
      pressure: 1,
    };
    const deep = (await captain.post(`/waters/${waterId}/spots`, spot)).body;
    const list = (await captain.get(`/waters/${waterId}/imports`)).body;
    await captain.post(`/imports/${list.find((i: { kind: string }) => i.kind === 'soundings').id}/undo`);
    const charted = (await captain.post(`/waters/${waterId}/spots`, spot)).body;
    expect(deep.depthMaxM).not.toBe(charted.depthMaxM);
    expect((await captain.get(`/waters/${waterId}/soundings`)).body.depthM).toHaveLength(0);
  });

  it('that are too many to draw are thinned to the shoalest of each few, and counted', async () => {
    const soundedM = grid.map((_, i) => 5 + ((i * 37) % 100) / 10);
    const sent = body({ transducerM: 0, soundedM, atMs: grid.map(() => 0) });
    await captain.post(`/waters/${waterId}/imports/soundings`, sent);
    const drawn = await inOutfit(h.source, h.mine.outfit.id, (entities) => soundingsToDraw(entities, waterId, 40));
    expect(drawn.total).toBe(400);
    expect(drawn.depthM).toEqual(Array.from({ length: 40 }, (_, k) => Math.min(...soundedM.slice(10 * k, 10 * k + 10))));
    const k = soundedM.indexOf(drawn.depthM[3] as number);
    expect([drawn.lat[3], drawn.lon[3]]).toEqual([sent.lat[k], sent.lon[k]]);
    await captain.post(`/imports/${sent.id}/undo`);
  });

  it('are refused when latitude and longitude were exchanged, naming the line and what to check', async () => {
    const swapped = body({ lat: grid.map((p) => p.lon), lon: grid.map((p) => p.lat) });
    expect((await captain.post(`/waters/${waterId}/imports/soundings`, swapped)).body.fields).toEqual([
      { field: 'lat.0', message: expect.stringMatching(/which column is the latitude/) },
    ]);
    const one = body({ lon: grid.map((p, i) => (i === 7 ? -p.lon : p.lon)) });
    expect((await captain.post(`/waters/${waterId}/imports/soundings`, one)).body.fields[0].field).toBe('lat.7');
  });

  it('say when they lie in the future, and that a survey needs three', async () => {
    expect(
      (await captain.post(`/waters/${waterId}/imports/soundings`, body({ atMs: grid.map(() => TEST_NOW + 9 * HOUR) }))).body.fields[0]
        .message,
    ).toMatch(/zone/);
    const two = { lat: [47.59, 47.6], lon: [-35.2, -35.2], soundedM: [1, 2], atMs: [0, 0] };
    expect((await captain.post(`/waters/${waterId}/imports/soundings`, body(two))).body.fields[0]).toMatchObject({ field: 'lat' });
  });
});

describe('imported places', () => {
  const place = (more: object = {}) => ({
    name: 'Old mark',
    note: 'from a friend',
    shape: 'point',
    points: [[-35.235, 47.592]],
    as: 'spot',
    into: null,
    ...more,
  });
  const post = (places: object[], privacy = 'crew') =>
    captain.post(`/waters/${waterId}/imports/places`, { id: randomUUID(), fileName: 'marks.gpx', refused: 0, privacy, places });
  const spots = async (): Promise<{ name: string; depthMinM: number; id: string; privacy: string }[]> =>
    (await captain.get(`/waters/${waterId}/spots`)).body;

  it('become spots with depths from the chart, under a free name', async () => {
    expect((await post([place(), place()])).body.stored).toBe(2);
    const mine = (await spots()).filter((s) => s.name.startsWith('Old mark'));
    expect(mine.map((s) => s.name).sort()).toEqual(['Old mark', 'Old mark (2)']);
    expect(mine[0]?.depthMinM).toBeGreaterThan(4);
  });

  it('are refused by place where there is no water under them, and nothing is stored', async () => {
    const off = await post([place(), place({ name: 'Off the chart', points: [[-34.2, 47.59]] })]);
    expect(off).toMatchObject({ status: 400, body: { code: 'invalid', fields: [{ field: 'places.1' }] } });
    const land = await post([place({ name: 'In the field', points: [[-35.24, 47.5805]] })]);
    expect(land.body.detail).toMatch(/In the field has no water under it/);
    expect((await spots()).some((s) => s.name === 'In the field' || s.name === 'Off the chart')).toBe(false);
  });

  it('become tracks or a note on the spot that is the same', async () => {
    const near = h.mine.spots[0]?.id as string;
    const line = {
      shape: 'line',
      points: [
        [-35.24, 47.59],
        [-35.23, 47.591],
      ],
    };
    const answer = await post([place({ as: 'merge', into: near }), place({ ...line, as: 'track', name: 'Drift' })]);
    expect(answer.body.stored).toBe(2);
    const [row] = await h.owner.query('select note from spot where id = $1', [near]);
    expect(row.note).toMatch(/^Also "Old mark": from a friend \(marks\.gpx, /);
    expect((await captain.get(`/waters/${waterId}/spots`)).body.find((s: { id: string }) => s.id === near).note).toBe(row.note);
    const chart = (await captain.get(`/waters/${waterId}/chart`)).body;
    expect(chart.features.find((f: { name: string }) => f.name === 'Drift')).toMatchObject({ kind: 'track' });
    await h.owner.query(`update spot set note = 'Kept.' || E'\\n' || note where id = $1`, [near]);
    await captain.post(`/imports/${answer.body.id}/undo`);
    expect((await h.owner.query('select note from spot where id = $1', [near]))[0].note).toBe('Kept.');
    expect((await captain.get(`/waters/${waterId}/chart`)).body.features.some((f: { name: string }) => f.name === 'Drift')).toBe(false);
  });

  it('are undone whole, but not under a spot that has been fished since', async () => {
    const first = (await post([place({ name: 'Fished mark' })])).body;
    const spot = (await spots()).find((s) => s.name === 'Fished mark');
    await h.owner.query(`insert into stop (id, outfit_id, trip_id, spot_id, started_at) values ($1, $2, $3, $4, $5)`, [
      randomUUID(),
      h.mine.outfit.id,
      h.mine.trips[0]?.id,
      spot?.id,
      iso(TEST_NOW - HOUR),
    ]);
    expect((await captain.post(`/imports/${first.id}/undo`)).body).toMatchObject({
      code: 'conflict',
      detail: expect.stringMatching(/Fished mark has been fished/),
    });
    const second = (await post([place({ name: 'Unfished mark' })], 'captain')).body;
    expect((await spots()).find((s) => s.name === 'Unfished mark')?.privacy).toBe('captain');
    await captain.post(`/imports/${second.id}/undo`);
    expect((await spots()).some((s) => s.name === 'Unfished mark')).toBe(false);
  });

  it('say which place names no spot to merge into', async () => {
    expect((await post([place({ as: 'merge' })])).body).toMatchObject({ code: 'invalid', fields: [{ field: 'places.0.into' }] });
  });

  it('are stored all or none: one into a spot of nowhere refuses the file', async () => {
    const before = (await spots()).length;
    expect((await post([place({ name: 'Half' }), place({ as: 'merge', into: randomUUID() })])).status).toBe(404);
    expect(await spots()).toHaveLength(before);
  });
});

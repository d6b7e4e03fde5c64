import { randomUUID } from 'node:crypto';
import { type AddressInfo, createServer, type Server, type Socket } from 'node:net';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { nmeaSentence } from '@bluffwind/core/formats/nmea';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app';
import { tellChange } from '../changed';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';
import { listenToInstruments } from './instruments';

let h: Harness;
let captain: Client;
let server: Server;
let stop: () => void;
let waterId: string;
let line: (second: number) => string;
const open = new Set<Socket>();

/** Sentences of one second on 18 June 2026, 19:20 UTC on. */
function good(second: number): string {
  const t = `19${String(20 + Math.floor(second / 60)).padStart(2, '0')}${String(second % 60).padStart(2, '0')}`;
  const lon = (14.4 - second * 0.001).toFixed(4);
  return [
    nmeaSentence(`GPRMC,${t}.00,A,4735.4000,N,035${lon},W,1.0,90,180626,,`),
    nmeaSentence('SDDPT,6.00,0.30'),
    nmeaSentence('IIMTW,14.2,C'),
  ].join('');
}

beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  waterId = h.mine.waters[0]?.id as string;
  line = good;
  server = createServer((socket) => {
    open.add(socket);
    let second = 0;
    const timer = setInterval(() => socket.write(line(second++)), 5);
    socket.on('close', () => {
      clearInterval(timer);
      open.delete(socket);
    });
    socket.on('error', () => undefined);
  });
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
  await h.owner.query(`insert into instrument (id, outfit_id, boat_id, water_id, name, address) values ($1, $2, $3, $4, 'Sounder', $5)`, [
    randomUUID(),
    h.mine.outfit.id,
    h.mine.boats[0]?.id,
    waterId,
    `127.0.0.1:${(server.address() as AddressInfo).port}`,
  ]);
  h.clock.set(TEST_NOW);
  stop = await listenToInstruments({
    source: h.source,
    clock: h.clock,
    defaultAddress: null,
    storeEveryMs: 60,
    changed: (outfitId, topics) => tellChange(h.deps, outfitId, topics, { briefs: false }),
    retryMs: 40,
    allowPrivate: true,
    lookEveryMs: 50,
  });
});
afterAll(async () => {
  stop();
  for (const s of open) s.destroy();
  server.close();
  await h.close();
});

const view = async () =>
  (
    await captain.get(
      `/waters/${waterId}/state?from=${new Date(TEST_NOW - 3_600_000).toISOString()}&to=${new Date(TEST_NOW).toISOString()}`,
    )
  ).body;
async function until(test: () => Promise<boolean>): Promise<void> {
  for (let i = 0; i < 200; i++) {
    if (await test()) return;
    await new Promise((r) => setTimeout(r, 50));
  }
  throw new Error('it did not come to that within ten seconds');
}
const instrument = async () => (await view()).instruments[0];
const soundings = async () => (await captain.get(`/waters/${waterId}/soundings`)).body.depthM as number[];

describe("a boat's instrument", () => {
  it('is heard: a reading a minute and soundings to datum', async () => {
    await until(async () => (await soundings()).length > 20 && (await view()).record.waterTempC !== null);
    const s = await view();
    expect(s.instruments[0]).toMatchObject({ name: 'Sounder', lastError: null });
    expect(s.record.waterTempC.value.at(-1)).toBeCloseTo(14.2, 6);
    // 6.0 m under the transducer, which hangs 0.3 m deep, less the height of tide.
    const level = waterStateOf(s.record).levelAt?.(Date.UTC(2026, 5, 18, 19, 20)) ?? 0;
    expect((await soundings())[0]).toBeCloseTo(6.3 - level, 1);
  });

  it('reaches a chart that was asked for before, also from a server that keeps its answers', async () => {
    const keeping = createApp({ ...h.deps, keepsAnswers: true });
    const Cookie = await h.cookieOf(emailOf(h.mine, 'captain'));
    const heard = async () => {
      const answer = await keeping.request(`/api/waters/${waterId}/soundings`, { headers: { Cookie } });
      return ((await answer.json()) as { depthM: number[] }).depthM.length;
    };
    const first = await heard();
    await until(async () => (await heard()) > first);
  });

  it('that talks garbage is named, and nothing of it is taken', async () => {
    line = () => 'complete nonsense\r\n$GPRMC,1,2,3*00\r\n';
    await until(async () => /garbled/.test((await instrument()).lastError ?? ''));
    const before = (await soundings()).length;
    await new Promise((r) => setTimeout(r, 300));
    expect((await soundings()).length).toBe(before);
  });

  it('whose clock runs ahead is not believed', async () => {
    line = (second) => {
      const t = `2320${String(second % 60).padStart(2, '0')}`;
      return nmeaSentence(`GPRMC,${t}.00,A,4735.4000,N,03514.4000,W,1.0,90,180626,,`) + nmeaSentence('SDDPT,6.00,0.30');
    };
    await until(async () => /clock runs ahead/.test((await instrument()).lastError ?? ''));
  });

  it('that vanishes is tried again and heard when it is back', async () => {
    line = good;
    await until(async () => (await instrument()).lastError === null);
    for (const s of open) s.destroy();
    await until(async () => open.size > 0);
    await until(async () => (await instrument()).lastError === null);
    expect((await instrument()).lastHeardAt).not.toBeNull();
  });

  it('that is given by its address is heard without a new start, and not any more once it is taken out', async () => {
    const port = (server.address() as AddressInfo).port;
    const id = randomUUID();
    const given = { id, boatId: h.mine.boats[1]?.id, waterId, name: 'Tender', address: `localhost:${port}`, transducerM: 0.2 };
    expect(await captain.post('/instruments', { ...given, address: 'no port' })).toMatchObject({
      status: 400,
      body: { fields: [{ field: 'address' }] },
    });
    expect((await captain.post('/instruments', given)).status).toBe(200);
    const listed = async () =>
      ((await captain.get('/instruments')).body as { id: string; lastHeardAt: string | null }[]).find((i) => i.id === id);
    await until(async () => (await listed())?.lastHeardAt != null);
    expect(open.size).toBe(2);
    expect((await captain.post(`/instruments/${id}/retire`)).status).toBe(200);
    await until(async () => open.size === 1);
    expect(await listed()).toBeUndefined();
  });

  it('that would lead into the server’s own network is not asked where its keeper has not allowed it', async () => {
    const port = (server.address() as AddressInfo).port;
    const given = { id: randomUUID(), boatId: h.mine.boats[1]?.id, waterId, name: 'Inside', transducerM: 0 };
    for (const host of ['127.0.0.1', 'localhost', '[::1]']) {
      expect((await captain.post('/instruments', { ...given, address: `${host}:${port}` })).status).toBe(200);
      const before = open.size;
      const quick = { storeEveryMs: 60, retryMs: 40, changed: async () => undefined };
      const stranger = await listenToInstruments({ source: h.source, clock: h.clock, defaultAddress: null, ...quick });
      await new Promise((r) => setTimeout(r, 250));
      // The one that was allowed hears at most once more; this one never.
      expect(open.size).toBeLessThanOrEqual(before + 1);
      stranger();
    }
    await captain.post(`/instruments/${given.id}/retire`);
  });
});

describe('an instrument that is wired to a computer aboard', () => {
  const make = async () => {
    const id = randomUUID();
    const [boat] = h.mine.boats;
    const body = { id, boatId: boat?.id, waterId, name: 'Sounder by cable', address: 'cable', transducerM: 0.4 };
    expect((await captain.post('/instruments', body)).status).toBe(200);
    return id;
  };
  /** So many minutes of sentences from an hour of 18 June on. */
  const minutes = (hour: number, n: number) =>
    Array.from({ length: n * 6 }, (_, k) => {
      const [m, s] = [Math.floor(k / 6), (k % 6) * 10];
      const t = `${String(hour).padStart(2, '0')}${String(m).padStart(2, '0')}${String(s).padStart(2, '0')}`;
      const lon = (14.4 - k * 0.001).toFixed(4);
      return [`GPRMC,${t}.00,A,4735.4000,N,035${lon},W,1.0,90,180626,,`, 'SDDPT,6.00,0.30', `IIMTW,${(14 + m / 10).toFixed(1)},C`];
    }).flatMap((three) => three.map((body) => nmeaSentence(body).trim()));
  const stored = async (id: string) => {
    const [row] = await h.owner.query(
      `select (select count(*)::int from reading where instrument_id = $1) as readings,
         (select coalesce(sum(cardinality(depth_m)), 0)::int from survey where instrument_id = $1) as soundings`,
      [id],
    );
    return row;
  };

  it('has what its computer heard stored once, though it is sent again or sent by halves', async () => {
    const id = await make();
    const lines = minutes(14, 4);
    const first = await captain.post(`/instruments/${id}/heard`, { lines: lines.slice(0, 36) });
    expect(first).toMatchObject({ status: 200, body: { heardTo: '2026-06-18T14:01:50.000Z', garbled: 0 } });
    expect(await stored(id)).toEqual({ readings: 1, soundings: 12 });
    expect((await captain.post(`/instruments/${id}/heard`, { lines: lines.slice(0, 36) })).status).toBe(200);
    expect(await stored(id)).toEqual({ readings: 1, soundings: 12 });
    await Promise.all([0, 1].map(() => captain.post(`/instruments/${id}/heard`, { lines: lines.slice(18) })));
    expect(await stored(id)).toEqual({ readings: 3, soundings: 24 });
    const [reading] = await h.owner.query('select value, at from reading where instrument_id = $1 order by at limit 1', [id]);
    expect(reading).toEqual({ value: 14, at: new Date('2026-06-18T14:00:30.000Z') });
    const list = (await captain.get('/instruments')).body as { id: string; lastHeardAt: string; lastError: string | null }[];
    expect(list.find((i) => i.id === id)).toMatchObject({ address: 'cable', lastHeardAt: '2026-06-18T14:03:50.000Z', lastError: null });
  });
  it('is refused where its clock runs ahead, told where the wire is bad, and heard by its own crew’s captains alone', async () => {
    const id = await make();
    const ahead = await captain.post(`/instruments/${id}/heard`, {
      lines: [nmeaSentence('GPRMC,140000.00,A,4735.4,N,03514.4,W,1.0,90,180636,,').trim()],
    });
    expect(ahead).toMatchObject({ status: 400, body: { detail: expect.stringContaining('its clock runs ahead of ours') } });
    const bad = await captain.post(`/instruments/${id}/heard`, { lines: Array.from({ length: 40 }, () => '$SDDPT,6.0#,0.30*4A') });
    expect(bad.body).toEqual({ heardTo: null, garbled: 40 });
    const list = (await captain.get('/instruments')).body as { id: string; lastError: string | null }[];
    expect(list.find((i) => i.id === id)?.lastError).toBe('40 of 40 lines are garbled');
    const mate = await h.signIn(emailOf(h.mine, 'mate'));
    const stranger = await h.signIn(emailOf(h.other, 'captain'));
    expect((await mate.post(`/instruments/${id}/heard`, { lines: ['x'] })).status).toBe(403);
    expect((await stranger.post(`/instruments/${id}/heard`, { lines: ['x'] })).status).toBe(404);
    // One that is reached by the network takes nothing from a browser.
    const [{ id: wired }] = await h.owner.query(`select id from instrument where outfit_id = $1 and address <> 'cable' limit 1`, [
      h.mine.outfit.id,
    ]);
    expect((await captain.post(`/instruments/${wired}/heard`, { lines: ['x'] })).status).toBe(404);
  });
});

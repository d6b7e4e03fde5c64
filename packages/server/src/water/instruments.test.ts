import { randomUUID } from 'node:crypto';
import { type AddressInfo, createServer, type Server, type Socket } from 'node:net';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { nmeaSentence } from '@bluffwind/core/formats/nmea';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
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
      const stranger = await listenToInstruments({ source: h.source, clock: h.clock, defaultAddress: null, storeEveryMs: 60, retryMs: 40 });
      await new Promise((r) => setTimeout(r, 250));
      // The one that was allowed hears at most once more; this one never.
      expect(open.size).toBeLessThanOrEqual(before + 1);
      stranger();
    }
    await captain.post(`/instruments/${given.id}/retire`);
  });
});

import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';
import { latestRun, pollStations } from './poll';
import { stationClient } from './stationClient';

const HOUR = 3_600_000;
const iso = (ms: number) => new Date(ms).toISOString();
let h: Harness;
let captain: Client;
let server: Server;
let answer: (path: string, query: URLSearchParams) => { status?: number; body: string };

beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  server = createServer((req, res) => {
    const url = new URL(req.url ?? '/', 'http://x');
    const mine = url.pathname.startsWith(`/${h.mine.stations[0]?.path}/`);
    const { status = 200, body } = mine ? answer(url.pathname.split('/')[2] ?? '', url.searchParams) : { status: 404, body: '{}' };
    res.writeHead(status, { 'Content-Type': 'application/json' }).end(body);
  });
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
});
afterAll(async () => {
  server.close();
  await h.close();
});

const client = () => stationClient(`http://127.0.0.1:${(server.address() as AddressInfo).port}`);
const state = async () =>
  (await captain.get(`/waters/${h.mine.waters[0]?.id}/state?from=${iso(TEST_NOW - 30 * HOUR)}&to=${iso(TEST_NOW + 30 * HOUR)}`)).body;

/** A good station: hourly wind and water temperature, one spike of 40 C. */
function good(path: string, q: URLSearchParams) {
  if (path === 'forecast') {
    const run = Date.parse(q.get('run') as string);
    const times = Array.from({ length: 48 }, (_, i) => iso(run + i * HOUR));
    const members = [0, 1, 2].map((member) => ({
      member,
      variables: { windMps: times.map(() => 5 + member), windFromDeg: times.map(() => 350 + member * 5), waterTempC: times.map(() => 14) },
    }));
    return { body: JSON.stringify({ station: 'x', run: q.get('run'), times, members }) };
  }
  const readings: object[] = [];
  for (let t = Math.ceil(Date.parse(q.get('from') as string) / HOUR) * HOUR; t <= Date.parse(q.get('to') as string); t += HOUR) {
    const spike = t === Math.floor(TEST_NOW / HOUR) * HOUR - 5 * HOUR;
    readings.push({ at: iso(t), variable: 'waterTempC', value: spike ? 33 : 13 + ((t / HOUR) % 7) / 10 });
    readings.push({ at: iso(t), variable: 'windMps', value: 3 + ((t / HOUR) % 5) / 5 }, { at: iso(t), variable: 'windFromDeg', value: 90 });
    readings.push({ at: iso(t), variable: 'unheardOf', value: 1 });
  }
  readings.push({ at: iso(TEST_NOW + 9 * HOUR), variable: 'waterTempC', value: 15 });
  return { body: JSON.stringify({ station: 'x', readings }) };
}

describe('stations', () => {
  it('survives one that is silent, lying or malformed, and says so on the screen', async () => {
    for (const [body, status, error] of [
      ['<html>', 200, /not valid JSON|Unexpected token/],
      ['{"station":"x","readings":[{"at":"yesterday","variable":"windMps","value":3}]}', 200, /not usable at readings\.0\.at/],
      [
        '{"station":"x","readings":[{"at":"2026-06-18T10:00:00Z","variable":"windMps","value":"3"}]}',
        200,
        /not usable at readings\.0\.value/,
      ],
      ['{}', 503, /answered 503/],
    ] as const) {
      answer = () => ({ status, body });
      await pollStations(h.source, client(), TEST_NOW, { firstMs: 0, longestMs: 0 });
      expect((await state()).stations[0].lastError).toMatch(error);
    }
    expect((await state()).record.wind).toBeNull();
    expect((await state()).stations[0]).toMatchObject({ failures: 4, lastGoodAt: null });
  });

  it('leaves one that fails alone for longer and longer, and says when it is tried next', async () => {
    let asked = 0;
    answer = () => {
      asked++;
      return { status: 503, body: '{}' };
    };
    const step = { firstMs: 60_000, longestMs: 240_000 };
    const at = async (ms: number) => {
      await pollStations(h.source, client(), TEST_NOW + ms, step);
      return Date.parse((await state()).stations[0].nextTryAt) - TEST_NOW - ms;
    };
    // Four failures before: 16 minutes would be next, four are the most.
    expect(await at(0)).toBe(240_000);
    const before = asked;
    await at(60_000);
    expect(asked).toBe(before);
    expect(await at(240_001)).toBe(240_000);
    expect(asked).toBe(before + 1);
    await h.owner.query('update station set next_try_at = null');
  });

  it('stores readings and a forecast with its members once it answers, and forgets the error', async () => {
    answer = good;
    const { stored, outfits } = await pollStations(h.source, client(), TEST_NOW);
    // A new forecast changes what briefs say.
    expect(outfits).toContain(h.mine.outfit.id);
    expect(stored).toBeGreaterThan(300);
    const s = await state();
    expect(s.stations[0].lastError).toBeNull();
    expect(s.forecastRunAt).toBe(iso(latestRun(TEST_NOW)));
    expect(Math.max(...s.windSpread.high)).toBeCloseTo(7, 6);
    expect(s.record.wind.east.forecastFrom).toBeLessThan(s.record.wind.east.atMs.length);
  });

  it('never shows a value that failed its checks, and counts it', async () => {
    const s = await state();
    expect(Math.max(...s.record.waterTempC.value)).toBeLessThan(16);
    expect(s.stations[0].failed).toEqual([expect.objectContaining({ variable: 'waterTempC', count: 1 })]);
    const [row] = await h.owner.query(
      `select count(*)::int as n from reading where water_id = $1 and variable = 'waterTempC' and flag = 4`,
      [h.mine.waters[0]?.id],
    );
    expect(row.n).toBe(1);
  });

  it('takes nothing from the future and nothing it does not know', async () => {
    const rows = await h.owner.query(`select count(*)::int as n from reading where water_id = $1 and (at > $2 or variable = 'unheardOf')`, [
      h.mine.waters[0]?.id,
      iso(TEST_NOW),
    ]);
    expect(rows[0].n).toBe(0);
  });

  it('stores the same answer only once', async () => {
    expect(await pollStations(h.source, client(), TEST_NOW)).toMatchObject({ stored: 0, outfits: [] });
  });
});

describe('several sources of one variable', () => {
  it('do not swing the line: another fills gaps of the believed one only, and the crew is always taken', async () => {
    const insert = (source: string, minutes: number, value: number) =>
      h.owner.query(
        `insert into reading (outfit_id, water_id, source, variable, at, value, flag, import_id)
         values ($1, $2, $3, 'waterTempC', $4, $5, 1, $6)`,
        [h.mine.outfit.id, h.mine.waters[0]?.id, source, iso(TEST_NOW - minutes * 60_000), value, source === 'import' ? importId : null],
      );
    const importId = randomUUID();
    await h.owner.query(
      `insert into import (id, outfit_id, water_id, kind, file_name, made_at, made_by, stored, known, refused)
       values ($1, $2, $3, 'readings', 'x.csv', now(), $4, 2, 0, 0)`,
      [importId, h.mine.outfit.id, h.mine.waters[0]?.id, h.mine.people[0]?.id],
    );
    const temps = async (): Promise<number[]> => (await state()).record.waterTempC.value;
    // Between two hourly readings of the station, and from days before it was asked at all.
    await insert('import', 10 * 60 + 25, 9.1);
    await insert('import', 7.5 * 24 * 60, 9.2);
    expect(await temps()).not.toContain(9.1);
    expect(
      (await captain.get(`/waters/${h.mine.waters[0]?.id}/state?from=${iso(TEST_NOW - 8 * 24 * HOUR)}&to=${iso(TEST_NOW)}`)).body.record
        .waterTempC.value,
    ).toContain(9.2);
    await insert('crew', 11 * 60 + 25, 12.9);
    expect(await temps()).toContain(12.9);
  });
});

describe('crew readings', () => {
  const post = (body: object) => captain.post(`/waters/${h.mine.waters[0]?.id}/readings`, body);
  it('are stored with who saw them', async () => {
    expect(
      (await post({ id: '0197f3f0-0000-7000-8000-000000000001', variable: 'clarityM', at: iso(TEST_NOW - HOUR), value: 2.4 })).status,
    ).toBe(200);
    expect((await state()).crewReadings.at(-1)).toMatchObject({ value: 2.4, by: 'captain' });
  });
  it('are refused out of range, from the future, or for what is not read by hand', async () => {
    const id = '0197f3f0-0000-7000-8000-000000000002';
    const at = iso(TEST_NOW - HOUR);
    expect((await post({ id, variable: 'waterTempC', at, value: 60 })).body.fields[0].field).toBe('value');
    expect((await post({ id, variable: 'waterTempC', at: iso(TEST_NOW + HOUR), value: 14 })).body.fields[0]).toEqual({
      field: 'at',
      message: 'in the future',
    });
    expect((await post({ id, variable: 'mood', at, value: 1 })).status).toBe(400);
  });
  it('are of every variable that the registry says is typed, drawn with the others though no model reads it, and of none else', async () => {
    const id = '0197f3f0-0000-7000-8000-000000000003';
    const at = iso(TEST_NOW - 2 * HOUR);
    expect((await post({ id, variable: 'oxygenMgl', at, value: 8.4 })).status).toBe(200);
    expect((await state()).record.others.oxygenMgl).toMatchObject({ value: [8.4], forecastFrom: 1 });
    const wrong = await post({ id: randomUUID(), variable: 'oxygenMgl', at, value: 45 });
    expect(wrong.body.fields[0]).toEqual({ field: 'value', message: '0.0 mg/l to 20.0 mg/l' });
    expect((await post({ id: randomUUID(), variable: 'thunder', at, value: 1 })).body.fields[0].field).toBe('variable');
    expect((await post({ id: randomUUID(), variable: 'note', at })).status).toBe(400);
  });
  it('asks for a span that makes sense', async () => {
    const answer = await captain.get(`/waters/${h.mine.waters[0]?.id}/state?from=${iso(TEST_NOW)}&to=${iso(TEST_NOW - 1)}`);
    expect(answer.body).toMatchObject({ code: 'invalid', fields: [{ field: 'to' }] });
  });
});

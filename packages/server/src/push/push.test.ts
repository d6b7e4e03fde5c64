// Notices as a browser receives them: read by a stand-in that is written from the RFCs, not from the sender.
import { createECDH, randomUUID } from 'node:crypto';
import { decrypt, openPushService, type PushService } from '@bluffwind/sim/pushService';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { createApp } from '../app';
import { handlersOf } from '../jobs/handlers';
import { lookForOverdue } from '../mail/overdueNotices';
import { emailOf, type Harness, startHarness } from '../testing/harness';
import { iso } from '../testing/validBodies';
import type { PushJob } from './job';
import { pushKeys } from './keys';

let h: Harness;
let service: PushService;
let deps: Harness['deps'];
let app: ReturnType<typeof createApp>;
let publicKey = '';
let jobs: PushJob[] = [];

beforeAll(async () => {
  h = await startHarness();
  service = await openPushService(() => publicKey);
  ({ publicKey } = await pushKeys(h.source));
  deps = {
    ...h.deps,
    // The stand-in stands on loopback.
    config: { ...h.deps.config, privateStations: true },
    jobs: {
      ...h.deps.jobs,
      send: async (entities, name, data) => {
        if (name === 'push') jobs.push(data as PushJob);
        else await h.deps.jobs.send(entities, name, data);
      },
    },
  };
  app = createApp(deps);
});
beforeEach(() => {
  jobs = [];
  service.answerWith(201);
});
afterAll(async () => {
  await service.close();
  await h.close();
});

const cookies = new Map<string, string>();
async function as(email: string, path: string, body?: object) {
  const cookie = cookies.get(email) ?? (await h.cookieOf(email));
  cookies.set(email, cookie);
  const headers = { Cookie: cookie, 'Content-Type': 'application/json', 'User-Agent': 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0)' };
  const answer = await app.request(`/api${path}`, body ? { method: 'POST', headers, body: JSON.stringify(body) } : { headers });
  return {
    status: answer.status,
    body: (await answer.json()) as never as { devices: { id: string }[]; code?: string; publicKey?: string },
  };
}
/** Sends what waits; gives what the browser has shown of it. */
async function shown() {
  const before = service.shown.length;
  for (const job of jobs.splice(0)) await handlersOf(deps).push(job);
  return service.shown.slice(before).map((text) => JSON.parse(text));
}
const [owner, mate, captain] = [() => emailOf(h.mine, 'owner'), () => emailOf(h.mine, 'mate'), () => emailOf(h.mine, 'captain')];
const subscribe = (email: string, more: object = {}) => as(email, '/me/push', { id: randomUUID(), ...service.device, ...more });

describe('the stand-in of a browser’s push service', () => {
  it('reads the worked example of RFC 8291, section 5', () => {
    const browser = createECDH('prime256v1');
    browser.setPrivateKey('q1dXpw3UpT5VOmu_cf_v6ih07Aems3njxI-JWgLcM94', 'base64url');
    expect(browser.getPublicKey('base64url')).toBe(
      'BCVxsr7N_eNgVRqvHtD0zTZsEc6-VV-JvLexhqUzORcxaOzi6-AYWXvTBHm4bjyPjs7Vd8pZGH6SRpkNtoIAiw4',
    );
    const message =
      'DGv6ra1nlYgDCS1FRnbzlwAAEABBBP4z9KsN6nGRTbVYI_c7VJSPQTBtkgcy27mlmlMoZIIgDll6e3vCYLocInmYWAmS6TlzAC8wEqKK6PBru3jl7A_yl95bQpu6cVPTpK4Mqgkf1CXztLVBSt2Ks3oZwbuwXPXLWyouBWLVWGNWQexSgSxsj_Qulcy4a-fN';
    const auth = Buffer.from('BTBZMqHH6r4Tts7J_aSIgg', 'base64url');
    expect(decrypt(Buffer.from(message, 'base64url'), browser, auth)).toBe('When I grow up, I want to be a watermelon');
  });
});

describe('a device that is told', () => {
  it('is added once, tried, and told no more when it is taken away; nobody else sees or touches it', async () => {
    expect((await as(owner(), '/me/push')).body).toEqual({ publicKey, devices: [] });
    expect((await subscribe(owner())).status).toBe(200);
    expect((await subscribe(owner())).status).toBe(200);
    const { devices } = (await as(owner(), '/me/push')).body;
    expect(devices).toMatchObject([{ endpoint: service.device.endpoint, device: expect.stringContaining('Linux') }]);
    const id = devices[0]?.id as string;
    expect((await as(mate(), '/me/push')).body.devices).toEqual([]);
    for (const to of ['try', 'remove']) expect((await as(mate(), `/me/push/${id}/${to}`, {})).status).toBe(404);
    expect((await as(owner(), `/me/push/${id}/try`, {})).status).toBe(200);
    expect(await shown()).toEqual([{ title: h.mine.outfit.name, body: 'Notices of the crew come here.', path: '/settings', tag: 'try' }]);
    expect(service.refused).toEqual([]);
    expect((await as(owner(), `/me/push/${id}/try`, {})).status).toBe(200);
    expect((await as(owner(), `/me/push/${id}/remove`, {})).status).toBe(200);
    expect(await shown()).toEqual([]);
  });
  it('is refused at an address within this network, in clear text, and with keys that are none', async () => {
    // By the usual configuration.
    const usual = createApp(h.deps);
    const headers = { Cookie: await h.cookieOf(owner()), 'Content-Type': 'application/json' };
    for (const [more, says] of [
      [{ endpoint: 'https://127.0.0.1:9/x' }, 'endpoint'],
      [{ endpoint: 'https://[::1]/x' }, 'endpoint'],
      [{ endpoint: 'https://169.254.169.254/latest' }, 'endpoint'],
      [{ endpoint: 'http://push.example/x' }, 'endpoint'],
      [{ endpoint: 'https://u:p@push.example/x' }, 'endpoint'],
      [{ endpoint: 'file:///etc/passwd' }, 'endpoint'],
      [{ endpoint: 'https://push.example/x', p256dh: 'short' }, 'p256dh'],
      [{ endpoint: 'https://push.example/x', auth: 'no base64 url at all!' }, 'auth'],
    ] as const) {
      const body = JSON.stringify({ id: randomUUID(), ...service.device, ...more });
      const answer = await usual.request('/api/me/push', { method: 'POST', headers, body });
      expect(answer.status, JSON.stringify(more)).toBe(400);
      expect(((await answer.json()) as { fields: { field: string }[] }).fields.map((f) => f.field)).toContain(says);
    }
  });
  it('that is gone is forgotten; one that cannot be reached now is tried again', async () => {
    await subscribe(owner());
    const id = (await as(owner(), '/me/push')).body.devices[0]?.id as string;
    service.answerWith(503);
    await as(owner(), `/me/push/${id}/try`, {});
    await expect(shown()).rejects.toThrow('it answers 503');
    expect((await as(owner(), '/me/push')).body.devices).toHaveLength(1);
    service.answerWith(410);
    await as(owner(), `/me/push/${id}/try`, {});
    expect(await shown()).toEqual([]);
    expect((await as(owner(), '/me/push')).body.devices).toEqual([]);
  });
  it('is told nothing more once the session in which it was added is ended, by sign-out or from afar', async () => {
    const left = async (email: string) => (await as(email, '/me/push')).body.devices.length;
    await subscribe(mate());
    expect(await left(mate())).toBe(1);
    // Ended from another device of the same person, all but that one.
    cookies.delete(mate());
    expect((await as(mate(), '/sessions/end', { id: null })).status).toBe(200);
    expect(await left(mate())).toBe(0);
    await subscribe(mate());
    expect((await as(mate(), '/sign-out', {})).status).toBe(200);
    cookies.delete(mate());
    expect(await left(mate())).toBe(0);
    // Another's device stays.
    await subscribe(owner());
    await subscribe(mate());
    expect((await as(mate(), '/sign-out', {})).status).toBe(200);
    cookies.delete(mate());
    expect(await left(owner())).toBe(1);
    await h.owner.query('delete from push_device where outfit_id = $1', [h.mine.outfit.id]);
  });
  it('has no more than twenty of one person', async () => {
    for (let n = 0; n < 20; n++) expect((await subscribe(mate(), { endpoint: `https://push.example/${n}` })).status).toBe(200);
    expect(await subscribe(mate(), { endpoint: 'https://push.example/20' })).toMatchObject({ status: 400 });
    await h.owner.query('delete from push_device where outfit_id = $1', [h.mine.outfit.id]);
  });
});

describe('the server’s key', () => {
  it('is one for all its processes, though both ask first at the same moment, and no outfit’s role reads it', async () => {
    const all = await Promise.all([pushKeys(h.source), pushKeys(h.source), pushKeys(h.source)]);
    expect(new Set(all.map((k) => k.privateKey)).size).toBe(1);
    expect(await h.source.query('select * from push_key')).toEqual([]);
    await expect(h.source.query(`insert into push_key values (false, 'a', 'b')`)).rejects.toThrow(/permission|policy/);
  });
});

describe('what devices are told', () => {
  const tripId = () => h.mine.trips.at(-1)?.id as string;
  const start = () => Date.parse(h.mine.trips.at(-1)?.startsAt as string);
  const at = (min: number) => iso(start() + min * 60_000);
  const send = async (...entries: object[]) =>
    as(captain(), `/deck/${tripId()}/entries`, { entries: entries.map((e) => ({ entryId: randomUUID(), ...e })) });
  const look = () => lookForOverdue(h.source, deps.jobs, h.clock.now(), { mail: false });

  it('is a boat that is overdue, once and without a mail server, and that it is back; not who is aboard, and not who wants none', async () => {
    await subscribe(owner());
    await subscribe(captain());
    const left = { kind: 'depart', done: [], left: [], signedBy: 'Captain', ashore: 'the harbour office' };
    h.clock.set(start() + 5 * 60_000);
    await send({ kind: 'begin-trip', at: at(0) }, { ...left, at: at(1), dueAt: at(60) });
    await look();
    expect(await shown()).toEqual([]);
    h.clock.set(start() + 61 * 60_000);
    await look();
    const came = await shown();
    expect(came).toHaveLength(1);
    expect(came[0].title).toMatch(/^OVERDUE: /);
    expect(came[0]).toMatchObject({ path: '/', tag: `boat ${tripId()}` });
    for (const s of h.mine.spots) expect(JSON.stringify(came)).not.toContain(s.name);
    await Promise.all([look(), look()]);
    expect(await shown()).toEqual([]);
    h.clock.set(start() + 66 * 60_000);
    await send({ kind: 'end-trip', at: at(65) });
    await look();
    expect((await shown()).map((w) => w.title)).toEqual([expect.stringMatching(/ is back$/)]);
    const { settings } = (await as(owner(), '/me')).body as never as { settings: object };
    expect((await as(owner(), '/me/settings', { ...settings, push: { overdue: false, brief: true } })).status).toBe(200);
    h.clock.set(start() + 70 * 60_000);
    await h.owner.query(`update trip set status = 'under way', ended_at = null where id = $1`, [tripId()]);
    await h.owner.query('update departure set due_at = $2 where trip_id = $1', [tripId(), new Date(start() + 69 * 60_000)]);
    await look();
    expect(await shown()).toEqual([]);
  });

  it('is the brief of a day on which one goes out, not to who sent it', async () => {
    await h.owner.query(`delete from push_device where outfit_id = $1`, [h.mine.outfit.id]);
    await subscribe(captain());
    const day = at(0).slice(0, 10);
    expect((await as(captain(), `/brief/${day}/publish`, {})).status).toBe(200);
    expect(await shown()).toEqual([]);
    expect((await as(owner(), `/brief/${day}/publish`, {})).status).toBe(200);
    expect(await shown()).toEqual([
      { title: expect.stringMatching(/^Brief for /), body: h.mine.outfit.name, path: `/brief/${day}?as=published`, tag: `brief ${day}` },
    ]);
  });
});

// Two servers on one database: what is changed by the one is heard at the other, by the people of that outfit and by nobody else.
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app';
import { emailOf, type Harness, startHarness, testDatabase } from '../testing/harness';
import { type Changes, hearChanges } from './changes';

let h: Harness;
let changes: Changes;
let second: ReturnType<typeof createApp>;

beforeAll(async () => {
  h = await startHarness();
  changes = await hearChanges(testDatabase().appUrl, pino({ level: 'silent' }));
  second = createApp({ ...h.deps, changes });
});
afterAll(async () => {
  await changes.close();
  await h.close();
});

/** Opens a screen's stream at the second server; `next` gives its next event, or null when none comes within the time. */
async function screen(email: string) {
  const stop = new AbortController();
  const response = await second.request('/api/events', { headers: { Cookie: await h.cookieOf(email) }, signal: stop.signal });
  const reader = (response.body as ReadableStream<Uint8Array>).getReader();
  const waiting: string[] = [];
  let wake = () => {};
  let over = false;
  void (async () => {
    for (;;) {
      const { done, value } = await reader.read().catch(() => ({ done: true, value: undefined }));
      over = done;
      if (value) waiting.push(...new TextDecoder().decode(value).split('\n\n').filter(Boolean));
      wake();
      if (done) return;
    }
  })();
  return {
    status: response.status,
    async next(ms = 5000): Promise<{ event: string; data: string } | null> {
      const until = Date.now() + ms;
      while (waiting.length === 0 && !over && Date.now() < until)
        await Promise.race([new Promise<void>((r) => (wake = r)), new Promise((r) => setTimeout(r, until - Date.now()))]);
      const text = waiting.shift();
      if (text === undefined) return null;
      const line = (name: string) =>
        text
          .split('\n')
          .find((l) => l.startsWith(`${name}: `))
          ?.slice(name.length + 2) ?? '';
      return { event: line('event'), data: line('data') };
    },
    close: () => reader.cancel(),
  };
}

describe('changes told to screens', () => {
  it('reach people of the outfit on the other server, with a count that rises, and nobody else', async () => {
    const [mate, foreign] = [await screen(emailOf(h.mine, 'mate')), await screen(emailOf(h.other, 'owner'))];
    const start = await mate.next();
    expect(start?.event).toBe('listening');
    expect((await foreign.next())?.event).toBe('listening');
    const owner = await h.signIn(emailOf(h.mine, 'owner'));
    const { id } = h.mine.boats[0] as { id: string };
    expect((await owner.post(`/boats/${id}/refills`, { id: randomUUID(), at: new Date(h.clock.now()).toISOString() })).status).toBe(200);
    const told = await mate.next();
    expect(told?.event).toBe('changed');
    expect(told?.data).toBe(`${Number(start?.data) + 1} trips`);
    expect(await foreign.next(400)).toBeNull();
    await mate.close();
    await foreign.close();
  });
  it('that nobody could hear while the connection was lost make every screen read again', async () => {
    const owner = await screen(emailOf(h.mine, 'owner'));
    await owner.next();
    const [{ n }] = await h.owner.query(
      `select count(pg_terminate_backend(pid))::int as n from pg_stat_activity where query ilike 'listen outfit_changed%'`,
    );
    expect(n).toBeGreaterThan(0);
    expect(await owner.next(8000)).toEqual({ event: 'changed', data: '' });
    await h.changed();
    expect((await owner.next())?.data).toMatch(/^\d+ [a-z,]+$/);
    await owner.close();
  });
  it('are not told without a session', async () => {
    expect((await second.request('/api/events')).status).toBe(401);
  });
  it('are told to eight screens of one person at once; a ninth is sent away for a minute', async () => {
    const email = emailOf(h.other, 'captain');
    const open = [];
    for (let i = 0; i < 8; i++) open.push(await screen(email));
    const ninth = await screen(email);
    expect((await ninth.next())?.event).toBe('too-many');
    expect(await ninth.next()).toBeNull();
    for (const s of [...open, ninth]) await s.close();
  });
});

import { afterEach, describe, expect, it, vi } from 'vitest';

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

/** The module anew, so that no test finds the server away because of another. */
async function fresh() {
  vi.resetModules();
  return import('./api');
}

describe('asking the server', () => {
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  it('asks one question after the other while it is away, and all at once when it is back', async () => {
    vi.useFakeTimers();
    const asked = vi.fn(
      async (_: string) => new Response('<html>Bad gateway</html>', { status: 502, headers: { 'Content-Type': 'text/html' } }),
    );
    vi.stubGlobal('fetch', asked);
    const { get, isAway, Offline } = await fresh();
    await expect(get('/me')).rejects.toThrow(Offline);
    expect(isAway()).toBe(true);
    const all = Promise.allSettled(Array.from({ length: 30 }, (_, i) => get(`/x${i}`)));
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked.mock.calls.length).toBeLessThanOrEqual(6);
    asked.mockImplementation(async () => json({ ok: true }));
    await vi.advanceTimersByTimeAsync(2000);
    const ends = await all;
    expect(ends.filter((e) => e.status === 'fulfilled').length).toBeGreaterThanOrEqual(24);
    expect(isAway()).toBe(false);
  });
  it('waits for what is worked out anew where a person goes on to work on it, and tells it of an answer elsewhere', async () => {
    vi.useFakeTimers();
    let n = 0;
    vi.stubGlobal('fetch', async () => {
      const answer = json({ n: ++n });
      answer.headers.set('Bluffwind-Answer', n < 4 ? 'older' : 'current');
      return answer;
    });
    const { get, getCurrent, isOlder } = await fresh();
    expect(isOlder(await get('/trips'))).toBe(true);
    const current = getCurrent<{ n: number }>('/desk');
    await vi.advanceTimersByTimeAsync(3000);
    expect(await current).toEqual({ n: 4 });
    expect(isOlder(await current)).toBe(false);
  });
  it('shows nothing of an answer that broke off on the way, or of the page of a network that wants a sign-in', async () => {
    const asked = vi.fn(async () => new Response('{"trips": [{"id": "a', { headers: { 'Content-Type': 'application/json' } }));
    vi.stubGlobal('fetch', asked);
    const { get, post, isAway, Offline } = await fresh();
    await expect(get('/trips')).rejects.toThrow(Offline);
    expect(isAway()).toBe(true);
    for (const status of [200, 401, 403, 511]) {
      asked.mockImplementation(async () => new Response('<html>Welcome to the harbour network</html>', { status }));
      await expect(post('/deck/a/entries', {})).rejects.toThrow(Offline);
    }
    asked.mockImplementation(async () => json({ status: 401, code: 'not_signed_in', detail: 'Sign in.', remedy: '', fields: [] }, 401));
    await expect(post('/deck/a/entries', {})).rejects.toThrow('Sign in.');
    expect(isAway()).toBe(false);
    asked.mockImplementation(async () => json({ ok: true }));
    await expect(post('/deck/a/entries', {})).resolves.toEqual({ ok: true });
    expect(isAway()).toBe(false);
  });
  it('sends what a person does at once, though the server was away', async () => {
    const asked = vi.fn(async (_: string): Promise<Response> => {
      throw new TypeError('no network');
    });
    vi.stubGlobal('fetch', asked);
    const { get, post } = await fresh();
    await expect(get('/me')).rejects.toThrow('No connection');
    asked.mockImplementation(async () => json({ ok: true }));
    await expect(post('/sessions/end', { id: null })).resolves.toEqual({ ok: true });
  });
  it('puts the figures of sentences into units, of answers and of refusals', async () => {
    const asked = vi.fn(async () => json({ text: 'Wind {wind 7.0} at {clock 06:05}' }));
    vi.stubGlobal('fetch', asked);
    const { get, ApiProblem } = await fresh();
    expect(await get('/board')).toEqual({ text: 'Wind 7.0 m/s at 06:05' });
    asked.mockImplementation(async () => json({ status: 422, detail: 'value: at least {depth 0.5}', remedy: '', fields: [] }, 422));
    const refused = await get('/x').catch((e: unknown) => e);
    expect(refused).toBeInstanceOf(ApiProblem);
    expect((refused as Error).message).toBe('value: at least 0.5 m');
  });
});

// What waits on a phone leaves it trip by trip: one trip that is refused does not keep the others.
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApiProblem, Offline } from '../data/api';

const kept = vi.hoisted(() => ({
  entries: [] as { entryId: string; tripId: string; order: number; state: string; entry: object }[],
  photos: [] as { photoId: string; tripId: string; catchId: null; at: string; data: string; state: string }[],
}));
vi.mock('./store', () => ({
  allWaiting: async () => kept.entries.filter((e) => e.state === 'on this phone'),
  markEntry: async (id: string, state: string) => {
    for (const e of kept.entries) if (e.entryId === id) e.state = state;
  },
  waitingPhotos: async () => kept.photos.filter((p) => p.state === 'on this phone'),
  markPhoto: async (id: string, state: string) => {
    for (const p of kept.photos) if (p.photoId === id) p.state = state;
  },
}));
const post = vi.hoisted(() => vi.fn());
vi.mock('../data/api', async (real) => ({ ...(await real<object>()), post }));
const { sendWaiting } = await import('./sender');

const entry = (entryId: string, tripId: string) => ({ entryId, tripId, order: 0, state: 'on this phone', entry: { entryId } });
const problem = (status: number) => new ApiProblem({ type: '', code: 'x', title: '', status, detail: '', remedy: '', fields: [] });
const all = async (_: string, body: { entries: { entryId: string }[] }) => ({
  receipts: body.entries.map(({ entryId }) => ({ entryId, ok: true, message: '', code: null })),
});
const states = () => kept.entries.map((e) => e.state);
afterEach(() => {
  post.mockReset();
  kept.photos = [];
});

describe('entries that wait on a phone', () => {
  it('of a trip that refuses its person stay, and those of other trips are sent', async () => {
    kept.entries = [entry('1', 'a'), entry('2', 'b'), entry('3', 'b')];
    post.mockImplementation(async (path: string, body: never) => {
      if (path === '/deck/a/entries') throw problem(403);
      return all(path, body);
    });
    expect(await sendWaiting()).toMatchObject({ tripId: 'a' });
    expect(states()).toEqual(['on this phone', 'stored', 'stored']);
  });
  it('stay without a network, and while the server has too much to do', async () => {
    kept.entries = [entry('1', 'a')];
    post.mockRejectedValue(new Offline());
    expect(await sendWaiting()).toBe('no network');
    post.mockRejectedValue(problem(503));
    expect(await sendWaiting()).toBe('later');
    expect(states()).toEqual(['on this phone']);
    post.mockImplementation(all);
    expect(await sendWaiting()).toBe('all');
    expect(states()).toEqual(['stored']);
  });
  it('stay when the answer says nothing of them, or the server does not know their kind', async () => {
    kept.entries = [entry('1', 'a'), entry('2', 'a')];
    post.mockResolvedValue({ receipts: [{ entryId: '1', ok: false, message: 'not known here', code: 'entry_unknown' }] });
    expect(await sendWaiting()).toBe('all');
    expect(states()).toEqual(['on this phone', 'on this phone']);
  });
});

describe('photos that wait on a phone', () => {
  const photo = (photoId: string, tripId: string) => ({ photoId, tripId, catchId: null, at: '', data: '', state: 'on this phone' });
  const shots = () => kept.photos.map((p) => p.state);
  it('go after the entries of their trip, and one that is refused keeps no other', async () => {
    kept.entries = [entry('1', 'a')];
    kept.photos = [photo('p', 'a'), photo('q', 'a')];
    const paths: string[] = [];
    post.mockImplementation(async (path: string, body: never) => {
      paths.push(path);
      if (path === '/deck/a/photos' && (body as { id: string }).id === 'p') throw problem(400);
      return path.endsWith('/entries') ? all(path, body) : { ok: true };
    });
    expect(await sendWaiting()).toBe('all');
    expect(paths).toEqual(['/deck/a/entries', '/deck/a/photos', '/deck/a/photos']);
    expect(shots()).toEqual(['refused', 'stored']);
  });
  it('stay while their fish is not sent, without a network, and while the server has too much to do', async () => {
    kept.entries = [entry('1', 'a')];
    kept.photos = [photo('p', 'a'), photo('q', 'b')];
    post.mockImplementation(async (path: string) => {
      if (path === '/deck/a/entries') throw problem(403);
      return { ok: true };
    });
    await sendWaiting();
    expect(shots()).toEqual(['on this phone', 'stored']);
    kept.entries = [];
    post.mockRejectedValue(problem(503));
    expect(await sendWaiting()).toBe('later');
    post.mockRejectedValue(new Offline());
    expect(await sendWaiting()).toBe('no network');
    expect(shots()).toEqual(['on this phone', 'stored']);
  });
});

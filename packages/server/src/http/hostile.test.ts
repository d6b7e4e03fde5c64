// Bad input of every kind to every route: each is refused with a reason, none fails the server.
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { emailOf, type Harness, startHarness } from '../testing/harness';
import { bodies, fill, makeRows, routes } from '../testing/validBodies';

let h: Harness;
let cookie: string;
beforeAll(async () => {
  h = await startHarness();
  await makeRows(h);
  cookie = await h.cookieOf(emailOf(h.mine, 'owner'));
});
afterAll(() => h.close());

const BAD: readonly unknown[] = [
  null,
  {},
  [],
  [[]],
  true,
  '',
  '\u0000',
  '\ud800',
  'x'.repeat(100_000),
  '0000-01-01T00:00:00Z',
  '9999-12-31T23:59:59Z',
  '+275760-09-13T00:00:00.001Z',
  '2026-02-30',
  "'; drop table trip; --",
  '__proto__',
  -1,
  0,
  1.5,
  2 ** 31,
  2 ** 53,
  1e308,
  -1e308,
  8.64e15 + 1,
];

type Path = readonly (string | number)[];

/** Places of a body: every field, and the first of every list. */
function leaves(value: unknown, path: Path = []): Path[] {
  if (Array.isArray(value)) return [path, ...(value.length > 0 ? leaves(value[0], [...path, 0]) : [])];
  if (typeof value === 'object' && value !== null) return [path, ...Object.entries(value).flatMap(([k, v]) => leaves(v, [...path, k]))];
  return [path];
}

function replaced(value: unknown, [first, ...rest]: Path, by: unknown): unknown {
  if (first === undefined) return by;
  const copy = structuredClone(value) as Record<string | number, unknown>;
  copy[first] = replaced(copy[first], rest, by);
  return copy;
}

const send = (
  path: string,
  method: string,
  body: string | null,
  headers: Record<string, string> = { 'Content-Type': 'application/json' },
) => h.app.request(`/api${path}`, { method, headers: { Cookie: cookie, ...headers }, ...(body === null ? {} : { body }) });

describe('bad input', () => {
  it('at any field of any body is refused with its field and a remedy, and fails nothing', async () => {
    let asked = 0;
    let refused = 0;
    for (const { method, path } of await routes(h)) {
      const valid = bodies(h.mine)[path];
      if (method !== 'POST' || valid === undefined) continue;
      for (const at of leaves(valid))
        for (const bad of BAD) {
          const answer = await send(fill(path, h.mine), method, JSON.stringify(replaced(valid, at, bad)));
          const text = await answer.text();
          const words = `${method} ${path} ${at.join('.')} = ${JSON.stringify(bad)?.slice(0, 60)}: ${answer.status} ${text.slice(0, 300)}`;
          asked++;
          expect(answer.status, words).toBeLessThan(500);
          if (answer.status < 400) continue;
          refused++;
          const problem = JSON.parse(text);
          expect(problem.remedy.length, words).toBeGreaterThan(10);
          if (answer.status === 400) expect(problem.detail.length, words).toBeGreaterThan(5);
        }
    }
    expect(asked).toBeGreaterThan(2500);
    expect(refused).toBeGreaterThan(asked / 2);
  }, 240_000);

  it('in an address is refused', async () => {
    const ids = ['x', '../../etc/passwd', '%00', '%ff', "' or 1=1", '00000000-0000-0000-0000-000000000000', '9'.repeat(400), '-1'];
    for (const { method, path } of await routes(h)) {
      if (!path.includes('{') || method !== 'GET') continue;
      for (const id of ids) {
        const answer = await send(path.replaceAll(/\{[^}]+\}/g, encodeURIComponent(id)), method, null);
        expect(answer.status, `${path} ${id} ${await answer.text()}`).toBeLessThan(500);
        expect(answer.status, `${path} ${id}`).toBeGreaterThanOrEqual(path.includes('/brief/') ? 200 : 400);
      }
    }
  });

  it('of no known kind is refused: types, bodies and depths', async () => {
    const path = fill('/trips/{id}/fit', h.mine);
    const types = ['text/plain', 'application/xml', 'application/json-not', 'multipart/form-data; boundary=x', '\u00e4'];
    for (const type of types) expect((await send(path, 'POST', '{}', { 'Content-Type': type })).status, type).toBeLessThan(500);
    for (const text of ['', '{', 'null', '[', '"', '{"a":'.repeat(50_000), '['.repeat(100_000), '\ufeff{}', '{"__proto__":{"x":1}}']) {
      const answer = await send(path, 'POST', text);
      expect(answer.status, text.slice(0, 20)).toBeGreaterThanOrEqual(400);
      expect(answer.status, text.slice(0, 20)).toBeLessThan(500);
    }
    expect((await send(path, 'POST', null, {})).status).toBe(400);
  });

  it('that is too long is refused before it is read', async () => {
    const answer = await send(fill('/trips/{id}/fit', h.mine), 'POST', JSON.stringify({ x: 'y'.repeat(300_000) }));
    expect(answer.status).toBe(413);
    expect(await answer.json()).toMatchObject({ code: 'too_large', detail: 'at most 256 kB' });
  });

  it('from a page of another site is refused', async () => {
    const headers = { 'Content-Type': 'application/json', Host: 'bluffwind.example', Origin: 'https://elsewhere.example' };
    const answer = await send('/sign-out', 'POST', null, headers);
    expect(await answer.json()).toMatchObject({ code: 'foreign_origin' });
    const own = { ...headers, Origin: 'https://bluffwind.example' };
    expect((await send(fill('/trips/{id}/mates', h.mine), 'POST', JSON.stringify({ personIds: [] }), own)).status).toBe(200);
  });
});

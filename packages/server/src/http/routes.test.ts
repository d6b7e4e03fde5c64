// The one way to add a route: what is answered is cut to its schema, kept while it holds, and refused in order when there is too much.
import { gunzipSync } from 'node:zlib';
import type { Holder } from './who';
import { createRoute, OpenAPIHono, z } from '@hono/zod-openapi';
import { describe, expect, it } from 'vitest';
import { problemOf } from '../errors';
import type { Env } from './context';
import { keptAnswers } from './keptAnswers';
import { answers, jsonBody } from './responses';
import { router } from './routes';
import type { RouteTerms } from './terms';
import { turns } from './turns';

const schema = z.object({ name: z.string(), guests: z.array(z.object({ id: z.string() })) });
const row = { name: 'Pell', medicalNote: 'SECRET', guests: [{ id: 'a', email: 'SECRET' }] };

interface Now {
  version: string;
  topics?: Holder['topics'];
  nowMs: number;
  personId: string;
  readonly program?: boolean;
}

/** A route over a handler, asked as somebody at a time and a count of changes. */
function serve(handler: () => Promise<z.input<typeof schema>>, terms: RouteTerms = {}) {
  const routes = router();
  routes.answer(createRoute({ method: 'get', path: '/party', responses: answers(schema, 'A party') }), handler, terms);
  routes.answer(
    createRoute({
      method: 'post',
      path: '/party',
      request: jsonBody(z.object({ name: z.string() })),
      responses: answers(schema, 'A party'),
    }),
    handler,
    terms,
  );
  const kept = keptAnswers();
  const app = new OpenAPIHono<Env>();
  app.onError((error, c) => c.json(problemOf(error).body(), problemOf(error).status));
  let now: Now = { version: '1', nowMs: 0, personId: 'p' };
  app.use(async (c, next) => {
    c.set('who', { personId: now.personId, outfitId: 'o', role: 'mate', ...(now.program ? { program: true as const } : {}) });
    c.set('version', now.version);
    c.set('topics', now.topics ?? {});
    c.set('nowMs', now.nowMs);
    c.set('answers', kept);
    await next();
  });
  app.route('/', routes.hono);
  return {
    as: (change: Partial<Now>) => {
      now = { ...now, ...change };
    },
    get: (headers: Record<string, string> = {}) => app.request('/party', { headers }),
    wrote: (personId: string) => kept.wrote(personId),
    post: (body: string) => app.request('/party', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body }),
  };
}

describe('an answer', () => {
  it('holds what its schema names, whatever the row holds', async () => {
    for (const terms of [{}, { keptMs: 1000 }]) {
      const app = serve(async () => row, terms);
      for (const answer of [await app.get(), await app.get(), await app.post('{"name":"x"}')]) {
        expect(await answer.json()).toEqual({ name: 'Pell', guests: [{ id: 'a' }] });
      }
    }
  });

  it('that a reader has already is not sent again', async () => {
    const app = serve(async () => row);
    const tag = (await app.get()).headers.get('ETag') as string;
    const again = await app.get({ 'If-None-Match': `"other", W/${tag}` });
    expect([again.status, await again.text()]).toEqual([304, '']);
    expect((await app.get({ 'If-None-Match': '"other"' })).status).toBe(200);
  });

  it('is whole for who has it not, though he waits for it with one who has', async () => {
    let finish = () => {};
    let n = 0;
    const app = serve(
      async () => {
        if (++n > 1) await new Promise<void>((r) => (finish = r));
        return row;
      },
      { keptMs: 1000 },
    );
    const tag = (await app.get()).headers.get('ETag') as string;
    app.as({ version: '2' });
    app.wrote('p');
    const [has, hasNot] = [app.get({ 'If-None-Match': tag }), app.get()];
    await new Promise((r) => setTimeout(r, 20));
    finish();
    expect((await has).status).toBe(304);
    expect([(await hasNot).status, await (await hasNot).json()]).toEqual([200, { name: 'Pell', guests: [{ id: 'a' }] }]);
    // And it is kept: the next is given it at once.
    expect((await app.get()).status).toBe(200);
    expect(n).toBe(2);
  });

  it('that was worked out behind one that stood in for it reaches the next reader as its headers say', async () => {
    let n = 0;
    let finish = () => {};
    const app = serve(
      async () => {
        const mine = ++n;
        if (mine > 1) await new Promise<void>((r) => (finish = r));
        return { name: `Pell ${mine}`, guests: [] };
      },
      { keptMs: 1000 },
    );
    const seen = async (accepts: string) => {
      const answer = await app.get({ 'Accept-Encoding': accepts });
      const sent = Buffer.from(await answer.arrayBuffer());
      const text = (answer.headers.get('Content-Encoding') === 'gzip' ? gunzipSync(sent) : sent).toString();
      return [(JSON.parse(text) as { name: string }).name, answer.headers.get('Content-Encoding')];
    };
    expect(await seen('gzip')).toEqual(['Pell 1', 'gzip']);
    app.as({ version: '2' });
    expect(await seen('gzip')).toEqual(['Pell 1', 'gzip']);
    finish();
    await new Promise((r) => setTimeout(r, 20));
    expect(await seen('gzip')).toEqual(['Pell 2', 'gzip']);
    expect(await seen('identity')).toEqual(['Pell 2', null]);
  });

  it('that takes long to work out anew is the one that was, marked so, until the present one is there', async () => {
    let n = 0;
    const finish: (() => void)[] = [];
    const app = serve(
      async () => {
        const mine = ++n;
        if (mine > 1) await new Promise<void>((r) => finish.push(r));
        return { name: `Pell ${mine}`, guests: [] };
      },
      { keptMs: 1000 },
    );
    const seen = async () => {
      const answer = await app.get();
      return [((await answer.json()) as { name: string }).name, answer.headers.get('Bluffwind-Answer')];
    };
    await app.get();
    expect(await seen()).toEqual(['Pell 1', 'current']);
    app.as({ version: '2' });
    expect(await seen()).toEqual(['Pell 1', 'older']);
    expect(n).toBe(2);
    for (const f of finish.splice(0)) f();
    await new Promise((r) => setTimeout(r, 20));
    expect(await seen()).toEqual(['Pell 2', 'current']);
    // Who has changed something waits for what shows it; another does not.
    app.as({ version: '3' });
    app.wrote('p');
    let settled = false;
    const mine = seen().then((s) => {
      settled = true;
      return s;
    });
    await new Promise((r) => setTimeout(r, 600));
    expect(settled).toBe(false);
    for (const f of finish.splice(0)) f();
    expect(await mine).toEqual(['Pell 3', 'current']);
    // An answer of yesterday stands in for none.
    app.as({ nowMs: 24 * 3_600_000 });
    const today = seen();
    await new Promise((r) => setTimeout(r, 600));
    for (const f of finish.splice(0)) f();
    expect(await today).toEqual(['Pell 4', 'current']);
  });

  it('is made once while it holds: for a person, until a change, and for its time', async () => {
    let made = 0;
    const app = serve(
      async () => {
        made++;
        return row;
      },
      { keptMs: 1000 },
    );
    await Promise.all([app.get(), app.get(), app.get()]);
    await app.get();
    expect(made).toBe(1);
    app.as({ personId: 'q' });
    await app.get();
    expect(made).toBe(2);
    app.as({ version: '2' });
    await app.get();
    expect(made).toBe(3);
    // A program by a key of the same person is told less than he: it is given none of his kept answers.
    app.as({ program: true });
    await app.get();
    expect(made).toBe(4);
    app.as({ program: false });
    await app.get();
    expect(made).toBe(4);
    app.as({ nowMs: 999 });
    await app.get();
    expect(made).toBe(4);
    app.as({ nowMs: 1000 });
    await app.get({ 'Accept-Encoding': 'gzip' });
    expect(made).toBe(5);
    // A failure is not kept.
    let fails = true;
    const other = serve(
      async () => {
        if (fails) throw new Error('x');
        return row;
      },
      { keptMs: 1000 },
    );
    expect((await other.get()).status).toBe(500);
    fails = false;
    expect((await other.get()).status).toBe(200);
  });

  it('is refused to a body over its length, before the handler is asked', async () => {
    let asked = 0;
    const app = serve(
      async () => {
        asked++;
        return row;
      },
      { maxBytes: 100 },
    );
    expect((await app.post(JSON.stringify({ name: 'x'.repeat(100) }))).status).toBe(413);
    expect((await app.post('{"name":"a\\ud800"}')).status).toBe(400);
    expect(asked).toBe(0);
  });
});

describe('turns', () => {
  it('let so many of one outfit work at once, in order, and another at its side; one too many is told to come again', async () => {
    const inTurn = turns({ atOnce: 2, waiting: 2 });
    const order: string[] = [];
    const open: (() => void)[] = [];
    const work = (name: string) => () =>
      new Promise<void>((done) => {
        order.push(name);
        open.push(done);
      });
    const all = ['a1', 'a2', 'a3', 'a4'].map((n) => inTurn('a', work(n)));
    await Promise.resolve();
    await expect(inTurn('a', work('a5'))).rejects.toMatchObject({ code: 'busy', retryAfterS: 2 });
    all.push(inTurn('b', work('b1')));
    await new Promise((r) => setTimeout(r, 5));
    expect(order).toEqual(['a1', 'a2', 'b1']);
    while (open.length > 0) {
      open.shift()?.();
      await new Promise((r) => setTimeout(r, 5));
    }
    await Promise.all(all);
    expect(order).toEqual(['a1', 'a2', 'b1', 'a3', 'a4']);
  });
});

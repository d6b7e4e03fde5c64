import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import { OpenAPIHono } from '@hono/zod-openapi';
import { compress } from 'hono/compress';
import { secureHeaders } from 'hono/secure-headers';
import { readCookie, SESSION } from './auth/cookies';
import { beginRoutes } from './auth/beginRoutes';
import { publicPasskeyRoutes } from './auth/passkeyRoutes';
import { publicAuthRoutes } from './auth/routes';
import { whoHolds } from './auth/session';
import { changedTogether, tellChange } from './changed';
import type { EntityManager } from 'typeorm';
import { missingMigrations } from './db/connect';
import { inOutfit } from './db/database';
import { inOutfitOfCopy } from './db/replica';
import { Problem, problemOf } from './errors';
import { FEATURES } from './features';
import { eventRoutes } from './events/routes';
import type { Deps, Env } from './http/context';
import { keyIn, whoHasKey } from './keys/holder';
import { publicReports } from './reports/routes';
import { calendarFeed } from './trips/calendarFeed';
import { keptAnswers, takesGzip, unpack } from './http/keptAnswers';
import type { ThreadAnswer } from './threads/messages';
import { turns } from './http/turns';

/** Headers that the answer depends on. */
const PASSED = ['Content-Type', 'Host', 'Origin'];
/** Requests of one outfit that may wait for their turn. */
const MOST_WAITING = 400;

/** The HTTP application. */
export function createApp(deps: Deps) {
  const app = new OpenAPIHono<Env>();
  const changedOften = changedTogether(deps, deps.markEveryMs);
  const kept = keptAnswers();
  const inTurn = turns({ atOnce: Math.max(2, Math.ceil(deps.config.databasePool * 0.6)), waiting: MOST_WAITING });
  if (deps.metrics) app.use(deps.metrics.watch);
  app.use(
    secureHeaders({
      // Styles from scripts: charts and map set element styles.
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
        objectSrc: ["'none'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        fontSrc: ["'self'", 'data:'],
      },
      strictTransportSecurity: deps.config.secureCookies ? 'max-age=31536000' : false,
    }),
  );
  app.onError((error, c) => {
    const problem = problemOf(error);
    if (problem.code === 'internal') deps.log.error({ err: withoutValues(error), path: c.req.path }, 'request failed');
    if (problem.retryAfterS !== null) c.header('Retry-After', String(problem.retryAfterS));
    return c.body(JSON.stringify(problem.body()), problem.status, { 'Content-Type': 'application/problem+json' });
  });
  app.use('*', compress({ threshold: 2048 }));
  app.use('/api/*', async (c, next) => {
    c.header('Cache-Control', 'no-store');
    const sends = c.req.method !== 'GET' && c.req.method !== 'HEAD';
    if (sends) requireOwnOrigin(c.req.header('Origin'), c.req.header('Host'), c.req.header('Sec-Fetch-Site'));
    // JSON only: a form on a foreign page cannot send it without asking first.
    const type = c.req.header('Content-Type');
    if (sends && type !== undefined && !/^application\/json\s*(;|$)/i.test(type))
      throw new Problem('invalid', `Content-Type: expected application/json, got ${type.slice(0, 80)}`);
    await next();
  });
  // Alive: the process answers. Ready: its database does, with the schema that this version expects.
  app.get('/api/health', (c) => c.json({ ok: true }));
  app.get('/api/ready', async (c) => {
    const waiting = await missingMigrations(deps.source).catch(() => null);
    if (waiting === null) throw new Problem('busy', 'The database does not answer.', [], 5);
    if (waiting.length > 0) throw new Problem('busy', `The database lacks the migrations ${waiting.join(', ')}; run "migrate".`, [], 60);
    return c.json({ ok: true });
  });
  app.doc31('/api/openapi.json', { openapi: '3.1.0', info: { title: 'Bluffwind', version: '0.3.0' } });
  app.route('/api', publicAuthRoutes(deps).hono);
  app.route('/api', publicPasskeyRoutes(deps).hono);
  app.route('/api', beginRoutes(deps).hono);
  app.route('/api', calendarFeed(deps));
  app.route('/api', publicReports(deps));

  app.use('/api/*', async (c, next) => {
    const token = readCookie(c, SESSION, deps.config);
    const key = keyIn(c.req.header('Authorization'));
    const holder = deps.inThread
      ? c.env.holder
      : key !== null
        ? await whoHasKey(deps.source, key, c.req.method, c.req.path.slice('/api'.length), deps.clock.now())
        : token
          ? await whoHolds(deps.source, token, deps.clock.now())
          : null;
    if (!holder) throw new Problem('not_signed_in');
    const { sessionId, version, topics, ...who } = holder;
    c.set('version', version);
    c.set('topics', topics);
    if (deps.keepsAnswers) c.set('answers', kept);
    c.set('nowMs', deps.clock.now());
    c.set('who', who);
    c.set('sessionId', sessionId);
    // One transaction a request, seeing one outfit, opened when all that was sent is read and checked; an error in it leaves nothing.
    c.set('within', (work) =>
      inTurn(who.outfitId, () => {
        const bound = (entities: EntityManager) => {
          c.set('entities', entities);
          return work();
        };
        return deps.copy && c.req.method === 'GET'
          ? inOutfitOfCopy(deps.copy, deps.source, { ...who, version }, bound)
          : inOutfit(deps.source, who.outfitId, bound, who);
      }),
    );
    c.set('changed', (of, often) => (often ? changedOften(who.outfitId, of) : tellChange(deps, who.outfitId, of)));
    const { threads } = deps;
    if (threads)
      c.set('elsewhere', async (body) => {
        const headers = Object.fromEntries(PASSED.flatMap((h) => (c.req.header(h) === undefined ? [] : [[h, c.req.header(h) as string]])));
        const asked = { method: c.req.method, url: c.req.url, headers, body, holder, nowMs: deps.clock.now() };
        const answer = await threads.ask(asked, c.get('nobodyWaits'));
        return packed(c.req.header('Accept-Encoding'), answer);
      });
    await next();
    if (c.req.method !== 'GET') kept.wrote(who.personId);
  });
  for (const { routes } of FEATURES) for (const routesOf of routes) app.route('/api', routesOf(deps).hono);
  app.route('/api', eventRoutes(deps));
  app.all('/api/*', () => {
    throw new Problem('not_found', 'No such address.');
  });
  const { webRoot } = deps.config;
  if (webRoot) {
    app.use('/assets/*', async (c, next) => {
      await next();
      if (c.res.status === 200) c.header('Cache-Control', 'public, max-age=31536000, immutable');
    });
    app.use('/*', serveStatic({ root: path.relative(process.cwd(), webRoot) }));
    app.all('/assets/*', (c) => c.text('No such file; reload the page to get the present version.', 404));
    app.get('/*', async (c) => c.html(await readFile(path.join(webRoot, 'index.html'), 'utf8')));
  }
  return app;
}

/** Refuses what another site's page sends. Programs that are no browsers send neither header. */
function requireOwnOrigin(origin: string | undefined, host: string | undefined, site: string | undefined): void {
  const foreign = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host);
  if (foreign || site === 'cross-site') throw new Problem('foreign_origin');
}

/** An answer packed by a thread, unpacked only for a client that cannot. */
async function packed(accepts: string | undefined, { status, headers, gzip }: ThreadAnswer): Promise<Response> {
  if (gzip === null) return new Response(null, { status, headers });
  if (takesGzip(accepts)) return new Response(gzip, { status, headers: { ...headers, 'Content-Encoding': 'gzip' } });
  return new Response(new Uint8Array(await unpack(gzip)), { status, headers });
}

/** An error for the log: without the values that a query was given, which are people's names, notes and keys. */
function withoutValues(error: unknown): unknown {
  if (!(error instanceof Error)) return 'not an error';
  const { code, constraint, table, query } = { ...error, ...(error as { driverError?: object }).driverError } as Record<string, unknown>;
  const frames = error.stack
    ?.split('\n')
    .filter((l) => /^\s+at /.test(l))
    .slice(0, 8);
  const isDatabase = query !== undefined || code !== undefined;
  return { name: error.name, message: isDatabase ? undefined : error.message, code, constraint, table, query, stack: frames };
}

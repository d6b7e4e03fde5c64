import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import { bodyLimit } from 'hono/body-limit';
import { getCookie } from 'hono/cookie';
import { HTTPException } from 'hono/http-exception';
import { secureHeaders } from 'hono/secure-headers';
import { authRoutes, COOKIE, publicAuthRoutes } from './auth/routes';
import { whoHolds } from './auth/session';
import { briefRoutes } from './brief/routes';
import { inOutfit } from './db/database';
import { deckRoutes } from './deck/routes';
import { Problem, problemOfDatabase } from './errors';
import { chartRoutes } from './grounds/chartRoutes';
import { groundsRoutes } from './grounds/routes';
import { spotRoutes } from './grounds/spotRoutes';
import { type Deps, router } from './http/context';
import { importRoutes } from './imports/routes';
import { logRoutes } from './log/routes';
import { planRoutes } from './plan/routes';
import { presentationRoutes } from './presentations/routes';
import { boatRoutes } from './trips/boatRoutes';
import { fitRoutes } from './trips/fitRoutes';
import { riskRoutes } from './trips/riskRoutes';
import { tripRoutes } from './trips/routes';
import { waterRoutes } from './water/routes';

const MAX_BODY = 2 * 1024 * 1024;
/** Files are parsed on the device and come as rows. */
const MAX_IMPORT = 32 * 1024 * 1024;

/** The HTTP application. */
export function createApp(deps: Deps) {
  const app = router();
  app.use(
    secureHeaders({
      // Styles from scripts: charts and map set element styles.
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
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
    if (problem.code === 'internal') deps.log.error({ err: error, path: c.req.path }, 'request failed');
    return c.body(JSON.stringify(problem.body()), problem.status, { 'Content-Type': 'application/problem+json' });
  });
  const limited = (maxSize: number) =>
    bodyLimit({
      maxSize,
      onError: () => {
        throw new Problem('too_large', `at most ${maxSize / 1024 / 1024} MB`);
      },
    });
  const [small, large] = [limited(MAX_BODY), limited(MAX_IMPORT)];
  app.use('/api/*', (c, next) => (/^\/api\/waters\/[^/]+\/imports\//.test(c.req.path) ? large(c, next) : small(c, next)));
  app.use('/api/*', async (c, next) => {
    c.header('Cache-Control', 'no-store');
    // JSON only: a form on a foreign page cannot send it without asking first.
    const sends = c.req.method !== 'GET' && c.req.method !== 'HEAD';
    const type = c.req.header('Content-Type');
    if (sends && type !== undefined && !type.startsWith('application/json'))
      throw new Problem('invalid', `Content-Type: expected application/json, got ${type}`);
    await next();
  });
  app.get('/api/health', async (c) => {
    await deps.source.query('select 1');
    return c.json({ ok: true });
  });
  app.doc31('/api/openapi.json', { openapi: '3.1.0', info: { title: 'Bluffwind', version: '0.3.0' } });
  app.route('/api', publicAuthRoutes(deps));

  app.use('/api/*', async (c, next) => {
    const token = getCookie(c, COOKIE);
    const who = token ? await whoHolds(deps.source, token, deps.clock.now()) : null;
    if (!who) throw new Problem('not_signed_in');
    c.set('who', who);
    // One transaction a request, seeing one outfit; an error anywhere in it leaves nothing behind.
    await inOutfit(
      deps.source,
      who.outfitId,
      async (entities) => {
        c.set('entities', entities);
        await next();
        if (c.error) throw c.error;
      },
      who,
    );
  });
  for (const routes of [
    authRoutes,
    tripRoutes,
    waterRoutes,
    importRoutes,
    groundsRoutes,
    spotRoutes,
    chartRoutes,
    planRoutes,
    presentationRoutes,
    fitRoutes,
    boatRoutes,
    riskRoutes,
    deckRoutes,
    briefRoutes,
    logRoutes,
  ])
    app.route('/api', routes(deps));
  app.all('/api/*', () => {
    throw new Problem('not_found', 'No such address.');
  });
  const { webRoot } = deps.config;
  if (webRoot) {
    app.use('/assets/*', async (c, next) => {
      await next();
      c.header('Cache-Control', 'public, max-age=31536000, immutable');
    });
    app.use('/*', serveStatic({ root: path.relative(process.cwd(), webRoot) }));
    app.get('/*', async (c) => c.html(await readFile(path.join(webRoot, 'index.html'), 'utf8')));
  }
  return app;
}

function problemOf(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof HTTPException)
    return new Problem(error.status === 400 ? 'invalid' : error.status === 404 ? 'not_found' : 'internal', error.message);
  return problemOfDatabase(error) ?? new Problem('internal');
}

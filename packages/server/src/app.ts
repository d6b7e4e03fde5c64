import { OpenAPIHono } from '@hono/zod-openapi';
import { compress } from 'hono/compress';
import { beginRoutes } from './auth/beginRoutes';
import { publicPasskeyRoutes } from './auth/passkeyRoutes';
import { publicAuthRoutes } from './auth/routes';
import { Problem } from './errors';
import { eventRoutes } from './events/routes';
import { FEATURES } from './features';
import type { Deps, Env } from './http/context';
import { failing } from './http/failing';
import { browserHeaders, ownPagesOnly } from './http/guards';
import { healthRoutes } from './http/health';
import { signedIn } from './http/signedIn';
import { webFiles } from './http/webFiles';
import { publicReports } from './reports/routes';
import { calendarFeed } from './trips/calendarFeed';

/** The HTTP application. What is routed before `signedIn` needs no session. */
export function createApp(deps: Deps) {
  const app = new OpenAPIHono<Env>();
  if (deps.metrics) app.use(deps.metrics.watch);
  app.use(browserHeaders(deps.config.secureCookies));
  app.onError(failing(deps.log));
  app.use('*', compress({ threshold: 2048 }));
  app.use('/api/*', ownPagesOnly);
  app.route('/api', healthRoutes(deps));
  app.doc31('/api/openapi.json', { openapi: '3.1.0', info: { title: 'Bluffwind', version: '0.3.0' } });
  app.route('/api', publicAuthRoutes(deps).hono);
  app.route('/api', publicPasskeyRoutes(deps).hono);
  app.route('/api', beginRoutes(deps).hono);
  app.route('/api', calendarFeed(deps));
  app.route('/api', publicReports(deps));

  app.use('/api/*', signedIn(deps));
  for (const { routes } of FEATURES) for (const routesOf of routes) app.route('/api', routesOf(deps).hono);
  app.route('/api', eventRoutes(deps));
  app.all('/api/*', () => {
    throw new Problem('not_found', 'No such address.');
  });
  if (deps.config.webRoot) app.route('/', webFiles(deps.config.webRoot));
  return app;
}

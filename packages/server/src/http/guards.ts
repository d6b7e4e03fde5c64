// What stands before every route: headers for browsers, and what is refused before anything is read.
import type { MiddlewareHandler } from 'hono';
import { secureHeaders } from 'hono/secure-headers';
import { Problem } from '../errors';
import type { Env } from './context';

/** Headers that bind a browser to this origin. @param secure - Served over TLS: browsers are told to ask for nothing else. */
export const browserHeaders = (secure: boolean): MiddlewareHandler<Env> =>
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
    strictTransportSecurity: secure ? 'max-age=31536000' : false,
  });

/** Refuses what another site's page sends, and what is not JSON: a form on a foreign page cannot send JSON without asking first. */
export const ownPagesOnly: MiddlewareHandler<Env> = async (c, next) => {
  c.header('Cache-Control', 'no-store');
  if (c.req.method !== 'GET' && c.req.method !== 'HEAD') {
    requireOwnOrigin(c.req.header('Origin'), c.req.header('Host'), c.req.header('Sec-Fetch-Site'));
    const type = c.req.header('Content-Type');
    if (type !== undefined && !/^application\/json\s*(;|$)/i.test(type))
      throw new Problem('invalid', `Content-Type: expected application/json, got ${type.slice(0, 80)}`);
  }
  await next();
};

/** Programs that are no browsers send neither header. */
function requireOwnOrigin(origin: string | undefined, host: string | undefined, site: string | undefined): void {
  const foreign = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host);
  if (foreign || site === 'cross-site') throw new Problem('foreign_origin');
}

import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import type { Env } from './context';

/** The files of the web application. Addresses of its screens are answered with its page. */
export function webFiles(root: string): Hono<Env> {
  const app = new Hono<Env>();
  app.use('/assets/*', async (c, next) => {
    await next();
    if (c.res.status === 200) c.header('Cache-Control', 'public, max-age=31536000, immutable');
  });
  app.use('/*', serveStatic({ root: path.relative(process.cwd(), root) }));
  app.all('/assets/*', (c) => c.text('No such file; reload the page to get the present version.', 404));
  app.get('/*', async (c) => c.html(await readFile(path.join(root, 'index.html'), 'utf8')));
  return app;
}

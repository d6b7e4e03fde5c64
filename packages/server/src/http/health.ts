import { Hono } from 'hono';
import { missingMigrations } from '../db/connect';
import { Problem } from '../errors';
import type { Deps, Env } from './context';

/** Alive: the process answers. Ready: its database does, with the schema that this version expects. */
export function healthRoutes({ source }: Deps): Hono<Env> {
  const app = new Hono<Env>();
  app.get('/health', (c) => c.json({ ok: true }));
  app.get('/ready', async (c) => {
    const waiting = await missingMigrations(source).catch(() => null);
    if (waiting === null) throw new Problem('busy', 'The database does not answer.', [], 5);
    if (waiting.length > 0) throw new Problem('busy', `The database lacks the migrations ${waiting.join(', ')}; run "migrate".`, [], 60);
    return c.json({ ok: true });
  });
  return app;
}

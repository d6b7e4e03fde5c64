// Tells a screen that something of the outfit has changed; what it is, the screen asks for by the usual ways.
import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { changesSoFar } from '../changed';
import { Problem } from '../errors';
import type { Deps, Env } from '../http/context';

/** A screen asks again after so long, and shows its session again. */
const OPEN_MS = 5 * 60_000;
/** Proxies close what is silent for a minute. */
const SIGN_OF_LIFE_MS = 25_000;

/** Server-sent events: `changed` with the count of the outfit's changes and the topics of this one, or with nothing when
 * some may have been missed. */
export function eventRoutes({ changes, source }: Deps): Hono<Env> {
  const app = new Hono<Env>();
  app.get('/events', (c) => {
    if (!changes) throw new Problem('busy', 'Changes are not told here.', [], 60);
    const { outfitId, personId } = c.get('who');
    return streamSSE(c, async (stream) => {
      let end = () => {};
      const ended = new Promise<void>((resolve) => {
        end = resolve;
      });
      const timers = [
        setTimeout(end, OPEN_MS),
        setInterval(() => void stream.writeSSE({ event: 'alive', data: '' }).catch(end), SIGN_OF_LIFE_MS),
      ];
      const stop = changes.listen({
        outfitId,
        personId,
        onChange: (change) =>
          void stream.writeSSE({ event: 'changed', data: change ? `${change.version} ${change.topics}` : '' }).catch(end),
        onEnd: end,
      });
      stream.onAbort(end);
      // What happened before this screen listened, it asks for now.
      try {
        if (!stop) return await stream.writeSSE({ event: 'too-many', data: '', retry: 60_000 });
        // Counted now that this screen listens: what was changed since the request came is in the count or is heard.
        await stream.writeSSE({ event: 'listening', data: await changesSoFar(source, outfitId), retry: 3000 });
        await ended;
      } finally {
        for (const t of timers) clearInterval(t);
        stop?.();
      }
    });
  });
  return app;
}

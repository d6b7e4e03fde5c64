// Who asks, and what his request may do: see one outfit, in one transaction.
import type { Context, MiddlewareHandler } from 'hono';
import type { EntityManager } from 'typeorm';
import { readCookie, SESSION } from '../auth/cookies';
import { whoHolds } from '../auth/session';
import { changedTogether, tellChange } from '../changed';
import { inOutfit } from '../db/database';
import { inOutfitOfCopy } from '../db/replica';
import { Problem } from '../errors';
import { keyIn, whoHasKey } from '../keys/holder';
import type { ThreadAnswer } from '../threads/messages';
import type { Deps, Env } from './context';
import { keptAnswers, takesGzip, unpack } from './keptAnswers';
import { turns } from './turns';

/** Headers that the answer depends on. */
const PASSED = ['Content-Type', 'Host', 'Origin'];
/** Requests of one outfit that may wait for their turn. */
const MOST_WAITING = 400;

/** Lets in who holds a session or a key, and gives the routes what belongs to him. Throws Problem for all others. */
export function signedIn(deps: Deps): MiddlewareHandler<Env> {
  const changedOften = changedTogether(deps, deps.markEveryMs);
  const kept = keptAnswers();
  const inTurn = turns({ atOnce: Math.max(2, Math.ceil(deps.config.databasePool * 0.6)), waiting: MOST_WAITING });
  return async (c, next) => {
    const holder = await holderOf(c, deps);
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
        return packed(c.req.header('Accept-Encoding'), await threads.ask(asked, c.get('nobodyWaits')));
      });
    await next();
    if (c.req.method !== 'GET') kept.wrote(who.personId);
  };
}

/** Who holds the key or the session that came with a request; null where neither is good. In a thread the request comes with its holder. */
async function holderOf(c: Context<Env>, { config, source, clock, inThread }: Deps) {
  if (inThread) return c.env.holder;
  const key = keyIn(c.req.header('Authorization'));
  if (key !== null) return whoHasKey(source, key, c.req.method, c.req.path.slice('/api'.length), clock.now());
  const token = readCookie(c, SESSION, config);
  return token ? whoHolds(source, token, clock.now()) : null;
}

/** An answer packed by a thread, unpacked only for a client that cannot. */
async function packed(accepts: string | undefined, { status, headers, gzip }: ThreadAnswer): Promise<Response> {
  if (gzip === null) return new Response(null, { status, headers });
  if (takesGzip(accepts)) return new Response(gzip, { status, headers: { ...headers, 'Content-Encoding': 'gzip' } });
  return new Response(new Uint8Array(await unpack(gzip)), { status, headers });
}

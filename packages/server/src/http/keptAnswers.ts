// Answers of this process that still hold: the same person asks for the same again, and nothing that it was made from has changed since.
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import type { Context } from 'hono';
import { LRUCache } from 'lru-cache';
import type { Env, KeptAnswers } from './context';

const pack = promisify(gzip);
export const unpack = promisify(gunzip);
const MOST_BYTES = 40 * 1024 * 1024;
/** How long a reader waits for an answer that is worked out anew before he gets the one that was, ms. */
const PATIENCE_MS = 400;
/** How long after its time an answer may still stand in for the next, by the server's clock, ms. */
const STANDS_IN_MS = 600_000;
/** Answers of one outfit that are worked out anew at once; what more has changed waits until it is asked for again. */
const MOST_ANEW = 24;

/** Says of an answer whether it is the one that was, while the present one is worked out: whoever shows it asks again. */
export const ANSWER_IS = 'Bluffwind-Answer';

interface Kept {
  readonly version: string;
  readonly atMs: number;
  /** When it was begun, by the process's own clock, ms. */
  readonly begunMs: number;
  readonly tag: string;
  readonly packed: Buffer;
}

/** An answer that is being worked out. */
interface Making {
  readonly outfitId: string;
  readonly made: Promise<Kept | Response>;
  /** Nobody waits for it: everyone who has asked was given the one that was. */
  behind: boolean;
}

export function keptAnswers(): KeptAnswers {
  const cache = new LRUCache<string, Kept>({ maxSize: MOST_BYTES, sizeCalculation: (k) => k.packed.length + 200 });
  const making = new Map<string, Making>();
  /** When people last changed something: what was begun before is not shown to them any more. */
  const wrote = new LRUCache<string, number>({ max: 10_000 });
  return {
    wrote(personId) {
      wrote.set(personId, performance.now());
    },
    async answer(c, { keptMs = 0, keptFor = 'person', from }, make) {
      const url = new URL(c.req.url);
      const { personId, outfitId, role, program } = c.get('who');
      const key = `${keptFor === 'person' ? `${personId} ${program ? 'program' : role}` : outfitId} ${url.pathname}${url.search}`;
      const nowMs = c.get('nowMs');
      const version = from ? from.map((t) => c.get('topics')[t] ?? 0).join('.') : c.get('version');
      const known = cache.get(key);
      const age = known ? Math.abs(nowMs - known.atMs) : 0;
      if (known && known.version === version && age < keptMs) return respond(c, known);
      const older = known && age < keptMs + STANDS_IN_MS && known.begunMs > (wrote.get(personId) ?? 0) ? known : null;
      const turn = `${version} ${key}`;
      let at = making.get(turn);
      if (at) at.behind &&= older !== null;
      else {
        if (older && [...making.values()].filter((m) => m.outfitId === outfitId).length >= MOST_ANEW) return respond(c, older, 'older');
        const begunMs = performance.now();
        c.set('nobodyWaits', () => at?.behind ?? older !== null);
        const made = make().then(async (response): Promise<Kept | Response> => {
          const tag = response.headers.get('ETag');
          if (response.status !== 200 || tag === null) return response;
          const kept: Kept = { version, atMs: nowMs, begunMs, tag, packed: await packedBody(response) };
          // One that was begun later may be there already.
          if ((cache.peek(key)?.begunMs ?? 0) <= begunMs) cache.set(key, kept);
          return kept;
        });
        at = { outfitId, made, behind: older !== null };
        making.set(turn, at);
        void made.catch(() => undefined).finally(() => making.delete(turn));
      }
      const { made } = at;
      const result = await (older ? Promise.race([made, waited(PATIENCE_MS)]) : made);
      if (result === 'late') return respond(c, older as Kept, 'older');
      return result instanceof Response ? result.clone() : respond(c, result);
    },
  };
}

async function waited(ms: number): Promise<'late'> {
  await new Promise((r) => setTimeout(r, ms).unref());
  return 'late';
}

async function respond(c: Context<Env>, { tag, packed }: Kept, is: 'current' | 'older' = 'current'): Promise<Response> {
  c.header(ANSWER_IS, is);
  c.header('ETag', tag);
  c.header('Cache-Control', 'private, no-cache');
  c.header('Vary', 'Cookie, Accept-Encoding');
  if (matches(c.req.header('If-None-Match'), tag)) return c.body(null, 304);
  c.header('Content-Type', 'application/json');
  if (takesGzip(c.req.header('Accept-Encoding'))) {
    c.header('Content-Encoding', 'gzip');
    return c.body(new Uint8Array(packed));
  }
  return c.body(new Uint8Array(await unpack(packed)));
}

/** Whether a client takes packed answers. */
export const takesGzip = (accepts: string | undefined): boolean => /\bgzip\b/.test(accepts ?? '');

/** A thread has packed its answer already. */
async function packedBody(response: Response): Promise<Buffer> {
  return response.headers.get('Content-Encoding') === 'gzip'
    ? Buffer.from(await response.arrayBuffer())
    : pack(await response.text(), { level: 4 });
}

/** Whether a reader has an answer already, by the tag that he was given with it. */
export function matches(header: string | undefined, tag: string): boolean {
  return header?.split(',').some((k) => k.trim().replace(/^W\//, '') === tag) ?? false;
}

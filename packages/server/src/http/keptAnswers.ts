// Answers of this process that still hold: the same person asks for the same again, and nothing that it was made from has changed since.
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import type { Context } from 'hono';
import { LRUCache } from 'lru-cache';
import type { Env, KeptAnswers } from './context';

const pack = promisify(gzip);
export const unpack = promisify(gunzip);
const MOST_BYTES = 40 * 1024 * 1024;

interface Kept {
  readonly version: string;
  readonly atMs: number;
  readonly tag: string;
  readonly packed: Buffer;
}

export function keptAnswers(): KeptAnswers {
  const cache = new LRUCache<string, Kept>({ maxSize: MOST_BYTES, sizeCalculation: (k) => k.packed.length + 200 });
  const making = new Map<string, Promise<Kept | Response>>();
  return {
    async answer(c, { keptMs = 0, keptFor = 'person', from }, make) {
      const url = new URL(c.req.url);
      const { personId, outfitId, role, program } = c.get('who');
      const key = `${keptFor === 'person' ? `${personId} ${program ? 'program' : role}` : outfitId} ${url.pathname}${url.search}`;
      const nowMs = c.get('nowMs');
      const version = from ? from.map((t) => c.get('topics')[t] ?? 0).join('.') : c.get('version');
      const known = cache.get(key);
      if (known && known.version === version && Math.abs(nowMs - known.atMs) < keptMs) return respond(c, known);
      const turn = `${version} ${key}`;
      let made = making.get(turn);
      if (!made) {
        made = make().then(async (response): Promise<Kept | Response> => {
          const tag = response.headers.get('ETag');
          if (response.status !== 200 || tag === null) return response;
          const kept: Kept = { version, atMs: nowMs, tag, packed: await packedBody(response) };
          cache.set(key, kept);
          return kept;
        });
        making.set(turn, made);
        void made.catch(() => undefined).finally(() => making.delete(turn));
      }
      const result = await made;
      return result instanceof Response ? result.clone() : respond(c, result);
    },
  };
}

async function respond(c: Context<Env>, { tag, packed }: Kept): Promise<Response> {
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

// The only way to add a route: what it is asked is read and checked before a transaction is opened, what it answers is cut to its
// schema, and both stand in the published description of the API.
import { createHash } from 'node:crypto';
import { OpenAPIHono, type RouteConfig, type RouteHandler, type z } from '@hono/zod-openapi';
import { bodyLimit } from 'hono/body-limit';
import type { Context, MiddlewareHandler } from 'hono';
import { ALL_TOPICS, changedIn, type Topic } from '../db/topics';
import { Problem } from '../errors';
import { type Env, invalid } from './context';
import { matches } from './keptAnswers';
import type { RouteTerms } from './terms';
import { turns } from './turns';

/** A route with a schema for its answer. */
type Answered = RouteConfig & {
  readonly responses: { readonly 200: { readonly content: { readonly 'application/json': { readonly schema: z.ZodType } } } };
};
type SchemaOf<R extends Answered> = R['responses'][200]['content']['application/json']['schema'];
/** What a handler gives back: at least what the schema asks for; all else is cut off. */
export type AnswerOf<R extends Answered> = z.input<SchemaOf<R>>;
type ContextOf<R extends Answered> = Parameters<RouteHandler<R, Env>>[0];

/** Longest body of a route that says nothing else, bytes. */
const MAX_BODY = 256 * 1024;

/** Routes of a feature. */
export interface Routes {
  /** Mounted by the application. */
  readonly hono: OpenAPIHono<Env>;
  /** Addresses of the answers that are kept, with what they are made from. */
  readonly kept: readonly { readonly path: string; readonly from: readonly Topic[] }[];
  answer<R extends Answered>(route: R, handler: (c: ContextOf<R>) => AnswerOf<R> | Promise<AnswerOf<R>>, terms?: RouteTerms): void;
}

/** A router whose validation failures are problem documents that name each field. */
export function router(): Routes {
  const hono = new OpenAPIHono<Env>({
    defaultHook: (result) => {
      if (!result.success) throw invalid(result.error.issues);
    },
  });
  const kept: { path: string; from: readonly Topic[] }[] = [];
  return {
    hono,
    kept,
    answer<R extends Answered>(route: R, handler: (c: ContextOf<R>) => AnswerOf<R> | Promise<AnswerOf<R>>, terms: RouteTerms = {}) {
      const { schema } = route.responses[200].content['application/json'];
      if (terms.keptMs !== undefined) kept.push({ path: route.path, from: terms.from ?? ALL_TOPICS });
      const answering = async (c: ContextOf<R>) => {
        const within = terms.ownTransactions ? undefined : c.get('within');
        const answers = terms.keptMs !== undefined && c.req.method === 'GET' ? c.get('answers') : undefined;
        const made = async () => {
          const writes = c.req.method !== 'GET';
          let topics: readonly Topic[] = ALL_TOPICS;
          const work = async () => {
            const value = await handler(c);
            if (writes) topics = await changedIn(c.get('entities'));
            return value;
          };
          const value = await (within ? within(work) : handler(c));
          if (writes && topics.length > 0) await c.get('changed')?.(topics, terms.often === true);
          const said = schema.parse(value);
          // One that is kept is for others too, who may not have it yet: each is told by himself what he has.
          return answers ? presentKept(said) : unlessKnown(c, present(c, said));
        };
        return answers ? answers.answer(c as Context<Env>, terms, made) : made();
      };
      // The answer's own type is the schema's, which the library cannot see through a parse.
      hono.openapi({ ...route, middleware: taken(terms) } as R, answering as never);
    },
  };
}

/** How long a body may take to arrive, ms; a file has longer. */
const BODY_MS = 20_000;
const FILE_MS = 120_000;
/** Bodies of the size of files that are held in memory at once. */
const files = turns({ atOnce: 3, waiting: 6 });
const filesOfOutfit = turns({ atOnce: 1, waiting: 2 });

/** Escapes of a half of a character, or of NUL, which no text can hold. */
const ESCAPED = /\\u(?:d[89a-f]|0000)/i;

/** Throws Problem naming the first text that cannot be stored. */
function requireWritable(text: string): void {
  const bad = (value: unknown, path: string): string | null => {
    if (typeof value === 'string') return value.isWellFormed() && !value.includes('\0') ? null : path;
    if (typeof value !== 'object' || value === null) return null;
    for (const [k, v] of Object.entries(value)) {
      const at = bad(k, path === '' ? 'a name' : path) ?? bad(v, path === '' ? k : `${path}.${k}`);
      if (at !== null) return at;
    }
    return null;
  };
  let field: string | null = null;
  try {
    field = bad(JSON.parse(text), '');
  } catch {
    // Not JSON, or nested without end: told as that by the check of the body.
    return;
  }
  if (field !== null)
    throw new Problem('invalid', `${field}: it holds a character that cannot be stored; type it again without pasting`, [
      { field, message: 'a character that cannot be stored' },
    ]);
}

/** Takes the whole body in before anything else happens: refused by its length before or while it is read, or when it does not arrive. */
function taken(terms: RouteTerms): MiddlewareHandler<Env>[] {
  const { maxBytes = MAX_BODY, slow = false, keptMs } = terms;
  const within = maxBytes > MAX_BODY ? FILE_MS : BODY_MS;
  const words = maxBytes >= 1024 * 1024 ? `${Math.round(maxBytes / 1024 / 1024)} MB` : `${Math.round(maxBytes / 1024)} kB`;
  const limit = bodyLimit({
    maxSize: maxBytes,
    onError: () => {
      throw new Problem('too_large', `at most ${words}`);
    },
  });
  const read: MiddlewareHandler<Env> = async (c, next) => {
    if (c.req.method === 'GET') return next();
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Problem('too_slow', `the request took longer than ${within / 1000} s to arrive`)), within);
    });
    try {
      // Kept by the request: the check of the body reads the same text.
      // What another thread will read is not read here.
      if (slow && c.get('elsewhere')) await Promise.race([c.req.arrayBuffer(), late]);
      else {
        const text = await Promise.race([c.req.text(), late]);
        if (ESCAPED.test(text)) requireWritable(text);
      }
    } finally {
      clearTimeout(timer);
    }
    return next();
  };
  const pass: MiddlewareHandler<Env> = async (c, next) => {
    const elsewhere = slow ? c.get('elsewhere') : undefined;
    if (!elsewhere) return next();
    if (c.req.method !== 'GET') return elsewhere(await c.req.arrayBuffer());
    const answers = keptMs === undefined ? undefined : c.get('answers');
    return answers ? answers.answer(c, terms, () => elsewhere(null)) : unlessKnown(c, await elsewhere(null));
  };
  if (maxBytes <= MAX_BODY) return [limit, read, pass];
  const turn: MiddlewareHandler<Env> = (c, next) => filesOfOutfit(c.get('who')?.outfitId ?? '', () => files('all', next));
  return [turn, limit, read, pass];
}

/** The answer as JSON. */
function present(c: Context<Env>, value: unknown): Response {
  if (c.req.method !== 'GET') return c.body(JSON.stringify(value), 200, { 'Content-Type': 'application/json' });
  const answer = tagged(value);
  return c.body(answer.text, 200, answer.headers);
}

/** An answer to be kept, apart from the request that began it: that one may have been given the answer that was, with headers of its own. */
function presentKept(value: unknown): Response {
  const { text, headers } = tagged(value);
  return new Response(text, { headers });
}

/** What a reader is sent, with the tag by which he asks whether it still holds. */
function tagged(value: unknown): { readonly text: string; readonly headers: Record<string, string> } {
  const text = JSON.stringify(value);
  return {
    text,
    headers: {
      ETag: `"${createHash('sha1').update(text).digest('base64url')}"`,
      'Cache-Control': 'private, no-cache',
      Vary: 'Cookie',
      'Content-Type': 'application/json',
    },
  };
}

/** A reader who has an answer already is told so. */
function unlessKnown(c: Context<Env>, answer: Response): Response {
  const tag = answer.headers.get('ETag');
  if (answer.status !== 200 || tag === null || !matches(c.req.header('If-None-Match'), tag)) return answer;
  const headers = new Headers(answer.headers);
  for (const name of ['Content-Type', 'Content-Length', 'Content-Encoding']) headers.delete(name);
  return new Response(null, { status: 304, headers });
}

import type { ProblemBody } from '@bluffwind/contract/problem';
import { words } from './units';

/** What the server said was wrong, with its remedy. */
export class ApiProblem extends Error {
  constructor(readonly body: ProblemBody) {
    super(body.detail);
  }
}

/** The server could not be reached at all. */
export class Offline extends Error {
  constructor() {
    super('No connection to the server.');
  }
}

/** Whether the server was away when it was last asked, and who is to be told when that changes. */
let away = false;
const watchers = new Set<() => void>();

function setAway(now: boolean): void {
  if (away === now) return;
  away = now;
  for (const w of watchers) w();
}

/** True while the server cannot be reached. */
export const isAway = (): boolean => away;

/** @returns How to stop watching. */
export function watchAway(told: () => void): () => void {
  watchers.add(told);
  return () => watchers.delete(told);
}

/** While the server is away one question after the other is asked, at this pace; what a person sends goes at once. */
const AWAY_PACE_MS = 1000;
let turn: Promise<unknown> = Promise.resolve();

function send<T>(path: string, init?: RequestInit): Promise<T> {
  if (!away || init?.method === 'POST') return ask<T>(path, init);
  const mine = turn
    .then(() => (away ? new Promise((resolve) => setTimeout(resolve, AWAY_PACE_MS)) : undefined))
    .then(() => ask<T>(path, init));
  turn = mine.catch(() => undefined);
  return mine;
}

/** What stands between us and the server speaks like this: a gateway that does not reach it, a network that wants a sign-in of its own. */
const BETWEEN = [401, 403, 407, 502, 503, 504, 511];

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, { credentials: 'same-origin', ...init });
  } catch {
    setAway(true);
    throw new Offline();
  }
  const body = await bodyOf(response);
  // Every word of the server can be read. An answer that broke off on the way, or a page of the network, is none of it.
  if (body === undefined && (response.ok || BETWEEN.includes(response.status))) {
    setAway(true);
    throw new Offline();
  }
  setAway(false);
  if (!response.ok) {
    const problem = (body ?? null) as ProblemBody | null;
    throw new ApiProblem(
      problem ?? {
        type: '',
        code: 'internal',
        title: 'The server failed',
        status: response.status,
        detail: 'The server failed',
        remedy: 'Try again.',
        fields: [],
      },
    );
  }
  if (response.headers.get('Bluffwind-Answer') === 'older' && typeof body === 'object' && body !== null) older.add(body);
  return body as T;
}

/** What an answer holds, its figures in the reader's units: sentences carry them with their kinds. Undefined where it cannot be read. */
async function bodyOf(response: Response): Promise<unknown> {
  try {
    return JSON.parse(words(await response.text()));
  } catch {
    return undefined;
  }
}

/** Answers that the server has given while it works out the present ones. */
const older = new WeakSet<object>();

/** Whether an answer is the one that was, and is to be asked for again soon. */
export const isOlder = (answer: unknown): boolean => typeof answer === 'object' && answer !== null && older.has(answer);

/** Reads from the server. */
export const get = <T>(path: string): Promise<T> => send<T>(path);

/** How often, and at most how many times, what is worked out anew is asked for. */
const CURRENT_MS = 1000;
const CURRENT_TRIES = 60;

/** Reads what a person goes on to work on: where the server is working it out anew, that is waited for, a minute at most. */
export async function getCurrent<T>(path: string): Promise<T> {
  for (let n = 1; ; n++) {
    const answer = await get<T>(path);
    if (!isOlder(answer) || n >= CURRENT_TRIES) return answer;
    await new Promise((r) => setTimeout(r, CURRENT_MS));
  }
}

/** Sends to the server. */
export const post = <T>(path: string, body?: unknown): Promise<T> =>
  send<T>(path, {
    method: 'POST',
    ...(body === undefined ? {} : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
  });

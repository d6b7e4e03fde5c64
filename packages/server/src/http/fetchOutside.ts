// Fetches an address that somebody typed in. It cannot be used to reach this machine or the network it stands in: every name is looked up
// here, the connection goes to the very address that was looked at, and each redirection is looked at anew.
import type { LookupFunction } from 'node:net';
import { lookup as lookUp } from 'node:dns';
import http from 'node:http';
import https from 'node:https';
import ipaddr from 'ipaddr.js';

export interface FetchTerms {
  /** Addresses within this machine and its network may be asked: for stations of one's own that stand there. */
  readonly allowPrivate: boolean;
  readonly timeoutMs?: number;
  readonly maxBytes?: number;
}

const MOST_REDIRECTS = 3;
const MOST_BYTES = 5 * 1024 * 1024;
const PATIENCE_MS = 15_000;

/** Whether an address is one of the open network. */
export function isPublic(address: string): boolean {
  try {
    return ipaddr.process(address).range() === 'unicast';
  } catch {
    return false;
  }
}

/** An address answered, and not with what was asked for. */
export class Answered extends Error {
  constructor(readonly status: number) {
    super(`it answers ${status}`);
  }
}

export interface Sent {
  readonly headers: Readonly<Record<string, string>>;
  readonly body: Buffer;
}

/** Sends something to an address; it is not followed elsewhere. Throws `Answered` where it is not taken, an Error where it did not get there. */
export async function sendOutside(address: string, sent: Sent, terms: FetchTerms): Promise<void> {
  const answer = await ask(readAddress(address), terms, sent);
  if ('location' in answer) throw new Error('it sends us on');
}

/** Text that an address answers. Throws an Error in plain words where it cannot be had. */
export async function fetchOutside(address: string, terms: FetchTerms): Promise<string> {
  let at = readAddress(address);
  for (let hop = 0; hop <= MOST_REDIRECTS; hop++) {
    const answer = await ask(at, terms);
    if ('text' in answer) return answer.text;
    at = readAddress(new URL(answer.location, at).href);
  }
  throw new Error(`it sends us on more than ${MOST_REDIRECTS} times`);
}

/** An address that may be asked at all. Throws an Error in plain words. */
export function readAddress(text: string): URL {
  let at: URL;
  try {
    at = new URL(text);
  } catch {
    throw new Error('it is no address: write https:// and the rest of it');
  }
  if (at.protocol !== 'https:' && at.protocol !== 'http:') throw new Error('only http and https are asked');
  if (at.username !== '' || at.password !== '') throw new Error('an address with a name and a password in it is not kept');
  return at;
}

type Answer = { readonly text: string } | { readonly location: string };

function ask(at: URL, { allowPrivate, timeoutMs = PATIENCE_MS, maxBytes = MOST_BYTES }: FetchTerms, sent?: Sent): Promise<Answer> {
  const refused = refusedHost(at.hostname, allowPrivate);
  if (refused) return Promise.reject(refused);
  const lookup = outsideLookup(allowPrivate);
  return new Promise((resolve, reject) => {
    const request = (at.protocol === 'https:' ? https : http).request(
      at,
      {
        lookup,
        method: sent ? 'POST' : 'GET',
        headers: { 'user-agent': 'bluffwind', accept: 'application/json, text/csv, text/plain, */*;q=0.1', ...sent?.headers },
      },
      (response) => {
        const status = response.statusCode ?? 0;
        const { location } = response.headers;
        if (status >= 300 && status < 400 && location) {
          response.resume();
          resolve({ location });
          return;
        }
        if (sent ? status < 200 || status > 299 : status !== 200) {
          response.resume();
          reject(new Answered(status));
          return;
        }
        const parts: Buffer[] = [];
        let bytes = 0;
        response.on('data', (part: Buffer) => {
          bytes += part.length;
          if (bytes > maxBytes) request.destroy(new Error(`its answer is over ${Math.round(maxBytes / 1024 / 1024)} MB`));
          else parts.push(part);
        });
        response.on('end', () => resolve({ text: Buffer.concat(parts).toString('utf8') }));
        response.on('error', reject);
      },
    );
    const late = setTimeout(() => request.destroy(new Error(`no whole answer within ${Math.round(timeoutMs / 1000)} s`)), timeoutMs);
    request.on('close', () => clearTimeout(late));
    request.on('error', reject);
    request.end(sent?.body);
  });
}

/** Why a host that is written as a number is not asked; null where it is, and for names, which `outsideLookup` looks at. */
export function refusedHost(host: string, allowPrivate: boolean): Error | null {
  const name = host.replace(/^\[|\]$/g, '');
  return ipaddr.isValid(name) && !allowPrivate && !isPublic(name) ? inside() : null;
}

/** Looks names up for a connection, which then goes to the very address that was looked at. */
export function outsideLookup(allowPrivate: boolean): LookupFunction {
  return (host, options, done) => {
    lookUp(host, { ...options, all: true }, (error, found) => {
      if (error) return done(new Error(`there is no ${host}`), '', 4);
      // One that is inside is enough: which of them answers is not ours to choose.
      if (!allowPrivate && found.some((f) => !isPublic(f.address))) return done(inside(), '', 4);
      const [first] = found;
      if (!first) return done(new Error(`there is no ${host}`), '', 4);
      if (options.all) (done as (e: null, all: typeof found) => void)(null, found);
      else done(null, first.address, first.family);
    });
  };
}

const inside = () =>
  new Error('it leads into this machine or its own network, which is asked only where whoever runs the server allows it');

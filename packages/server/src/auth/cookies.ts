import type { Context } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import type { Config } from '../config';

export const SESSION = 'bluffwind_session';
/** Tells a device that was signed in before from a stranger's; it opens nothing. */
export const DEVICE = 'bluffwind_device';
export const DEVICE_DAYS = 365;

type Terms = Pick<Config, 'secureCookies' | 'demo'>;

/** Browsers share cookies over the ports of a host: who looks round a demo stays signed in where he is. */
const named = (name: string, { demo }: Terms) => (demo ? `demo_${name}` : name);

/** Over TLS a browser takes such a name only with Secure, from this host and for its whole path. */
const prefix = ({ secureCookies }: Terms) => (secureCookies ? ({ prefix: 'host' } as const) : {});

export function readCookie(c: Context, name: string, terms: Terms): string | undefined {
  return terms.secureCookies ? getCookie(c, named(name, terms), 'host') : getCookie(c, named(name, terms));
}

export function writeCookie(c: Context, name: string, value: string, days: number, terms: Terms): void {
  setCookie(c, named(name, terms), value, {
    httpOnly: true,
    sameSite: 'Strict',
    path: '/',
    secure: terms.secureCookies,
    maxAge: days * 86_400,
    ...prefix(terms),
  });
}

export function dropCookie(c: Context, name: string, terms: Terms): void {
  deleteCookie(c, named(name, terms), { path: '/', secure: terms.secureCookies, ...prefix(terms) });
}

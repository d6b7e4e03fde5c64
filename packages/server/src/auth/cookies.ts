import type { Context } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import type { Config } from '../config';

export const SESSION = 'bluffwind_session';
/** Tells a device that was signed in before from a stranger's; it opens nothing. */
export const DEVICE = 'bluffwind_device';
export const DEVICE_DAYS = 365;

type Terms = Pick<Config, 'secureCookies'>;

/** Over TLS a browser takes such a name only with Secure, from this host and for its whole path. */
const prefix = ({ secureCookies }: Terms) => (secureCookies ? ({ prefix: 'host' } as const) : {});

export function readCookie(c: Context, name: string, terms: Terms): string | undefined {
  return terms.secureCookies ? getCookie(c, name, 'host') : getCookie(c, name);
}

export function writeCookie(c: Context, name: string, value: string, days: number, terms: Terms): void {
  setCookie(c, name, value, {
    httpOnly: true,
    sameSite: 'Strict',
    path: '/',
    secure: terms.secureCookies,
    maxAge: days * 86_400,
    ...prefix(terms),
  });
}

export function dropCookie(c: Context, name: string, terms: Terms): void {
  deleteCookie(c, name, { path: '/', secure: terms.secureCookies, ...prefix(terms) });
}

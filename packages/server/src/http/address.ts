import { getConnInfo } from '@hono/node-server/conninfo';
import type { Context } from 'hono';

/** The client's address; behind a proxy of ours, the one that the proxy wrote last. */
export function addressOf(c: Context, trustProxy: boolean): string {
  const forwarded = trustProxy ? c.req.header('X-Forwarded-For')?.split(',').at(-1)?.trim() : undefined;
  if (forwarded) return forwarded;
  // Without a socket the request was made inside this process.
  return c.env?.incoming ? (getConnInfo(c).remote.address ?? 'unknown') : 'inside';
}

// A push service as a browser's maker runs one (RFC 8030), with one browser behind it that reads what comes (RFC 8291, RFC 8188).
// It is written from those pages and shares no code with the sender.
import { createDecipheriv, createECDH, createPublicKey, type ECDH, hkdfSync, randomBytes, verify } from 'node:crypto';
import { createServer, type IncomingHttpHeaders } from 'node:http';

/** A browser's keys, base64url. */
export interface BrowserKeys {
  readonly p256dh: string;
  readonly auth: string;
}

export interface PushService {
  /** Address and keys that the browser hands to its page. */
  readonly device: BrowserKeys & { readonly endpoint: string };
  /** What came, as the browser reads it. */
  readonly shown: readonly string[];
  /** Why something was refused, the newest last. */
  readonly refused: readonly string[];
  /** From now on it answers so, whatever comes. */
  answerWith(status: number): void;
  close(): Promise<void>;
}

const MOST_BYTES = 4096;

/** Starts it on loopback. @param publicKeyOf - The key that the page subscribed with; nobody else may send (RFC 8292, 4). */
export async function openPushService(publicKeyOf: () => string): Promise<PushService> {
  const browser = createECDH('prime256v1');
  const p256dh = browser.generateKeys('base64url');
  const auth = randomBytes(16);
  const path = `/${randomBytes(12).toString('base64url')}`;
  const shown: string[] = [];
  const refused: string[] = [];
  let status = 201;
  let origin = '';
  const server = createServer((request, response) => {
    const parts: Buffer[] = [];
    request.on('data', (d: Buffer) => parts.push(d));
    request.on('end', () => {
      const body = Buffer.concat(parts);
      const wrong =
        request.url === path ? faultOf(request.method, request.headers, body, publicKeyOf(), origin) : [404, 'no such subscription'];
      if (wrong) refused.push(String(wrong[1]));
      else if (status === 201) shown.push(decrypt(body, browser, auth));
      response.writeHead(Number(wrong?.[0] ?? status)).end();
    });
  });
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
  origin = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
  return {
    device: { endpoint: `${origin}${path}`, p256dh, auth: auth.toString('base64url') },
    shown,
    refused,
    answerWith: (s) => {
      status = s;
    },
    close: () => new Promise((r) => server.close(() => r())),
  };
}

/** What is wrong with a request, with the status that says so. */
function faultOf(method = '', headers: IncomingHttpHeaders, body: Buffer, publicKey: string, origin: string): [number, string] | null {
  if (method !== 'POST') return [405, method];
  if (headers['content-encoding'] !== 'aes128gcm') return [415, String(headers['content-encoding'])];
  if (!/^\d+$/.test(String(headers.ttl))) return [400, 'no TTL'];
  if (body.length > MOST_BYTES) return [413, `${body.length} bytes`];
  const [, token = '', key = ''] = /^vapid t=([^,\s]+),\s*k=(\S+)$/.exec(headers.authorization ?? '') ?? [];
  if (key !== publicKey) return [403, 'another sender'];
  return tokenFault(token, key, origin);
}

/** The sender's signed word (RFC 8292, 2; ES256 of RFC 7518, 3.4). */
function tokenFault(token: string, key: string, origin: string): [number, string] | null {
  const [head = '', claims = '', signature = ''] = token.split('.');
  const point = Buffer.from(key, 'base64url');
  const jwk = { kty: 'EC', crv: 'P-256', x: point.subarray(1, 33).toString('base64url'), y: point.subarray(33).toString('base64url') };
  const own = createPublicKey({ key: jwk, format: 'jwk' });
  const signed = verify(
    'sha256',
    Buffer.from(`${head}.${claims}`),
    { key: own, dsaEncoding: 'ieee-p1363' },
    Buffer.from(signature, 'base64url'),
  );
  if (!signed) return [403, 'signature'];
  const { aud, exp, sub } = JSON.parse(Buffer.from(claims, 'base64url').toString()) as { aud: string; exp: number; sub?: string };
  if (aud !== origin) return [403, `meant for ${aud}`];
  if (exp > Date.now() / 1000 + 24 * 3600 || exp < Date.now() / 1000) return [403, 'valid too long, or over'];
  return sub && !/^(mailto|https):/.test(sub) ? [403, `subject ${sub}`] : null;
}

/** Reads a message of one record (RFC 8291, 3.4 and 4; RFC 8188, 2). Throws where it was not meant for this browser. */
export function decrypt(body: Buffer, browser: ECDH, auth: Buffer): string {
  const [salt, idLength] = [body.subarray(0, 16), body[20] ?? 0];
  const sender = body.subarray(21, 21 + idLength);
  const record = body.subarray(21 + idLength);
  const shared = browser.computeSecret(sender);
  const info = Buffer.concat([Buffer.from('WebPush: info\0'), browser.getPublicKey(), sender]);
  const keying = Buffer.from(hkdfSync('sha256', shared, auth, info, 32));
  const key = Buffer.from(hkdfSync('sha256', keying, salt, Buffer.from('Content-Encoding: aes128gcm\0'), 16));
  const nonce = Buffer.from(hkdfSync('sha256', keying, salt, Buffer.from('Content-Encoding: nonce\0'), 12));
  const gcm = createDecipheriv('aes-128-gcm', key, nonce);
  gcm.setAuthTag(record.subarray(-16));
  const padded = Buffer.concat([gcm.update(record.subarray(0, -16)), gcm.final()]);
  // The last record ends in 2 and zeros (RFC 8188, 2).
  const end = padded.lastIndexOf(2);
  return padded.subarray(0, end).toString('utf8');
}

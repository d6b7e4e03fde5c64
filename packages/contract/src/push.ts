// Phones and browsers that are told of an alarm though no page is open (Web Push, RFC 8030, with keys after RFC 8291).
import { z } from 'zod';
import { id, instant } from './ids';

/** Base64url of so many bytes. */
const bytes = (n: number) =>
  z.string().regex(new RegExp(`^[A-Za-z0-9_-]{${Math.ceil((n * 4) / 3)}}=*$`), `expected ${n} bytes as a browser writes them`);

export const newPushDevice = z
  .object({
    id,
    endpoint: z.url({ protocol: /^https?$/, error: 'expected the address that the browser gave' }).max(1000),
    p256dh: bytes(65),
    auth: bytes(16),
  })
  .strict();
export type NewPushDevice = z.infer<typeof newPushDevice>;

export const pushView = z.object({
  /** The server's own key, which the browser holds its answer against. */
  publicKey: z.string(),
  devices: z.array(z.object({ id, endpoint: z.string(), device: z.string(), madeAt: instant })),
});
export type PushView = z.infer<typeof pushView>;

/** What a phone is shown. */
export interface PushWords {
  readonly title: string;
  readonly body: string;
  /** Screen that a tap opens. */
  readonly path: string;
  /** One of a kind takes the place of the one before. */
  readonly tag: string;
}

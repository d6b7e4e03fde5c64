import type { Me } from '@bluffwind/contract/auth';

let offset: number | null = null;

/** Learns the server's clock; screens and the deck read serverNow(). */
export function learnClock(me: Pick<Me, 'now'>): void {
  offset = Date.parse(me.now) - Date.now();
  localStorage.setItem('clock-offset', String(offset));
}

/** The server's time, also offline (from the last time it was heard), Unix milliseconds. */
export function serverNow(): number {
  offset ??= Number(localStorage.getItem('clock-offset') ?? 0);
  return Date.now() + offset;
}

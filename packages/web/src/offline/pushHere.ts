// This browser as one that is told of an alarm though no page is open.
import type { NewPushDevice } from '@bluffwind/contract/push';

/** Whether this browser can be told: not at all, not while its owner refuses, or yes. */
export type PushHere = 'no' | 'refused' | 'yes';

export function pushHere(): PushHere {
  if (!('serviceWorker' in navigator) || !('PushManager' in globalThis) || !('Notification' in globalThis)) return 'no';
  return Notification.permission === 'denied' ? 'refused' : 'yes';
}

/** The address under which this browser is told at present, or null. */
export async function pushAddress(): Promise<string | null> {
  if (pushHere() === 'no') return null;
  const worker = await navigator.serviceWorker.getRegistration();
  return (await worker?.pushManager.getSubscription())?.endpoint ?? null;
}

/** Asks the person and the browser. @throws Error in plain words where either refuses. */
export async function subscribeHere(publicKey: string): Promise<Omit<NewPushDevice, 'id'>> {
  if ((await Notification.requestPermission()) !== 'granted')
    throw new Error('This browser was told to show no notices: allow them in its settings for this page, and try again.');
  const worker = await navigator.serviceWorker.ready;
  const old = await worker.pushManager.getSubscription();
  // One that was made with another server's key is of no use here.
  if (old && keyOf(old.options.applicationServerKey) !== publicKey) await old.unsubscribe();
  const made = await worker.pushManager
    .subscribe({ userVisibleOnly: true, applicationServerKey: publicKey })
    .catch((error: Error) => Promise.reject(new Error(`This browser gives no address for notices: ${error.message}`)));
  const { endpoint, keys } = made.toJSON();
  if (!endpoint || !keys?.p256dh || !keys.auth) throw new Error('This browser gives no keys for notices.');
  return { endpoint, p256dh: keys.p256dh, auth: keys.auth };
}

/** This browser is told nothing more, whoever signs in to it next. */
export async function unsubscribeHere(): Promise<void> {
  if (pushHere() === 'no') return;
  const worker = await navigator.serviceWorker.getRegistration();
  await (await worker?.pushManager.getSubscription())?.unsubscribe();
}

/** A key as the server writes it (base64url, RFC 4648). */
export function keyOf(bytes: ArrayBuffer | null): string {
  if (!bytes) return '';
  const text = btoa(String.fromCharCode(...new Uint8Array(bytes)));
  return text.replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '');
}

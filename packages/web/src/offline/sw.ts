// The application's own files are on the phone, and entries that wait leave it when the network comes back, though no page is open.
import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { ownPath, readPush } from './showPush';
import { SEND_TAG, sendWaiting } from './sender';

/** What this file uses of a service worker; the types of the page know none. */
interface Worker {
  /** Put here by the build: every file of the application. */
  readonly __WB_MANIFEST: { url: string; revision: string | null }[];
  skipWaiting(): Promise<void>;
  readonly registration: { showNotification(title: string, options: object): Promise<void> };
  readonly clients: {
    matchAll(of: { type: 'window' }): Promise<readonly { focus(): Promise<unknown>; navigate(url: string): Promise<unknown> }[]>;
    openWindow(url: string): Promise<unknown>;
  };
  addEventListener(type: 'push', told: (event: { data: { text(): string } | null; waitUntil(work: Promise<unknown>): void }) => void): void;
  addEventListener(
    type: 'notificationclick',
    told: (event: { notification: { data: unknown; close(): void }; waitUntil(work: Promise<unknown>): void }) => void,
  ): void;
  addEventListener(type: 'sync', told: (event: { tag: string; waitUntil(work: Promise<unknown>): void }) => void): void;
}
declare const self: Worker;

void self.skipWaiting();
clientsClaim();
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }));

/** A network that has just come back may drop the first question; the browser itself asks again only after minutes. */
const AGAIN_MS = [1500, 5000, 12_000];

async function sendAll(): Promise<void> {
  for (const pause of [...AGAIN_MS, null]) {
    const sent = await sendWaiting();
    if (sent !== 'no network' && sent !== 'later') return;
    // The browser asks again later for what ends in an error.
    if (pause === null) throw new Error(sent);
    await new Promise((resolve) => setTimeout(resolve, pause));
  }
}

self.addEventListener('sync', (event) => {
  if (event.tag === SEND_TAG) event.waitUntil(sendAll());
});

self.addEventListener('push', (event) => {
  const { title, body, path, tag } = readPush(event.data?.text());
  event.waitUntil(self.registration.showNotification(title, { body, tag, icon: '/icon.svg', data: path, renotify: true }));
});

self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const path = ownPath(event.notification.data);
  event.waitUntil(
    self.clients.matchAll({ type: 'window' }).then(async ([open]) => {
      if (!open) return self.clients.openWindow(path);
      await open.navigate(path);
      return open.focus();
    }),
  );
});

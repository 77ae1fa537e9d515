import type { Pushed } from '@cadro/contract';
import { createHandlerBoundToURL, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { reachOf } from '../src/device/reached';

/*
 * Runs beside every page of Cadro, and goes on without one. It keeps what the app is made of, so that it opens without a
 * connection; what the records say it never keeps. And it shows what is pushed to this device.
 */

declare const self: ServiceWorkerGlobalScope & {
  /** Filled in by the build: every file of the app with what tells its versions apart. */
  readonly __WB_MANIFEST: readonly PrecacheEntry[];
};

precacheAndRoute([...self.__WB_MANIFEST]);
// Every address that is no file and no answer of the server is a screen of the app.
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), {
    denylist: [/^\/(api|calendar)\//, /^\/(healthz|readyz)$/, /\.\w+$/],
  }),
);

// The page that brought it here has it, too, and need not be opened anew for it.
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

/** A new version waits until a page says that nothing is lost by it. */
self.addEventListener('message', ({ data }) => {
  if ((data as { type?: string } | null)?.type === 'SKIP_WAITING') void self.skipWaiting();
});

/** The same message twice takes its own place, and makes itself heard once. */
self.addEventListener('push', (event) => {
  const { id, title, text, path } = event.data?.json() as Pushed; // by the server, encrypted for this device
  const shown = { body: text, tag: id, icon: '/icons/home-192.png', data: { path } };
  event.waitUntil(self.registration.showNotification(title, shown));
});

/** A browser may change where it is reached, at any time and without a page: Cadro hears of the new place. */
async function movedTo(subscription: PushSubscription): Promise<void> {
  await fetch('/api/alerts/devices', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(reachOf(subscription)),
  });
}
self.addEventListener('pushsubscriptionchange', (event) => {
  const { oldSubscription, newSubscription } = event as PushSubscriptionChangeEvent;
  const begun = async () =>
    newSubscription ?? (oldSubscription && self.registration.pushManager.subscribe(oldSubscription.options));
  (event as ExtendableEvent).waitUntil(
    begun().then((subscription) => (subscription ? movedTo(subscription) : undefined)),
  );
});

/** Goes to what it is about: in the window that is open, which keeps what is being written, or in a new one. */
async function open(path: string): Promise<void> {
  const [window] = await self.clients.matchAll({ type: 'window' });
  if (!window) return void (await self.clients.openWindow(path));
  window.postMessage({ open: path });
  await window.focus();
}
self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  event.waitUntil(open((event.notification.data as { path: string }).path)); // as it was shown above
});

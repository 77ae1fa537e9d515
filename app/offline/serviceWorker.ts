import { createHandlerBoundToURL, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

/*
 * Runs beside every page of Cadro, and goes on without one. It keeps what the app is made of, so that it opens without a
 * connection; what the records say it never keeps.
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

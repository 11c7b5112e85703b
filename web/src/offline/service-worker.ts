/*
 * Lets the application open without a network: its own files are kept whole, version by version, and what the floor needs of
 * the data is kept as it was last seen. What is logged is not sent from here: the page keeps and sends it, in order.
 */
import { clientsClaim, setCacheNameDetails } from 'workbox-core';
import { matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

interface WorkerScope {
  readonly caches: CacheStorage;
  readonly clients: { claim(): Promise<void> };
  skipWaiting(): Promise<void>;
  addEventListener(type: 'activate', listener: (event: Extendable) => void): void;
  addEventListener(
    type: 'fetch',
    listener: (event: Extendable & { readonly request: Request }) => void,
  ): void;
  addEventListener(type: 'message', listener: (event: Extendable & { readonly data: Told }) => void): void;
  /** Filled in by the build: every file of this version; those without a hash in their name have one beside it. */
  readonly __FILES: readonly { readonly url: string; readonly revision: string | null }[];
}
interface Extendable {
  waitUntil(work: Promise<unknown>): void;
}

/** What a page tells: take over now, look after it too, or keep this answer as if the network had given it. */
type Told =
  | { readonly kind: 'take-over' }
  | { readonly kind: 'take-me' }
  | { readonly kind: 'keep'; readonly path: string; readonly data: unknown };

declare const self: WorkerScope;

// Named anew whenever an answer that is kept changes its shape: a newer page is never fed older data.
const DATA = 'iron-clasp-data-3';
const PAGE = '/index.html';

/** What a coach or lifter needs on the floor without a network. */
const KEPT = [
  /^\/api\/session$/,
  /^\/api\/lifters(\/today)?$/,
  /^\/api\/lifters\/[0-9a-f-]+\/(sheet|hands)$/,
  /^\/api\/sessions\/[0-9a-f-]+\/(floor|calls)$/,
];
const isKept = (path: string): boolean => KEPT.some((pattern) => pattern.test(path));

setCacheNameDetails({ prefix: 'iron-clasp', precache: 'files', suffix: '' });
// Files: the hash of their content is in their name or beside it, so what is kept is right, and an upgrade fetches what is new.
precacheAndRoute([...self.__FILES], { directoryIndex: '' });
clientsClaim();

/** Pages: the network's, so that a new version is seen; without one the kept page, which finds its own way. */
registerRoute(
  new NavigationRoute(({ request }) =>
    fetch(request).catch(async (fault: unknown) => {
      const kept = await matchPrecache(PAGE);
      if (kept) return kept;
      throw fault;
    }),
  ),
);

/** Data: the network's where there is one, else as last seen; a device without room keeps nothing and says nothing. */
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && isKept(url.pathname),
  new NetworkFirst({
    cacheName: DATA,
    plugins: [
      {
        cacheWillUpdate: ({ response }) => Promise.resolve(response.ok ? response : null),
        fetchDidSucceed: async ({ request, response }) => {
          // Nobody is signed in any more: what was kept for them goes.
          if (response.status === 401 && new URL(request.url).pathname === '/api/session')
            await self.caches.delete(DATA);
          return response;
        },
      },
    ],
  }),
);

self.addEventListener('fetch', (event) => {
  const { method, url } = event.request;
  // Somebody else signs in or out: what was kept for the one before goes.
  if (method !== 'GET' && new URL(url).pathname === '/api/session') event.waitUntil(self.caches.delete(DATA));
});

self.addEventListener('activate', (event) =>
  event.waitUntil(
    self.caches.keys().then((names) =>
      Promise.all(
        // What earlier versions kept, each under a name of its own.
        names
          .filter((name) => /^iron-clasp-(files-|data-)/.test(name) && name !== DATA)
          .map((name) => self.caches.delete(name)),
      ),
    ),
  ),
);

// A new version waits until the page says so: never under a running clock.
self.addEventListener('message', (event) => {
  const told = event.data;
  if (told.kind === 'take-over') return void self.skipWaiting();
  if (told.kind === 'take-me') return event.waitUntil(self.clients.claim());
  if (told.kind !== 'keep' || !isKept(told.path)) return;
  const answer = new Response(JSON.stringify(told.data), { headers: { 'content-type': 'application/json' } });
  event.waitUntil(
    self.caches
      .open(DATA)
      .then((cache) => cache.put(told.path, answer))
      // No room: the network's own answer is kept at the next visit.
      .catch(() => undefined),
  );
});

/*
 * Lets the application open without a network: its own files are kept whole, version by version, and what the floor needs of
 * the data is kept as it was last seen. What is logged is not sent from here: the page keeps and sends it, in order.
 */
interface WorkerScope {
  readonly caches: CacheStorage;
  readonly location: Location;
  readonly clients: { claim(): Promise<void> };
  skipWaiting(): Promise<void>;
  addEventListener(type: 'install' | 'activate', listener: (event: Extendable) => void): void;
  addEventListener(type: 'fetch', listener: (event: Fetching) => void): void;
  addEventListener(type: 'message', listener: (event: Extendable & { readonly data: Told }) => void): void;
}
interface Extendable {
  waitUntil(work: Promise<unknown>): void;
}
interface Fetching extends Extendable {
  readonly request: Request;
  respondWith(answer: Promise<Response>): void;
}

/** What a page tells: take over now, look after it too, or keep this answer as if the network had given it. */
type Told =
  | { readonly kind: 'take-over' }
  | { readonly kind: 'take-me' }
  | { readonly kind: 'keep'; readonly path: string; readonly data: unknown };

const worker = self as unknown as WorkerScope;
/** Filled in by the build: every file of this version, and a name made of their contents. */
const FILES = '__FILES__' as unknown as readonly string[];
const VERSION = '__VERSION__';

const SHELL = `iron-clasp-files-${VERSION}`;
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

worker.addEventListener('install', (event) =>
  event.waitUntil(worker.caches.open(SHELL).then((cache) => cache.addAll([PAGE, ...FILES]))),
);

worker.addEventListener('activate', (event) =>
  event.waitUntil(
    worker.caches
      .keys()
      .then((names) =>
        Promise.all(
          names.filter((name) => name !== SHELL && name !== DATA).map((name) => caches.delete(name)),
        ),
      )
      .then(() => worker.clients.claim()),
  ),
);

// A new version waits until the page says so: never under a running clock.
worker.addEventListener('message', (event) => {
  const told = event.data;
  if (told.kind === 'take-over') return void worker.skipWaiting();
  if (told.kind === 'take-me') return event.waitUntil(worker.clients.claim());
  if (!KEPT.some((pattern) => pattern.test(told.path))) return;
  const answer = new Response(JSON.stringify(told.data), { headers: { 'content-type': 'application/json' } });
  event.waitUntil(
    worker.caches
      .open(DATA)
      .then((cache) => cache.put(told.path, answer))
      // No room: the network's own answer is kept at the next visit.
      .catch(() => undefined),
  );
});

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (origin !== worker.location.origin) return;
  if (pathname === '/api/session' && request.method !== 'GET') {
    // Somebody else signs in or out: what was kept for the one before goes.
    event.waitUntil(worker.caches.delete(DATA));
    return;
  }
  if (request.method !== 'GET') return;
  if (pathname.startsWith('/api/')) {
    if (KEPT.some((pattern) => pattern.test(pathname))) event.respondWith(freshElseKept(request, pathname));
  } else if (request.mode === 'navigate') event.respondWith(pageElseKept(request));
  else event.respondWith(keptElseFresh(request));
});

/** Data: the network's where there is one, else as last seen. */
async function freshElseKept(request: Request, pathname: string): Promise<Response> {
  const cache = await worker.caches.open(DATA);
  try {
    const answer = await fetch(request);
    if (answer.ok) await cache.put(request, answer.clone()).catch(() => undefined);
    else if (answer.status === 401 && pathname === '/api/session') await worker.caches.delete(DATA);
    return answer;
  } catch (error) {
    const kept = await cache.match(request);
    if (kept) return kept;
    throw error;
  }
}

/** Pages: the network's, so that a new version is seen; without one the kept page, which finds its own way. */
async function pageElseKept(request: Request): Promise<Response> {
  try {
    return await fetch(request);
  } catch (error) {
    const kept = await worker.caches.match(PAGE);
    if (kept) return kept;
    throw error;
  }
}

/** Files carry a hash of their content in their name: what is kept is right. */
async function keptElseFresh(request: Request): Promise<Response> {
  return (await worker.caches.match(request)) ?? fetch(request);
}

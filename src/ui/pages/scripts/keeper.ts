/** Keeps a sign-in page and what it needs for the time without a network: the page comes from the house when it can, otherwise as it was last. */
interface Lasting {
  waitUntil(until: Promise<unknown>): void;
}
/** What of a service worker's world is used here; the compiler knows either pages or workers. */
interface Keeper {
  addEventListener(type: 'install' | 'activate', listener: (event: Lasting) => void): void;
  addEventListener(
    type: 'fetch',
    listener: (event: { request: Request; respondWith(answer: Promise<Response>): void }) => void,
  ): void;
  skipWaiting(): Promise<void>;
  clients: { claim(): Promise<void>; matchAll(options: { type: 'window' }): Promise<{ url: string }[]> };
  location: Location;
}
const keeper = self as unknown as Keeper;
const SHELF = 'urraca-sign-in-1';
const BESIDE = ['/visit/sign-in.js', '/visit/figtree.woff2', '/visit/bricolage.woff2'];

keeper.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(SHELF)
      .then((shelf) => shelf.addAll(BESIDE))
      .then(() => keeper.skipWaiting()),
  );
});
keeper.addEventListener('activate', (event) => event.waitUntil(takeOver()));
async function takeOver(): Promise<void> {
  await keeper.clients.claim();
  /* The page that brought us here was fetched before we were there to keep it. */
  for (const { url } of await keeper.clients.matchAll({ type: 'window' }))
    await freshOrKept(new Request(url)).catch(() => undefined);
}

keeper.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== keeper.location.origin) return;
  if (!BESIDE.includes(pathname) && !pathname.startsWith('/pictures/') && !/^\/p\/[^/]+$/.test(pathname)) return;
  event.respondWith(freshOrKept(request));
});

async function freshOrKept(request: Request): Promise<Response> {
  const shelf = await caches.open(SHELF);
  try {
    const fresh = await fetch(request);
    if (fresh.ok && fresh.headers.get('x-keep') === 'yes') await shelf.put(request, fresh.clone());
    else if (fresh.ok && !new URL(request.url).pathname.startsWith('/p/')) await shelf.put(request, fresh.clone());
    return fresh;
  } catch (error) {
    const cached = await shelf.match(request, { ignoreSearch: true });
    if (cached) return cached;
    throw error;
  }
}

export {};

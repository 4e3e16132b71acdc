/// <reference lib="webworker" />
import { base, version } from '$service-worker';

// Sees to the screen of ideas alone (it is registered for no other): so that it opens without a network, as it was last seen.
const worker = globalThis as unknown as ServiceWorkerGlobalScope;
const KEPT = `ideas-${version}`;

worker.addEventListener('install', () => void worker.skipWaiting());

worker.addEventListener('activate', (event) => {
  const others = caches
    .keys()
    .then((names) => Promise.all(names.filter((name) => name.startsWith('ideas-') && name !== KEPT).map((name) => caches.delete(name))));
  event.waitUntil(Promise.all([others, worker.clients.claim()]));
});

const isBuilt = (path: string) => path.startsWith(`${base}/_app/immutable/`);
const isScreen = (path: string) => path === `${base}/ideas` || path === `${base}/ideas/__data.json`;

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== worker.location.origin) return;
  if (isBuilt(pathname)) event.respondWith(keptOrFetched(request));
  else if (isScreen(pathname)) event.respondWith(fetchedOrKept(request));
});

/** What was built never changes under its name. */
async function keptOrFetched(request: Request): Promise<Response> {
  const kept = await caches.match(request);
  return kept ?? keep(request, await fetch(request));
}

async function fetchedOrKept(request: Request): Promise<Response> {
  try {
    return await keep(request, await fetch(request));
  } catch (cause) {
    const kept = await caches.match(request, { ignoreSearch: true });
    if (kept) return kept;
    throw cause;
  }
}

async function keep(request: Request, response: Response): Promise<Response> {
  if (response.ok) await (await caches.open(KEPT)).put(request, response.clone());
  return response;
}

// The program without its server: pages that were opened open again, with the styles and scripts of this build. What is changed
// meanwhile waits in the outbox as it does anyway. Bundled by scripts/setup.mjs into public/sw.js.
import {
  CacheFirst,
  NetworkFirst,
  Serwist,
  type PrecacheEntry,
  type RuntimeCaching,
  type SerwistPlugin,
} from 'serwist';

// What TypeScript's types of a window do not tell of a service worker (published: W3C Service Workers).
interface LastingEvent extends Event {
  waitUntil: (done: Promise<void>) => void;
}
interface FetchEvent extends LastingEvent {
  readonly request: Request;
  respondWith: (answer: Promise<Response>) => void;
}

/** All that the build made, told by whoever bundles this. */
declare const FILES_OF_THE_BUILD: PrecacheEntry[];

const PAGES = 'pages';
/** Shown where a page was not opened here before. */
const NOT_HERE = '/not-here.html';

/** A page that was not found, or was refused, is no page to be shown again. */
const onlyGood: SerwistPlugin = {
  cacheWillUpdate: ({ response }) => Promise.resolve(response.status === 200 ? response : null),
};

const pages = new NetworkFirst({ cacheName: PAGES, plugins: [onlyGood] });

/** Whether Next asks for the data of a page that somebody goes to, and not only for what a link may need. */
const goesTo = (request: Request): boolean =>
  request.headers.get('rsc') === '1' && request.headers.get('next-router-prefetch') === null;

/** Whether somebody goes to a page: what is taken along is a file, and no page. */
const isPage = ({ mode, url }: Request): boolean =>
  mode === 'navigate' && !new URL(url).pathname.startsWith('/api/');

const caching: RuntimeCaching[] = [
  {
    matcher: ({ request, sameOrigin }) => sameOrigin && isPage(request),
    handler: pages,
  },
  {
    matcher: ({ request, sameOrigin }) => sameOrigin && goesTo(request),
    // What Next asked for it gets as ever; beside it the page itself is kept, to be opened without the server.
    handler: async ({ event, request }) => {
      const answer = await fetch(request);
      const { pathname } = new URL(request.url);
      event.waitUntil(keepPage(pathname));
      return answer;
    },
  },
  {
    matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/api/photos/'),
    handler: new CacheFirst({ cacheName: 'photos', plugins: [onlyGood] }),
  },
];

async function keepPage(pathname: string): Promise<void> {
  const answer = await fetch(pathname, { headers: { accept: 'text/html' } }).catch(() => null);
  if (answer?.status === 200) await (await caches.open(PAGES)).put(pathname, answer);
}

const worker = new Serwist({
  precacheEntries: FILES_OF_THE_BUILD,
  skipWaiting: true,
  clientsClaim: true,
  navigationPreload: false,
  runtimeCaching: caching,
  fallbacks: { entries: [{ url: NOT_HERE, matcher: ({ request }) => isPage(request) }] },
});

/** Scripts of workers as of this build, under the address that was asked for. */
async function workerScript(request: Request): Promise<Response> {
  const kept = await worker.matchPrecache(new URL(request.url).pathname);
  const { body, status, headers } = kept ?? (await fetch(request));
  return new Response(body, { status, headers });
}

// A worker reads what it is to load from the end of its own address, which is that of the answer it came with; what was kept has an
// address without that end. An answer made here has none of its own, and the worker then goes by what was asked for.
addEventListener('fetch', (event) => {
  const { request } = event as FetchEvent;
  if (request.destination !== 'worker') return;
  event.stopImmediatePropagation();
  (event as FetchEvent).respondWith(workerScript(request));
});

worker.addEventListeners();

/** A page tells that what it shows was kept by the server: then it is kept here anew. */
addEventListener('message', (event) => {
  const { data, waitUntil } = event as MessageEvent<unknown> & LastingEvent;
  if (typeof data === 'object' && data !== null && 'keep' in data && typeof data.keep === 'string')
    waitUntil.call(event, keepPage(data.keep));
});

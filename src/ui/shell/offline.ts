/** A page that is just opened has better things to do than to fetch all of the build, ms. */
const SETTLED_MS = 3000;

/** Keeps the program in this browser, to be opened without its server. Where a browser does not do that, nothing is lost. */
export function keepProgram(): void {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  // The page from which it is kept for the first time is kept too.
  if (!serviceWorker.controller)
    serviceWorker.addEventListener('controllerchange', keepThisPage, { once: true });
  setTimeout(() => void serviceWorker.register('/sw.js').catch(() => undefined), SETTLED_MS);
}

let timer: ReturnType<typeof setTimeout> | undefined;
/** Changes come in bursts: the page is kept once they are over, ms. */
const QUIET_MS = 1500;

/** What this page shows was kept by the server: it is kept here as it is now. */
export function keepThisPage(): void {
  clearTimeout(timer);
  const { pathname } = location;
  timer = setTimeout(() => navigator.serviceWorker?.controller?.postMessage({ keep: pathname }), QUIET_MS);
}

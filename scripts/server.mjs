// The built program on 127.0.0.1: Next for pages, and its scripts and styles as the build has packed them. Next would
// pack every one anew for every visit, which takes longer than all else a page needs.
//   node scripts/server.mjs [port]
import { createServer } from 'node:http';
import sirv from 'sirv';

process.env.NODE_ENV = 'production';
const { default: next } = await import('next');

const HOST = '127.0.0.1';
const ANSWERS_TO = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;
const STATIC = '/_next/static/';

const app = next({ dev: false, hostname: HOST, port: Number(process.argv[2] ?? 0) });
const packed = sirv('.next/static', {
  brotli: true,
  gzip: true,
  immutable: true,
  maxAge: 31_536_000,
  setHeaders: (response) => response.setHeader('X-Content-Type-Options', 'nosniff'),
});
const page = app.getRequestHandler();

/** An address that no text can be made of: Next answers it with the words of its engine. */
const readable = (url = '') => {
  try {
    decodeURIComponent(url);
    return true;
  } catch {
    return false;
  }
};

const says = (response, status, message) => {
  response.writeHead(status, { 'content-type': 'application/json; charset=utf-8' });
  response.end(JSON.stringify({ message }));
};

const server = createServer((request, response) => {
  if (!readable(request.url))
    return says(response, 400, 'This address is mistyped. Go to the bench, and open the piece from there.');
  if (!request.url?.startsWith(STATIC) || !ANSWERS_TO.test(request.headers.host ?? ''))
    return page(request, response).catch(() => {
      if (!response.headersSent)
        says(response, 500, 'That did not work, by a fault of the program. Try again.');
    });
  request.url = request.url.slice(STATIC.length - 1);
  packed(request, response, () => {
    response.statusCode = 404;
    response.end();
  });
});

// A window that thinks for a while finds its connection open.
server.keepAliveTimeout = 65_000;

/** What is under way when the program is stopped has so long to be answered. */
const LAST_ANSWERS_MS = 2000;
let stopping = false;

/** Answers what was asked, closes the database, and gives its folder free. */
async function stop() {
  if (stopping) return;
  stopping = true;
  const answered = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  await Promise.race([answered, new Promise((resolve) => setTimeout(resolve, LAST_ANSWERS_MS))]);
  server.closeAllConnections();
  // Opened by src/server/installation.ts, and kept where every part of the program finds it.
  const installation = await globalThis.ivyloom?.catch(() => undefined);
  await installation?.database.close();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stop());

await app.prepare();
server.listen(Number(process.argv[2] ?? 0), HOST, () =>
  console.log(`http://${HOST}:${server.address().port}\nReady`),
);

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

const server = createServer((request, response) => {
  if (!request.url?.startsWith(STATIC) || !ANSWERS_TO.test(request.headers.host ?? ''))
    return page(request, response);
  request.url = request.url.slice(STATIC.length - 1);
  packed(request, response, () => {
    response.statusCode = 404;
    response.end();
  });
});

await app.prepare();
server.listen(Number(process.argv[2] ?? 0), HOST, () =>
  console.log(`http://${HOST}:${server.address().port}\nReady`),
);
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });

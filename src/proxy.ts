import { NextResponse, type NextRequest } from 'next/server';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy': 'camera=(), geolocation=(), microphone=()',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
} as const;

function policy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development';
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    development ? "style-src-elem 'self' 'unsafe-inline'" : `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "worker-src 'self'",
    "manifest-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/**
 * Answers only to this machine (another name would be a page elsewhere rebinding its address), lets no other
 * site write, and gives every page a content security policy with a nonce of its own.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? '';
  if (!LOOPBACK.test(host)) return refuse('Ivy Loom answers only on this machine, at 127.0.0.1.');
  if (!['GET', 'HEAD'].includes(request.method) && !sameOrigin(request, host))
    return refuse('Only Ivy Loom’s own pages may change anything.');

  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const csp = policy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('Content-Security-Policy', csp);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', csp);
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  return response;
}

function sameOrigin(request: NextRequest, host: string): boolean {
  const origin = request.headers.get('origin');
  if (origin === null) return request.headers.get('sec-fetch-site') === 'same-origin';
  return URL.canParse(origin) && new URL(origin).host === host;
}

const refuse = (message: string) => new NextResponse(message, { status: 403, headers: { ...HEADERS } });

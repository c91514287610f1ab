import { NextResponse, type NextRequest } from 'next/server';
import { HEADERS, refusalOf } from './server/visitor';

function policy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development';
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    development ? "style-src-elem 'self' 'unsafe-inline'" : `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
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
 * Stands before every page and action. Routes under /api look at their visitors themselves (`route` in server/work.ts): a
 * save, many times a minute, would have its body copied on the way through here.
 */
export const config = { matcher: '/((?!api/).*)' };

/** Answers only those who may ask, and gives every page a content security policy with a nonce of its own. */
export function proxy(request: NextRequest): NextResponse {
  const refusal = refusalOf(request);
  if (refusal !== null) return new NextResponse(refusal, { status: 403, headers: { ...HEADERS } });

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

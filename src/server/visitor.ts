const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** What every answer carries. */
export const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy': 'camera=(), geolocation=(), microphone=()',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
} as const;

/**
 * Why a request is not answered, in words; null where it is. Only this machine is answered (another name would be a page
 * elsewhere rebinding its address), and no other site may write.
 */
export function refusalOf({ method, headers }: Pick<Request, 'method' | 'headers'>): string | null {
  const host = headers.get('host') ?? '';
  if (!LOOPBACK.test(host)) return 'Ivy Loom answers only on this machine, at 127.0.0.1.';
  if (['GET', 'HEAD'].includes(method) || sameOrigin(headers, host)) return null;
  return 'Only Ivy Loom’s own pages may change anything.';
}

function sameOrigin(headers: Headers, host: string): boolean {
  const origin = headers.get('origin');
  if (origin === null) return headers.get('sec-fetch-site') === 'same-origin';
  return URL.canParse(origin) && new URL(origin).host === host;
}

import { NextRequest } from 'next/server';
import { describe, expect, it } from 'vitest';
import { proxy } from './proxy';

const ask = (headers: Record<string, string>, method = 'GET') =>
  proxy(
    new NextRequest('http://127.0.0.1:3000/', { method, headers: { host: '127.0.0.1:3000', ...headers } }),
  );

describe('who is answered', () => {
  it.each(['127.0.0.1', '127.0.0.1:3000', 'localhost', 'localhost:80', '[::1]', '[::1]:3000'])(
    'this machine, by its name %s',
    (host) => {
      expect(ask({ host }).status).toBe(200);
    },
  );

  // Another name that leads here is a page elsewhere rebinding its address.
  it.each([
    'evil.example',
    '127.0.0.1.evil.example',
    'localhost.evil.example',
    '127.0.0.2',
    '0.0.0.0',
    '::1',
    '',
  ])('nobody by the name "%s"', (host) => {
    expect(ask({ host }).status).toBe(403);
  });
});

describe('who may change anything', () => {
  const host = '127.0.0.1:3000';
  it.each([
    ['our own page', { origin: `http://${host}` }, 200],
    ['our own page, without an origin but told by the browser', { 'sec-fetch-site': 'same-origin' }, 200],
    ['another site', { origin: 'http://evil.example' }, 403],
    ['another port of this machine', { origin: 'http://127.0.0.1:4000' }, 403],
    ['this machine by another name', { origin: 'http://localhost:3000' }, 403],
    ['a page without an origin of its own', { origin: 'null' }, 403],
    ['no page at all', {}, 403],
    ['another site, told by the browser', { 'sec-fetch-site': 'cross-site' }, 403],
    ['a site beside this, told by the browser', { 'sec-fetch-site': 'same-site' }, 403],
  ])('%s', (_, headers, status) => {
    for (const method of ['POST', 'PUT', 'PATCH', 'DELETE'])
      expect(ask(headers as Record<string, string>, method).status).toBe(status);
  });

  it('anybody on this machine may read', () => {
    for (const method of ['GET', 'HEAD'])
      expect(ask({ origin: 'http://evil.example' }, method).status).toBe(200);
  });
});

describe('what every page carries', () => {
  it('a policy with a nonce of its own, and the usual headers', () => {
    const [first, second] = [ask({}), ask({})].map(
      (answer) => answer.headers.get('content-security-policy') ?? '',
    );
    const nonce = /script-src 'self' 'nonce-([^']+)' 'strict-dynamic'/;
    expect(nonce.exec(first ?? '')?.[1]).toBeTruthy();
    expect(nonce.exec(first ?? '')?.[1]).not.toBe(nonce.exec(second ?? '')?.[1]);
    expect(first).toContain("default-src 'none'");
    expect(first).not.toMatch(/script-src[^;]*unsafe/);
    for (const answer of [ask({}), ask({ host: 'evil.example' })]) {
      expect(answer.headers.get('x-frame-options')).toBe('DENY');
      expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
      expect(answer.headers.get('referrer-policy')).toBe('no-referrer');
    }
  });
});

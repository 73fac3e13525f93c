import { addressOf, trustedProxies } from './address';
import { BODY_LIMITS, refuseRequest } from './http-limits';

const none = trustedProxies('');
const some = trustedProxies('127.0.0.1, 10.0.0.0/8, 2001:db8::/32');

test.each<[string, string | undefined, string | undefined, (a: string) => boolean, string]>([
  ['a forged header without proxies', '203.0.113.9', '1.2.3.4', none, '203.0.113.9'],
  ['a forged header from outside', '203.0.113.9', '1.2.3.4', some, '203.0.113.9'],
  ['through a trusted proxy', '10.1.2.3', '203.0.113.9', some, '203.0.113.9'],
  [
    'through two, with a forged start',
    '127.0.0.1',
    '6.6.6.6, 203.0.113.9, 10.1.1.1',
    some,
    '203.0.113.9',
  ],
  ['a mapped address', '::ffff:10.1.2.3', '203.0.113.9', some, '203.0.113.9'],
  ['a proxy of the new kind', '2001:db8::5', '2a00::1', some, '2a00::1'],
  ['nonsense in the list', '10.1.2.3', 'unknown', some, '10.1.2.3'],
  ['nobody known', undefined, undefined, some, 'unknown'],
])('%s', (_, peer, forwarded, trusted, who) =>
  expect(addressOf(peer, forwarded, trusted)).toBe(who),
);

test('a setting that is no address is refused by name', () =>
  expect(() => trustedProxies('10.0.0.0/8, gateway')).toThrow(/"gateway"/));

const cookie = 'a=b; better-auth.session_token=abc';
test.each<[string, string, string, Record<string, string>, number | null]>([
  ['a small body', 'POST', '/api/v1/batches/x/entries', { 'content-length': '2000' }, null],
  [
    'an entry of 65 kB',
    'POST',
    '/api/v1/batches/x/entries',
    { 'content-length': '66000', cookie },
    413,
  ],
  ['a report of 1 MB', 'POST', '/api/v1/readings', { 'content-length': '1000000' }, null],
  ['one of 3 MB', 'POST', '/api/v1/readings', { 'content-length': '3000000' }, 413],
  [
    'a file of 10 MB from a page',
    'POST',
    '/batches/x/house',
    { 'content-length': '10000000', cookie, 'next-action': 'a' },
    null,
  ],
  [
    'the same without an account',
    'POST',
    '/batches/x/house',
    { 'content-length': '10000000', 'next-action': 'a' },
    413,
  ],
  ['a form sent to a page', 'POST', '/sign-in', { 'content-length': '10' }, 405],
  [
    'a form sent to a route',
    'POST',
    '/api/v1/readings',
    { 'content-type': 'multipart/form-data; boundary=x' },
    415,
  ],
  [
    'JSON that says so',
    'POST',
    '/api/v1/readings',
    { 'content-type': 'application/json; charset=utf-8' },
    null,
  ],
  ['a page deleted', 'DELETE', '/recipes', {}, 405],
  ['a length that is none', 'POST', '/api/x', { 'content-length': '1e3x' }, 400],
  ['a body without a length', 'POST', '/api/x', { 'transfer-encoding': 'chunked' }, 411],
  ['a body where none belongs', 'GET', '/', { 'content-length': '10' }, 400],
  ['no body', 'GET', '/', {}, null],
])('%s', (_, method, path, headers, status) =>
  expect(refuseRequest(method, path, headers)?.status ?? null).toBe(status),
);

test('every refusal says what to do', () => {
  const said = refuseRequest('POST', '/api/x', { 'content-length': String(BODY_LIMITS.files) })!;
  expect(said).toMatchObject({
    code: 'too_large',
    words: 'At most 64 kB at once. Send it in parts.',
  });
});

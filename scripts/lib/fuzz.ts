import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths';
import { randomFrom } from '../studies/random';

export type Caller = { name: string; headers: Record<string, string> };
export type FuzzResult = {
  sent: number;
  byStatus: Record<number, number>;
  /** Requests that the server failed on, with enough to send them again. */
  failed: string[];
};

type Random = () => number;
const pick = <T>(r: Random, of: readonly T[]): T => of[Math.floor(r() * of.length)]!;

/** Values of a kind that no form sends: wrong types, text that cannot be kept, figures beyond all range. */
const ODD: ((r: Random) => unknown)[] = [
  () => null,
  () => '',
  () => 'a\0b',
  () => '\ud83d',
  () => '<img src=x onerror=alert(1)>',
  () => "'; drop table entry; --",
  () => '../../etc/passwd',
  (r) => 'x'.repeat(Math.floor(r() * 3000)),
  () => 1e-300,
  () => 1e308,
  () => -1,
  () => 0.1 + 0.2,
  () => true,
  () => [],
  () => ({}),
  () => ({ toString: 'x', __proto__: null, constructor: 1 }),
  () => '2300-01-01T00:00:00Z',
  () => '0000-00-00',
  () => '2026-02-31T25:61:00+99:00',
  () => '00000000-0000-4000-8000-000000000000',
  () => JSON.parse('['.repeat(60) + ']'.repeat(60)) as unknown,
];
const KEYS = [
  'id',
  'body',
  'kind',
  'happenedAt',
  'amountG',
  'lineId',
  'name',
  'email',
  'password',
  'role',
  'readings',
  'channel',
  'at',
  'tempC',
  'recipeVersionId',
  'meatG',
  'readyBy',
  'content',
  'lot',
  'reason',
  'batchId',
  'stages',
  'houseId',
  'timeZone',
  'code',
  'checks',
  'corrects',
];
const KINDS = [
  'noted',
  'weighed',
  'corrected',
  'disposed',
  'probe_placed',
  'reading_logged',
  'run_started',
  'signed',
  'readings_imported',
];

function oddValue(r: Random, depth = 0): unknown {
  if (depth < 3 && r() < 0.4) {
    const pairs = Array.from({ length: 1 + Math.floor(r() * 6) }, (): [string, unknown] => [
      pick(r, KEYS),
      oddValue(r, depth + 1),
    ]);
    const made = Object.fromEntries(pairs);
    return r() < 0.3 ? { ...made, kind: pick(r, KINDS) } : made;
  }
  if (depth < 3 && r() < 0.2)
    return Array.from({ length: Math.floor(r() * 5) }, () => oddValue(r, depth + 1));
  return pick(r, ODD)(r);
}

const ODD_HEADERS: [string, string][] = [
  ['next-router-state-tree', '%5B%22'],
  ['next-router-state-tree', 'not json'],
  ['rsc', '1'],
  ['next-router-prefetch', '1'],
  ['x-forwarded-for', '1.2.3.4'],
  ['x-middleware-subrequest', 'src/proxy:src/proxy'],
  ['accept-language', '*'],
  ['cookie', 'jk-units=%00; jk-theme=<b>'],
  ['range', 'bytes=0-'],
];
const TYPES = [
  'application/json',
  'text/plain',
  'text/plain;charset=UTF-8',
  'multipart/form-data; boundary=x',
  'application/x-www-form-urlencoded',
  'application/octet-stream',
];
const PATHS = [
  '/',
  '/batches/%',
  '/batches/new?ready=',
  '/recipes/',
  '/stores/',
  '/house/',
  '/bench/programs/',
  '/records?q=',
  '/settings',
  '/account',
  '/welcome',
  '/sign-in',
  '/dose-check',
  '/api/v1/batches/%/entries',
  '/api/v1/batches/%/record?as=',
  '/api/v1/batches/%/run?as=',
  '/api/v1/batches/%/schedule',
  '/api/v1/readings',
  '/api/v1/house',
  '/api/v1/recipes/%',
  '/api/v1/recipes/%/sheet?by=meat&amount=',
  '/api/auth/sign-in/email',
  '/api/auth/sign-out',
  '/api/auth/admin/set-role',
  '/api/auth/%',
  '/api/%',
];
const ODD_ENDS = [
  '',
  '0',
  'x',
  '%00',
  '..%2f..',
  '%ED%A0%80',
  '1e309',
  'NaN',
  '-1',
  '00000000-0000-4000-8000-000000000000',
  '2300-01-01T00:00',
  '%F0%9F%8C%AD',
  "'",
  '%25',
];

/** Ids of the server actions of the last build. */
export function actionIds(): string[] {
  const file = path.join(ROOT, '.next/server/server-reference-manifest.json');
  const manifest = JSON.parse(fs.readFileSync(file, 'utf8')) as { node: Record<string, unknown> };
  return Object.keys(manifest.node);
}

type Asked = { method: string; path: string; headers: Record<string, string>; body?: string };

/** One malformed request. */
function malformed(r: Random, actions: readonly string[]): Asked {
  const headers: Record<string, string> = {};
  if (r() < 0.25) Object.assign(headers, Object.fromEntries([pick(r, ODD_HEADERS)]));
  if (r() < 0.35) {
    const args = Array.from({ length: 1 + Math.floor(r() * 2) }, () => oddValue(r));
    const body = r() < 0.9 ? JSON.stringify(args) : '[$K';
    const id = r() < 0.9 ? pick(r, actions) : 'ff'.repeat(21);
    return {
      method: 'POST',
      path: '/',
      headers: { ...headers, 'next-action': id, 'content-type': pick(r, TYPES) },
      body,
    };
  }
  const route =
    pick(r, PATHS).replace('%', pick(r, ODD_ENDS)) + (r() < 0.5 ? pick(r, ODD_ENDS) : '');
  const method = pick(r, ['GET', 'GET', 'POST', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS']);
  if (method === 'GET' || method === 'OPTIONS') return { method, path: route, headers };
  const whole = JSON.stringify(oddValue(r));
  const body = r() < 0.2 ? whole.slice(0, -1) : whole;
  return { method, path: route, headers: { ...headers, 'content-type': pick(r, TYPES) }, body };
}

/**
 * Sends malformed requests over all routes and actions, by all callers in turn, and notes which ones the server
 * failed on. The same seed sends the same.
 */
export async function fuzz(
  base: string,
  callers: readonly Caller[],
  count: number,
  seed = 1,
): Promise<FuzzResult> {
  const random = randomFrom(seed);
  const actions = actionIds();
  const result: FuzzResult = { sent: 0, byStatus: {}, failed: [] };
  const one = async (asked: Asked, caller: Caller) => {
    const headers = { ...asked.headers, ...caller.headers };
    try {
      const answer = await fetch(base + asked.path, {
        method: asked.method,
        headers,
        body: asked.body,
        redirect: 'manual',
        signal: AbortSignal.timeout(20_000),
      });
      await answer.body?.cancel();
      result.byStatus[answer.status] = (result.byStatus[answer.status] ?? 0) + 1;
      if (answer.status >= 500)
        result.failed.push(
          `${answer.status} ${caller.name} ${JSON.stringify(asked).slice(0, 400)}`,
        );
    } catch (error) {
      result.failed.push(
        `${(error as Error).name} ${caller.name} ${JSON.stringify(asked).slice(0, 400)}`,
      );
    }
    result.sent += 1;
  };
  const asked = Array.from({ length: count }, () => malformed(random, actions));
  let next = 0;
  const worker = async () => {
    while (next < asked.length) {
      const i = next;
      next += 1;
      await one(asked[i]!, callers[i % callers.length]!);
    }
  };
  await Promise.all(Array.from({ length: 6 }, worker));
  return result;
}

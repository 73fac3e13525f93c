import fs from 'node:fs';
import path from 'node:path';
import { makeTemplates } from '../tests/support/templates';
import { bin, ROOT } from './lib/paths';
import { startPostgres } from './lib/postgres';
import { isPartName, PARTS, STAGES, type Part, type PartName } from './test/parts';
import { runPart, runQuietly } from './test/run-part';
import { slowest, type PartResult } from './test/results';

const SECRET = 'only-for-tests-only-for-tests-only-for-tests';
const SLOWEST_SHOWN = 10;
/** A test database is thrown away: nothing of it needs to outlive a power cut. */
const THROWN_AWAY = ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off'];

type Wanted = { parts: PartName[]; patterns: string[]; thorough: boolean };

/** `./kettle test [--thorough] [part …] [pattern …]`: without a part, all of them. */
function wantedOf(words: readonly string[]): Wanted {
  const parts = words.filter(isPartName);
  return {
    parts: parts.length > 0 ? parts : (Object.keys(PARTS) as PartName[]),
    patterns: words.filter((w) => !isPartName(w) && w !== '--thorough'),
    thorough: words.includes('--thorough'),
  };
}

async function build(env: NodeJS.ProcessEnv): Promise<void> {
  const { ok, output } = await runQuietly(bin('tsx'), ['scripts/main.ts', 'build'], env);
  if (!ok) throw new Error(`The build failed:\n${output}`);
}

function report(results: Map<PartName, PartResult>, startedMs: number): void {
  const all = [...results.values()];
  const files = slowest(all, SLOWEST_SHOWN);
  if (files.length > 0) console.log('\n# Slowest files');
  for (const { file, seconds } of files)
    console.log(`${seconds.toFixed(1).padStart(7)} s  ${path.relative(ROOT, path.resolve(file))}`);
  const passed = all.reduce((sum, r) => sum + r.passed, 0);
  const failed = all.reduce((sum, r) => sum + r.failed, 0);
  console.log(`\nTook ${Math.round((Date.now() - startedMs) / 1000)} s.`);
  console.log(`${passed} passed, ${failed} failed`);
  process.exitCode = failed === 0 ? 0 : 1;
}

/** Everything: lint, import direction, types, unit, integration and browser tests. Ends with `N passed, N failed`. */
export async function test(words: string[]): Promise<void> {
  const startedMs = Date.now();
  const { parts, patterns, thorough } = wantedOf(words);
  fs.mkdirSync(path.join(ROOT, '.data/test'), { recursive: true });
  const needs = (what: keyof Part['needs']) =>
    parts.some((p) => (PARTS[p] as Part).needs[what] === true);
  const given = process.env.DATABASE_URL;
  const own = !given && needs('database') ? await startPostgres('pg-test', THROWN_AWAY) : null;
  const env: NodeJS.ProcessEnv = {
    ...process.env,
    DATABASE_URL: given ?? own?.url ?? '',
    BETTER_AUTH_SECRET: SECRET,
    JOLLY_LEDGER_KEYS: SECRET,
    TZ: 'UTC',
    ...(thorough ? { JOLLY_THOROUGH: '1' } : {}),
  };
  const results = new Map<PartName, PartResult>();
  const step = async (name: (typeof STAGES)[number][number][number]) => {
    if (name === 'build') return needs('build') ? build(env) : undefined;
    if (name !== 'templates') {
      if (parts.includes(name))
        results.set(name, await runPart(name, patterns, env, parts.length === 1));
      return;
    }
    if (needs('database')) env.JOLLY_TEMPLATES = JSON.stringify(await makeTemplates(env));
  };
  try {
    for (const stage of STAGES)
      await Promise.all(
        stage.map(async (lane) => {
          for (const name of lane) await step(name);
        }),
      );
  } finally {
    if (own && !own.wasRunning) own.stop();
  }
  report(results, startedMs);
}

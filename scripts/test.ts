import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { buildIfNeeded } from './lib/build';
import { bin, ROOT } from './lib/paths';
import { startPostgres } from './lib/postgres';

type Count = { passed: number; failed: number };

const NONE: Count = { passed: 0, failed: 1 };

function runPart(title: string, command: string, args: string[], env: NodeJS.ProcessEnv): boolean {
  console.log(`\n# ${title}`);
  return spawnSync(command, args, { cwd: ROOT, env, stdio: 'inherit' }).status === 0;
}

const single = (ok: boolean): Count => ({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 });

/** Runs a runner that writes its result as JSON, and reads the counts from there; a runner that wrote none has failed. */
function counted(
  title: string,
  command: string,
  args: string[],
  env: NodeJS.ProcessEnv,
  file: string,
  read: (json: never) => Count,
): Count {
  fs.rmSync(file, { force: true });
  const ok = runPart(title, command, args, env);
  const count = fs.existsSync(file)
    ? read(JSON.parse(fs.readFileSync(file, 'utf8')) as never)
    : NONE;
  return !ok && count.failed === 0 ? { ...count, failed: 1 } : count;
}

const jestCount = (r: {
  numPassedTests: number;
  numFailedTests: number;
  numFailedTestSuites: number;
}): Count => ({
  passed: r.numPassedTests,
  failed: Math.max(r.numFailedTests, r.numFailedTestSuites),
});
const browserCount = (r: {
  stats: { expected: number; unexpected: number; flaky: number };
}): Count => ({
  passed: r.stats.expected + r.stats.flaky,
  failed: r.stats.unexpected,
});

/** Everything: lint, import direction, types, unit, integration and browser tests. Ends with `N passed, N failed`. */
export async function test(only: string[]): Promise<void> {
  const out = path.join(ROOT, '.data/test');
  fs.mkdirSync(out, { recursive: true });
  const server = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, wasRunning: true, stop: () => undefined }
    : await startPostgres('pg-test');
  const env: NodeJS.ProcessEnv = {
    ...process.env,
    DATABASE_URL: server.url,
    BETTER_AUTH_SECRET: 'only-for-tests-only-for-tests-only-for-tests',
    JOLLY_LEDGER_KEYS: 'only-for-tests-only-for-tests-only-for-tests',
    TZ: 'UTC',
  };
  const jest = (project: string, args: string[] = []) => {
    const file = path.join(out, `${project}.json`);
    return counted(
      `${project} tests`,
      bin('jest'),
      ['--selectProjects', project, '--json', `--outputFile=${file}`, '--silent', ...args],
      env,
      file,
      jestCount,
    );
  };
  const parts: Record<string, () => Count> = {
    lint: () => single(runPart('lint', bin('eslint'), ['.', '--max-warnings=0'], env)),
    imports: () =>
      single(
        runPart(
          'direction of imports',
          bin('depcruise'),
          ['src', '--config', '.dependency-cruiser.cjs'],
          env,
        ),
      ),
    format: () =>
      single(runPart('format', bin('prettier'), ['--check', '--log-level=warn', '.'], env)),
    types: () => single(runPart('types', bin('tsc'), ['--noEmit'], env)),
    unit: () => jest('unit'),
    integration: () => jest('integration', ['--runInBand']),
    browser: () => {
      buildIfNeeded();
      const file = path.join(out, 'browser.json');
      return counted(
        'browser tests',
        bin('playwright'),
        ['test', '--reporter=line,json'],
        { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
        file,
        browserCount,
      );
    },
  };
  const total: Count = { passed: 0, failed: 0 };
  try {
    for (const [name, part] of Object.entries(parts)) {
      if (only.length > 0 && !only.includes(name)) continue;
      const { passed, failed } = part();
      total.passed += passed;
      total.failed += failed;
    }
  } finally {
    if (!server.wasRunning) server.stop();
  }
  console.log(`\n${total.passed} passed, ${total.failed} failed`);
  process.exitCode = total.failed === 0 ? 0 : 1;
}

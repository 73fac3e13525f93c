import { spawnSync } from 'node:child_process';
import { startPostgres } from './lib/postgres';
(async () => {
  const server = await startPostgres('pg-test');
  const r = spawnSync(
    'node_modules/.bin/jest',
    ['--selectProjects', 'integration', '--runInBand', ...process.argv.slice(2)],
    {
      stdio: 'inherit',
      env: {
        ...process.env,
        DATABASE_URL: server.url,
        BETTER_AUTH_SECRET: 'only-for-tests-only-for-tests-only-for-tests',
        JOLLY_LEDGER_KEYS: 'only-for-tests-only-for-tests-only-for-tests',
        TZ: 'UTC',
      },
    },
  );
  if (!server.wasRunning) server.stop();
  process.exitCode = r.status ?? 1;
})();

import fs from 'node:fs';
import path from 'node:path';
import { DATA } from './lib/paths';
import { startPostgres } from './lib/postgres';

/** A PostgreSQL of its own for the crash test: `start` prints its address, `kill` ends it with SIGKILL. */
const NAME = 'pg-crash';
const verb = process.argv[2];
const server = verb === 'kill' ? null : await startPostgres(NAME);
if (verb === 'start') console.log(server!.url);
if (verb === 'stop') server!.stop();
if (verb === 'kill') {
  const inside = path.join(DATA, NAME, 'cluster/postmaster.pid');
  const pid = Number(fs.readFileSync(inside, 'utf8').split('\n')[0]);
  process.kill(pid, 'SIGKILL');
  await new Promise((resolve) => setTimeout(resolve, 1500));
}

import fs from 'node:fs';
import path from 'node:path';
import { verifyLogbook } from '../src/features/records/verify';
import { makeDb, makePool } from '../src/platform/db/client';
import { ROOT } from './lib/paths';
import { startPostgres } from './lib/postgres';

async function verifyAt(name: string, url: string): Promise<boolean> {
  const db = makeDb(makePool(url, 2));
  try {
    const result = await verifyLogbook(db);
    console.log(
      `${name}: ${result.entries} entries, ${result.signed} signed batches, last hash ${result.lastHash}`,
    );
    for (const p of result.problems) console.log(`  TAMPERED: ${p}`);
    for (const n of result.notes) console.log(`  note: ${n}`);
    if (result.problems.length === 0) console.log('  nothing has been changed');
    return result.problems.length === 0;
  } finally {
    await db.destroy();
  }
}

/** Checks the logbook of the given server, or of each of the project's own databases; exit code 1 when anything was changed. */
export async function verify(): Promise<void> {
  if (process.env.DATABASE_URL) {
    process.exitCode = (await verifyAt('database', process.env.DATABASE_URL)) ? 0 : 1;
    return;
  }
  const mine = ['pg', 'pg-demo'].filter((n) => fs.existsSync(path.join(ROOT, '.data', n)));
  if (mine.length === 0)
    console.log('There is no database yet: run ./kettle demo or ./kettle start first.');
  for (const name of mine) {
    const server = await startPostgres(name);
    if (!(await verifyAt(name === 'pg' ? 'site' : 'demo', server.url))) process.exitCode = 1;
    if (!server.wasRunning) server.stop();
  }
}

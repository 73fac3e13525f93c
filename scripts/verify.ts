import fs from 'node:fs';
import path from 'node:path';
import { verifyLogbook } from '../src/features/records/verify';
import { verifyEvidence } from '../src/features/records/verify-evidence';
import { makePlainDb, makePool, type Db } from '../src/platform/db/client';
import { parseAnchor, readAnchors, type Anchor } from '../src/platform/ledger/anchor';
import { DATA } from './lib/paths';
import { startPostgres } from './lib/postgres';
import { anchorsOf, readyLedger } from './lib/secret';

/** What the ledger is held against: an anchor that was given, or those of the file. */
type Against = { anchors: Anchor[]; restoredAt: string | null };
type Server = { name: string; url: string; evidence: boolean };

async function verifyAt({ name, url, evidence }: Server, against: Against): Promise<boolean> {
  const db = makePlainDb(makePool(url, 2));
  try {
    const result = await verifyLogbook(db, { anchors: against.anchors });
    console.log(
      `${name}: ${result.entries} entries, ${result.signed} signed batches, last hash ${result.lastHash}`,
    );
    console.log(
      `  ledger: ends with ${result.anchor}, held against ${against.anchors.length} anchors`,
    );
    if (against.restoredAt)
      console.log(
        `  note: a backup was put back at ${against.restoredAt}; anchors before it no longer count`,
      );
    for (const p of result.problems) console.log(`  TAMPERED: ${p}`);
    for (const n of result.notes) console.log(`  note: ${n}`);
    if (result.problems.length === 0) console.log('  nothing has been changed');
    const held = !evidence || (await evidenceHolds(db));
    return result.problems.length === 0 && held;
  } finally {
    await db.destroy();
  }
}

async function evidenceHolds(db: Db): Promise<boolean> {
  const { batches, readings, judged, problems } = await verifyEvidence(db);
  console.log(`  evidence: ${batches} batches, ${readings} readings, judged on ${judged} of them`);
  for (const p of problems) console.log(`  EVIDENCE: ${p}`);
  if (problems.length === 0) console.log('  every judgement is the one from the first reading on');
  return problems.length === 0;
}

/** @returns what was asked for, or null where nothing was and each database has a file of its own */
function readSince(since: string | undefined): Against | null {
  if (since === undefined) return null;
  if (fs.existsSync(since)) return readAnchors(since);
  const anchor = parseAnchor(since);
  if (!anchor)
    throw new Error(
      `${since} is neither an anchor (such as 1234.0f3a…, 32 digits) nor a file of them`,
    );
  return { anchors: [anchor], restoredAt: null };
}

/**
 * Checks the record of the given server, or of each of the project's own databases; exit code 1 when anything was changed.
 * @param since an anchor, or a file of anchors; the site's own file when left out
 * @param evidence also holds what is judged against every reading
 */
export async function verify(since?: string, evidence = false): Promise<void> {
  readyLedger('site');
  let asked: Against | null;
  try {
    asked = readSince(since);
  } catch (error) {
    console.error((error as Error).message);
    process.exitCode = 2;
    return;
  }
  const given = process.env.JOLLY_OWNER_URL ?? process.env.DATABASE_URL;
  if (given) {
    const against = asked ?? readAnchors(anchorsOf('site'));
    process.exitCode = (await verifyAt({ name: 'database', url: given, evidence }, against))
      ? 0
      : 1;
    return;
  }
  const mine = ['pg', 'pg-demo'].filter((n) => fs.existsSync(path.join(DATA, n)));
  if (mine.length === 0)
    console.log('There is no database yet: run ./kettle demo or ./kettle start first.');
  for (const name of mine) {
    const what = name === 'pg' ? 'site' : 'demo';
    const server = await startPostgres(name);
    /* An anchor that was given is of the site; of the demo where there is nothing else. */
    const meant = what === 'site' || mine.length === 1;
    const against = (meant ? asked : null) ?? readAnchors(anchorsOf(what));
    const one = { name: what, url: server.url, evidence };
    if (!(await verifyAt(one, against))) process.exitCode = 1;
    if (!server.wasRunning) server.stop();
  }
}

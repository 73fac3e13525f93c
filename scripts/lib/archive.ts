import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { verifyLogbook } from '../../src/features/records/verify';
import { makePlainDb, makePool } from '../../src/platform/db/client';
import { sha256 } from '../../src/platform/hash';
import { parseKeys } from '../../src/platform/ledger/keys';
import { openSite } from './site-database';
import { run } from './shell';

const BIN = '/usr/lib/postgresql/15/bin';
const FORMAT = 2;

/** What belongs to a site beside its database: the session secret and the keys of the ledger. */
export type Secrets = {
  session: string;
  ledgerKeys: string;
  /** Where the site reaches devices: with others of its own nobody would be reached any more. */
  pushKeys?: string;
};

/** What a backup says of itself. */
export type Manifest = {
  format: number;
  madeAt: string;
  dumpSha256: string;
  entries: number;
  lastHash: string;
};

/** The database of an address as the tools take it: a password in an argument would be seen by everybody. */
function toolEnv(url: string): NodeJS.ProcessEnv {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
}

const withFolder = async <T>(work: (folder: string) => Promise<T>): Promise<T> => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'kettle-backup-'));
  try {
    return await work(folder);
  } finally {
    fs.rmSync(folder, { recursive: true, force: true });
  }
};

async function chainOf(url: string, ledgerKeys: string) {
  const db = makePlainDb(makePool(url, 2));
  try {
    return await verifyLogbook(db, { keys: parseKeys(ledgerKeys) });
  } finally {
    await db.destroy();
  }
}

/**
 * Writes everything of a site into one file, while it runs: the database as of one moment, and its secrets.
 * @throws Error when the logbook does not verify: a backup of something that was changed is worth saying so
 */
export const backUp = (url: string, secrets: Secrets, file: string): Promise<Manifest> =>
  withFolder(async (folder) => {
    const { entries, lastHash, problems } = await chainOf(url, secrets.ledgerKeys);
    if (problems.length > 0) throw new Error(`the logbook does not verify: ${problems[0]}`);
    const dump = path.join(folder, 'database.dump');
    run(`${BIN}/pg_dump`, ['--format=custom', '--no-owner', `--file=${dump}`], {
      env: toolEnv(url),
    });
    const manifest: Manifest = {
      format: FORMAT,
      madeAt: new Date().toISOString(),
      dumpSha256: sha256(fs.readFileSync(dump)),
      entries,
      lastHash,
    };
    fs.writeFileSync(path.join(folder, 'secrets.json'), JSON.stringify(secrets), { mode: 0o600 });
    fs.writeFileSync(path.join(folder, 'manifest.json'), JSON.stringify(manifest, null, 2));
    const parts = ['manifest.json', 'database.dump', 'secrets.json'];
    run('tar', ['-C', folder, '-cf', `${file}.part`, ...parts]);
    fs.chmodSync(`${file}.part`, 0o600);
    fs.renameSync(`${file}.part`, file);
    return manifest;
  });

function readManifest(folder: string): Manifest {
  const at = path.join(folder, 'manifest.json');
  if (!fs.existsSync(at)) throw new Error('this is no backup of Jolly Kettle');
  const manifest = JSON.parse(fs.readFileSync(at, 'utf8')) as Manifest;
  if (manifest.format !== FORMAT)
    throw new Error(`a backup of another format (${manifest.format})`);
  if (sha256(fs.readFileSync(path.join(folder, 'database.dump'))) !== manifest.dumpSha256)
    throw new Error('the backup was damaged: its database is not the one that it was made with');
  return manifest;
}

/**
 * Puts a backup in the place of all that a database holds, and verifies what came back.
 * @param url as the owner of the tables
 * @returns the manifest, the secrets that belong to it, and where the ledger ends
 * @throws Error when the file is damaged, or when what came back is not what was saved
 */
export const restore = (
  url: string,
  file: string,
): Promise<{ manifest: Manifest; secrets: Secrets; anchor: string }> =>
  withFolder(async (folder) => {
    try {
      run('tar', ['-C', folder, '-xf', path.resolve(file)]);
    } catch {
      throw new Error(`${file} cannot be read as a backup`);
    }
    const manifest = readManifest(folder);
    /* First read whole, then put in place in one transaction: a backup that cannot be read changes nothing. */
    const script = path.join(folder, 'database.sql');
    const dump = path.join(folder, 'database.dump');
    run(`${BIN}/pg_restore`, ['--no-owner', '--no-privileges', `--file=${script}`, dump]);
    const anew = 'drop schema public cascade; create schema public';
    run(
      `${BIN}/psql`,
      [
        '-q',
        '--single-transaction',
        '-v',
        'ON_ERROR_STOP=1',
        '-o',
        '/dev/null',
        '-c',
        anew,
        '-f',
        script,
      ],
      { env: toolEnv(url) },
    );
    const secrets = JSON.parse(
      fs.readFileSync(path.join(folder, 'secrets.json'), 'utf8'),
    ) as Secrets;
    const { entries, lastHash, anchor, problems } = await chainOf(url, secrets.ledgerKeys);
    if (problems.length > 0 || lastHash !== manifest.lastHash || entries < manifest.entries)
      throw new Error(
        `what came back does not verify: ${problems[0] ?? 'its chain ends elsewhere'}`,
      );
    const { db } = await openSite(url);
    await db.destroy();
    return { manifest, secrets, anchor };
  });

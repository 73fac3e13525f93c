import pg from 'pg';
import { seedRules } from '../../src/features/settings/service';
import { loadDemo, type DemoDevice } from '../../scripts/demo/load';
import { openSite } from '../../scripts/lib/site-database';

/** A database as a test has it: how the application signs in, and how the owner of the tables does. */
export type Copy = { url: string; ownerUrl: string; drop: () => Promise<void> };

/** Databases that are made once a run and copied by every test file that needs one. */
type Templates = Record<Filling, { url: string; ownerUrl: string }> & { devices: DemoDevice[] };
export type Filling = 'empty' | 'demo';

const KEY = 'JOLLY_TEMPLATES';
const at = (server: string, name: string) => server.replace(/\/[^/]*$/, `/${name}`);
const nameOf = (url: string) => new URL(url).pathname.slice(1);

async function admin(server: string, ...statements: string[]): Promise<void> {
  const client = new pg.Client({ connectionString: server });
  await client.connect();
  try {
    for (const statement of statements) await client.query(statement);
  } finally {
    await client.end();
  }
}

/** Makes the templates: one with the schema and the rules, one with the demo as of now. */
export async function makeTemplates(env: NodeJS.ProcessEnv): Promise<Templates> {
  const server = env.DATABASE_URL!;
  /* The ledger of the demo is written under the keys of the tests. */
  process.env.JOLLY_LEDGER_KEYS = env.JOLLY_LEDGER_KEYS;
  process.env.BETTER_AUTH_SECRET = env.BETTER_AUTH_SECRET;
  const ownerUrl = { empty: at(server, 'jolly_tpl_empty'), demo: at(server, 'jolly_tpl_demo') };
  await admin(
    server,
    'drop database if exists jolly_tpl_empty with (force)',
    'drop database if exists jolly_tpl_demo with (force)',
    'create database jolly_tpl_empty',
  );
  const empty = await openSite(ownerUrl.empty);
  await seedRules(empty.db);
  await empty.db.destroy();
  await admin(server, 'create database jolly_tpl_demo template jolly_tpl_empty');
  const demo = await openSite(ownerUrl.demo);
  const devices = await loadDemo(demo.db, Date.now() / 1000);
  await demo.db.destroy();
  return {
    empty: { url: empty.url, ownerUrl: ownerUrl.empty },
    demo: { url: demo.url, ownerUrl: ownerUrl.demo },
    devices,
  };
}

/** The templates of this run. @throws Error outside `./kettle test` */
export function templates(): Templates {
  const given = process.env[KEY];
  if (!given) throw new Error('This test needs a database: run it by ./kettle test NAME-OF-FILE.');
  return JSON.parse(given) as Templates;
}

/** A database of its own for a test file, copied from a template. */
export async function copyOf(filling: Filling, name: string): Promise<Copy> {
  const template = templates()[filling];
  const server = process.env.DATABASE_URL!;
  const drop = () => admin(server, `drop database if exists ${name} with (force)`);
  await drop();
  await admin(server, `create database ${name} template ${nameOf(template.ownerUrl)}`);
  return { url: at(template.url, name), ownerUrl: at(template.ownerUrl, name), drop };
}

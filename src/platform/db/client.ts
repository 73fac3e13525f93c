import { CamelCasePlugin, Kysely, PostgresDialect, type Transaction } from 'kysely';
import pg from 'pg';
import { env } from '../env';
import { LedgerDialect } from '../ledger/dialect';
import type { Tables } from './tables';

export type Db = Kysely<Tables>;
export type Tx = Transaction<Tables>;
/** A database handle, inside or outside a transaction. */
export type Handle = Db | Tx;

const INT8 = 20;
pg.types.setTypeParser(INT8, Number);

/** A pool that outlives a restart of the server: broken idle connections are dropped, new ones made. */
export function makePool(connectionString: string, max = 10): pg.Pool {
  const pool = new pg.Pool({
    connectionString,
    max,
    keepAlive: true,
    connectionTimeoutMillis: 5000,
    /* To compile a query takes longer than any of ours does. Asked for once it is open: a pooler takes no such options before. */
    verify: (client, done) =>
      void client.query('set jit = off').then(
        () => done(),
        (error: Error) => done(error),
      ),
  });
  pool.on('error', (error) => console.warn(`database: idle connection lost (${error.message})`));
  /* One that is lost while it is in use fails its query; without a listener it would end the process as well. */
  pool.on('connect', (client) => client.on('error', () => undefined));
  return pool;
}

const plugins = () => [
  new CamelCasePlugin({
    underscoreBetweenUppercaseLetters: true,
    maintainNestedObjectKeys: true,
  }),
];

/** Kysely over a pool: snake_case in the database, camelCase here; whatever is committed is sealed in the ledger. */
export const makeDb = (pool: pg.Pool): Db =>
  new Kysely<Tables>({ dialect: new LedgerDialect({ pool }), plugins: plugins() });

/** The same without the ledger: for migrations, which write what they did at their end, and for reading only. */
export const makePlainDb = (pool: pg.Pool): Db =>
  new Kysely<Tables>({ dialect: new PostgresDialect({ pool }), plugins: plugins() });

const shared = globalThis as { jollyPool?: pg.Pool; jollyDb?: Db };

/** The process's one pool. */
export const pool = (): pg.Pool => (shared.jollyPool ??= makePool(env().DATABASE_URL));

/** The process's one database handle. */
export const db = (): Db => (shared.jollyDb ??= makeDb(pool()));

import { Migrator } from 'kysely';
import type { Db } from './client';
import * as foundations from './migrations/0001-foundations';
import * as formulation from './migrations/0002-formulation';
import * as house from './migrations/0003-house';
import * as trust from './migrations/0004-trust';
import * as band from './migrations/0005-band';
import * as doors from './migrations/0006-doors';
import * as seal from './migrations/0007-seal';

/** Brings the schema up to date; each migration runs once, in its own transaction, under a lock. */
export async function migrateToLatest(db: Db): Promise<void> {
  const migrator = new Migrator({
    db,
    provider: {
      getMigrations: async () => ({
        '0001-foundations': foundations,
        '0002-formulation': formulation,
        '0003-house': house,
        '0004-trust': trust,
        '0005-band': band,
        '0006-doors': doors,
        '0007-seal': seal,
      }),
    },
  });
  const { error } = await migrator.migrateToLatest();
  if (error) throw error;
}

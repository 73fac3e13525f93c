import { Migrator } from 'kysely';
import { afterMigration, beforeMigration } from '../ledger/take-over';
import { makePlainDb, makePool } from './client';
import * as foundations from './migrations/0001-foundations';
import * as formulation from './migrations/0002-formulation';
import * as house from './migrations/0003-house';
import * as trust from './migrations/0004-trust';
import * as band from './migrations/0005-band';
import * as doors from './migrations/0006-doors';
import * as seal from './migrations/0007-seal';
import * as ledger from './migrations/0008-ledger';
import * as places from './migrations/0009-places';
import * as machines from './migrations/0010-machines';
import * as floor from './migrations/0011-floor';
import * as reach from './migrations/0012-reach';
import * as plan from './migrations/0013-plan';
import * as years from './migrations/0014-years';
import * as cultures from './migrations/0015-cultures';
import * as instruments from './migrations/0016-instruments';
import { grantRights } from './rights';

const MIGRATIONS = {
  '0001-foundations': foundations,
  '0002-formulation': formulation,
  '0003-house': house,
  '0004-trust': trust,
  '0005-band': band,
  '0006-doors': doors,
  '0007-seal': seal,
  '0008-ledger': ledger,
  '0009-places': places,
  '0010-machines': machines,
  '0011-floor': floor,
  '0012-reach': reach,
  '0013-plan': plan,
  '0014-years': years,
  '0015-cultures': cultures,
  '0016-instruments': instruments,
};

/**
 * Brings the schema up to date; each migration runs once, under a lock, and what it changes is written into the ledger.
 * @param ownerUrl the database as the role that owns its tables
 * @param appRole the role that the application signs in as: it gets the rights that it needs and no more
 */
export async function migrateToLatest(ownerUrl: string, appRole?: string): Promise<void> {
  const db = makePlainDb(makePool(ownerUrl, 2));
  try {
    const migrator = new Migrator({
      db,
      provider: { getMigrations: () => Promise.resolve(MIGRATIONS) },
    });
    const all = await migrator.getMigrations();
    if (all.some((m) => !m.executedAt)) {
      const before = await beforeMigration(db);
      const { error } = await migrator.migrateToLatest();
      if (error) throw error;
      await afterMigration(db, before);
    }
    if (appRole) await grantRights(db, appRole);
  } finally {
    await db.destroy();
  }
}

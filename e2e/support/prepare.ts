import pg from 'pg';
import { makeDb, makePool } from '../../src/platform/db/client';
import { migrateToLatest } from '../../src/platform/db/migrate';
import { seedRules } from '../../src/features/settings/service';
import { makeHostile } from './hostile';
import { loadDemo } from '../../scripts/demo/load';

/** Makes a database anew and fills it: node prepare.ts <name> [demo | hostile]. Prints its address and device tokens as JSON. */
const [name, fill] = process.argv.slice(2);
const admin = new pg.Client({ connectionString: process.env.DATABASE_URL });
await admin.connect();
await admin.query(`drop database if exists ${name} with (force)`);
await admin.query(`create database ${name}`);
await admin.end();
const url = process.env.DATABASE_URL!.replace(/\/[^/]*$/, `/${name}`);
const db = makeDb(makePool(url, 3));
await migrateToLatest(db);
await seedRules(db);
const devices = fill === 'demo' || fill === 'hostile' ? await loadDemo(db, Date.now() / 1000) : [];
if (fill === 'hostile') await makeHostile(db);
await db.destroy();
console.log(JSON.stringify({ url, tokens: devices.map((d) => d.token) }));

export {};

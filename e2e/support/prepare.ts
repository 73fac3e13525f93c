import pg from 'pg';
import { seedRules } from '../../src/features/settings/service';
import { makeHostile } from './hostile';
import { openSite } from '../../scripts/lib/site-database';
import { loadDemo } from '../../scripts/demo/load';

/** Makes a database anew and fills it: node prepare.ts <name> [demo | hostile]. Prints its address and device tokens as JSON. */
const [name, fill] = process.argv.slice(2);
const admin = new pg.Client({ connectionString: process.env.DATABASE_URL });
await admin.connect();
await admin.query(`drop database if exists ${name} with (force)`);
await admin.query(`create database ${name}`);
await admin.end();
const ownerUrl = process.env.DATABASE_URL!.replace(/\/[^/]*$/, `/${name}`);
const { url, db } = await openSite(ownerUrl);
await seedRules(db);
const devices = fill === 'demo' || fill === 'hostile' ? await loadDemo(db, Date.now() / 1000) : [];
if (fill === 'hostile') await makeHostile(db);
await db.destroy();
console.log(JSON.stringify({ url, tokens: devices.map((d) => d.token) }));

export {};

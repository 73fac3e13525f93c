import { openSite } from '../../scripts/lib/site-database';
import { makeHostile } from './hostile';

/** Gives a copy of the demo hostile names: tsx fill-hostile.ts <address of the database as its owner>. */
const { db } = await openSite(process.argv[2]!);
await makeHostile(db);
await db.destroy();

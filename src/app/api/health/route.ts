import { sql } from 'kysely';
import { db } from '@/platform/db/client';

export const dynamic = 'force-dynamic';

/** Is the application up, and its database? */
export async function GET() {
  try {
    await sql`select 1`.execute(db());
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false, code: 'no_database' }, { status: 503 });
  }
}

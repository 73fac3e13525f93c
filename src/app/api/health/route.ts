import { sql } from 'kysely';
import { clockDoubt, clockWords } from '@/platform/clock-watch';
import { db } from '@/platform/db/client';
import { isDiskFull } from '@/platform/db/trouble';

export const dynamic = 'force-dynamic';

const ill = (code: string, message: string) =>
  Response.json({ ok: false, code, message }, { status: 503 });

/** Is the application up, and its database; can it write; is its clock right? */
export async function GET() {
  try {
    await sql`select 1`.execute(db());
  } catch {
    return ill('no_database', 'The database does not answer; it is being tried again.');
  }
  if (isDiskFull())
    return ill(
      'disk_full',
      'The disk of the database is full: make room. Nothing new can be kept.',
    );
  const doubt = clockDoubt();
  return Response.json({ ok: true, ...(doubt ? { warning: clockWords(doubt) } : {}) });
}

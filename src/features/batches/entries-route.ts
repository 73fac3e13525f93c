import type { z } from 'zod';
import { requireRoute } from '@/features/accounts/identify';
import { db } from '@/platform/db/client';
import { troubleOf } from '@/platform/db/trouble';
import { fieldsOf, readInput } from '@/platform/read-input';
import { postEntries, type Posted } from './service';

const isJson = (request: Request) =>
  request.headers.get('content-type')?.startsWith('application/json');

/** Takes what a request posts into the logbook, and answers by code. Safe to repeat: an entry's id makes it count once. */
export async function answerPosted<T>(
  request: Request,
  schema: z.ZodType<T>,
  offersOf: (data: T) => readonly Posted[],
): Promise<Response> {
  const person = await requireRoute('work_batches');
  if (person instanceof Response) return person;
  const body: unknown = isJson(request) ? await request.json().catch(() => undefined) : undefined;
  const parsed = readInput(schema, body);
  if (!parsed.success)
    return Response.json(
      { ok: false, code: 'bad_entry', fields: fieldsOf(parsed.error) },
      { status: 400 },
    );
  try {
    const result = await postEntries(db(), person, offersOf(parsed.data));
    /* By a clock that is in doubt nothing is refused: it stays on the device and is sent again. */
    const refused = !result.ok && result.code === 'server_clock' ? 503 : 409;
    return Response.json(result, { status: result.ok ? 200 : refused });
  } catch (error) {
    const code = troubleOf(error);
    if (!code) throw error;
    return Response.json({ ok: false, code }, { status: 503 });
  }
}

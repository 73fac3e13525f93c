import { z } from 'zod';
import { requireRoute } from '@/features/accounts/identify';
import { postedEntrySchema } from '@/features/batches/contract';
import { postEntry } from '@/features/batches/service';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';

const isJson = (request: Request) =>
  request.headers.get('content-type')?.startsWith('application/json');

/** Takes one entry into a batch's logbook. Safe to repeat: the entry's id makes it count once. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const person = await requireRoute('work_batches');
  if (person instanceof Response) return person;
  const { id } = await params;
  const body: unknown = isJson(request) ? await request.json().catch(() => undefined) : undefined;
  const parsed = readInput(postedEntrySchema, body);
  if (!parsed.success || !z.uuid().safeParse(id).success) {
    const fields = parsed.success ? { batch: 'no such batch' } : fieldsOf(parsed.error);
    return Response.json({ ok: false, code: 'bad_entry', fields }, { status: 400 });
  }
  const result = await postEntry(db(), person, id, parsed.data);
  return Response.json(result, { status: result.ok ? 200 : 409 });
}

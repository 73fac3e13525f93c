import { requireRoute } from '@/features/accounts/identify';
import { postedEntrySchema } from '@/features/batches/contract';
import { refSchema } from '@/features/batches/ref';
import { postEntry } from '@/features/batches/service';
import { db } from '@/platform/db/client';
import { troubleOf } from '@/platform/db/trouble';
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
  if (!parsed.success || !refSchema.safeParse(id).success) {
    const fields = parsed.success ? { batch: 'no such batch' } : fieldsOf(parsed.error);
    return Response.json({ ok: false, code: 'bad_entry', fields }, { status: 400 });
  }
  try {
    const result = await postEntry(db(), person, id, parsed.data);
    /* By a clock that is in doubt nothing is refused: it stays on the device and is sent again. */
    const refused = !result.ok && result.code === 'server_clock' ? 503 : 409;
    return Response.json(result, { status: result.ok ? 200 : refused });
  } catch (error) {
    const code = troubleOf(error);
    if (!code) throw error;
    return Response.json({ ok: false, code }, { status: 503 });
  }
}

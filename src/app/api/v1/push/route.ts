import { requireRoute } from '@/features/accounts/identify';
import { deviceSchema, endpointSchema } from '@/features/reach/contract';
import { dropDevice, isDeviceOf, keepDevice } from '@/features/reach/service';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';

const bad = (fields: Record<string, string>) =>
  Response.json({ ok: false, code: 'bad_input', fields }, { status: 400 });

/** Does this device, by its mark, get the alarms of whoever asks? */
export async function GET(request: Request): Promise<Response> {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const mark = new URL(request.url).searchParams.get('of') ?? '';
  return Response.json({ mine: await isDeviceOf(db(), person.id, mark) });
}

/** Alarms for whoever asks come to this device from now on. */
export async function POST(request: Request): Promise<Response> {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const parsed = readInput(deviceSchema, await request.json().catch(() => null));
  if (!parsed.success) return bad(fieldsOf(parsed.error));
  await keepDevice(db(), person.id, parsed.data);
  return Response.json({ ok: true });
}

/** And no more. */
export async function DELETE(request: Request): Promise<Response> {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const parsed = readInput(endpointSchema, await request.json().catch(() => null));
  if (!parsed.success) return bad(fieldsOf(parsed.error));
  await dropDevice(db(), person.id, parsed.data.endpoint);
  return Response.json({ ok: true });
}

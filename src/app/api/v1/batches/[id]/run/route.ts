import { z } from 'zod';
import { requireRoute } from '@/features/accounts/identify';
import { loadDossier } from '@/features/logbook/service';
import { refSchema } from '@/features/logbook/contract';
import { runCsv, runJson } from '@/features/records/run-export';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

const refuse = (status: number, code: string, message: string) =>
  Response.json({ ok: false, code, message }, { status });

/** The run of a batch, readings and stages, as CSV or JSON. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const as = z.enum(['csv', 'json']).safeParse(new URL(request.url).searchParams.get('as'));
  if (!as.success) return refuse(400, 'unknown_format', 'Ask for ?as=csv or json.');
  const id = refSchema.safeParse((await params).id);
  const dossier = id.success ? await loadDossier(db(), id.data, nowS()) : null;
  if (!dossier) return refuse(404, 'no_such_batch', 'There is no such batch.');
  const json = as.data === 'json';
  const body = json ? await runJson(db(), dossier) : await runCsv(db(), dossier);
  if (body === null) return refuse(404, 'no_run', 'This batch has not been in a house.');
  return new Response(typeof body === 'string' ? body : JSON.stringify(body, null, 1), {
    headers: {
      'content-type': json ? 'application/json; charset=utf-8' : 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="run-${dossier.head.code}.${as.data}"`,
    },
  });
}

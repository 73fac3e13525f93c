import { z } from 'zod';
import { requireRoute } from '@/features/accounts/identify';
import { loadDossier } from '@/features/logbook/service';
import { refSchema } from '@/features/logbook/contract';
import { recordCsv, recordJson } from '@/features/records/export';
import { loadSite } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { anchorText, headAnchor } from '@/platform/ledger/anchor';

const asSchema = z.enum(['pdf', 'json', 'csv']);
const TYPES = {
  pdf: 'application/pdf',
  json: 'application/json; charset=utf-8',
  csv: 'text/csv; charset=utf-8',
};

/** The record of a batch as PDF, JSON or CSV. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const as = asSchema.safeParse(new URL(request.url).searchParams.get('as'));
  const id = refSchema.safeParse((await params).id);
  const dossier = id.success ? await loadDossier(db(), id.data, nowS()) : null;
  if (!dossier) return Response.json({ ok: false, code: 'no_such_batch' }, { status: 404 });
  if (!as.success)
    return Response.json(
      { ok: false, code: 'unknown_format', message: 'Ask for ?as=pdf, json or csv.' },
      { status: 400 },
    );
  const site = await loadSite(db());
  const body = await bodyAs(as.data);
  const headers = {
    'content-type': TYPES[as.data],
    'content-disposition': `attachment; filename="batch-${dossier.head.code}.${as.data}"`,
  };
  return new Response(body as BodyInit, { headers });

  async function bodyAs(kind: z.infer<typeof asSchema>): Promise<string | Uint8Array> {
    if (kind === 'json') return JSON.stringify(recordJson(dossier!, site.name), null, 2);
    if (kind === 'csv') return recordCsv(dossier!);
    const { recordPdf } = await import('@/features/records/RecordPdf');
    const last = await db()
      .selectFrom('entry')
      .select('hash')
      .where('batchId', '=', dossier!.head.batchId)
      .orderBy('seq', 'desc')
      .executeTakeFirstOrThrow();
    return recordPdf({
      d: dossier!,
      site: site.name,
      show: await showOfRequest(),
      headHash: last.hash,
      anchor: anchorText(await headAnchor(db())),
      madeS: nowS(),
    });
  }
}

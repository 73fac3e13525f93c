import ical, { ICalCalendarMethod } from 'ical-generator';
import { z } from 'zod';
import { requireRoute } from '@/features/accounts/identify';
import { loadDossier } from '@/features/batches/case';
import { piecesOf, planOfBatch } from '@/features/batches/plan';
import { pieceLook } from '@/features/batches/ui/Timeline';
import { loadSite } from '@/features/settings/repository';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** A calendar's line ends where the name does not. */
const oneLine = (text: string) => text.replace(/[\r\n\u2028\u2029]+/g, ' ');

/** The batch's schedule as an iCalendar file. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const id = z.uuid().safeParse((await params).id);
  const dossier = id.success ? await loadDossier(db(), id.data, nowS()) : null;
  if (!dossier) return Response.json({ ok: false, code: 'no_such_batch' }, { status: 404 });
  const { recipe } = dossier.case;
  const plan = planOfBatch(dossier.case, await loadSite(db()));
  const calendar = ical({
    name: oneLine(`${recipe.name} ${dossier.head.code}`),
    prodId: '-//Jolly Kettle//Schedule//EN',
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const p of piecesOf(plan)) {
    calendar.createEvent({
      id: `${dossier.head.id}-${p.key.replace(':', '-')}`,
      start: new Date(p.startS * 1000),
      end: new Date(p.endS * 1000),
      summary: oneLine(`${pieceLook(p.key, recipe).name}: ${recipe.name}`),
      description: p.attended ? 'Somebody must be there.' : 'Runs unattended.',
    });
  }
  return new Response(calendar.toString(), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="batch-${dossier.head.code}.ics"`,
    },
  });
}

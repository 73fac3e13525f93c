import ical, { ICalCalendarMethod } from 'ical-generator';
import { recipeOfRun, type Standing } from '@/core';
import { requireRoute } from '@/features/accounts/identify';
import { judgeNow } from '@/features/logbook/service';
import { refSchema } from '@/features/logbook/contract';
import { wayNow } from '@/features/houses/way';
import { plannedSteps } from '@/features/plan/service';
import { loadSite } from '@/features/settings/service';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { pieceLook } from '@/words/piece';

/** A calendar's line ends where the name does not. */
const oneLine = (text: string) => text.replace(/[\r\n\u2028\u2029]+/g, ' ');

const DESCRIBED: Partial<Record<Standing, string>> = { done: 'Done.', now: 'Goes on now.' };

/** The batch's way so far and its schedule from here as an iCalendar file. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const id = refSchema.safeParse((await params).id);
  const dossier = id.success ? await judgeNow(db(), id.data, nowS()) : null;
  if (!dossier) return Response.json({ ok: false, code: 'no_such_batch' }, { status: 404 });
  const recipe = recipeOfRun(dossier.case.recipe, dossier.case.state);
  const planned = (await plannedSteps(db()))(dossier.head.id);
  const way = await wayNow(db(), dossier, await loadSite(db()), nowS(), planned);
  const calendar = ical({
    name: oneLine(`${recipe.name} ${dossier.head.code}`),
    prodId: '-//Jolly Kettle//Schedule//EN',
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const p of way.pieces.filter((x) => x.standing !== 'unrecorded')) {
    calendar.createEvent({
      id: `${dossier.head.id}-${p.key.replace(':', '-')}`,
      start: new Date(p.startS * 1000),
      end: new Date(p.endS * 1000),
      summary: oneLine(`${pieceLook(p.key, recipe).name}: ${recipe.name}`),
      description:
        DESCRIBED[p.standing] ?? (p.attended ? 'Somebody must be there.' : 'Runs unattended.'),
    });
  }
  return new Response(calendar.toString(), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="batch-${dossier.head.code}.ics"`,
    },
  });
}

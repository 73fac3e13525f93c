import { recipeOfRun, type Standing } from '@/core';
import { requireRoute } from '@/features/accounts/identify';
import { judgeNow } from '@/features/logbook/service';
import { refSchema } from '@/features/logbook/contract';
import { wayNow } from '@/features/houses/way';
import { plannedSteps } from '@/features/plan/service';
import { loadSite } from '@/features/settings/service';
import { calendarFile } from '@/platform/calendar';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { pieceLook } from '@/words/piece';

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
  const events = way.pieces
    .filter((p) => p.standing !== 'unrecorded')
    .map((p) => ({
      id: `${dossier.head.id}-${p.key}`,
      startS: p.startS,
      endS: p.endS,
      summary: `${pieceLook(p.key, recipe).name}: ${recipe.name}`,
      description:
        DESCRIBED[p.standing] ?? (p.attended ? 'Somebody must be there.' : 'Runs unattended.'),
    }));
  const file = calendarFile(`${recipe.name} ${dossier.head.code}`, 'Schedule', events);
  return new Response(file, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="batch-${dossier.head.code}.ics"`,
    },
  });
}

import { agendaOf, calendarOf, linkOf, loadBoard, namesOf } from '@/features/plan/service';
import { loadSite } from '@/features/settings/service';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

const NONE = () => Response.json({ ok: false, code: 'no_such_link' }, { status: 404 });

/** The plan for whoever has a link to it: of the site, or of one person. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  if (!/^jc_[\w-]{43}$/.test(token)) return NONE();
  const link = await linkOf(db(), token);
  if (!link) return NONE();
  const { board } = (await loadBoard(db(), nowS(), null))!;
  const { name } = await loadSite(db());
  const file = calendarOf(agendaOf(board, board.placed), namesOf(board), name, link.personId);
  return new Response(file, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'cache-control': 'no-store',
      'content-disposition': 'inline; filename="plan.ics"',
    },
  });
}

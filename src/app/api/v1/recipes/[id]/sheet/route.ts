import { z } from 'zod';
import { requireRoute } from '@/features/accounts/identify';
import { findVersion } from '@/features/recipes/service';
import { sheetQuery } from '@/features/recipes/sheet';
import { sheetOfDay } from '@/features/recipes/sheet-of-day';
import { sheetPdf } from '@/features/recipes/SheetPdf';
import { loadSite } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** The dose sheet of a version as a PDF, on A4 or Letter. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const id = z.uuid().safeParse((await params).id);
  const version = id.success ? await findVersion(db(), id.data) : undefined;
  if (!version) return Response.json({ ok: false, code: 'no_such_recipe' }, { status: 404 });
  const asked = new URL(request.url).searchParams;
  const query = sheetQuery.parse(Object.fromEntries(asked));
  const show = await showOfRequest();
  const recipe = version.content;
  const { answer } = await sheetOfDay(db(), recipe, query, show.settings.system);
  if (!answer.ok)
    return Response.json(
      { ok: false, code: 'bad_input', message: answer.message },
      { status: 400 },
    );
  const pdf = await sheetPdf({
    recipe,
    version: version.number,
    sheet: answer.sheet,
    casing: `${show.quantity('length', answer.casingMm)} of ${recipe.casing.name}, ${show.quantity('diameter', recipe.casing.diameterMm)}${answer.hanging ? `; ${answer.hanging.pieces} pieces on ${answer.hanging.sticks} sticks` : ''}`,
    site: (await loadSite(db())).name,
    show,
    madeS: nowS(),
    paper: asked.get('paper') === 'LETTER' ? 'LETTER' : 'A4',
  });
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="dose-sheet.pdf"`,
    },
  });
}

import { z } from 'zod';
import { requireRoute } from '@/features/accounts/identify';
import { recipeToCsv, recipeToJson } from '@/features/recipes/exchange';
import { findVersion } from '@/features/recipes/service';
import { db } from '@/platform/db/client';

const FORMATS = {
  json: { write: recipeToJson, type: 'application/json' },
  csv: { write: recipeToCsv, type: 'text/csv; charset=utf-8' },
};

/** One version of a recipe as a file: JSON, lossless, or CSV for a spreadsheet. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const id = z.uuid().safeParse((await params).id);
  const version = id.success ? await findVersion(db(), id.data) : undefined;
  if (!version) return Response.json({ ok: false, code: 'no_such_recipe' }, { status: 404 });
  const asked = new URL(request.url).searchParams.get('format');
  const format = asked === 'csv' ? 'csv' : 'json';
  const file = `${version.content.name.replace(/[^\w-]+/g, '-').toLowerCase()}-v${version.number}.${format}`;
  return new Response(FORMATS[format].write(version.content), {
    headers: {
      'content-type': FORMATS[format].type,
      'content-disposition': `attachment; filename="${file}"`,
    },
  });
}

import { Link } from '@/ui/link';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { CURE_LINE, fromBase, hasPoultry } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { CureCard } from '@/features/batches/ui/CureCard';
import { BASIS_WORDS } from '@/words/batch';
import { tidy } from '@/features/recipes/draft';
import { versionsOf } from '@/features/recipes/service';
import { sheetQuery } from '@/features/recipes/sheet';
import { sheetOfDay } from '@/features/recipes/sheet-of-day';
import { HangingCard } from '@/features/recipes/ui/HangingCard';
import { IceCard } from '@/features/recipes/ui/IceCard';
import { PrintButton } from '@/features/recipes/ui/PrintButton';
import { SheetChooser } from '@/features/recipes/ui/SheetChooser';
import { SheetTable } from '@/features/recipes/ui/SheetTable';
import { StatusWord } from '@/features/recipes/ui/StatusWord';
import { loadSite } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

type Props = {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
};

/** Usual work of the machine, kJ/kg, and the highest end of the chop, °C. */
const WORK = { emulsion: 40, mix: 10 };
const END_C = { meat: 12, poultry: 10 };

/** The dose sheet of a version for what is known today; prints on A4 and Letter. */
export default async function SheetPage({ params, searchParams }: Props) {
  await requirePage();
  const show = await showOfRequest();
  const id = z.uuid().safeParse((await params).id);
  const versions = id.success ? await versionsOf(db(), id.data) : [];
  const query = sheetQuery.parse(await searchParams);
  const v = versions.find((x) => x.number === query.version) ?? versions[0];
  if (!v) notFound();
  const recipe = v.content;
  const [{ answer, rooms, room, doseRule }, site] = await Promise.all([
    sheetOfDay(db(), recipe, query, show.settings.system),
    loadSite(db()),
  ]);
  const cure = answer.ok ? answer.sheet.lines.find((l) => l.lineId === CURE_LINE) : undefined;
  const emulsion =
    recipe.schools?.emulsifying !== undefined && recipe.schools.emulsifying !== 'none';
  const pdf = new URLSearchParams({ by: query.by, amount: query.amount });
  if (query.trim) pdf.set('trim', query.trim);
  if (room) pdf.set('house', room.id);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <h1 className="flex flex-wrap items-center gap-2 text-2xl font-extrabold">
          Dose sheet: {recipe.name}
          <span className="text-base font-normal text-soft">version {v.number}</span>
          <StatusWord status={v.status} />
        </h1>
      </div>
      <SheetChooser recipe={recipe} query={query} rooms={rooms} system={show.settings.system} />
      {!answer.ok && <p className="sheet">{answer.message}</p>}
      {answer.ok && (
        <div className="space-y-4">
          <section className="sheet" aria-label="Doses">
            <div className="flex flex-wrap items-baseline justify-between gap-2">
              <h2 className="text-lg font-semibold">
                {show.mass(answer.sheet.meatG)} of meat{' '}
                <span className="small">{show.other('mass', answer.sheet.meatG)}</span>
              </h2>
              <p>
                Batter {show.mass(answer.sheet.batterG)}, finished about{' '}
                {show.mass(answer.sheet.finishedG)}
              </p>
            </div>
            {recipe.cure && (
              <p>
                {show.number(answer.sheet.ppm, 1)} ppm sodium nitrite on the{' '}
                {BASIS_WORDS[recipe.cure.basis ?? 'meat_block']} from {recipe.cure.name} of{' '}
                {show.number(recipe.cure.nitriteFraction * 100, 3)} %. Look at the label before you
                weigh.
              </p>
            )}
            <SheetTable lines={answer.sheet.lines} show={show} />
            <p className="small mt-3">
              {site.name}, {show.date(nowS())}. Follow your local code and the authority that
              licenses you; this sheet does not replace either.
            </p>
            <div className="no-print mt-3 flex flex-wrap gap-2">
              <PrintButton />
              <a className="button" href={`/api/v1/recipes/${v.id}/sheet?${pdf}&paper=A4`}>
                PDF, A4
              </a>
              <a className="button" href={`/api/v1/recipes/${v.id}/sheet?${pdf}&paper=LETTER`}>
                PDF, Letter
              </a>
              {v.status === 'approved' && (
                <Link
                  className="button-main"
                  href={`/batches/new?recipe=${v.id}&meat=${tidy(Math.round(fromBase('mass', answer.sheet.meatG, show.settings.system) * 1000) / 1000)}`}
                >
                  Start a batch
                </Link>
              )}
            </div>
          </section>
          <div className="grid items-start gap-4 lg:grid-cols-2">
            {cure && (
              <div className="no-print">
                <CureCard
                  recipe={recipe}
                  meatG={answer.sheet.meatG}
                  scale={cure.scale}
                  doseG={cure.doseG}
                  rule={doseRule}
                  show={show}
                />
              </div>
            )}
            <div className="space-y-4">
              <HangingCard
                recipe={recipe}
                casingMm={answer.casingMm}
                hanging={answer.hanging}
                house={room?.name ?? null}
                show={show}
              />
              <IceCard
                key={show.settings.system}
                meatG={answer.sheet.meatG}
                waterG={recipe.additions
                  .filter((a) => a.kind === 'water')
                  .reduce((sum, a) => sum + a.fraction * answer.sheet.meatG, 0)}
                limitC={END_C[hasPoultry(recipe) ? 'poultry' : 'meat']}
                workKjPerKg={WORK[emulsion ? 'emulsion' : 'mix']}
              />
            </div>
          </div>
        </div>
      )}
    </>
  );
}

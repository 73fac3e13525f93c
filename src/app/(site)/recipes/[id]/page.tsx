import { Link } from '@/ui/link';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { partRecipes, judgeFormula } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { BASIS_WORDS } from '@/words/batch';
import { figuresOf } from '@/features/recipes/figures-of';
import { decisionsOf, versionsOf } from '@/features/recipes/service';
import { DecideVersion } from '@/features/recipes/ui/DecideVersion';
import { FigureList } from '@/features/recipes/ui/FigureList';
import { FindingList } from '@/features/recipes/ui/FindingList';
import { FormulaTable } from '@/features/recipes/ui/FormulaTable';
import { ProcessList } from '@/features/recipes/ui/ProcessList';
import { StageList } from '@/features/recipes/ui/StageList';
import { StatusWord } from '@/features/recipes/ui/StatusWord';
import { VersionList } from '@/features/recipes/ui/VersionList';
import { currentRules, listScales } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { db } from '@/platform/db/client';

type Query = { version?: string; against?: string };
type Props = { params: Promise<{ id: string }>; searchParams: Promise<Query> };

/** One recipe: a version in full with its figures, its approval, and every version there was. */
export default async function RecipePage({ params, searchParams }: Props) {
  const person = await requirePage();
  const show = await showOfRequest();
  const id = z.uuid().safeParse((await params).id);
  const versions = id.success ? await versionsOf(db(), id.data) : [];
  const query = await searchParams;
  const v = versions.find((x) => x.number === Number(query.version)) ?? versions[0];
  if (!v) notFound();
  const against = versions.find((x) => x.number === Number(query.against));
  const decisions = await decisionsOf(db(), v.recipeId);
  const rules = await currentRules(db());
  const r = v.content;
  const figures = figuresOf(r);
  const findings = figures ? judgeFormula({ recipe: r, figures, rules }) : [];
  const write = may(person.role, 'write_recipes');
  const at = `/recipes/${v.recipeId}`;
  const decision = decisions.find((d) => d.versionId === v.id);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h1 className="flex flex-wrap items-center gap-2 text-2xl font-extrabold">
          {r.name} <span className="text-base font-normal text-soft">version {v.number}</span>
          <StatusWord status={v.status} />
        </h1>
        <div className="flex flex-wrap gap-2">
          {write && v === versions[0] && (
            <Link href={`${at}/edit`} className="button">
              Change it
            </Link>
          )}
          <Link href={`${at}/sheet?version=${v.number}`} className="button">
            Dose sheet
          </Link>
          {may(person.role, 'work_batches') && v.status === 'approved' && (
            <Link href={`/batches/new?recipe=${v.id}`} className="button-main">
              Start a batch
            </Link>
          )}
        </div>
      </div>
      {r.customersMeat && (
        <p className="sheet mb-4 font-semibold">
          Made of a customer’s own meat: it stays identified and is never mixed with anybody else’s.
        </p>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <div className="space-y-4">
          <section className="sheet" aria-label="Formula">
            <h2 className="mb-1 text-lg font-semibold">Formula</h2>
            {r.cure && (
              <p className="mb-2 rounded bg-cure-wash p-2">
                <strong className="text-cure">{show.number(r.cure.targetPpm)} ppm</strong> of the{' '}
                {BASIS_WORDS[r.cure.basis ?? 'meat_block']} from {r.cure.name} (
                {show.number(r.cure.nitriteFraction * 100, 3)} % sodium nitrite
                {r.cure.nitrateFraction > 0
                  ? `, ${show.number(r.cure.nitrateFraction * 100, 3)} % nitrate`
                  : ''}
                ): {show.number(figures?.composed.cureG ?? 0, 3)} g per kg of meat
              </p>
            )}
            <FormulaTable recipe={r} show={show} />
            <p className="mt-2">
              {r.casing.name}, {show.quantity('diameter', r.casing.diameterMm)}
            </p>
            <p className="mt-3 flex flex-wrap gap-2">
              <a className="button" href={`/api/v1/recipes/${v.id}?format=json`}>
                JSON
              </a>
              <a className="button" href={`/api/v1/recipes/${v.id}?format=csv`}>
                CSV
              </a>
            </p>
          </section>
          <section className="sheet" aria-label="Process">
            <h2 className="mb-1 text-lg font-semibold">Process</h2>
            <ProcessList recipe={r} show={show} />
          </section>
          <section className="sheet" aria-label="House program">
            <h2 className="mb-1 text-lg font-semibold">House program</h2>
            {partRecipes(r).map((own) => (
              <div key={own.ofPart?.id ?? ''} className="mb-3">
                {own.ofPart && (
                  <h3 className="font-semibold">
                    {own.ofPart.name}, {show.number(own.ofPart.share * 100, 0)} % of the batter,{' '}
                    {own.casing.name} {show.quantity('diameter', own.casing.diameterMm)}
                  </h3>
                )}
                <StageList recipe={own} show={show} />
              </div>
            ))}
          </section>
        </div>
        <div className="space-y-4">
          <section className="sheet" aria-label="Approval">
            <h2 className="mb-1 text-lg font-semibold">Approval</h2>
            <p className="mb-2">
              {decision
                ? `${decision.status === 'approved' ? 'Approved' : 'Retired'} by ${decision.decidedByName}, ${show.date(decision.decidedAt.getTime() / 1000)}: ${decision.reason}`
                : 'A draft: no batch starts from it yet.'}
            </p>
            {write && (
              <DecideVersion
                key={v.status}
                versionId={v.id}
                status={v.status}
                blocked={findings.some((f) => f.level === 'blocking')}
              />
            )}
          </section>
          <section className="sheet" aria-label="Figures">
            <h2 className="mb-1 text-lg font-semibold">Figures</h2>
            <FindingList findings={findings} show={show} />
            {figures && (
              <div className="mt-2">
                <FigureList
                  recipe={r}
                  figures={figures}
                  scales={await listScales(db())}
                  show={show}
                />
              </div>
            )}
            <p className="small mt-2">
              Follow your local code and the authority that licenses you; these figures do not
              replace either.
            </p>
          </section>
          <VersionList
            versions={versions}
            decisions={decisions}
            shown={v}
            against={against}
            show={show}
          />
        </div>
      </div>
    </>
  );
}

import { DateTime } from 'luxon';
import {
  CURE_LINE,
  judgeFormula,
  parseNumber,
  recipeFigures,
  scaleRecipe,
  sheetLimits,
  toBase,
} from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { MAX_MASS_G } from '@/features/logbook/contract';
import { holdsBack, piecesOf, planBatch } from '@/features/batches/plan';
import { CureCard } from '@/features/batches/ui/CureCard';
import { DoseTable } from '@/features/batches/ui/DoseTable';
import { StartForm } from '@/features/batches/ui/StartForm';
import { Timeline } from '@/features/batches/ui/Timeline';
import { timesRefused } from '@/features/batches/time-range';
import { approvedVersions } from '@/features/recipes/service';
import { currentRules, listScales, loadSite } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { holdingWords } from '@/words/piece';
import { Notice } from '@/ui/status';

const REFUSED: Record<string, string> = {
  in_future: 'It cannot have begun yet: choose an earlier start.',
  started_too_long_ago: 'A batch can be entered up to 60 days after it began.',
  ready_by_too_far: 'A batch can be planned up to 120 days ahead. Choose an earlier ready-by.',
};

type Query = { recipe?: string; meat?: string; ready?: string; started?: string };
const DEFAULT_DAYS = 3;

/** Start a batch: the dose list and the schedule for today's weight and ready-by. */
export default async function NewBatchPage({ searchParams }: { searchParams: Promise<Query> }) {
  await requirePage('work_batches');
  const query = await searchParams;
  const show = await showOfRequest();
  const site = await loadSite(db());
  const recipes = await approvedVersions(db());
  const version = recipes.find((v) => v.id === query.recipe) ?? recipes[0];
  if (!version)
    return (
      <p className="sheet">
        There is no approved recipe yet. A formulator writes and approves the first one under
        Recipes.
      </p>
    );
  const recipe = version.content;
  const now = nowS();
  const zone = { zone: site.timeZone };
  const ready =
    query.ready ??
    DateTime.fromSeconds(now, zone)
      .plus({ days: DEFAULT_DAYS })
      .set({ hour: 15, minute: 0 })
      .toFormat("yyyy-MM-dd'T'HH:mm");
  const meat = query.meat ?? '';
  const typed = parseNumber(meat);
  const meatG = typed.kind === 'ok' ? toBase('mass', typed.value, show.settings.system) : null;
  const usable = meatG !== null && meatG > 0 && meatG <= MAX_MASS_G ? meatG : null;
  const rules = await currentRules(db());
  const readyAt = DateTime.fromISO(ready, zone);
  const startedAt = query.started ? DateTime.fromISO(query.started, zone) : null;
  const fromS = startedAt?.isValid ? startedAt.toSeconds() : now;
  const refused = readyAt.isValid ? timesRefused(fromS, readyAt.toSeconds(), now) : null;
  const plan =
    readyAt.isValid && !REFUSED[refused ?? '']
      ? planBatch(recipe, rules.cure_hold.body, site, fromS, readyAt.toSeconds())
      : null;
  const scales = await listScales(db());
  const dose = sheetLimits(rules.dose.body);
  const lines = usable ? scaleRecipe(recipe, { meatG: usable }, { scales, dose }).lines : [];
  const cure = lines.find((l) => l.lineId === CURE_LINE);
  const findings = judgeFormula({ recipe, figures: recipeFigures(recipe), rules });
  const outside = findings.some((f) => f.code === 'dose' && f.level === 'blocking');
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">Start a batch</h1>
      <div className="grid items-start gap-4 lg:grid-cols-[20rem_1fr]">
        <StartForm
          recipes={recipes.map((v) => ({
            versionId: v.id,
            name: `${v.content.name}, version ${v.number}`,
          }))}
          versionId={version.id}
          meat={meat}
          ready={ready}
          started={query.started ?? ''}
          outside={outside}
        />
        <div className="space-y-4">
          {!usable && (
            <p className="sheet">
              {meatG === null
                ? 'Give today’s meat weight: every dose follows it.'
                : 'This weight cannot be a batch: give more than 0 and at most 2 000 kg.'}
            </p>
          )}
          {usable && cure && (
            <CureCard
              recipe={recipe}
              meatG={usable}
              scale={cure.scale}
              doseG={cure.doseG}
              rule={rules.dose}
              show={show}
            />
          )}
          {usable && !recipe.cure && (
            <Notice tone="wait">
              This recipe has no cure: hot and fast only, no slow smoke, no cold hold.
            </Notice>
          )}
          {REFUSED[refused ?? ''] && <Notice tone="bad">{REFUSED[refused!]}</Notice>}
          {plan && (
            <section className="sheet" aria-label="Schedule">
              <h2 className="mb-2 text-lg font-semibold">Schedule</h2>
              {readyAt.toSeconds() <= now && (
                <Notice tone="bad">Ready-by lies in the past. Choose a later time.</Notice>
              )}
              {plan.status === 'late' && (
                <div className="mb-3">
                  <Notice tone="bad">
                    This ready-by cannot be met.{' '}
                    {plan.readyS
                      ? `The earliest is ${show.when(plan.readyS, now)}: ${holdingWords(holdsBack(plan, site, fromS), recipe, show)}. The plan below is for that.`
                      : 'No plan fits the working hours in Settings within three weeks.'}
                  </Notice>
                </div>
              )}
              {piecesOf(plan).length > 0 && (
                <Timeline pieces={piecesOf(plan)} recipe={recipe} show={show} nowS={now} />
              )}
            </section>
          )}
          {usable && (
            <section className="sheet" aria-label="Doses">
              <h2 className="mb-2 text-lg font-semibold">
                Doses for {show.mass(usable)}{' '}
                <span className="small">{show.other('mass', usable)}</span>
              </h2>
              <DoseTable lines={lines} show={show} />
            </section>
          )}
        </div>
      </div>
    </>
  );
}

import { Link } from '@/ui/link';
import {
  CURE_LINE,
  outcomeOf,
  scaleRecipe,
  sheetLimits,
  type Recipe,
  type Scale,
  type Pass,
} from '@/core';
import type { Show } from '@/words/show';
import type { LotChoice } from '@/features/stores/contract';
import type { Dossier } from '@/features/logbook/service';
import { nextStep } from '../next-step';
import { CureCheckForm } from './CureCheckForm';
import { EntryButton } from './EntryButton';
import { FinishPanel } from './FinishPanel';
import { FreezeEntry } from './FreezeEntry';
import { HoldClock } from './HoldClock';
import { makingSheet } from '../making';
import { MakingSheet } from './MakingSheet';
import { isPressed, RunAction } from './RunAction';
import { StepWeight } from './StepWeight';
import { WeighList } from './WeighList';
import { missingOf } from '../missing';
import { nextWords } from '@/words/next';

/** The recipe with the strength of the cure that was really weighed: plain salt follows it. */
const withCureAsWeighed = (recipe: Recipe, nitriteFraction: number | null): Recipe =>
  recipe.cure && nitriteFraction !== null
    ? { ...recipe, cure: { ...recipe.cure, nitriteFraction } }
    : recipe;

/** Codes of the lots that were weighed in, by their id. */
const lotCodesOf = ({ entries }: Dossier): Record<string, string> =>
  Object.fromEntries(
    entries.flatMap(({ body: b }) =>
      b.kind === 'weighed' && b.lotId && b.lot ? [[b.lotId, b.lot]] : [],
    ),
  );

/** What to do now: the next step large, its form under it, then the weighing list. */
export function NowPanel({
  dossier,
  scales,
  lots,
  passes,
  show,
  nowS,
}: {
  dossier: Dossier;
  scales: Scale[];
  lots: Record<string, LotChoice[]>;
  /** Passes of earlier batches, by what they are learned by; null where nothing is made now. */
  passes: Record<string, Pass[]> | null;
  show: Show;
  nowS: number;
}) {
  const { head, case: c } = dossier;
  const { recipe, state } = c;
  const next = nextStep(c);
  const cure = state.weighed[CURE_LINE];
  const { maxCoolerC } = c.rules.cure_hold.body;
  const missing = missingOf(recipe, state);
  const share = recipe.ofPart?.share ?? 1;
  const raw = outcomeOf(recipe) === 'cook_before_eating';
  const { lines, batterG, finishedG } = scaleRecipe(
    withCureAsWeighed(recipe, cure?.nitriteFraction ?? null),
    { meatG: state.meatG ?? state.plannedMeatG },
    { scales, weighedCureG: cure?.amountG, dose: sheetLimits(c.rules.dose.body) },
  );
  const direct = isPressed(c, next.code);
  const inHouse = [
    'start_run',
    'ferment',
    'next_stage',
    'pull',
    'start_chill',
    'cool',
    'serve',
  ].includes(next.code);
  const open = state.phase !== 'released' && state.phase !== 'destroyed';
  /* Until the second look is given, the first figure and every other pad are out of sight. */
  const lookOpen = open && cure !== undefined && state.cureCheck === null;
  /* What is still on the scale comes first. */
  const atScale = missing.length > 0;
  const making = passes && <MakingSheet sheet={makingSheet(c, lines, passes)} />;
  return (
    <div className="space-y-4">
      {open && (
        <section
          className="sheet space-y-3 border-l-8 border-l-accent"
          aria-label="Next step"
          data-next-step
        >
          <div>
            <h2 className="figure">{nextWords(next, show)}</h2>
            {next.dueS !== null && <p className="text-lg">{show.when(next.dueS, nowS)}</p>}
          </div>
          {next.code === 'start_hold' && (
            <HoldClock kind="cure_hold_started" maxCoolerC={maxCoolerC} before={missing} />
          )}
          {next.code === 'end_hold' && <HoldClock kind="cure_hold_ended" maxCoolerC={maxCoolerC} />}
          {next.code === 'stuff' && (
            <StepWeight
              step="stuff"
              label="Stuffed weight"
              expectedG={batterG * share}
              before={missing}
              tempLabel={raw ? 'Batter when it is stuffed' : undefined}
            />
          )}
          <RunAction c={c} code={next.code} />
          {inHouse && (
            <Link href={`/batches/${head.id}/house`} className={direct ? 'button' : 'button-main'}>
              Go to the house
            </Link>
          )}
          {next.code === 'bloom' && (
            <EntryButton body={{ kind: 'step_done', step: 'bloom' }}>Bloom begins</EntryButton>
          )}
          {next.code === 'pack' && (
            <StepWeight
              step="pack"
              label="Finished weight"
              expectedG={finishedG * share}
              tempLabel={raw ? 'Middle when it is packed' : undefined}
            />
          )}
          {next.code === 'freeze' && <FreezeEntry frozenC={c.rules.cold_chain.body.frozenC} />}
          {next.code === 'start_drying' && (
            <EntryButton body={{ kind: 'drying_started' }}>It hangs to dry</EntryButton>
          )}
          {next.code === 'serve' && <EntryButton body={{ kind: 'served' }}>Served</EntryButton>}
          {next.code === 'sign' && (
            <Link href={`/batches/${head.id}/verdict`} className="button-main">
              Read the verdict
            </Link>
          )}
        </section>
      )}
      {open && <FinishPanel c={c} lots={lotCodesOf(dossier)} show={show} />}
      {!atScale && making}
      {lookOpen && <CureCheckForm key={cure.entryId + cure.amountG} cure={cure} />}
      {cure && state.cureCheck && !state.cureCheck.matches && (
        <p className="sheet font-semibold text-bad">
          The second reading, {show.grams(state.cureCheck.readingG)}, differs from the first. Weigh
          the cure again below.
        </p>
      )}
      {!lookOpen && (
        <section className="sheet" aria-label="Weighing">
          <h2 className="text-lg font-semibold">Weighing</h2>
          <p className="small mb-2">
            {state.meatG === null
              ? `Doses below are for the planned ${show.mass(state.plannedMeatG)}; they follow the meat once it is weighed.`
              : `Doses follow the ${show.mass(state.meatG)} of meat that was weighed (planned ${show.mass(state.plannedMeatG)}).`}
          </p>
          <WeighList
            lines={lines}
            weighed={state.weighed}
            meatKnown={state.meatG !== null}
            recipe={recipe}
            meatG={state.meatG ?? state.plannedMeatG}
            lots={lots}
            cureMismatch={state.cureCheck?.matches === false}
          />
        </section>
      )}
      {atScale && making}
    </div>
  );
}

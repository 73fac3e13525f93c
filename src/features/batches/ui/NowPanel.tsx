import { Fragment } from 'react';
import { Link } from '@/ui/link';
import { CURE_LINE, meatOfLoad, outcomeOf, weighingsOf, type Case, type Scale } from '@/core';
import type { Show } from '@/words/show';
import type { LotChoice } from '@/features/stores/contract';
import type { Dossier } from '@/features/logbook/service';
import type { MakingSheetData } from '@/features/making/contract';
import { dosesOf, goesOn, isBegun, weighedByKey } from '@/features/making/service';
import { RunSheet } from '@/features/making/ui';
import { beforePress } from '../before-press';
import { nextStep } from '../next-step';
import { CureCheckForm } from './CureCheckForm';
import { EntryButton } from './EntryButton';
import { FinishPanel } from './FinishPanel';
import { FreezeEntry } from './FreezeEntry';
import { HoldClock } from './HoldClock';
import { isPressed, PutBack, RunAction } from './RunAction';
import { StepWeight } from './StepWeight';
import { WeighList } from './WeighList';
import { missingBeforeStuffing, missingOf } from '../missing';
import { nextWords } from '@/words/next';
import { When } from '@/ui/when';

/** Codes of the lots that were weighed in, by their id. */
const lotCodesOf = ({ entries }: Dossier): Record<string, string> =>
  Object.fromEntries(
    entries.flatMap(({ body: b }) =>
      b.kind === 'weighed' && b.lotId && b.lot ? [[b.lotId, b.lot]] : [],
    ),
  );

/** Meat of each load, g, by its number; 0 is all of it. */
const loadMeats = ({ recipe, state }: Case, meatG: number) =>
  Array.from({ length: state.loads + 1 }, (_, load) =>
    load === 0
      ? meatG
      : state.meatG === null
        ? meatG / state.loads
        : meatOfLoad(state, recipe, load),
  );

/** What to do now: the next step large, its form under it, then the weighing list. */
export function NowPanel({
  dossier,
  scales,
  lots,
  sheet,
  show,
  nowS,
}: {
  dossier: Dossier;
  scales: Scale[];
  lots: Record<string, LotChoice[]>;
  /** The bench work; null where nothing is made now. */
  sheet: MakingSheetData | null;
  show: Show;
  nowS: number;
}) {
  const { head, case: c } = dossier;
  const { recipe, state } = c;
  const next = nextStep(c);
  const cures = weighingsOf(state, CURE_LINE);
  const { maxCoolerC } = c.rules.cure_hold.body;
  const missing = missingOf(recipe, state);
  const share = recipe.ofPart?.share ?? 1;
  const raw = outcomeOf(recipe) === 'cook_before_eating';
  const { lines, batterG, finishedG } = dosesOf(c, scales);
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
  const unseen = cures.find((w) => !state.cureLooks[w.entryId]);
  const lookOpen = open && unseen !== undefined;
  const differs = cures.find((w) => state.cureLooks[w.entryId]?.matches === false);
  /* What is still on the scale comes first. */
  const atScale = missing.length > 0;
  const toScale = ['weigh_meat', 'weigh_cure', 'weigh_line'].includes(next.code);
  const making = sheet && <RunSheet key="making" sheet={sheet} nowS={nowS} />;
  /* What was begun on the bench goes on there, as long as a step is open or a line is not weighed: what comes after it waits. */
  const onBench = goesOn(sheet) || (atScale && isBegun(sheet));
  const nextStepPart = (
    <Fragment key="next">
      {open && (
        <section
          className="sheet space-y-3 border-l-8 border-l-accent"
          aria-label="Next step"
          data-next-step
        >
          <div>
            <h2 className="figure">{nextWords(next, show)}</h2>
            {next.dueS !== null && (
              <p className="text-lg">
                <When at={next.dueS} nowS={nowS} />
              </p>
            )}
          </div>
          {toScale && (
            <a href="#weighing" className={onBench ? 'button-main' : 'button'}>
              To the scale
            </a>
          )}
          {next.code === 'start_hold' && (
            <HoldClock kind="cure_hold_started" maxCoolerC={maxCoolerC} before={missing} />
          )}
          {next.code === 'end_hold' && (
            <p>Grey now is normal: the colour comes back with the heat.</p>
          )}
          {next.code === 'end_hold' && <HoldClock kind="cure_hold_ended" maxCoolerC={maxCoolerC} />}
          {next.code === 'stuff' && (
            <StepWeight
              step="stuff"
              label="Stuffed weight"
              expectedG={batterG * share}
              before={missingBeforeStuffing(recipe, state)}
              tempLabel={raw ? 'Batter when it is stuffed' : undefined}
            />
          )}
          <RunAction c={c} code={next.code} before={beforePress(dossier, show, nowS)} />
          <PutBack c={c} show={show} nowS={nowS} />
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
    </Fragment>
  );
  const weighingPart = (
    <Fragment key="weighing">
      {lookOpen && <CureCheckForm key={unseen.entryId + unseen.amountG} cure={unseen} />}
      {differs && (
        <p className="sheet font-semibold text-bad">
          The second reading, {show.grams(state.cureLooks[differs.entryId]!.readingG)}, differs from
          the first. Weigh the cure again below.
        </p>
      )}
      {!lookOpen && (
        <section className="sheet scroll-mt-2" aria-label="Weighing" id="weighing">
          <h2 className="text-lg font-semibold">Weighing</h2>
          <p className="small mb-2">
            {state.meatG === null
              ? `Doses below are for the planned ${show.mass(state.plannedMeatG)}; they follow the meat once it is weighed.`
              : `Doses follow the ${show.mass(state.meatG)} of meat that was weighed (planned ${show.mass(state.plannedMeatG)}).`}
          </p>
          <WeighList
            lines={lines}
            weighed={weighedByKey(lines, state)}
            loads={state.loads}
            meats={loadMeats(c, state.meatG ?? state.plannedMeatG)}
            meatKnown={state.meatG !== null}
            recipe={recipe}
            meatG={state.meatG ?? state.plannedMeatG}
            lots={lots}
            differs={differs ? (differs.load ?? 0) : null}
          />
        </section>
      )}
    </Fragment>
  );
  /* One list by key: what moves in it keeps what was typed. */
  const order = onBench
    ? [making, nextStepPart, weighingPart]
    : atScale
      ? [nextStepPart, weighingPart, making]
      : [nextStepPart, making, weighingPart];
  return <div className="space-y-4">{order}</div>;
}

import {
  chillStage,
  coreLogs,
  coreTargetOf,
  hasPoultry,
  heatProduct,
  heatStage,
  judgedLogs,
  chillOf,
  placeOf,
  plannedS,
  runStages,
  stageProgress,
  type Case,
  type FitBasis,
  type Forecast,
  type ForecastInput,
  type HousePrior,
  type ProgramStage,
  type RunReading,
  type StageProgress,
  type Target,
} from '@/core';
import type { TimeAhead } from '@/words/band';
import { askForecast } from '@/workers/forecast/client';
import { jobOf, type ForecastAnswer } from '@/workers/forecast/protocol';
import type { Asker } from '@/workers/pool';
import { stageEvidence } from '@/features/batches/service';

export type Ahead = TimeAhead;

export type BatchForecast = {
  /** End of the present stage; null once pulled. */
  stage: Ahead | null;
  /** Core target and lethality of the program; null once pulled. */
  done: Ahead | null;
  /** Core at the end of the cooling rule. */
  cold: Ahead;
  /** Packed, from the middle of `cold` and the recipe's times; null where nobody can say. */
  readyS: number | null;
  basis: Forecast['basis'];
  progress: StageProgress | null;
};

/** A core reading this early in the run tells its temperature at the start, s; else it came from the cooler, °C. */
const FIRST_S = 900;
const USUAL_START_C = 4;

/** Stages that a run has gone through and is to go through, for the model, with the starts that are known. */
function courseOf(c: Case, progress: StageProgress | null, phEndS: number | null) {
  const { state, recipe } = c;
  const run = state.run!;
  const begun = runStages(state).filter((s) => run.pulledS === null || s.startS < run.pulledS);
  const chilled = state.chill.map((p) => ({
    stage: chillStage(p.medium, 24 * 3600),
    startS: p.startS,
  }));
  const known = [...begun.map((s) => ({ stage: s.stage, startS: s.startS })), ...chilled];
  const lastIndex = begun.findLast((s) => s.index !== null)?.index ?? -1;
  const toCook =
    run.pulledS === null && run.moves.length === 0 ? run.program.slice(lastIndex + 1) : [];
  const toChill = chillOf(recipe)
    .slice(chilled.length)
    .map((p) => chillStage(p.medium, p.plannedS));
  const open = chilled.length > 0 || run.pulledS !== null ? toChill : [...toCook, ...toChill];
  const stages: ProgramStage[] = [...known.map((k) => k.stage), ...open];
  const present = known.length - 1;
  const heat = stages.map((s, i) => {
    const h = heatStage(s);
    if (i === stages.length - 1) return { ...h, endS: 72 * 3600 };
    if (i !== present || !progress) return h;
    /* A ferment that waits for its pH ends when that is forecast. */
    if (s.ends?.ph !== undefined && phEndS !== null)
      return { ...h, endS: Math.max(60, phEndS - progress.at.startS) };
    if (h.endS === undefined) return h;
    /* The clock of the stage, with its pauses and extensions. */
    return { ...h, endS: h.endS + (progress.plannedS - progress.at.stage.plannedS) };
  });
  return {
    heat,
    stages,
    present,
    lastCook: known.length - 1 - chilled.length + (run.pulledS === null ? toCook.length : 0),
    starts: known.map((k) => k.startS - run.startS),
  };
}

function readingsOf(c: Case): RunReading[] {
  const run = c.state.run!;
  const since = (tS: number) => tS - run.startS;
  const logs = judgedLogs(
    coreLogs(c, run.startS, c.nowS, run.pulledS === null ? 'house' : 'chill'),
  );
  const slow = logs.reduce<(typeof logs)[number] | null>((a, b) => {
    const last = (l: typeof b) => l.spans.at(-1)?.at(-1)?.tempC ?? Infinity;
    return !a || last(b) < last(a) ? b : a;
  }, null);
  const core = (slow?.spans.flat() ?? []).map((r): RunReading => ({
    tS: since(r.tS),
    channel: 'core',
    tempC: r.tempC,
  }));
  const around = (what: 'air' | 'wet_bulb', channel: 'air' | 'wetBulb') =>
    c.state.probes
      .filter((p) => p.what === what)
      .flatMap((p) => c.series[p.channelId] ?? [])
      .filter((r) => r.tS >= run.startS)
      .map((r): RunReading => ({ tS: since(r.tS), channel, tempC: r.tempC }));
  return [...core, ...around('air', 'air'), ...around('wet_bulb', 'wetBulb')];
}

/** A run as the model takes it, with the stages behind it; null before the run. */
function courseInput(c: Case, house: HousePrior | undefined, phEndS: number | null = null) {
  const { run } = c.state;
  if (!run) return null;
  const course = courseOf(c, stageProgress(c.state, stageEvidence(c), c.nowS), phEndS);
  const readings = readingsOf(c);
  const first = readings.find((r) => r.channel === 'core' && r.tS < FIRST_S);
  const input: ForecastInput = {
    product: heatProduct(c.recipe, first ? Math.min(60, Math.max(-4, first.tempC)) : USUAL_START_C),
    stages: course.heat,
    readings,
    nowS: c.nowS - run.startS,
    stageStartsS: course.starts,
    house,
    model: c.rules.lethality.body.model,
  };
  return { input, course, run };
}

/**
 * What the model makes of a run, or nothing: a forecast is a help, and figures that it refuses spoil no page.
 * Worked out in a thread of its own.
 */
async function ask(
  c: Case,
  input: ForecastInput,
  targets: Target[],
  asker: Asker,
): Promise<Extract<ForecastAnswer, { ok: true }> | null> {
  const answer = await askForecast(jobOf(input, targets), asker);
  if (answer.ok) return answer;
  console.warn(`forecast of ${c.recipe.name}: ${answer.message}`);
  return null;
}

/** What the model fitted to a run rests on; null before the run, and where the model refuses its figures. */
export async function fitOf(c: Case, house: HousePrior | undefined): Promise<FitBasis | null> {
  const made = courseInput(c, house);
  return made && ((await ask(c, made.input, [], 'watch'))?.basis ?? null);
}

/** When the core of a run comes to a temperature, as the model says without what its house has taught. */
export async function forecastCore(c: Case, coreC: number, asker: Asker): Promise<Forecast | null> {
  const made = courseInput(c, undefined);
  return made && ((await ask(c, made.input, [{ coreC }], asker))?.forecasts[0] ?? null);
}

const toClock = (f: Forecast, startS: number): Ahead => ({
  p10: f.p10S === null ? null : f.p10S + startS,
  p50: f.p50S === null ? null : f.p50S + startS,
  p90: f.p90S === null ? null : f.p90S + startS,
});

const later = (a: Forecast, b: Forecast): Forecast =>
  (a.p50S ?? Infinity) >= (b.p50S ?? Infinity) ? a : b;

/** What "done in the house" waits for: the rule's lethality where it counts logs, and the last stage's core. */
function doneTargets(c: Case, last: ProgramStage | undefined): Target[] {
  const rule = c.rules.lethality.body;
  const kind = hasPoultry(c.recipe) ? 'poultry' : 'meat';
  const logs: Target = { logs: rule.targetLogs[kind] };
  const target = last && coreTargetOf(last);
  const coreC = rule.way === 'end_point' ? Math.max(rule.endPointC[kind], target ?? 0) : target;
  if (coreC === undefined || (last && coreC > last.airC)) return [logs];
  return rule.way === 'end_point' ? [{ coreC }] : [{ coreC }, logs];
}

/**
 * What lies ahead of a batch in or after the house, from its own readings; null before the run and once packed.
 * @param ph hour at which its ferment meets the pH that ends it, where one goes on
 */
export async function forecastBatch(
  c: Case,
  house: HousePrior | undefined,
  { ph = null, asker = 'page' }: { ph?: Ahead | null; asker?: Asker } = {},
): Promise<BatchForecast | null> {
  const { steps } = c.state;
  const made = steps.pack ? null : courseInput(c, house, ph?.p50 ?? null);
  if (!made) return null;
  const { course, run } = made;
  const inHouse = run.pulledS === null;
  const present = course.stages[course.present];
  const stageTarget: Target[] =
    inHouse && present && placeOf(present) !== 'cooler' ? [{ stage: course.present }] : [];
  const done = inHouse ? doneTargets(c, course.stages[course.lastCook]) : [];
  const coldTarget: Target = { coreC: c.rules.cooling.body.steps.at(-1)!.toC, falling: true };
  const answer = await ask(c, made.input, [...stageTarget, ...done, coldTarget], asker);
  if (!answer) return null;
  const { forecasts } = answer;
  const cold = forecasts.at(-1)!;
  const [bloomS, packS] = [plannedS(c.recipe, 'bloom'), plannedS(c.recipe, 'pack')];
  const coldS = cold.p50S === null ? null : cold.p50S + run.startS;
  return {
    stage:
      stageTarget.length === 0
        ? null
        : /* Where nobody can say when the pH comes, the plan is no forecast. */
          present!.ends?.ph !== undefined
          ? ph
          : toClock(forecasts[0]!, run.startS),
    done: inHouse
      ? toClock(
          forecasts.slice(stageTarget.length, stageTarget.length + done.length).reduce(later),
          run.startS,
        )
      : null,
    cold: toClock(cold, run.startS),
    readyS: coldS === null ? null : coldS + (steps.bloom ? 0 : bloomS) + packS,
    basis: cold.basis,
    progress: stageProgress(c.state, stageEvidence(c), c.nowS),
  };
}

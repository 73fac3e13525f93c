import { endsOf } from '../recipe/stage-ends';
import type { ProgramStage } from '../recipe/recipe';
import { waitedFromAbove } from '../heat/stage-end';
import type { BatchState } from '../logbook/state';
import { runStages, type RunStage } from './run-stage';

/** What is known now of what a stage may wait for; null: nobody knows. */
export type StageEvidence = {
  coreC: number | null;
  logs: number | null;
  lossFraction: number | null;
  /** Lowest pH that the readings show. */
  ph?: number | null;
  /** A hand found the surface dry during this stage. */
  dry: boolean;
  /** Seconds of this stage for which its smoke is known to have been away; they are no smoke. */
  smokelessS?: number;
};

export type WaitCode = 'time' | 'core' | 'logs' | 'loss' | 'ph' | 'dry';
export type Wait = { code: WaitCode; target: number; now: number | null; met: boolean };

export type StageProgress = {
  at: RunStage;
  /** Seconds in the stage, without pauses and without what its smoke was away for. */
  elapsedS: number;
  /** Planned length with its extensions, s. */
  plannedS: number;
  waits: Wait[];
  /** The stage has what it waited for. */
  over: boolean;
  /** The longest time that it may take has passed; it is in the heat also while its smoke is away. */
  tooLong: boolean;
  paused: boolean;
};

/** Seconds of pauses between two times. */
function pausedS(run: NonNullable<BatchState['run']>, fromS: number, toS: number): number {
  return run.pauses.reduce(
    (sum, p) => sum + Math.max(0, Math.min(p.toS ?? toS, toS) - Math.max(p.fromS, fromS)),
    0,
  );
}

const coreMet = (stage: ProgramStage, targetC: number, coreC: number) =>
  waitedFromAbove(stage.airC, targetC) ? coreC <= targetC : coreC >= targetC;

function waitsOf(
  stage: ProgramStage,
  elapsedS: number,
  plannedS: number,
  e: StageEvidence,
): Wait[] {
  const ends = endsOf(stage);
  const waits: Wait[] = [];
  const add = (code: WaitCode, target: number | undefined, now: number | null, met: boolean) => {
    if (target !== undefined) waits.push({ code, target, now, met });
  };
  const longer = plannedS - stage.plannedS;
  const afterS = ends.afterS === undefined ? undefined : ends.afterS + longer;
  add('time', afterS, elapsedS, elapsedS >= (afterS ?? Infinity));
  add('core', ends.coreC, e.coreC, e.coreC !== null && coreMet(stage, ends.coreC ?? 0, e.coreC));
  add('logs', ends.logs, e.logs, e.logs !== null && e.logs >= (ends.logs ?? Infinity));
  add(
    'loss',
    ends.lossFraction,
    e.lossFraction,
    e.lossFraction !== null && e.lossFraction >= (ends.lossFraction ?? Infinity),
  );
  const ph = e.ph ?? null;
  add('ph', ends.ph, ph, ph !== null && ph <= (ends.ph ?? 0));
  add('dry', ends.dry ? 1 : undefined, e.dry ? 1 : 0, e.dry);
  return waits;
}

/**
 * How the present stage of a run stands against its own end: what it waits for, what of that is met, and
 * whether it is over. Pauses do not count, extensions do. null when nothing runs.
 */
export function stageProgress(
  state: BatchState,
  evidence: StageEvidence,
  nowS: number,
): StageProgress | null {
  const { run } = state;
  if (!run || run.pulledS !== null) return null;
  const at = runStages(state).at(-1);
  if (!at) return null;
  const thereS = nowS - at.startS - pausedS(run, at.startS, nowS);
  const elapsedS = thereS - (evidence.smokelessS ?? 0);
  const addedS = run.extended
    .filter((x) => x.index === at.index)
    .reduce((sum, x) => sum + x.byS, 0);
  const plannedS = at.stage.plannedS + addedS;
  const waits = waitsOf(at.stage, elapsedS, plannedS, evidence);
  const met = waits.filter((w) => w.met).length;
  const all = at.stage.ends?.join === 'all';
  return {
    at,
    elapsedS,
    plannedS,
    waits,
    over: waits.length > 0 && (all ? met === waits.length : met > 0),
    tooLong: at.stage.maxS !== undefined && thereS >= at.stage.maxS + addedS,
    paused: run.pauses.some((p) => p.toS === null),
  };
}

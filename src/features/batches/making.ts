import {
  isMaking,
  learnWork,
  makingLimitsOf,
  runSheet,
  type BatchState,
  type Case,
  type DoseLine,
  type LearnedWork,
  type Pass,
  type RouteStep,
} from '@/core';
import { stepTask } from '@/words/route';

/** What is measured at a step: meat that lies in the freezer, meat before and after a pass, or nothing. */
export type Measured = 'chill' | 'pass' | 'nothing';

/** A step of the bench work as the sheet shows it. */
export type MakingRow = {
  stepId: string;
  task: string;
  measured: Measured;
  /** What goes in at it, with how much, g; null where the recipe has no amount of it today. */
  adds: { name: string; doseG: number | null; resolutionG: number }[];
  done: { atS: number; tempC: number | null; beforeC: number | null; by: string } | null;
  /** What such a pass does to the meat. */
  work: LearnedWork | null;
};

export type MakingSheetData = {
  rows: MakingRow[];
  /** How warm meat may come out of a pass, and what is too hard to begin with, °C. */
  limits: { afterPassC: number; tooHardC: number };
};

const PASSES: readonly RouteStep['kind'][] = ['grind', 'mix'];

const measuredAt = (s: RouteStep): Measured => {
  if (s.kind === 'chill') return 'chill';
  return PASSES.includes(s.kind) ? 'pass' : 'nothing';
};

/** What passes are learned by: the same kind of step, done in the same way. */
export const passKey = (s: RouteStep): string => `${s.kind}:${s.manner ?? ''}`;

/** Is it made now: its meat is weighed, and it is not stuffed yet? */
export const isBeingMade = ({ phase, meatG, steps, run }: BatchState): boolean =>
  meatG !== null && !steps.stuff && !run && phase !== 'released' && phase !== 'destroyed';

/** The bench work of a batch, in order: what is to be done, with what, what was done, and what a pass will do. */
export function makingSheet(
  { recipe, state }: Case,
  lines: readonly DoseLine[],
  earlier: Readonly<Record<string, readonly Pass[]>>,
): MakingSheetData {
  const rows = runSheet(recipe)
    .filter(({ step }) => isMaking(step))
    .map(({ step, adds }): MakingRow => {
      const ticked = state.ticked[step.id];
      const measured = measuredAt(step);
      return {
        stepId: step.id,
        task: stepTask(step),
        measured,
        adds: adds.map(({ name }) => {
          const line = lines.find((l) => l.name === name);
          return {
            name,
            doseG: line?.doseG ?? null,
            resolutionG: line?.scale?.resolutionG ?? 1,
          };
        }),
        done: ticked ? { ...ticked, by: ticked.by.name } : null,
        work: measured === 'pass' ? learnWork(earlier[passKey(step)] ?? []) : null,
      };
    });
  return { rows, limits: makingLimitsOf(recipe) };
}

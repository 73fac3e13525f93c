import { routeOf } from '../../route/adapter';
import type { Chapter } from '../chapter';
import type { Author } from '../entry';
import { noLoad } from './bench';

export type StepName = 'grind' | 'mix' | 'stuff' | 'surface_dry' | 'bloom' | 'freeze' | 'pack';

export type MakingBody =
  | {
      kind: 'step_done';
      step: StepName;
      tempC?: number;
      weightG?: number;
      /** Lines of the recipe that a person decided to leave out of what is stuffed. */
      without?: string[];
    }
  /** A step of the way that has no entry of its own was done. */
  | {
      kind: 'step_ticked';
      stepId: string;
      /** Which pass or phase of it, from 0. */
      pass?: number;
      /** Which load, from 1. */
      load?: number;
      /** Of the meat when it was done, and before it, °C. */
      tempC?: number;
      beforeC?: number;
      machineId?: string;
      machine?: string;
      /** Of the room, °C, and how long it took, s. */
      roomC?: number;
      forS?: number;
      /** It was not done: why. */
      skipped?: string;
    };

/** A step of the way, or one pass of it, as it was ticked off. */
export type Tick = {
  entryId: string;
  stepId: string;
  pass: number;
  /** null: the whole batch at once. */
  load: number | null;
  atS: number;
  tempC: number | null;
  beforeC: number | null;
  machineId: string | null;
  roomC: number | null;
  forS: number | null;
  skipped: string | null;
  by: Author;
};

export type MakingState = {
  steps: Partial<
    Record<
      StepName,
      { atS: number; tempC: number | null; weightG: number | null; without: string[] }
    >
  >;
  /** Steps of the way that were ticked off, by their id: the last tick of each. */
  ticked: Record<string, Tick>;
  /** Every tick of a step, in the order of the record. */
  ticks: Tick[];
};

/** What is done by hand on the way. */
export const making: Chapter<MakingBody, MakingState> = {
  empty: () => ({ steps: {}, ticked: {}, ticks: [] }),
  kinds: {
    step_done: {
      apply: (s, b, e) => {
        s.steps[b.step] = {
          atS: e.happenedS,
          tempC: b.tempC ?? null,
          weightG: b.weightG ?? null,
          without: b.without ?? [],
        };
      },
      correctable: true,
      bearsOn: (b) => [
        ...(b.step === 'stuff' ? (['come_up', 'uncured_smoke', 'ingredients'] as const) : []),
        'cold_chain',
        'making',
      ],
      posted: 'work',
    },
    step_ticked: {
      apply: (s, b, e) => {
        const tick: Tick = {
          entryId: e.id,
          stepId: b.stepId,
          pass: b.pass ?? 0,
          load: b.load ?? null,
          atS: e.happenedS,
          tempC: b.tempC ?? null,
          beforeC: b.beforeC ?? null,
          machineId: b.machineId ?? null,
          roomC: b.roomC ?? null,
          forS: b.forS ?? null,
          skipped: b.skipped ?? null,
          by: e.by,
        };
        s.ticks.push(tick);
        s.ticked[b.stepId] = tick;
      },
      refuses: (s, b, r) => {
        if (!routeOf(r).some((x) => x.id === b.stepId)) return 'unknown_step';
        const none = noLoad(s, b.load);
        if (none) return none;
        const there = s.ticks.some(
          (t) =>
            t.stepId === b.stepId &&
            t.pass === (b.pass ?? 0) &&
            (t.load === null || b.load === undefined || t.load === b.load),
        );
        return there ? 'already_ticked' : null;
      },
      correctable: true,
      stoppedByHold: true,
      bearsOn: ['making', 'cold_chain'],
      posted: 'work',
    },
  },
};

import type { Author } from '../author';

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

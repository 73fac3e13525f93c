import type { Recipe } from '../../recipe/recipe';
import type { Machine } from '../../making';
import type { WayPiece } from '../follow';
import type { PlanInput } from '../many';
import type { Passed } from '../passed';
import type { Block } from '../plan';
import type { Group } from './groups';
import type { PlanPlace, Room } from './places';

/** What stands before the first step of a batch that waits between two: it keeps its wait from growing past its limit. */
export const WAITING = 'waiting';

/** A batch that goes its way, or one that is wished. */
export type Work = {
  id: string;
  recipe: Recipe;
  batterG: number;
  readyByS: number;
  /** What an hour late weighs, > 0. */
  weight: number;
  /** Not before, clock seconds: the meat comes then. */
  fromS: number | null;
  blocks: Block[];
  /** What its record has; nothing for one that is wished. */
  passed: readonly Passed[];
  /** When the step that goes on is forecast to end. */
  dueS: number | null;
  /** The place where it is now. */
  placeId: string | null;
};

/** A batch that has no place to go to: for this step it is too much for every one of them, or there is none. */
export type Misfit = {
  batch: string;
  step: string;
  code: 'no_place' | NonNullable<Room['problem']>;
  /** What the largest of them takes, and what is asked, g. */
  asksG: number;
  takesG: number;
  /** Its meat is weighed and worked: it cannot be made in two batches any more. */
  begun: boolean;
};

/** A step on the board: when it is, is told by the plan. */
export type TaskStep = Group & {
  batch: string;
  people: number;
  /** Where its record has it; null where it is to be planned. */
  settledS: { startS: number; endS: number } | null;
};

export type Task = Omit<PlanInput, 'limits' | 'previous'> & {
  steps: TaskStep[];
  misfits: Misfit[];
  /** What lies behind the batches: no longer a matter of the plan. */
  behind: (WayPiece & { batch: string })[];
};

export type TaskSite = {
  places: readonly PlanPlace[];
  machines: readonly Machine[];
  spans: PlanInput['spans'];
};

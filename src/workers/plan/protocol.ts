import type {
  BatchPlan,
  PinnedStep,
  PlacedStep,
  PlanProgress,
  PlanTrouble,
  Task,
  Remedy,
} from '../../core';

/** The plan that there is, and what of it stays where it is. */
export type PlanStand = { task: Task; steps: PlacedStep[]; pins: PinnedStep[] };

export type PlanRequest =
  /** `seed`: several look for it at once, each its own way. `movesCost`: steps stay where they are unless it helps. */
  | {
      id: number;
      kind: 'plan';
      stand: PlanStand;
      timeMs: number;
      movesCost: boolean;
      seed: number;
    }
  /** What a plan breaks, and why who is late is. */
  | { id: number; kind: 'look'; stand: PlanStand }
  /** Only what it breaks: asked again and again while something moves. */
  | { id: number; kind: 'troubles'; stand: PlanStand }
  /** What could be done for a late batch; who would stay after which evening's end. */
  | { id: number; kind: 'remedies'; stand: PlanStand; batch: string; stays: [number, string][] }
  /** Enough: the best so far, now. */
  | { id: number; kind: 'stop' };

/** How far a planner is, or how many of how many ways were tried. */
export type Progress = PlanProgress | { tried: number; of: number };

export type PlanLook = { troubles: PlanTrouble[]; because: BatchPlan['because'] };

export type PlanReply =
  | { id: number; kind: 'plan'; plan: BatchPlan; ms: number }
  | { id: number; kind: 'look'; look: PlanLook }
  | { id: number; kind: 'troubles'; troubles: PlanTrouble[] }
  | { id: number; kind: 'remedies'; remedies: Remedy[] }
  | { id: number; kind: 'progress'; progress: Progress }
  | { id: number; kind: 'failed'; message: string };

export { bestPlan, planBatches, planning, whyLate, type PlanProgress } from './plan-batches';
export { planTroubles, type PlanTrouble, type PlanTroubleCode } from './troubles';
export { SLOT_S } from './problem';
export type {
  BatchPlan,
  DutySpan,
  FixedStep,
  PlacedStep,
  PlanBatch,
  PlanInput,
  PlanLimits,
  PlanResource,
  PlanStep,
  PlanUse,
  TakenUse,
  Visit,
  WaitUse,
  WaitsFor,
} from './types';

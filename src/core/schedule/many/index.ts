export { bestPlan, planBatches, planning, whyLate, type PlanProgress } from './plan-batches';
export { planTroubles } from './troubles';
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
  PlanTrouble,
  PlanTroubleCode,
  PlanUse,
  TakenUse,
  Visit,
  WaitUse,
  WaitsFor,
} from './types';

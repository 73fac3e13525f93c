export { planBatches } from './plan-batches';
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
  WaitsFor,
} from './types';

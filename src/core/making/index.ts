export { meatAtC, meatHeatJPerG } from '../heat/meat-heat';
export { USUAL_CHILL, chillTimeS, type ChillInput } from './chill-time';
export {
  USUAL_MACHINE,
  learnChill,
  learnMachine,
  type ChillRun,
  type LearnedChill,
  type LearnedMachine,
  type Pass,
} from './learned';
export {
  CHOP_PHASES,
  makingClassOf,
  makingLimits,
  warms,
  type ChopPhase,
  type MakingClass,
  type StepLimits,
} from './limits';
export { MACHINE_KINDS, bowlOf, machineKindFor, type Machine, type MachineKind } from './machine';
export { massBalance, type BalancePart, type GapFit, type MassBalance } from './mass-balance';
export { beforeFor, passForecast, type PassForecast, type PassInput } from './pass-forecast';
export { makingPlan, type PlanAdd, type PlanRow } from './plan';
export { riseRate, type RiseRate, type TimedTemp } from './rise-rate';
export {
  MOST_LOADS,
  loadsFor,
  shareLoads,
  splitLoads,
  type Load,
  type SplitLine,
} from './split-loads';
export { blendsOfUnknownSalt, refuseStandIn, type NoStandIn } from './stand-in';
export {
  correctBatter,
  overpour,
  topUp,
  type Overpour,
  type ToAdd,
  type TopUp,
  type WantedTaste,
} from './top-up';

/** Contents of the core: what the rest of the application may count on. */
export { QuantityError } from './guard';
export {
  doseCure,
  ppmBand,
  ppmFromWeighed,
  type CureDose,
  type DoseCureInput,
} from './formula/dose-cure';
export {
  acceleratorPpm,
  hasPoultry,
  type Recipe,
  type ProgramStage,
  type StageKind,
  type ChillMedium,
  type Species,
  type AdditionKind,
} from './formula/recipe';
export {
  CURE_LINE,
  SALT_LINE,
  pickScale,
  plainSalt,
  roundToScale,
  scaleRecipe,
  type DoseLine,
  type Scale,
} from './formula/scale-recipe';
export {
  lethality,
  secondsStillNeeded,
  type Lethality,
  type LethalityModel,
} from './lethality/lethality';
export type { Reading } from './lethality/reading';
export { longestHoldS, tableSecondsAt, tableWay, type TableResult } from './lethality/table-way';
export { TIME_TEMPERATURE } from './lethality/tables/time-temperature';
export { checkCooling, type CoolingResult, type CoolingStep } from './cooling/check-cooling';
export { comeUp } from './cooling/come-up';
export type { TimedWindow, WindowStatus } from './cooling/timed-window';
export { parseLogger, type LoggerOptions, type ParsedLogger } from './formats/logger/parse-logger';
export { creditProbe, type Evidence } from './probes/evidence';
export { thinReadings } from './probes/thin';
export {
  planBackward,
  GRID_S,
  type Block,
  type Piece,
  type Plan,
  type PlannedPiece,
} from './schedule/plan';
export { recipeBlocks, requiredHoldS } from './schedule/recipe-blocks';
export { workingSpans, type Span, type WorkingHours } from './schedule/working-hours';
export {
  RULE_KINDS,
  type CureHoldRule as CureHoldRuleBody,
  type Rule,
  type RuleBody,
  type RuleKind,
  type RuleSet,
} from './rules/rule';
export { DEFAULT_RULES, RULE_PRESETS } from './rules/tables/presets';
export { coreTauS, stepHouse, type HouseState } from './house/first-model';
export { effectiveEntries } from './logbook/effective';
export type {
  Author,
  DispositionKind,
  EffectiveEntry,
  Entry,
  EntryBody,
  EntryKind,
  StepName,
} from './logbook/entry';
export { foldBatch } from './logbook/fold';
export { refuse, type Proposed, type Refusal } from './logbook/accept';
export type { BatchState, Phase, ProbeUse, Weighed } from './logbook/state';
export type { Case, Check, CheckCode, CheckStatus, Figure, Series } from './verdict/check';
export { chillLogs, houseWindow } from './verdict/heat-checks';
export { coreLogs, judgedLogs, type CoreLog } from './verdict/core-probes';
export { judgeLethality, stillNeededS } from './verdict/lethality-way';
export { holdsDue, judge, type Verdict } from './verdict/judge';
export {
  fromBase,
  fToC,
  G_PER_LB,
  otherSystem,
  toBase,
  unitSymbol,
  type Quantity,
  type UnitSystem,
} from './units/units';
export { parseNumber, type ParsedNumber } from './units/parse-number';
export { plausibleTemp, type Plausibility, type ReadingPlace } from './units/plausible';

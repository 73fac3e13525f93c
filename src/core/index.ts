/** Contents of the core: what the rest of the application may count on. */
export { QuantityError } from './guard';
export { normalFrom, randomFrom } from './random';
export {
  bandPlace,
  doseCure,
  ppmBand,
  ppmFromWeighed,
  type BandPlace,
  type CureDose,
  type DoseCureInput,
} from './formula/dose-cure';
export {
  ADDITION_KINDS,
  ALLERGENS,
  OUTCOMES,
  PLACES_IN_PROCESS,
  SPECIES,
  STAGE_KINDS,
  STAGE_PLACES,
  UNCURED_SMOKE_FROM_C,
  acceleratorPpm,
  hasPoultry,
  type Addition,
  type AdditionKind,
  type Allergen,
  type Casing,
  type ChillMedium,
  type Cure,
  type DoseBasis,
  type DryingTarget,
  type Fermentation,
  type MeatLine,
  type Outcome,
  type PlaceInProcess,
  type PlannedRecipe,
  type ProgramStage,
  type Recipe,
  type RecipeBody,
  type RecipePart,
  type RoutedRecipe,
  type Species,
  type StageEnds,
  type StageKind,
  type StagePlace,
  type Writing,
} from './recipe/recipe';
export { ionFromSodiumNitrite, sodiumNitriteFromIon } from './units/nitrite-ion';
export {
  splitSalt,
  type SaltConflict,
  type SaltSplit,
  type SplitSaltInput,
  type WayOut,
} from './formula/split-salt';
export { TEASPOON_CURE_G, spoonDose } from './formula/spoon-dose';
export { USUAL_YIELD, basisOf, compose, yieldOf, type Composition } from './formula/compose';
export {
  COARSE_SHARE,
  CURE_LINE,
  SALT_LINE,
  meatFor,
  pickScale,
  plainSalt,
  roundToScale,
  scaleRecipe,
  type DoseLine,
  type DoseLimits,
  type DoseSheet,
  type Scale,
  type ScaleBy,
} from './formula/scale-recipe';
export { blendTrims, type Blend, type BlendLine, type Trim } from './formula/blend-trims';
export { iceShare, roomHeatJPerG, type IceInput, type IceShare } from './formula/ice-share';
export {
  BATTER_DENSITY_G_CM3,
  batterFromCasing,
  casingLength,
  hangBatch,
  type HangingPlan,
  type HangingRoom,
} from './formula/casing-length';
export * from './casing';
export {
  allergensOf,
  declareIngredients,
  unreadLines,
  type DeclaredIngredient,
} from './formula/declaration';
export { SLOW_SUGAR, recipeFigures, type RecipeFigures } from './formula/figures';
export { judgeFormula, type Finding, type FindingCode, type FindingLevel } from './review/findings';
export {
  diffRecipes,
  type FactUnit,
  type RecipeChange,
  type RecipeFact,
} from './review/diff-recipes';
export {
  SCHOOLS,
  SCHOOL_QUESTIONS,
  type School,
  type SchoolChoices,
  type SchoolQuestion,
} from './recipe/school-questions';
export { applySchool, offeredSchools } from './review/schools/apply-school';
export * from './route';
export * from './fermentation';
export * from './drying';
export * from './ripening';
export * from './shelf';
export * from './formats/ingredients';
export {
  lethality,
  SALMONELLA,
  pieceLogs,
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
export {
  parseLogger,
  readLogger,
  type LoggerOptions,
  type ParsedLogger,
  type ReadLogger,
} from './formats/logger/parse-logger';
export {
  checkCalibration,
  withOffsets,
  type Calibration,
  type CalibrationCheck,
  type CalibrationResult,
} from './probes/calibration';
export * from './evidence';
export {
  planBackward,
  GRID_S,
  type Block,
  type Piece,
  type Plan,
  type PlannedPiece,
} from './schedule/plan';
export { whatHolds, type Holding } from './schedule/what-holds';
export { READY_AHEAD_S, START_BACK_S } from './schedule/ranges';
export { recipeBlocks, requiredHoldS } from './schedule/recipe-blocks';
export * from './schedule/many';
export * from './schedule/task';
export * from './roster';
export { followRecord, type Standing, type Way, type WayPiece } from './schedule/follow';
export { passedSteps, recipeOfRun } from './schedule/passed';
export { workingSpans, type Span, type WorkingHours } from './schedule/working-hours';
export {
  type FermentationRule,
  doseLimits,
  floorRuleOf,
  sheetLimits,
  type FloorRule,
  type CureHoldRule as CureHoldRuleBody,
  type Rule,
  type RuleBody,
  type RuleKind,
  type RuleSet,
} from './rules/rule';
export {
  RULE_DEFINITIONS,
  RULE_KINDS,
  type FigureKind,
  type Fields,
  type RuleField,
} from './rules/definition';
export { coreTargetOf, endsOf, withCoreTarget } from './recipe/stage-ends';
export { DEFAULT_RULES } from './rules/tables/defaults';
export { RULE_PRESETS } from './rules/tables/presets';
export {
  simulateProgram,
  USUAL_SHELLS,
  type HeatSample,
  type HeatStage,
  type SimulateInput,
  type Simulation,
  type StageEnded,
} from './heat/simulate-program';
export { LONGEST_STAGE_S, type EndReason, type StageEnd } from './heat/stage-end';
export { USUAL_H, type Medium, type MediumSetting } from './heat/medium';
export { USUAL_PERMEABILITY, type HeatProduct } from './heat/product';
export { thermalProperties, type FoodComposition, type ThermalProperties } from './heat/properties';
export {
  boilingPointC,
  dewPointC,
  rhFromWetBulb,
  saturationPa,
  vapourFromWetBulb,
  wetBulbFromRh,
} from './heat/psychrometrics';
export { notNeeded } from './run/not-needed';
export { LivePiece } from './heat/live-piece';
export { finishOf, forecastFinish, type Forecast } from './forecast/forecast-finish';
export { WINDS, houseTaught, type HouseFit, type Weather, type Wind } from './forecast/house-prior';
export { scoreOf, type BandScore } from './forecast/band-scale';
export { fitRun } from './forecast/fit-run';
export type { Basis, FittedRun, ForecastInput, FitBasis, HousePrior } from './forecast/types';
export type { RunChannel, RunReading } from './forecast/readings';
export type { Target } from './forecast/run-case';
export {
  RANK as ALARM_RANK,
  type Alarm,
  type AlarmCode,
  type AlarmRank,
  type PlaceKnown,
} from './house/alarms/alarm';
export { spreadOf } from './house/alarms/place';
export { alarmsOf } from './house/alarms/alarms';
export { alarmChanges, type AlarmChanges } from './house/alarms/changes';
export { designProgram, type DesignGoal } from './run/design-program';
export { chillStage, filmOf, heatProduct, heatStage } from './run/heat-stage';
export { FAT_OUT_C, programTroubles, type Trouble } from './run/program-troubles';
export { mediumIn, runProgram, runStages, stageAt, type RunStage } from './run/run-stage';
export * from './house/simulator';
export {
  stageProgress,
  type StageEvidence,
  type StageProgress,
  type Wait,
} from './run/stage-progress';
export { followingStage } from './run/follow-house';
export { putBackUntilS, putBackWithinS } from './run/put-back';
export * from './logbook';
export type { Calibrations, Case, Check, CheckStatus, Figure, Series } from './verdict/check';
export { CHECK_CODES, type CheckCode } from './logbook/check-code';
export type { FigureName } from './verdict/figures';
export type { Reason } from './verdict/reasons';
export {
  chillView,
  coolingOf,
  coreLogs,
  houseView,
  houseWindow,
  judgedLogs,
  type CoreLog,
} from './verdict/windows';
export type { NoCredit } from './verdict/no-credit';
export { believedOf, takeBelieved, type Believed } from './verdict/believed';
export { longestGrowth } from './verdict/come-up-check';
export { piecesLethality } from './verdict/lethality-check';
export { owedHoldS, unweighedLines, weighedAcceleratorPpm } from './verdict/weighed-basis';
export { judgeLethality, stillNeededS } from './verdict/lethality-way';
export { checkDrying, lossesOf, type PieceLoss } from './verdict/drying-check';
export { checkParasites, openLotsOf, porkLines } from './verdict/parasite-check';
export { servingDueS } from './verdict/serving-check';
export { holdsDue, holdsToLift, judge, JUDGEMENT, type Verdict } from './verdict/judge';
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
export { INSTRUMENTS, type InstrumentKind } from './units/instruments';
export { parseNumber, type ParsedNumber } from './units/parse-number';
export {
  READING_PLACES,
  plausibleTemp,
  type Plausibility,
  type ReadingPlace,
} from './units/plausible';
export * from './making';
export * from './bench';
export * from './hanging';
export * from './chill';
export * from './duty';
export * from './house/watch';
export * from './cleaning';

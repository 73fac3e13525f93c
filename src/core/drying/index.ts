/** Drying of hung pieces: water by diffusion, the day of a loss, the rim, water activity by estimate. */
export { estimateAw } from './water-activity';
export type { DryingAir, DryingFactors, DryingPiece } from './piece';
export {
  simulateDrying,
  type DryingCourse,
  type DryingInput,
  type DryingSample,
} from './simulate-drying';
export { forecastLoss, type LossForecast, type LossForecastInput } from './forecast-loss';
export type { PieceWeighing } from './fit-loss';
export { rimOf, type RimView } from './rim';
export { oddPiece } from './odd-piece';

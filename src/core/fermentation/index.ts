/** Fermentation: how a culture works, the hour of a pH, degree-hours. */
export { workOf, workedBy } from './work';
export { finalPh } from './final-ph';
export {
  CULTURE_TEMPOS,
  phAfter,
  workRate,
  type CultureCourse,
  type CultureTempo,
} from './culture';
export { USUAL_CULTURES } from './tables/cultures';
export { forecastPh, meatLagS, type PhForecast, type PhForecastInput } from './forecast-ph';
export {
  CULTURE_STORAGES,
  cardCourse,
  courseKey,
  wakingOf,
  type CultureCard,
  type CultureStorage,
} from './culture-card';
export {
  MIDDLE_BUFFERS,
  bufferPh,
  checkMeter,
  metersApart,
  truePh,
  type MeterCheck,
  type MeterCheckInput,
  type MiddleBuffer,
} from './ph-meter';
export { learnedCulture } from './learned-culture';
export type { PhFitted, PhReading } from './fit-ph';
export { degreeHoursAhead, type DegreeHoursAhead } from './degree-hours-ahead';
export { coolUntil, type Cooled } from './cool-until';
export { degreeHourLimit, degreeHours } from './degree-hours';

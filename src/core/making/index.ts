export { meatAtC, meatHeatJPerG } from '../heat/meat-heat';
export { chillTimeS, type ChillInput } from './chill-time';
export { makingClassOf, makingLimitsOf, type MakingClass, type MakingLimits } from './limits';
export {
  beforeFor,
  learnWork,
  passForecast,
  type LearnedWork,
  type Pass,
  type PassForecast,
} from './pass-forecast';

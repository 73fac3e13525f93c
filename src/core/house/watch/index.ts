export {
  airSpread,
  type AirSensor,
  type AirSpread,
  type SensorSpot,
  type SpreadAt,
} from './air-spread';
export { chamberSwing, type ChamberSwing, type HourSpan } from './chamber-swing';
export { bathRise, type BathRise } from './bath';
export { smokeOf, smokelessS } from './of-state';
export { pullList, type PullGroup, type PullRow } from './pull-list';
export { smokeMinutes, type SmokeMinutes } from './smoke-minutes';

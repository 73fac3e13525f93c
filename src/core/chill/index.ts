export { bloomClock, type BloomClock } from './bloom-clock';
export { carryOver, type CarryOver } from './carry-over';
export { chillPlan, type ChillBand, type ChillMedia, type ChillPlan } from './chill-plan';
export { usualIceS } from './usual';

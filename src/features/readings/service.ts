/** What others do with readings: take them in, seal them, and look at the channels they come by. */
export {
  calibrationSchema,
  lastAltitudeM,
  lastChecks,
  lastPassedS,
  recordCalibration,
  type CalibrationInput,
} from './calibrations';
export { checkedS } from './checked-at';
export { ingestReadings } from './ingest';
export {
  addInstrument,
  instrumentSchema,
  keepShown,
  listInstruments,
  liveOf,
  liveQuerySchema,
  revokeInstrument,
  shownSchema,
  type Live,
} from './instruments';
export {
  addMeter,
  isChecked,
  listMeters,
  meterChoices,
  meterCheckSchema,
  meterGuard,
  meterSchema,
  recordMeterCheck,
  retireMeter,
  type MeterCheckInput,
  type PhMeter,
} from './meters';
export { probeGuard } from './probe-guard';
export { channelsByIds, houseChannels, lastReadings, type Channel } from './repository';
export { hoursOf, type Summary } from './summaries';
export { admitLate, holdReadings, lateOf, liftSeal, sealChannels, type Late } from './seals';

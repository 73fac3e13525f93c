import { degreeHoursClose, phComing, phPast } from './ferment';
import { humidityOff } from './humidity';
import { within } from '../../probes/series-at';
import { coreLogs, houseWindow, judgedLogs, type CoreLog } from '../../verdict/windows';
import { runStages } from '../../run/run-stage';
import { airOutOfBand, airStill, coldSmokeWarm, fireOut } from './air';
import {
  lastCredited,
  RANK,
  type Alarm,
  type AlarmCode,
  type AlarmInput,
  type Look,
  type View,
} from './alarm';
import {
  comeUpRunningOut,
  coolingNotStarted,
  coolingRunningOut,
  missesReadyBy,
  servingRunningOut,
  stageTooLong,
} from './clocks';
import {
  smokeGone,
  smokeUnseen,
  fuelDue,
  woodDue,
  chamberHot,
  aboveCeiling,
  cornersApart,
  bathOil,
} from './place';
import { coreStall, noReadings, probeSlidOut, targetReached, tooHot } from './core-probe';

const LOOKS: Record<AlarmCode, Look> = {
  fire_out: fireOut,
  no_readings: noReadings,
  probe_slid_out: probeSlidOut,
  target_reached: targetReached,
  cooling_running_out: coolingRunningOut,
  cooling_not_started: coolingNotStarted,
  come_up_running_out: comeUpRunningOut,
  too_hot: tooHot,
  air_out_of_band: airOutOfBand,
  core_stall: coreStall,
  cold_smoke_warm: coldSmokeWarm,
  stage_too_long: stageTooLong,
  misses_ready_by: missesReadyBy,
  serving_running_out: servingRunningOut,
  smoke_gone: smokeGone,
  smoke_unseen: smokeUnseen,
  fuel_due: fuelDue,
  wood_due: woodDue,
  chamber_hot: chamberHot,
  above_ceiling: aboveCeiling,
  corners_apart: cornersApart,
  bath_oil: bathOil,
  ph_coming: phComing,
  ph_past: phPast,
  degree_hours_close: degreeHoursClose,
  humidity_off: humidityOff,
  air_still: airStill,
};

/** An alarm that says the same in sharper words makes the other one silent. */
const SILENCES: Partial<Record<AlarmCode, AlarmCode>> = {
  fire_out: 'air_out_of_band',
  smoke_gone: 'wood_due',
  target_reached: 'stage_too_long',
  ph_past: 'ph_coming',
};

/** Nothing that the air did longer ago makes an alarm, s. */
const AIR_S = 24 * 3600;

function viewOf(input: AlarmInput): View {
  const { c, nowS } = input;
  const window = houseWindow(c);
  const logs = window ? coreLogs(c, window.fromS, window.toS, 'house') : [];
  /* Also while it ferments or hangs, which the window of the heat leaves out. */
  const fromS = Math.max(c.state.run?.startS ?? nowS, nowS - AIR_S);
  const airs = c.state.probes
    .filter((p) => p.what === 'air')
    .map((p) => within(c.series[p.channelId] ?? [], fromS, Infinity));
  const air = airs.length > 1 ? airs.flat().sort((a, b) => a.tS - b.tS) : (airs[0] ?? []);
  const slowest = judgedLogs(logs).reduce<CoreLog | null>(
    (a, b) =>
      !a || (lastCredited(b)?.tempC ?? Infinity) < (lastCredited(a)?.tempC ?? Infinity) ? b : a,
    null,
  );
  return { ...input, at: runStages(c.state).at(-1) ?? null, air, airs, core: slowest, logs };
}

/**
 * What is wrong with a batch right now, most urgent first: each with its figures. Pure; the same record,
 * readings and time give the same alarms.
 * @source usual practice of the trade; usual bands and times of one house
 */
export function alarmsOf(input: AlarmInput): Alarm[] {
  const view = viewOf(input);
  const found = (Object.keys(LOOKS) as AlarmCode[]).flatMap((code): Alarm[] => {
    const figures = LOOKS[code](view);
    return figures ? [{ code, rank: RANK[code], figures }] : [];
  });
  const silent = new Set(found.map((a) => SILENCES[a.code]));
  return found.filter((a) => !silent.has(a.code)).sort((a, b) => a.rank - b.rank);
}

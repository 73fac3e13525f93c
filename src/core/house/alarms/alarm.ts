import type { FermentKnown } from './ferment-known';
import type { HouseCare } from '../../hanging/house';
import type { Reading } from '../../lethality/reading';
import type { Case } from '../../verdict/check';
import type { CoreLog } from '../../verdict/windows';
import type { RunStage } from '../../run/run-stage';
import type { SensorSpot } from '../watch/air-spread';

export type AlarmCode =
  | 'fire_out'
  | 'air_out_of_band'
  | 'core_stall'
  | 'target_reached'
  | 'too_hot'
  | 'come_up_running_out'
  | 'cooling_running_out'
  | 'cooling_not_started'
  | 'no_readings'
  | 'probe_slid_out'
  | 'misses_ready_by'
  | 'cold_smoke_warm'
  | 'stage_too_long'
  | 'serving_running_out'
  | 'smoke_gone'
  | 'smoke_unseen'
  | 'fuel_due'
  | 'wood_due'
  | 'chamber_hot'
  | 'above_ceiling'
  | 'corners_apart'
  | 'bath_oil'
  | 'ph_coming'
  | 'ph_past'
  | 'degree_hours_close'
  | 'humidity_off'
  | 'air_still';

/** 1: act now. 2: act soon. 3: know it. */
export type AlarmRank = 1 | 2 | 3;
export type Alarm = {
  code: AlarmCode;
  rank: AlarmRank;
  /** °C, s, clock seconds (`atS`, `dueS`); the interface has the words. */
  figures: Record<string, number>;
};

/** What is known of the place that a batch is in besides its readings. */
export type PlaceKnown = {
  care: HouseCare | null;
  /** Its sensors by channel: what they are called and where they hang. */
  sensors: Readonly<Record<number, { name: string; spot: SensorSpot }>>;
};

export type AlarmInput = {
  c: Case;
  nowS: number;
  /** Stage over, and too long, as the stage's own end says. */
  stage: { over: boolean; tooLong: boolean } | null;
  /** When the batch is forecast to be packed, clock seconds; null when nobody can say. */
  readyS: number | null;
  place?: PlaceKnown | null;
  /** What is forecast of its ferment, where it has one that goes on. */
  ferment?: FermentKnown | null;
};

export const RANK: Record<AlarmCode, AlarmRank> = {
  fire_out: 1,
  no_readings: 1,
  probe_slid_out: 1,
  target_reached: 1,
  cooling_running_out: 1,
  cooling_not_started: 1,
  come_up_running_out: 1,
  too_hot: 2,
  air_out_of_band: 2,
  core_stall: 2,
  cold_smoke_warm: 2,
  stage_too_long: 2,
  misses_ready_by: 3,
  serving_running_out: 1,
  smoke_gone: 1,
  smoke_unseen: 3,
  fuel_due: 3,
  wood_due: 3,
  chamber_hot: 2,
  above_ceiling: 2,
  corners_apart: 3,
  bath_oil: 2,
  ph_coming: 2,
  ph_past: 1,
  degree_hours_close: 2,
  humidity_off: 2,
  air_still: 2,
};

export type View = AlarmInput & {
  at: RunStage | null;
  /** Of all air sensors together in time, and of each by itself. */
  air: Reading[];
  airs: Reading[][];
  core: CoreLog | null;
  logs: readonly CoreLog[];
};
export type Look = (v: View) => Record<string, number> | null;

export const lastOf = (log: readonly Reading[]) => log.at(-1) ?? null;
export const since = (log: readonly Reading[], tS: number) => log.filter((r) => r.tS >= tS);
/** A batch ferments or hangs: a chamber is held to narrower bands than a house, and for longer. */
export const slowStage = ({ at }: View) =>
  at?.stage.kind === 'ferment' || at?.stage.kind === 'hang';
export const inHouse = (v: View) => v.c.state.phase === 'in_house' && v.at !== null;
/** The last reading of a log that is credited: what a faulty probe shows is no temperature of a core. */
export const lastCredited = (l: CoreLog | null) => l?.spans.at(-1)?.at(-1) ?? null;

import type { AlarmCode, AlarmRank, HouseKind, NoCredit, RunEvent, StagePlace } from '@/core';
import { degreeHourWords } from './degree-hours';
import type { Show } from './show';

export const EVENT_WORDS: Record<RunEvent, string> = {
  fuel: 'Fuel added',
  door_open: 'Door opened',
  rotated: 'Sticks rotated',
  wood_added: 'Wood added',
  smoke_out: 'Smoke out',
  probe_moved: 'Probe moved',
  film_on: 'Film over the sticks',
  film_off: 'Film taken off',
  wet_cloths: 'Wet cloths hung up',
};

/** What a probe does where it is not credited; `jump` and `drift` stand in verdicts signed before judgement 2. */
export const REJECT_WORDS: Record<NoCredit | 'gap' | 'jump' | 'drift', string> = {
  gap: 'is silent',
  jump: 'leaps',
  flat_line: 'stands still',
  reads_air: 'shows the air',
  drift: 'drifts',
  calibration: 'was not checked in time, or found wrong since',
  too_high: 'shows more than meat of this size can have',
  too_low: 'shows less than meat of this size can have',
  replaced: 'is contradicted by what it showed later',
};

export const PLACE_WORDS: Record<StagePlace, string> = {
  house: 'House',
  water_bath: 'Water bath',
  oven: 'Oven',
  shower: 'Shower',
  ice_bath: 'Ice bath',
  cooler: 'Cooler',
  room: 'Room',
};

export const ALARM_WORDS: Record<AlarmCode, string> = {
  fire_out: 'The fire is probably out',
  no_readings: 'No core readings',
  probe_slid_out: 'A core probe shows the air',
  target_reached: 'The stage has what it waited for',
  cooling_running_out: 'Cooling is running out of time',
  serving_running_out: 'Eat it soon, or chill it',
  cooling_not_started: 'Cooling has not started',
  come_up_running_out: 'Come-up is running out of time',
  too_hot: 'The core nears fat-out',
  air_out_of_band: 'The air is off its set point',
  core_stall: 'The core is not rising',
  cold_smoke_warm: 'Cold smoke is not cold',
  stage_too_long: 'The stage takes too long',
  misses_ready_by: 'It will not be ready in time',
  smoke_gone: 'The smoke is out',
  smoke_unseen: 'Nobody has looked at the smoke',
  fuel_due: 'Fuel is due',
  wood_due: 'Wood is due',
  chamber_hot: 'Too hot for this fat',
  above_ceiling: 'Above its ceiling',
  corners_apart: 'Rotate the sticks',
  bath_oil: 'Oil on the bath',
  ph_coming: 'The pH comes',
  ph_past: 'Sourer than asked',
  degree_hours_close: 'Degree-hours are running out',
  humidity_off: 'The humidity is off',
  air_still: 'An air sensor stands still',
};

export const RANK_WORDS: Record<AlarmRank, string> = {
  1: 'Act now',
  2: 'Act soon',
  3: 'Know it',
};

type Figures = Record<string, number>;
type Say = (f: Figures, s: Show) => string;

const stall: Say = (f, s) => {
  const rose = `Core ${s.temp(f.coreC!)}, only ${s.tempStep(f.roseC!)} in half an hour.`;
  if (f.wetBulbC === undefined) return `${rose} Raise humidity first, then heat.`;
  const why = f.wetBulbC < f.targetC!;
  return why
    ? `${rose} The surface dries at its wet bulb, ${s.temp(f.wetBulbC)}, under the target ${s.temp(f.targetC!)}: raise humidity first, then heat.`
    : `${rose} Look at the fire and the fan, then raise humidity.`;
};

const DEPTHS = ['', 'front', 'middle', 'back'] as const;
/** A corner of a house: "the back, level 2". */
function cornerWords(f: Figures, of: 'cold' | 'hot', unknown: string): string {
  const depth = DEPTHS[f[`${of}Depth`] ?? 0] ?? '';
  const level = f[`${of}Level`] ? `level ${f[`${of}Level`]}` : '';
  return [depth && `the ${depth}`, level].filter(Boolean).join(', ') || unknown;
}

const SAY: Record<AlarmCode, Say> = {
  fire_out: (f, s) =>
    `Air fell ${s.tempStep(f.fellC!)} to ${s.temp(f.airC!)}, set point ${s.temp(f.setC!)}. Look at the fire and the fan.`,
  no_readings: (f, s) =>
    `Nothing for ${s.duration(f.silentS!)}; after ${s.duration(f.limitS!)} there is no credit. Look at the link, or log by hand.`,
  probe_slid_out: (f, s) =>
    `Since ${s.time(f.fromS!)} it follows the air and earns no credit. Push it back into the thickest piece.`,
  target_reached: (f, s) =>
    `${f.coreC === undefined ? '' : `Core ${s.temp(f.coreC)}. `}Go on to the next stage, or pull.`,
  serving_running_out: (f, s) => `To be eaten by ${s.clock(f.dueS!)}, or chilled from now on.`,
  cooling_running_out: (f, s) =>
    f.leftS! > 0
      ? `${s.duration(f.leftS!)} left, until ${s.time(f.dueS!)}, to get the core to ${s.temp(f.toC!)}. Ice, more water, or spread it out.`
      : `The time ran out at ${s.time(f.dueS!)}; the core had to be at ${s.temp(f.toC!)}.`,
  cooling_not_started: (f, s) =>
    `Pulled ${s.duration(f.waitedS!)} ago. Into the ice bath or the cooler now.`,
  come_up_running_out: (f, s) =>
    `${s.duration(Math.max(0, f.leftS!))} left to get the core to ${s.temp(f.toC!)}, until ${s.time(f.dueS!)}. More heat and humidity.`,
  too_hot: (f, s) =>
    `Core ${s.temp(f.coreC!)}; above ${s.temp(f.limitC!)} fat runs out. Turn the heat down, or pull.`,
  air_out_of_band: (f, s) =>
    `Air ${s.temp(f.airC!)} for ${s.duration(f.forS!)}, set point ${s.temp(f.setC!)}. Look at dampers, ${f.chamber ? 'door, cooling and fan' : 'fuel and fan'}.`,
  core_stall: stall,
  cold_smoke_warm: (f, s) =>
    `Air ${s.temp(f.airC!)}: above ${s.temp(f.limitC!)} it is no cold smoke. Less fire, more distance.`,
  stage_too_long: (f, s) =>
    `${s.duration(f.forS!)} in this stage, at most ${s.duration(f.maxS!)} was meant. Go on, extend it, or find out why.`,
  smoke_gone: (f, s) =>
    `Seen out at ${s.time(f.sinceS!)}, ${s.duration(f.forS!)} ago: none of that counts. ${s.duration(f.countsS!)} of smoke so far. Light it again, then say that it smokes.`,
  smoke_unseen: (f, s) =>
    `Last looked at ${s.time(f.lastS!)}, ${s.duration(f.forS!)} ago. Look at the vent and say what you see: minutes that nobody saw do not count.`,
  fuel_due: (f, s) => `Last at ${s.time(f.lastS!)}; every ${s.duration(f.everyS!)} here.`,
  wood_due: (f, s) => `Last at ${s.time(f.lastS!)}; every ${s.duration(f.everyS!)} here.`,
  chamber_hot: (f, s) =>
    `Air ${s.temp(f.airC!)} with the core at ${s.temp(f.coreC!)}: at most ${s.temp(f.limitC!)} until the core is at ${s.temp(f.untilC!)}, else the fat runs out. Turn the heat down, humidity up.`,
  above_ceiling: (f, s) =>
    `${s.temp(f.airC!)}, at most ${s.temp(f.limitC!)} here. Turn the heat down.`,
  corners_apart: (f, s) =>
    `${s.tempStep(f.spreadC!)} between ${cornerWords(f, 'hot', 'the hottest')} (${s.temp(f.hotC!)}) and ${cornerWords(f, 'cold', 'the coldest corner')} (${s.temp(f.coldC!)}). Rotate, and keep a probe where it is coldest.`,
  bath_oil: (f, s) =>
    `${f.much ? 'Much oil' : 'A film of oil'} on the water since ${s.time(f.sinceS!)}: fat runs out. Cool one piece and slice it: a cap of fat or jelly means that the batter broke. Turn the bath down.`,
  ph_coming: (f, s) =>
    `pH ${s.number(f.ph!, 2)} about ${s.clock(f.atS!)}${f.alone ? ', when nobody is there' : ''}. ${
      f.coolC === undefined
        ? 'Read the meter, and be there for it.'
        : `Come, or set the chamber to ${s.temp(f.coolC)} now: then it waits until ${s.clock(f.untilS!)}.`
    }`,
  ph_past: (f, s) =>
    `pH ${s.number(f.ph!, 2)}, ${s.number(f.targetPh!, 2)} was asked for. End the ferment now: cool it, or go on to the heat.`,
  degree_hours_close: (f, s) =>
    `${degreeHourWords(f.degreeHours!, s)} of ${degreeHourWords(f.limit!, s)}${f.limitS === undefined ? '' : `, all of them ${s.clock(f.limitS)}`}, and the pH is not shown. Read the meter; past the limit the batch is on hold.`,
  air_still: (f, s) =>
    `${s.temp(f.airC!)} to the last digit for ${s.duration(f.forS!)}: no air does that. Look at the sensor and its cable, and read the air by hand meanwhile.`,
  humidity_off: (f, s) =>
    `${s.number(f.rh! * 100, 0)} % for an hour, set to ${s.number(f.setRh! * 100, 0)} %. ${
      f.dry
        ? 'Damper shut, fan down; a tray of water or wet cloths help, or film over the sticks for a night. A rim that dries too fast shuts the water in.'
        : 'Open the damper or the door a hand wide, fan up, and look at the drain: what stays wet goes slimy.'
    }`,
  misses_ready_by: (f, s) =>
    `Forecast for ${s.time(f.readyS!)}, wanted by ${s.time(f.dueS!)}: ${s.duration(f.lateS!)} late. Raise humidity first, then heat, or tell who waits.`,
};

/** What an alarm found and what to do, with its figures in the site's units. */
export const alarmWords = (code: AlarmCode, figures: Figures, show: Show) =>
  SAY[code](figures, show);

/** What a place of the site is. */
export const HOUSE_KIND_WORDS: Record<HouseKind, string> = {
  house: 'smokehouse',
  water_bath: 'water bath',
  oven: 'oven',
  chamber: 'chamber',
  drying_room: 'drying room',
  cooler: 'cooler',
  freezer: 'freezer',
};

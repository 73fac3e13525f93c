import type { Trouble } from '@/core';
import type { Show } from './show';

type Say = (f: Record<string, number>, s: Show) => string;

const SAY: Record<Trouble['code'], Say> = {
  fat_out: (f, s) =>
    `Fat-out: the core comes to ${s.temp(f.coreC!)}, above ${s.temp(f.limitC!)} fat runs out. Pull earlier or lower the air.`,
  case_hardening: (f, s) =>
    `Hard rim: after ${s.duration(f.atS!)} the surface is dry while the core is at ${s.temp(f.coreC!)}. More humidity, or less heat, early on.`,
  come_up: (f, s) =>
    `Come-up too slow: ${s.duration(f.elapsedS!)} from ${s.temp(f.fromC!)} to ${s.temp(f.toC!)}, at most ${s.duration(f.maxS!)}.`,
  uncured_warm: (f, s) =>
    `Without cure it is too long in the warm: ${s.duration(f.elapsedS!)} from ${s.temp(f.fromC!)} to ${s.temp(f.toC!)}, at most ${s.duration(f.maxS!)}. Straight to a hot house instead.`,
  bath_rule: (f, s) =>
    `A minute a millimetre is too short in this bath: after ${s.duration(f.thumbS!)} the core is at ${s.temp(f.coreC!)}, not ${s.temp(f.targetC!)}. Go by a probe.`,
  cooling: (f, s) =>
    f.late
      ? `Cooling too slow: ${s.duration(f.elapsedS!)} from ${s.temp(f.fromC!)} to ${s.temp(f.toC!)}, at most ${s.duration(f.maxS!)}. More ice, longer in the bath.`
      : `The chill ends before the core is at ${s.temp(f.toC!)}. Longer, or colder.`,
  not_lethal: (f, s) =>
    `Not safe yet: ${s.logs(f.logs!)} of ${s.number(f.targetLogs!)} logs, core at most ${s.temp(f.peakC!)}. Cook on, or hotter.`,
  not_reached: (f, s) =>
    `The stage gives up at ${s.duration(f.tS!)} with the core at ${s.temp(f.coreC!)}${f.targetC === undefined ? '' : `, wanted ${s.temp(f.targetC)}`}.`,
  stall: (f, s) =>
    `It stalls: the wet bulb is ${s.temp(f.wetBulbC!)}, and a wet core does not pass it to reach ${s.temp(f.targetC!)}. Raise humidity first, then heat.`,
  wet_smoke: () =>
    'Smoke meets a wet surface: it streaks and tastes sour. Dry longer, or drier, before it.',
};

/** What a program would do, in a line with its figures and the way out. */
export const troubleWords = (t: Trouble, show: Show) => SAY[t.code](t.figures, show);

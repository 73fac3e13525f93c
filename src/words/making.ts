import type { BalancePart, Bind, ChopPhase, PlanRow, TooWarm } from '@/core';
import type { Show } from './show';
import { stepTask } from './route';

const PHASE_WORDS: Record<ChopPhase, string> = {
  first_chop: 'Chop lean with salt, cure and the first ice',
  second_chop: 'Chop on: fat, spices, more ice',
  last: 'Chop to the end: the rest, accelerator and binder last',
};

/** What is to be done at a row of the run sheet. */
export function rowTask({
  step,
  phase,
  pass,
  passes,
  plateMm,
}: Pick<PlanRow, 'step' | 'phase' | 'pass' | 'passes' | 'plateMm'>): string {
  if (phase) return PHASE_WORDS[phase];
  const plate = plateMm === null ? '' : `, ${plateMm} mm plate`;
  const nth = passes > 1 ? `, pass ${pass + 1} of ${passes}` : '';
  return `${stepTask(step)}${plate}${nth}`;
}

const SHARES = ['', '', 'half of the ', 'a third of the ', 'a quarter of the '];

/** A line, or one of so many equal portions of it. */
export const partName = (p: BalancePart): string =>
  `${p.portion ? (SHARES[p.portion[1]] ?? `one of ${p.portion[1]} portions of the `) : ''}${p.name}`;

/** Parts of a machine that are chilled with the meat. */
export const PRE_CHILL: Partial<Record<string, string>> = {
  grinder: 'head, worm, knife, plates and tray',
  mixer: 'bowl and paddle',
  cutter: 'bowl and blades',
};

/** The signs that a batter binds, by what it is: until when it is mixed. */
export const BIND_SIGNS = {
  coarse:
    'a handful sticks to an upturned palm; pulled apart it shows fine strands: 3 to 5 min by paddle, 4 to 8 by hand',
  fine_dry:
    'it holds together and the fat stands apart in clean grains, unsmeared: 2 to 4 min, no longer',
  emulsion: 'smooth, shining and sticky, no free fat or water: by temperature, not by the clock',
} as const;

const BIND_DOES: Record<Bind, string> = {
  holds: 'Good: carry on.',
  crumbly: 'Mix two minutes more, or give it salt or binder, and cook another spoonful.',
  broken: 'Stop: it goes on hold until somebody decides. A broken emulsion cannot be stuffed away.',
};

/** What follows from a trial spoonful: that it lost too much weighs more than how it felt. */
export const trialDoes = (bind: Bind, isOverLimit: boolean): string =>
  isOverLimit && bind === 'holds'
    ? 'Do not stuff yet: cook another spoonful, or stop. It lost too much to carry on.'
    : BIND_DOES[bind];

const WARM_DOES: Record<TooWarm['does'], string> = {
  chill_first: 'Chill it and measure it before it goes on.',
  stop_and_chill:
    'Stop: chill it, and measure it again before it goes on. Gone on with as it is, it goes on hold.',
  cold_mends_nothing: 'Cold does not mend it: it goes on hold until somebody decides.',
};

/** What came out of a step too warm, and what is done about it. */
export const warmWords = (
  w: { task: string; tempC: number; limitC: number; does: TooWarm['does'] },
  s: Show,
): string => `${w.task}: ${s.temp(w.tempC)}, over ${s.temp(w.limitC)}. ${WARM_DOES[w.does]}`;

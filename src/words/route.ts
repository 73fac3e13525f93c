import type { Attendance, Outcome, RouteStep, StepKind, StepManner, StepPlace } from '@/core';

/** What a product is when it is done. */
export const OUTCOME_WORDS: Record<Outcome, string> = {
  cooked: 'cooked, ready to eat',
  dried: 'dried, ready to eat, not cooked',
  cook_before_eating: 'raw: cook before eating',
  eaten_hot: 'eaten hot',
};

/** Every kind of step by its name. */
export const STEP_KIND_WORDS: Record<StepKind, string> = {
  trim: 'Trim',
  chill: 'Chill the meat',
  salt_rest: 'Salt and rest',
  grind: 'Grind',
  mix: 'Mix',
  chop: 'Chop',
  trial_cook: 'Trial cook',
  cure_hold: 'Cure hold',
  soak_casings: 'Soak the casings',
  stuff: 'Stuff',
  ferment: 'Ferment',
  surface_dry: 'Surface-dry',
  smoke: 'Smoke',
  cook: 'Cook',
  bath: 'Water bath',
  oven: 'Oven',
  pull: 'Pull',
  ice_bath: 'Ice bath',
  shower: 'Cold shower',
  cooler: 'Cooler',
  bloom: 'Bloom',
  dry: 'Dry',
  freeze: 'Freeze',
  cut: 'Cut',
  pack: 'Pack',
  serve: 'Serve',
  rest: 'Rest',
  other: 'Other',
};

export const STEP_PLACE_WORDS: Record<StepPlace, string> = {
  bench: 'bench',
  house: 'house',
  water_bath: 'water bath',
  oven: 'oven',
  chamber: 'chamber',
  drying_room: 'drying room',
  room: 'room',
  shower: 'shower',
  ice_bath: 'ice bath',
  cooler: 'cooler',
  freezer: 'freezer',
};

export const ATTENDANCE_WORDS: Record<Attendance, string> = {
  throughout: 'all the time',
  start: 'at its start',
  end: 'at its end',
  both_ends: 'at start and end',
  nobody: 'nobody needed',
};

/** What is done at a step where its kind alone does not say it. */
const MANNER_WORDS: Record<StepManner, string> = {
  prepare: 'Prepare',
  apart: 'Grind lean and fat apart',
  together: 'Grind',
  fine_plate: 'Grind fine, re-chill between passes',
  test_piece: 'Keep a stub in film as pH test piece',
};

/** What is to be done at steps that take more than their name. */
const TASK_WORDS: Partial<Record<StepKind, string>> = {
  chill: 'Chill the meat to −2 to 1 °C on the surface',
  salt_rest: 'Grind and salt the lean, rest it cold overnight',
  chop: 'Chop with ice',
  mix: 'Mix until it binds',
  trial_cook: 'Cook a spoonful and taste',
  stuff: 'Stuff, link, hang',
};

type Named = Pick<RouteStep, 'kind' | 'name' | 'manner'>;

/** A step by its name: its own, or that of its kind. */
export const stepName = (s: Named): string =>
  s.name ?? (s.manner ? MANNER_WORDS[s.manner] : STEP_KIND_WORDS[s.kind]);

/** A step as the sheet says it: its own name, or what is to be done. */
export const stepTask = (s: Named): string =>
  s.name ?? (s.manner ? MANNER_WORDS[s.manner] : (TASK_WORDS[s.kind] ?? STEP_KIND_WORDS[s.kind]));

const TINTS: Partial<Record<StepKind, string>> = {
  ferment: '--ferment',
  surface_dry: '--dry',
  smoke: '--smoke',
  cook: '--cook',
  oven: '--cook',
  bath: '--bath',
  ice_bath: '--chill',
  shower: '--chill',
  cooler: '--chill',
  freeze: '--chill',
  cure_hold: '--rest',
  salt_rest: '--rest',
  bloom: '--rest',
  rest: '--rest',
};

/** The tint of a step in plans. */
export const stepTint = (kind: StepKind): string => TINTS[kind] ?? '--hang';

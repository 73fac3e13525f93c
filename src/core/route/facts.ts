import type { ChillMedium } from '../recipe/recipe';
import type { Attendance, RouteStep, StepKind, StepPlace } from '../recipe/step';

const HOUR = 3600;

type Facts = {
  place: StepPlace;
  attended: Attendance;
  /** How long the product may wait after it, s; null where the next step follows at once. */
  waitS: number | null;
  /** Done on the bench with raw meat, one after the other. */
  making?: true;
};

const bench = (waitS: number | null = null): Facts => ({
  place: 'bench',
  attended: 'throughout',
  waitS,
});
const raw = (place: StepPlace = 'bench'): Facts => ({ ...bench(), place, making: true });
const alone = (place: StepPlace, waitS: number | null = null): Facts => ({
  place,
  attended: 'nobody',
  waitS,
});

/** The usual of each kind of step: where it is done, who is there, and how long the product may wait after it. Usual. */
const FACTS: Record<StepKind, Facts> = {
  trim: raw(),
  chill: raw('freezer'),
  salt_rest: alone('cooler', 24 * HOUR),
  grind: raw(),
  mix: raw(),
  chop: raw(),
  trial_cook: raw(),
  cure_hold: alone('cooler'),
  soak_casings: raw(),
  stuff: bench(12 * HOUR),
  ferment: alone('chamber'),
  surface_dry: alone('room'),
  smoke: alone('house'),
  cook: alone('house'),
  bath: alone('water_bath'),
  oven: alone('oven'),
  pull: bench(),
  ice_bath: alone('ice_bath'),
  shower: alone('shower'),
  cooler: alone('cooler'),
  bloom: alone('room', 12 * HOUR),
  dry: alone('drying_room', 48 * HOUR),
  freeze: alone('freezer', 30 * 24 * HOUR),
  cut: bench(2 * HOUR),
  pack: bench(0),
  serve: bench(0),
  rest: alone('room'),
  other: bench(),
};

/** Kinds that are done in the house where they have set points, and in a room where they have none. */
const IN_HOUSE: readonly StepKind[] = ['surface_dry', 'rest'];

/** Where a step is done. */
export function placeOfStep(s: RouteStep): StepPlace {
  if (s.place) return s.place;
  return s.climate && IN_HOUSE.includes(s.kind) ? 'house' : FACTS[s.kind].place;
}

/** When somebody must be there for it. */
export const attendanceOf = (s: RouteStep): Attendance => s.attended ?? FACTS[s.kind].attended;

/** How long the product may wait after it, s; null where the next step follows at once. */
export const waitAfter = (s: RouteStep): number | null => s.waitS ?? FACTS[s.kind].waitS;

/** Work on the bench with raw meat: the record has it as one stretch. */
export const isMaking = (s: RouteStep): boolean =>
  FACTS[s.kind].making === true || s.manner === 'prepare';

/** Kinds that may carry set points. */
export const CLIMATE_KINDS: readonly StepKind[] = [
  'ferment',
  'surface_dry',
  'smoke',
  'cook',
  'bath',
  'oven',
  'dry',
  'rest',
];

/** Steps that chill. */
export const CHILL_KINDS: readonly ChillMedium[] = ['ice_bath', 'shower', 'cooler'];

import { coreTargetOf, withCoreTarget } from '../stage-ends';
import type { Addition, PlaceInProcess, Recipe } from '../recipe';
import { coreTargetC, fermentStage, orderedProgram, programOf, withIds } from './programs';
import { SCHOOLS, type School, type SchoolQuestion } from './questions';

const MIN = 60;
const HOUR = 3600;

type Effect<Q extends SchoolQuestion> = (recipe: Recipe, school: School<Q>) => Recipe;

const withProcess = (r: Recipe, process: Partial<Recipe['process']>): Recipe => ({
  ...r,
  process: { ...r.process, ...process },
});

const REST = {
  overnight: { cureHoldMinS: 12 * HOUR, cureHoldMaxS: 36 * HOUR },
  same_day: { cureHoldMinS: 0, cureHoldMaxS: 24 * HOUR },
  long: { cureHoldMinS: 36 * HOUR, cureHoldMaxS: 72 * HOUR },
};
const SEASONED: Record<School<'seasoning'>, PlaceInProcess> = {
  before_grinding: 'before_grinding',
  between_passes: 'between_passes',
  after_grinding: 'in_mix',
  salt_first: 'second_chop',
};
const CHOPPED: Partial<Record<Addition['kind'], PlaceInProcess>> = {
  water: 'first_chop',
  phosphate: 'first_chop',
  seasoning: 'second_chop',
  binder: 'last',
  inclusion: 'last',
};
const SURFACE_DRY_S = { cooler: 10 * HOUR, room: HOUR, house: 0 };
const BLOOM_S = { room: 90 * MIN, cooler: 12 * HOUR, none: 0 };
const PH = {
  hot_fast: { targetPh: 4.8, floorPh: 4.6 },
  cool_slow: { targetPh: 5.1, floorPh: 4.9 },
};

const placed = (r: Recipe, place: (a: Addition) => PlaceInProcess | undefined): Recipe => ({
  ...r,
  additions: r.additions.map((a) => {
    const at = place(a);
    return at ? { ...a, place: at } : a;
  }),
});

/** Sets the core target of every stage that ends by one. */
const aimed = (r: Recipe): Recipe => ({
  ...r,
  program: r.program.map((s) =>
    coreTargetOf(s) === undefined ? s : withCoreTarget(s, coreTargetC(r)),
  ),
});

function dried(r: Recipe, school: School<'surface_drying'>): Recipe {
  const next = withProcess(r, { surfaceDryS: SURFACE_DRY_S[school] });
  if (school !== 'house' || r.program.some((s) => s.kind === 'dry')) return next;
  const dry = programOf(r, 'steady')[0]!;
  return { ...next, program: withIds([dry, ...r.program]) };
}

/** Ice bath of 2 to 30 min by diameter, then the cooler. */
function chilled(r: Recipe, school: School<'chill'>): Recipe {
  const wetS = Math.min(30, Math.max(2, Math.round(r.casing.diameterMm * 0.4))) * MIN;
  const cooler = { medium: 'cooler' as const, plannedS: 4 * HOUR };
  if (school === 'cold_air') return withProcess(r, { chill: [{ ...cooler, plannedS: 6 * HOUR }] });
  return withProcess(r, { chill: [{ medium: school, plannedS: wetS }, cooler] });
}

function fermented(r: Recipe, school: School<'fermentation'>): Recipe {
  const rest = r.program.filter((s) => s.kind !== 'ferment');
  if (school === 'none') {
    const { fermentation: _gone, ...plain } = r;
    return { ...plain, program: withIds(rest) };
  }
  return {
    ...r,
    fermentation: PH[school],
    program: withIds([fermentStage(school), ...rest]),
  };
}

const bathed = (r: Recipe, school: School<'bath_time'>): Recipe => ({
  ...r,
  program: r.program.map((s) => {
    if (s.kind !== 'bath') return s;
    if (school === 'probe') return withCoreTarget(s, coreTargetC(r));
    return { ...withCoreTarget(s, undefined), plannedS: Math.round(r.casing.diameterMm) * MIN };
  }),
});

const EFFECTS: { [Q in SchoolQuestion]: Effect<Q> } = {
  rest: (r, school) => withProcess(r, REST[school]),
  seasoning: (r, school) =>
    placed(r, (a) => (a.kind === 'seasoning' ? SEASONED[school] : undefined)),
  grinding: (r) => r,
  emulsifying: (r, school) => (school === 'none' ? r : placed(r, (a) => CHOPPED[a.kind])),
  surface_drying: dried,
  program: (r, school) => ({ ...r, program: programOf(r, school) }),
  end_point: aimed,
  bath_time: bathed,
  chill: chilled,
  bloom: (r, school) => withProcess(r, { bloomS: BLOOM_S[school] }),
  fermentation: fermented,
  order: (r, school) => ({ ...r, program: orderedProgram(r, school) }),
};

/**
 * The recipe with a school chosen, and with what that changes: process times, stages, places of
 * additions, core targets. What the school does not touch stays as it was.
 */
export function applySchool<Q extends SchoolQuestion>(
  recipe: Recipe,
  question: Q,
  school: School<Q>,
): Recipe {
  const chosen: Recipe = { ...recipe, schools: { ...recipe.schools, [question]: school } };
  return (EFFECTS[question] as Effect<Q>)(chosen, school);
}

/** Schools that are not safe, or have no meaning, for this recipe. */
function closed(recipe: Recipe, question: SchoolQuestion): readonly string[] {
  const uncured: Partial<Record<SchoolQuestion, readonly string[]>> = {
    rest: ['overnight', 'long'],
    surface_drying: ['room'],
    program: ['steady', 'stepped', 'smoke_bath', 'smoke_oven', 'cold_smoke'],
    end_point: ['low_pull'],
    fermentation: ['hot_fast', 'cool_slow'],
    order: SCHOOLS.order,
  };
  if (!recipe.cure) return uncured[question] ?? [];
  if (question === 'order' && !recipe.fermentation) return SCHOOLS.order;
  if (question === 'bath_time' && !recipe.program.some((s) => s.kind === 'bath'))
    return SCHOOLS.bath_time;
  return [];
}

/** The schools of a question that this recipe may choose; without cure only what is safe without it. */
export function offeredSchools<Q extends SchoolQuestion>(recipe: Recipe, question: Q): School<Q>[] {
  const shut = closed(recipe, question);
  return SCHOOLS[question].filter((s) => !shut.includes(s)) as School<Q>[];
}

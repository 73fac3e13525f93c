import { usualIceS } from '../../chill/usual';
import { coreTargetOf, withCoreTarget } from '../../recipe/stage-ends';
import type { Addition, PlaceInProcess, Recipe, RoutedRecipe } from '../../recipe/recipe';
import { routeOf, withRoute } from '../../route/adapter';
import { freeId, withChill, withProgram, withStep } from '../../route/edit';
import { isMaking } from '../../route/facts';
import { makingOf } from '../../route/making';
import { chillOf, programOf, runStepsOf } from '../../route/read';
import type { RouteStep, StepKind } from '../../recipe/step';
import {
  DRYING,
  coreTargetC,
  fermentStage,
  orderedProgram,
  schoolProgram,
  withIds,
} from './programs';
import { SCHOOLS, type School, type SchoolQuestion } from '../../recipe/school-questions';

const MIN = 60;
const HOUR = 3600;

type Effect<Q extends SchoolQuestion> = (recipe: Recipe, school: School<Q>) => Recipe;

/** What a dry sausage loses where nobody asks for another share. Usual. */
const USUAL_LOSS = 0.35;

const REST = {
  overnight: { minS: 12 * HOUR, maxS: 36 * HOUR },
  same_day: { minS: 0, maxS: 24 * HOUR },
  long: { minS: 36 * HOUR, maxS: 72 * HOUR },
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
const aimed = (r: Recipe): Recipe =>
  withProgram(
    r,
    programOf(r).map((s) =>
      coreTargetOf(s) === undefined ? s : withCoreTarget(s, coreTargetC(r)),
    ),
  );

function dried(r: Recipe, school: School<'surface_drying'>): Recipe {
  const driesS = SURFACE_DRY_S[school];
  const [first] = programOf(r);
  const next = withStep(
    r,
    'surface_dry',
    driesS > 0 ? { plannedS: driesS, place: school === 'cooler' ? 'cooler' : 'room' } : null,
    ['ferment', 'smoke', 'cook', 'oven', 'bath', 'rest', 'pull'],
    (s) => s.climate === undefined,
  );
  if (school !== 'house' || programOf(r).some((s) => s.kind === 'dry')) return next;
  const dry = schoolProgram(r, 'steady')[0]!;
  return withProgram(next, withIds([dry, ...(first ? programOf(r) : [])]));
}

/** A shower is milder than ice water: about so much longer. Model value. */
const SHOWER_LONGER = 1.3;

/** Ice water or a shower for as long as the diameter asks, then the cooler. */
function chilled(r: Recipe, school: School<'chill'>): Recipe {
  const iceS = usualIceS(r.casing.diameterMm);
  const wetS = school === 'shower' ? Math.ceil((iceS * SHOWER_LONGER) / MIN) * MIN : iceS;
  const cooler = { medium: 'cooler' as const, plannedS: 4 * HOUR };
  if (school === 'cold_air') return withChill(r, [{ ...cooler, plannedS: 6 * HOUR }]);
  return withChill(r, [{ medium: school, plannedS: wetS }, cooler]);
}

const isTestPiece = (s: RouteStep) => s.manner === 'test_piece';

/** A school's ferment: until its pH, and no longer than half as long again. */
const untilItsPh = (school: keyof typeof PH) => {
  const stage = fermentStage(school);
  const ends = { join: 'any' as const, ph: PH[school].targetPh };
  return { ...stage, ends, maxS: 1.5 * stage.plannedS };
};

function fermented(r: Recipe, school: School<'fermentation'>): Recipe {
  const rest = programOf(r).filter((s) => s.kind !== 'ferment');
  if (school === 'none') {
    const { fermentation: _gone, ...plain } = r;
    const unfermented = withStep(plain, 'other', null, [], isTestPiece);
    return withProgram(unfermented, withIds(rest));
  }
  const piece = { manner: 'test_piece' as const };
  const tested = withStep(r, 'other', piece, AFTER_STUFFING, isTestPiece);
  return {
    ...withProgram(tested, withIds([untilItsPh(school), ...rest])),
    fermentation: PH[school],
  };
}

const AFTER_STUFFING: readonly StepKind[] = [
  'surface_dry',
  'ferment',
  'smoke',
  'cook',
  'oven',
  'bath',
  'rest',
  'pull',
];

const bathed = (r: Recipe, school: School<'bath_time'>): Recipe =>
  withProgram(
    r,
    programOf(r).map((s) => {
      if (s.kind !== 'bath') return s;
      if (school === 'probe') return withCoreTarget(s, coreTargetC(r));
      return { ...withCoreTarget(s, undefined), plannedS: Math.round(r.casing.diameterMm) * MIN };
    }),
  );

/** The bench work as the schools have it; a step that stays keeps its time. */
function made(r: Recipe): Recipe {
  const route = routeOf(r);
  const old = route.filter(isMaking);
  const free = [...old];
  const steps = makingOf(r.schools ?? {}).map(([kind, manner]): RouteStep => {
    const at = free.findIndex((s) => s.kind === kind && s.manner === manner);
    const [kept] = at < 0 ? [] : free.splice(at, 1);
    return (
      kept ?? {
        id: freeId(route, `step-${manner ?? kind}`),
        kind,
        plannedS: 0,
        ...(manner === undefined ? {} : { manner }),
      }
    );
  });
  const first = route.findIndex(isMaking);
  const rest = route.filter((s) => !isMaking(s));
  const at = Math.max(0, first);
  return withRoute(r, [...rest.slice(0, at), ...steps, ...rest.slice(at)]);
}

const hold = (r: Recipe, { minS, maxS }: { minS: number; maxS: number }): Recipe =>
  withStep(r, 'cure_hold', { plannedS: minS, minS, maxS }, ['soak_casings', 'stuff']);

const bloomed = (r: Recipe, school: School<'bloom'>): Recipe => {
  const plannedS = BLOOM_S[school];
  const place = school === 'cooler' ? ('cooler' as const) : ('room' as const);
  return withStep(r, 'bloom', plannedS > 0 ? { plannedS, place } : null, ['cut', 'freeze', 'pack']);
};

/** What hangs to dry before the pull, or after the chill; and what it is in the end. */
function ordered(r: Recipe, school: School<'order'>): Recipe {
  const run = withProgram(r, orderedProgram(r, school));
  const later = (s: RouteStep) => !runStepsOf(run.route).includes(s);
  if (school === 'ferment_smoke_dry') {
    const dry = withChill(withStep(run, 'dry', null, [], later), []);
    const bare = withStep(dry, 'bloom', null, []);
    return { ...bare, outcome: 'dried', drying: r.drying ?? { minLossFraction: USUAL_LOSS } };
  }
  const { outcome: _was, ...cooked } =
    chillOf(run).length > 0 ? run : (chilled(run, 'shower') as RoutedRecipe);
  if (school !== 'ferment_smoke_cook_dry') return withStep(cooked, 'dry', null, [], later);
  const { name, plannedS, airC, rh, smoke } = DRYING;
  const step = { name, plannedS, climate: { airC, rh, smoke } };
  const next = withStep(cooked, 'dry', step, ['bloom', 'cut', 'freeze', 'pack'], later);
  return { ...next, drying: r.drying ?? { minLossFraction: USUAL_LOSS } };
}

const EFFECTS: { [Q in SchoolQuestion]: Effect<Q> } = {
  rest: (r, school) => hold(r, REST[school]),
  seasoning: (r, school) =>
    made(placed(r, (a) => (a.kind === 'seasoning' ? SEASONED[school] : undefined))),
  grinding: made,
  emulsifying: (r, school) => made(school === 'none' ? r : placed(r, (a) => CHOPPED[a.kind])),
  surface_drying: dried,
  program: (r, school) => withProgram(r, schoolProgram(r, school)),
  end_point: aimed,
  bath_time: bathed,
  chill: chilled,
  bloom: bloomed,
  fermentation: fermented,
  order: ordered,
};

/**
 * The recipe with a school chosen, and with what that changes: process times, stages, places of
 * additions, core targets. What the school does not touch stays as it was.
 * @param question, school one of its answers
 */
export function applySchool<Q extends SchoolQuestion>(
  recipe: Recipe,
  question: Q,
  school: School<Q>,
): Recipe {
  const chosen: Recipe = { ...recipe, schools: { ...recipe.schools, [question]: school } };
  return (EFFECTS[question] as Effect<Q>)(chosen, school);
}

/** Questions about what comes after the stuffing: with several parts each part has its own answer. */
const OF_PARTS: readonly SchoolQuestion[] = [
  'surface_drying',
  'program',
  'end_point',
  'bath_time',
  'chill',
  'bloom',
  'fermentation',
  'order',
];

/** Schools that are not safe, or have no meaning, for this recipe. */
function closed(recipe: Recipe, question: SchoolQuestion): readonly string[] {
  if (recipe.parts && OF_PARTS.includes(question)) return SCHOOLS[question];
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
  if (question === 'bath_time' && !programOf(recipe).some((s) => s.kind === 'bath'))
    return SCHOOLS.bath_time;
  return [];
}

/**
 * The schools of a question that this recipe may choose; without cure only what is safe without it.
 * @param question what is asked
 */
export function offeredSchools<Q extends SchoolQuestion>(recipe: Recipe, question: Q): School<Q>[] {
  const shut = closed(recipe, question);
  return SCHOOLS[question].filter((s) => !shut.includes(s)) as School<Q>[];
}

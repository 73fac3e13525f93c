import { hasPoultry, type ProgramStage, type Recipe } from '../../recipe/recipe';
import { programOf } from '../../route/read';
import type { School } from '../../recipe/school-questions';

const MIN = 60;
const HOUR = 3600;

/** Core targets of the two end-point schools, °C: meat, and meat with poultry (usual). */
const CORE_C = {
  high_pull: { meat: 70, poultry: 74 },
  low_pull: { meat: 62, poultry: 65 },
} as const;

/**
 * Core target of a recipe's end-point school, °C; the high pull where none was chosen.
 * @param recipe its end-point school and species decide
 */
export const coreTargetC = (recipe: Recipe): number =>
  CORE_C[recipe.schools?.end_point ?? 'high_pull'][hasPoultry(recipe) ? 'poultry' : 'meat'];

type Part = Omit<ProgramStage, 'id'>;

const dry: Part = { name: 'Dry', kind: 'dry', airC: 55, rh: 0.3, smoke: false, plannedS: HOUR };
const smoke = (airC: number, hours: number): Part => ({
  name: 'Smoke',
  kind: 'smoke',
  airC,
  rh: 0.45,
  smoke: true,
  plannedS: hours * HOUR,
});

/** Planned cook grows with the diameter squared: an hour at 40 mm (usual). */
const cookS = (recipe: Recipe) =>
  Math.max(20 * MIN, Math.round((recipe.casing.diameterMm / 40) ** 2 * 60) * MIN);

const SHAPES: Record<School<'program'>, (recipe: Recipe, endCoreC: number) => Part[]> = {
  steady: (r, endCoreC) => [
    dry,
    smoke(65, 2),
    { name: 'Cook', kind: 'cook', airC: 82, rh: 0.85, smoke: false, plannedS: cookS(r), endCoreC },
  ],
  stepped: (r, endCoreC) => [
    { ...dry, airC: 52 },
    smoke(57, 1),
    { ...smoke(63, 1), name: 'Smoke, second step' },
    { ...smoke(68, 1), name: 'Smoke, third step' },
    { name: 'Cook', kind: 'cook', airC: 78, rh: 0.8, smoke: false, plannedS: cookS(r), endCoreC },
  ],
  smoke_bath: (r, endCoreC) => [
    dry,
    smoke(63, 2.5),
    { name: 'Water bath', kind: 'bath', airC: 77, smoke: false, plannedS: cookS(r) / 2, endCoreC },
  ],
  smoke_oven: (r, endCoreC) => [
    dry,
    smoke(63, 2.5),
    { name: 'Oven', kind: 'cook', airC: 95, smoke: false, plannedS: cookS(r), endCoreC },
  ],
  cold_smoke: () => [
    { ...dry, airC: 18, rh: 0.75 },
    { ...smoke(24, 12), name: 'Cold smoke', rh: 0.75 },
  ],
  hot_fast: (r, endCoreC) => [
    {
      name: 'Hot and fast',
      kind: 'cook',
      airC: 110,
      smoke: true,
      plannedS: cookS(r),
      endCoreC: Math.max(endCoreC, 72),
    },
  ],
};

/**
 * Numbers the stages, so that each has an id of its own.
 * @param parts stages in their order
 */
export const withIds = (parts: readonly Part[]): ProgramStage[] =>
  parts.map((p, i) => ({ ...p, id: `${p.kind}-${i + 1}` }));

/**
 * A customary stage program of a school for this recipe's diameter, species and end point.
 * @param recipe its diameter in mm decides the planned cook
 */
export const schoolProgram = (recipe: Recipe, school: School<'program'>): ProgramStage[] =>
  withIds(SHAPES[school](recipe, coreTargetC(recipe)));

const FERMENT: Record<'hot_fast' | 'cool_slow', Part> = {
  hot_fast: {
    name: 'Ferment',
    kind: 'ferment',
    airC: 36,
    rh: 0.9,
    smoke: false,
    plannedS: 18 * HOUR,
  },
  cool_slow: {
    name: 'Ferment',
    kind: 'ferment',
    airC: 22,
    rh: 0.92,
    smoke: false,
    plannedS: 60 * HOUR,
  },
};

/**
 * The fermentation stage of a school.
 * @param school how a ferment is led
 */
export const fermentStage = (school: 'hot_fast' | 'cool_slow'): Part => FERMENT[school];

/** The usual drying room. */
export const DRYING: Part = {
  name: 'Dry',
  kind: 'hang',
  airC: 14,
  rh: 0.78,
  smoke: false,
  plannedS: 6 * 24 * HOUR,
};

const ORDERS: Record<School<'order'>, readonly ProgramStage['kind'][]> = {
  ferment_smoke_dry: ['ferment', 'dry', 'smoke', 'hang'],
  ferment_dry_smoke_cook: ['ferment', 'hang', 'dry', 'smoke', 'cook', 'bath'],
  /* What is dried after the cook hangs in a place of its own, once it has been chilled. */
  ferment_smoke_cook_dry: ['ferment', 'dry', 'smoke', 'cook', 'bath'],
};

/**
 * The recipe's stages in the order of a school: stages that it does not have are left out, a missing
 * cook or drying that it needs is added.
 * @param school the order · @param recipe whose stages are ordered
 */
export function orderedProgram(recipe: Recipe, school: School<'order'>): ProgramStage[] {
  const kinds = ORDERS[school];
  const parts: Part[] = programOf(recipe).filter((s) => kinds.includes(s.kind));
  const has = (...wanted: string[]) => parts.some((p) => wanted.includes(p.kind));
  if (!has('ferment'))
    parts.push(
      fermentStage(recipe.schools?.fermentation === 'cool_slow' ? 'cool_slow' : 'hot_fast'),
    );
  if (!has('smoke')) parts.push(smoke(63, 2));
  if (kinds.includes('hang') && !has('hang')) parts.push(DRYING);
  if (kinds.includes('cook') && !has('cook', 'bath'))
    parts.push(...schoolProgram(recipe, 'steady').filter((s) => s.kind === 'cook'));
  return withIds([...parts].sort((a, b) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind)));
}

import { z } from 'zod';
import {
  ATTENDANCES,
  CLIMATE_KINDS,
  STEP_KINDS,
  STEP_MANNERS,
  STEP_PLACES,
  UNCURED_SMOKE_FROM_C,
  hasPoultry,
  isChillStep,
  isMaking,
  outcomeOf,
  partRecipe,
  placeOfStep,
  programOf,
  routeOf,
  type Recipe,
  type RouteStep,
} from '@/core';
import { stageShape } from '@/features/programs/contract';

const LONGEST_S = 60 * 24 * 3600;
const duration = z
  .number('give a time')
  .min(0, 'cannot be negative')
  .max(LONGEST_S, 'longer than 60 days');

const climate = stageShape.pick({
  airC: true,
  rh: true,
  smoke: true,
  rampFromC: true,
  wetBulbC: true,
  damper: true,
  fan: true,
  wood: true,
});

/** One step of a way as it may be saved. */
export const stepSchema: z.ZodType<RouteStep> = z.object({
  id: z.string().min(1).max(60),
  kind: z.enum(STEP_KINDS),
  name: z.string().trim().min(1).max(100).optional(),
  manner: z.enum(STEP_MANNERS).optional(),
  place: z.enum(STEP_PLACES).optional(),
  plannedS: duration,
  minS: duration.optional(),
  maxS: duration.optional(),
  waitS: duration.optional(),
  attended: z.enum(ATTENDANCES).optional(),
  people: z
    .number('give a number')
    .int('whole people only')
    .min(1, 'at least one')
    .max(20)
    .optional(),
  ends: stageShape.shape.ends,
  climate: climate.optional(),
  plates: z.array(z.number().min(1, 'a plate of at least 1 mm').max(40)).min(1).max(6).optional(),
  measured: z.literal(true).optional(),
});

type Report = (path: (string | number)[], message: string) => void;
type Ask = (recipe: Recipe, issue: Report) => void;

const IN_WATER = ['water_bath', 'shower', 'ice_bath'];

const times: Ask = (recipe, issue) =>
  routeOf(recipe).forEach((s, i) => {
    if (s.minS !== undefined && s.maxS !== undefined && s.maxS < s.minS)
      issue(['route', i, 'maxS'], 'the longest is shorter than the shortest');
    if (s.climate && s.plannedS < 60) issue(['route', i, 'plannedS'], 'at least a minute');
    if (s.climate && !CLIMATE_KINDS.includes(s.kind) && !isChillStep({ ...s, climate: undefined }))
      issue(['route', i, 'climate', 'airC'], 'a step of this kind has no set point');
    const wet = IN_WATER.includes(placeOfStep(s));
    if (wet && s.climate && s.climate.airC > 98)
      issue(['route', i, 'climate', 'airC'], 'water boils: at most 98 °C');
    if (wet && s.climate?.smoke) issue(['route', i, 'climate', 'smoke'], 'no smoke in water');
    if (s.climate?.wetBulbC !== undefined && s.climate.wetBulbC > s.climate.airC)
      issue(['route', i, 'climate', 'wetBulbC'], 'the wet bulb cannot be above the air');
  });

const once: Ask = (recipe, issue) => {
  const route = routeOf(recipe);
  const ids = route.map((s) => s.id);
  if (new Set(ids).size < ids.length) issue(['route'], 'two steps have the same id');
  for (const kind of ['cure_hold', 'stuff', 'pull', 'pack', 'bloom', 'freeze'] as const) {
    const again = route.findIndex(
      (s, i) => s.kind === kind && ids.length && route.findIndex((x) => x.kind === kind) < i,
    );
    if (again >= 0) issue(['route', again, 'kind'], 'a way has this step once');
  }
  if (!route.some((s) => s.kind === 'stuff'))
    issue(['route'], 'add the step at which it is stuffed');
};

/** What must stand before what: the bench work, the stuffing, the heat, the pull, the chill, the packing. */
const order: Ask = (recipe, issue) => {
  const route = routeOf(recipe);
  const stuff = route.findIndex((s) => s.kind === 'stuff');
  const pull = route.findIndex((s) => s.kind === 'pull');
  route.forEach((s, i) => {
    if (stuff < 0) return;
    if (i > stuff && isMaking(s) && s.kind !== 'soak_casings' && s.kind !== 'trial_cook')
      issue(['route', i, 'kind'], 'this is done before it is stuffed');
    if (i < stuff && s.climate) issue(['route', i, 'kind'], 'this is done after it is stuffed');
    if (pull >= 0 && i < pull && (s.kind === 'bloom' || s.kind === 'pack' || s.kind === 'serve'))
      issue(['route', i, 'kind'], 'this is done after the pull');
    if (pull >= 0 && i > pull && s.climate && s.kind !== 'dry' && s.kind !== 'rest')
      issue(['route', i, 'kind'], 'after the pull nothing is heated: put it before');
  });
  const heats = route.some((s) => s.climate);
  if (heats && pull < 0) issue(['route'], 'add the pull: when it comes out of the house or bath');
};

const uncured: Ask = (recipe, issue) =>
  routeOf(recipe).forEach((s, i) => {
    if (!recipe.cure && s.climate?.smoke && s.climate.airC < UNCURED_SMOKE_FROM_C)
      issue(
        ['route', i, 'climate', 'airC'],
        `without cure, no smoke below ${UNCURED_SMOKE_FROM_C} °C: the only safe shape is hot and fast`,
      );
  });

const fermenting: Ask = (recipe, issue) => {
  const ferments = programOf(recipe).some((s) => s.kind === 'ferment');
  const { fermentation } = recipe;
  if (fermentation && fermentation.targetPh < fermentation.floorPh)
    issue(['fermentation', 'targetPh'], 'lower than the culture reaches');
  if (fermentation && !ferments)
    issue(['route'], 'a fermented product needs a fermentation with its set point');
  if (!fermentation && ferments)
    issue(['route'], 'a fermentation step needs a target pH: choose a fermentation');
};

/** What each outcome cannot be without: its checks could never be met. */
const outcome: Ask = (recipe, issue) => {
  const route = routeOf(recipe);
  const has = (kind: RouteStep['kind']) => route.some((s) => s.kind === kind);
  const is = outcomeOf(recipe);
  const cooks = programOf(recipe).length > 0;
  if (is === 'cooked' && !cooks)
    issue(['route'], 'nothing cooks it: add a cook or a bath with its set point');
  if (is === 'cooked' && !route.some(isChillStep)) issue(['route'], 'it has to be chilled');
  if (is === 'eaten_hot' && !cooks)
    issue(['route'], 'nothing cooks it: add a cook with its set point');
  if (is !== 'eaten_hot' && !has('pack')) issue(['route'], 'add the step at which it is packed');
  if (is !== 'dried') return;
  if (!recipe.cure) issue(['cure'], 'a product that is not cooked needs cure');
  if (!recipe.fermentation)
    issue(['fermentation'], 'a product that is not cooked needs a fermentation');
  if (!recipe.drying) issue(['drying', 'minLossFraction'], 'say what its drying must reach');
  if (hasPoultry(recipe)) issue(['outcome'], 'poultry is cooked: choose another outcome');
  if (recipe.meat.some((m) => m.species === 'game'))
    issue(['outcome'], 'wild game is cooked: nothing else controls its parasites');
};

const ASKS: readonly Ask[] = [times, once, order, uncured, fermenting, outcome];

/** Shares, ids, and that nothing of a part's own stands before the stuffing. */
const parts: Ask = (recipe, issue) => {
  const list = recipe.parts ?? [];
  const sum = list.reduce((s, p) => s + p.share, 0);
  if (list.length > 0 && Math.abs(sum - 1) > 1e-6)
    issue(['parts', 0, 'share'], `the parts sum to ${(sum * 100).toFixed(1)} %, not 100 %`);
  const ids = list.map((p) => p.id);
  if (new Set(ids).size < ids.length) issue(['parts'], 'two parts have the same name');
  if (list.length > 0 && routeOf(recipe).at(-1)?.kind !== 'stuff')
    issue(
      ['route'],
      'the common steps end with the stuffing; what comes then belongs to the parts',
    );
};

/** Says of a recipe's way all that does not agree, by path; of several parts each by its own. */
export function wayAgrees(recipe: Recipe, issue: Report): void {
  if (!recipe.parts) return ASKS.forEach((ask) => ask(recipe, issue));
  parts(recipe, issue);
  const common = routeOf(recipe).length;
  const seen = new Set<string>();
  recipe.parts.forEach((part, p) => {
    const own = partRecipe(recipe, part.id)!;
    for (const ask of ASKS)
      ask(own, (path, message) => {
        const at = path[0] === 'route' && typeof path[1] === 'number' ? path[1] - common : -1;
        const where = at < 0 ? path : ['parts', p, 'route', at, ...path.slice(2)];
        const key = `${where.join('.')}:${message}`;
        if (!seen.has(key)) issue(where, message);
        seen.add(key);
      });
  });
}

import { routed } from '../route/adapter';
import type { RouteStep } from '../recipe/step';
import type { Casing, Recipe, RecipePart } from '../recipe/recipe';

export type FactUnit = 'share' | 'ppm' | 'C' | 's' | 'mm' | 'ph' | 'cost' | 'g' | 'text';

/** One stated thing of a recipe: whose, what, and its value in SI. */
export type RecipeFact = {
  key: string;
  part: 'recipe' | 'meat' | 'cure' | 'addition' | 'casing' | 'step' | 'school' | 'part';
  subject: string;
  what: string;
  value: number | string | boolean;
  unit: FactUnit;
};

export type RecipeChange = Omit<RecipeFact, 'value' | 'key'> & {
  from: RecipeFact['value'] | null;
  to: RecipeFact['value'] | null;
};

const UNITS: Record<string, FactUnit> = {
  share: 'share',
  fraction: 'share',
  fatFraction: 'share',
  saltFraction: 'share',
  waterFraction: 'share',
  dextroseFraction: 'share',
  wasteFraction: 'share',
  nitriteFraction: 'share',
  nitrateFraction: 'share',
  totalSaltFraction: 'share',
  expectedYield: 'share',
  rh: 'share',
  targetPpm: 'ppm',
  airC: 'C',
  coreC: 'C',
  wetBulbC: 'C',
  rampFromC: 'C',
  lossFraction: 'share',
  minLossFraction: 'share',
  diameterMm: 'mm',
  pieceMm: 'mm',
  fromMm: 'mm',
  toMm: 'mm',
  poachToC: 'C',
  waterC: 'C',
  tieAboveG: 'g',
  stretch: 'share',
  permeability: 'share',
  targetPh: 'ph',
  floorPh: 'ph',
  ph: 'ph',
  writtenG: 'g',
};

const unitOf = (what: string): FactUnit =>
  UNITS[what] ?? (/cost/i.test(what) ? 'cost' : /[a-z](Min|Max)?S$/.test(what) ? 's' : 'text');

const plain = (value: unknown): RecipeFact['value'] =>
  typeof value === 'number' || typeof value === 'boolean' || typeof value === 'string'
    ? value
    : Array.isArray(value)
      ? value.join(', ')
      : Object.values(value as object).join(' ');

/** Every stated value of one part as facts; ids are not facts. */
function factsOf(
  part: RecipeFact['part'],
  id: string,
  subject: string,
  body: object,
): RecipeFact[] {
  return Object.entries(body)
    .filter(([what, value]) => what !== 'id' && value !== undefined && value !== null)
    .map(([what, value]) => ({
      key: `${part}/${id}/${what}`,
      part,
      subject,
      what,
      value: plain(value),
      unit: typeof value === 'number' ? unitOf(what) : 'text',
    }));
}

/** A step as a person reads it: set points and ends beside its times. `of` is the part that it belongs to. */
function stepFacts(step: RouteStep, of?: RecipePart): RecipeFact[] {
  const { climate, ends, ...plain } = step;
  const { join: _join, ...asked } = ends ?? { join: 'any' };
  const name = step.name ?? step.kind;
  return factsOf('step', of ? `${of.id}/${step.id}` : step.id, of ? `${of.name}: ${name}` : name, {
    ...plain,
    ...climate,
    ...asked,
  });
}

/** A casing with what is known of one of the site's own beside it. */
function statedOf({ own, ...casing }: Casing): object {
  if (!own) return casing;
  const { soak, ...facts } = own;
  const { add, ...times } = soak ?? { add: null };
  return { ...casing, ...facts, ...times, ...(add && { soakWith: `${add.what} ${add.gPerL}` }) };
}

/** One casing of a batter: its share, its casing, and its own steps with their order. */
function partFacts(part: RecipePart): RecipeFact[] {
  const { id, name, casing, route, ...plain } = part;
  return [
    ...factsOf('part', id, name, { name, ...plain, casing: casing.name }),
    ...factsOf('part', `${id}/casing`, name, { ...statedOf(casing), name: undefined }),
    ...route.flatMap((s) => stepFacts(s, part)),
    ...factsOf('part', `${id}/order`, name, { order: route.map((s) => s.name ?? s.kind) }),
  ];
}

function recipeFacts(recipe: Recipe): RecipeFact[] {
  const r = routed(recipe);
  const { meat, additions, cure, casing, route, parts, schools, fermentation, drying, ...rest } = r;
  const order = (part: 'meat' | 'addition' | 'step', lines: readonly string[]) =>
    factsOf(part, 'order', '', { order: lines });
  return [
    ...factsOf('recipe', '', r.name, rest),
    ...meat.flatMap((m) => factsOf('meat', m.id, m.name, m)),
    ...order(
      'meat',
      meat.map((m) => m.name),
    ),
    ...(cure ? factsOf('cure', '', cure.name, cure) : []),
    ...additions.flatMap((a) => factsOf('addition', a.id, a.name, a)),
    ...order(
      'addition',
      additions.map((a) => a.name),
    ),
    ...factsOf('casing', '', casing.name, statedOf(casing)),
    ...route.flatMap((s) => stepFacts(s)),
    ...order(
      'step',
      route.map((x) => x.name ?? x.kind),
    ),
    ...(parts ?? []).flatMap(partFacts),
    ...factsOf('school', '', '', schools ?? {}),
    ...factsOf('recipe', 'fermentation', r.name, fermentation ?? {}),
    ...factsOf('recipe', 'drying', r.name, drying ?? {}),
  ];
}

/**
 * What differs between two recipes, in the order of the newer one, gone things last. Lines are matched
 * by id, so that a renamed line is a change of its name and not a new line.
 * @param older, newer two versions of one recipe
 * @returns one change a stated value; `from` null when it is new, `to` null when it is gone
 */
export function diffRecipes(older: Recipe, newer: Recipe): RecipeChange[] {
  const before = new Map(recipeFacts(older).map((f) => [f.key, f]));
  const after = recipeFacts(newer);
  const keys = new Set(after.map((f) => f.key));
  const changes = after
    .filter((f) => before.get(f.key)?.value !== f.value)
    .map(({ key, value, ...f }): RecipeChange => ({
      ...f,
      from: before.get(key)?.value ?? null,
      to: value,
    }));
  const gone = [...before.values()]
    .filter((f) => !keys.has(f.key))
    .map(({ key: _key, value, ...f }): RecipeChange => ({ ...f, from: value, to: null }));
  return [...changes, ...gone];
}

import { routed, withChill, withProgram, type Recipe, type RouteStep } from '@/core';
import {
  driedRecipe,
  hotRecipe,
  partedRecipe,
  poachedRecipe,
  rawRecipe,
} from '@/core/testing/outcomes';
import { DEMO_RECIPES } from '../../../scripts/demo/recipes';
import { WAY_RECIPES } from '../../../scripts/demo/way-recipes';
import { recipeSchema } from './contract';
import { convertDraft } from './convert-draft';
import { toDraft } from './draft';
import { fieldOf } from './field-paths';
import { fromDraft } from './read-draft';
import { STARTER, UNCURED_STARTER } from './starter';

const good = { ...STARTER, name: 'Test' };
const problems = (recipe: object) => {
  const parsed = recipeSchema.safeParse(recipe);
  return parsed.success ? [] : parsed.error.issues;
};
const edited = (edit: (route: RouteStep[]) => RouteStep[], more: object = {}) => ({
  ...good,
  route: edit(structuredClone(STARTER.route)),
  ...more,
});
const at = (kind: RouteStep['kind'], change: Partial<RouteStep>) => (route: RouteStep[]) =>
  route.map((s) => (s.kind === kind ? { ...s, ...change } : s));
const without = (kind: RouteStep['kind']) => (route: RouteStep[]) =>
  route.filter((s) => s.kind !== kind);

const WAYS: [string, Recipe][] = [
  ['dried', driedRecipe()],
  ['raw, chilled', rawRecipe('chilled')],
  ['raw, frozen', rawRecipe('frozen')],
  ['eaten hot', hotRecipe()],
  ['poached', poachedRecipe()],
  ['in two casings', partedRecipe()],
  ['the starter', good],
  ['the uncured starter', { ...UNCURED_STARTER, name: 'Test' }],
  ...WAY_RECIPES.map((r): [string, Recipe] => [r.name, r]),
  ...DEMO_RECIPES.map((r): [string, Recipe] => [`${r.name}, in today’s form`, routed(r)]),
];

test.each(WAYS)('%s may be saved, and goes through the form as it is', (_name, recipe) => {
  expect(problems(recipe)).toEqual([]);
  for (const system of ['metric', 'us'] as const) {
    const draft = toDraft(recipe, system);
    expect(fromDraft(draft, recipe)).toEqual(recipe);
    expect(fromDraft(convertDraft(draft, 'us', recipe), recipe)).toEqual(recipe);
  }
});

test.each<[string, object, RegExp]>([
  ['no stuffing', edited(without('stuff')), /stuffed/],
  ['no pull', edited(without('pull')), /pull/],
  ['never packed', edited(without('pack')), /packed/],
  ['cooked and never chilled', withChill(good, []), /chilled/],
  ['cooked by nothing', withProgram(good, []), /nothing cooks it/],
  [
    'ground after it was stuffed',
    edited((r) => [...without('grind')(r), { id: 'g', kind: 'grind', plannedS: 60 }]),
    /before it is stuffed/,
  ],
  [
    'smoked before it was stuffed',
    edited((r) => [r.find((s) => s.kind === 'smoke')!, ...without('smoke')(r)]),
    /after it is stuffed/,
  ],
  [
    'cooked after the pull',
    edited((r) => [...without('cook')(r), r.find((s) => s.kind === 'cook')!]),
    /after the pull/,
  ],
  ['pulled twice', edited((r) => [...r, { id: 'p', kind: 'pull', plannedS: 60 }]), /once/],
  ['two steps of one id', edited((r) => r.map((s) => ({ ...s, id: 'x' }))), /same id/],
  ['a hold upside down', edited(at('cure_hold', { minS: 900, maxS: 60 })), /longest/],
  [
    'a bath above boiling',
    edited(at('cook', { kind: 'bath', place: 'water_bath', climate: { airC: 120, smoke: false } })),
    /boils/,
  ],
  ['smoke in water', edited(at('smoke', { place: 'water_bath' })), /no smoke in water/],
  [
    'a wet bulb above its air',
    edited(at('cook', { climate: { airC: 70, wetBulbC: 75, smoke: false } })),
    /wet bulb/,
  ],
  ['cold smoke without cure', { ...good, cure: null }, /only safe shape/],
  ['dried without cure', { ...driedRecipe(), cure: null }, /needs cure/],
  ['dried without a target', { ...driedRecipe(), drying: undefined }, /what its drying must reach/],
  ['dried and never fermented', { ...driedRecipe(), fermentation: undefined }, /ferment/],
  ['dried game', { ...driedRecipe(), meat: [{ ...good.meat[0]!, species: 'game' }] }, /wild game/],
  [
    'dried poultry',
    { ...driedRecipe(), meat: [{ ...good.meat[0]!, species: 'poultry' }] },
    /poultry is cooked/,
  ],
  ['a drying that asks nothing', { ...driedRecipe(), drying: {} }, /give a loss/],
  [
    'parts of 110 %',
    { ...partedRecipe(), parts: partedRecipe().parts!.map((p) => ({ ...p, share: 0.55 })) },
    /110.0 %/,
  ],
  [
    'two parts of one name',
    { ...partedRecipe(), parts: partedRecipe().parts!.map((p) => ({ ...p, id: 'a', share: 0.5 })) },
    /same name/,
  ],
  ['one part alone', { ...partedRecipe(), parts: partedRecipe().parts!.slice(0, 1) }, /one casing/],
  [
    'a common step after the stuffing',
    { ...partedRecipe(), route: [...partedRecipe().route, { id: 'c', kind: 'cut', plannedS: 60 }] },
    /common steps end/,
  ],
])('%s is refused in words', (_name, recipe, words) =>
  expect(
    problems(recipe)
      .map((i) => i.message)
      .join(' · '),
  ).toMatch(words),
);

test('what is wrong within a part is said at its field', () => {
  const recipe = partedRecipe();
  recipe.parts![1]!.route[1]!.climate!.airC = 300;
  recipe.parts![0]!.casing.diameterMm = 1;
  expect(problems(recipe).map((i) => fieldOf(i.path as never))).toEqual([
    'parts.0.diameter',
    'parts.1.route.1.air',
  ]);
});

test('a part that is named in the form gets an id of its name', () => {
  const draft = toDraft(partedRecipe(), 'metric');
  draft.parts[1] = { ...draft.parts[1]!, id: 'new', name: 'Kleine Würste, dünn' };
  expect(fromDraft(draft, partedRecipe()).parts!.map((p) => p.id)).toEqual([
    'large',
    'kleine-wurste-dunn',
  ]);
});

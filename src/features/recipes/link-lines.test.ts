import {
  judgeFormula,
  parseIngredientList,
  recipeFigures,
  type Addition,
  type Recipe,
} from '@/core';
import { testRecipe, testRules } from '@/core/testing/recipe';
import type { Ingredient } from '@/features/stores/contract';
import { recipeFromList } from './from-list';
import { linked, linkLines } from './link-lines';

const kept = (name: string, facts: Ingredient['facts'] = {}): Ingredient => ({
  id: name,
  name,
  kind: 'addition',
  facts,
});
const STORES = [
  kept('Black pepper', { additionKind: 'seasoning', allergens: [] }),
  kept('Skimmed milk powder', { additionKind: 'binder', saltFraction: 0.012, allergens: ['milk'] }),
  kept('Hill cheese', { additionKind: 'inclusion', saltFraction: 0.018, allergens: ['milk'] }),
  kept('Rose paprika', { additionKind: 'seasoning' }),
];
const recipeOf = (...additions: Addition[]) => ({ ...testRecipe(), additions });
const line = (name: string, more: Partial<Addition> = {}): Addition => ({
  id: name,
  name,
  kind: 'seasoning',
  fraction: 0.002,
  ...more,
});
const blocked = (recipe: Recipe) =>
  judgeFormula({ recipe, figures: recipeFigures(recipe), rules: testRules() })
    .filter((f) => f.level === 'blocking')
    .map((f) => f.code);

test('the same name brings kind, salt and allergens of the stores, whatever its letters', () => {
  const { recipe, near } = linkLines(recipeOf(line('skimmed MILK powder')), STORES);
  expect(near).toEqual([]);
  expect(recipe.additions[0]).toMatchObject({
    name: 'Skimmed milk powder',
    kind: 'binder',
    saltFraction: 0.012,
    allergens: ['milk'],
    fraction: 0.002,
  });
  expect(blocked(recipe)).not.toContain('label_unread');
});

test('what a file says itself stays', () => {
  const said = line('Hill cheese', { kind: 'inclusion', saltFraction: 0.03 });
  const [got] = linkLines(recipeOf(said), STORES).recipe.additions;
  expect(got).toMatchObject({ saltFraction: 0.03, allergens: ['milk'] });
  const read = line('Hill cheese', { allergens: ['milk', 'nuts'] });
  expect(linkLines(recipeOf(read), STORES).recipe.additions).toEqual([read]);
});

test('near by its name: offered, and not known until somebody chooses or reads', () => {
  const { recipe, near } = linkLines(
    recipeOf(line('cheese, diced'), line('Black peppers')),
    STORES,
  );
  expect(near.map((n) => [n.name, n.near.map((i) => i.name)])).toEqual([
    ['cheese, diced', ['Hill cheese']],
    ['Black peppers', ['Black pepper']],
  ]);
  expect(recipe.additions[0]).toMatchObject({ kind: 'inclusion', allergens: ['milk'] });
  expect(blocked(recipe)).toContain('label_unread');
  const chosen = recipe.additions.map((a, i) => linked(a, near[i]!.near[0]!));
  expect(blocked({ ...recipe, additions: chosen })).not.toContain('label_unread');
});

test.each([
  ['an ingredient of the stores of which nobody told the allergens', 'Rose paprika'],
  ['nothing of the stores', 'Grains of paradise'],
])('%s is not known yet, and blocks approval', (_, name) => {
  const { recipe } = linkLines(recipeOf(line(name)), STORES);
  expect(recipe.additions[0]!.labelUnread).toBe(true);
  expect(blocked(recipe)).toContain('label_unread');
});

test('water is water', () => {
  const water = line('Ice', { kind: 'water' });
  expect(linkLines(recipeOf(water), STORES).recipe.additions).toEqual([water]);
});

test('an old list: cheese and milk powder keep what they bring', () => {
  const list = parseIngredientList('5 kg pork\n90 g salt\n100 g skimmed milk powder\n400 g cheese');
  const { recipe, near } = linkLines(recipeFromList(list, {}, null), STORES);
  expect(near.map((n) => n.name)).toEqual(['cheese']);
  expect(recipe.additions.map((a) => [a.name, a.kind, a.allergens, a.labelUnread])).toEqual([
    ['Skimmed milk powder', 'binder', ['milk'], undefined],
    ['cheese', 'inclusion', ['milk'], true],
  ]);
});

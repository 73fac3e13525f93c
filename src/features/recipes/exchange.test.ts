import { compose, parseIngredientList, type Recipe } from '@/core';
import { MORE_RECIPES } from '../../../scripts/demo/more-recipes';
import { DEMO_RECIPES } from '../../../scripts/demo/recipes';
import { recipeSchema } from './contract';
import {
  recipeFromCsv,
  recipeFromJson,
  recipeJsonSchema,
  recipeToCsv,
  recipeToJson,
} from './exchange';
import { recipeFromList } from './from-list';

const RECIPES = [...DEMO_RECIPES, ...MORE_RECIPES].map((r): [string, Recipe] => [r.name, r]);

test.each(RECIPES)('%s: JSON out and in is lossless', (_name, recipe) =>
  expect(recipeFromJson(recipeToJson(recipe))).toEqual({ ok: true, recipe, notes: [] }),
);

test.each(RECIPES)('%s: CSV out and in keeps salt and nitrite', (_name, recipe) => {
  const back = recipeFromCsv(recipeToCsv(recipe));
  if (!back.ok) throw new Error(back.details.join());
  const [was, is] = [compose(recipe, 1000), compose(back.recipe, 1000)];
  expect(is.cureG).toBeCloseTo(was.cureG, 9);
  expect(is.plainSaltG).toBeCloseTo(was.plainSaltG, 9);
  expect(is.batterG).toBeCloseTo(was.batterG, 6);
  expect(back.recipe.meat.map((m) => [m.name, m.species])).toEqual(
    recipe.meat.map((m) => [m.name, m.species]),
  );
  expect(back.recipe.additions.map((a) => a.allergens ?? [])).toEqual(
    recipe.additions.map((a) => a.allergens ?? []),
  );
});

const wrong = (change: object) =>
  JSON.stringify({
    format: 'jolly-kettle/recipe',
    version: 1,
    recipe: { ...DEMO_RECIPES[0], ...change },
  });

test.each([
  ['not_json', 'this is no JSON'],
  ['not_json', ''],
  ['not_a_recipe', '[]'],
  ['not_a_recipe', '{"format":"something/else","version":1}'],
  ['newer_version', '{"format":"jolly-kettle/recipe","version":3,"recipe":{}}'],
  ['bad_recipe', wrong({ meat: [] })],
  [
    'bad_recipe',
    wrong({ cure: { name: 'C', nitriteFraction: -1, nitrateFraction: 0, targetPpm: 1 } }),
  ],
  ['too_large', 'x'.repeat(50_000_000)],
])('a JSON file that is %s is refused', (code, text) =>
  expect(recipeFromJson(text)).toMatchObject({ ok: false, code }),
);

test('what is wrong in a file is said with its place', () => {
  const answer = recipeFromJson(wrong({ totalSaltFraction: 'lots' }));
  expect(answer).toMatchObject({ details: [expect.stringMatching(/^totalSaltFraction: /)] });
});

test.each([
  ['bad_csv', 'a,b\n1,2'],
  ['bad_csv', 'part,name,percent_of_meat\ncure,A,\ncure,B,'],
  ['bad_recipe', 'part,name,percent_of_meat\nmeat,Pork,90'],
  ['bad_recipe', ''.padEnd(3) + 'part,name,percent_of_meat\nsalt,Salt,abc'],
])('a table that is %s is refused', (code, text) =>
  expect(recipeFromCsv(text)).toMatchObject({ ok: false, code }),
);

test('a name that a spreadsheet would run stays a text', () => {
  const recipe = { ...DEMO_RECIPES[0]!, name: '=1+1' };
  const csv = recipeToCsv(recipe);
  expect(csv).toContain("'=1+1");
  expect(recipeFromCsv(csv)).toMatchObject({ ok: true, recipe: { name: '=1+1' } });
});

test('the published schema is one, and names its figures', () => {
  const schema = JSON.stringify(recipeJsonSchema());
  for (const word of ['nitriteFraction', 'totalSaltFraction', 'program', '2020-12'])
    expect(schema).toContain(word);
});

describe('an old list becomes a recipe', () => {
  const list = parseIngredientList(
    '8 lb pork\n2 lb back fat\n3 oz salt\n2 tsp cure #1\n1 Tbsp black pepper\n1 cup ice water\npinch of mace',
  );
  const cure = { nitriteFraction: 0.0625, targetPpm: 140 };
  const made = recipeFromList(list, { 7: { gPerKg: 0.4 }, 5: 'leave_out' }, cure);

  test('meat by share, lines as decided', () => {
    expect(made.meat.map((m) => m.share.toFixed(9))).toEqual(['0.800000000', '0.200000000']);
    expect(made.additions.map((a) => [a.name, a.kind])).toEqual([
      ['ice water', 'water'],
      ['mace', 'seasoning'],
    ]);
    expect(made.additions[1]!.fraction).toBeCloseTo(0.0004, 12);
  });
  test('the spoon of cure is not taken over; plain salt stays what the list said', () => {
    const c = compose(made, 10_000);
    expect(c.ppm).toBeCloseTo(140, 9);
    expect(c.plainSaltG).toBeCloseTo((3 / 160) * 10_000, 6);
  });
  test('named, it is a recipe that may be saved', () =>
    expect(recipeSchema.safeParse({ ...made, name: 'Old' }).success).toBe(true));
  test('without cure it is hot and fast', () => {
    const plain = recipeFromList(parseIngredientList('1 kg pork\n18 g salt'), {}, null);
    expect(recipeSchema.safeParse({ ...plain, name: 'Plain' }).success).toBe(true);
  });
  test('a list of nonsense makes nothing', () => {
    const nonsense = parseIngredientList('lorem ipsum\n???\n12\n💥');
    expect(nonsense.lines).toEqual([]);
    expect(nonsense.unclear.length).toBeGreaterThanOrEqual(3);
  });
});

test.each([
  ['columns', `part,name,percent_of_meat${',x'.repeat(5000)}\n`, 'more than 100 columns'],
  ['rows', `part,name,percent_of_meat\n${'addition,x,1\n'.repeat(5000)}`, 'more than 1000 rows'],
])('a table with more %s than any recipe is refused in words', (_what, text, words) =>
  expect(recipeFromCsv(text)).toEqual({ ok: false, code: 'bad_csv', details: [words] }),
);

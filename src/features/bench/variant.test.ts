import { DEFAULT_RULES, RULE_PRESETS, chillStage, heatProduct, type RuleSet } from '@/core';
import { testRecipe } from '@/core/testing/recipe';
import { productTexts, readVariant, variantOf, type BenchData, type Variant } from './variant';

const RULES = Object.fromEntries(
  Object.entries(DEFAULT_RULES).map(([kind, code]) => [
    kind,
    { id: code, version: 1, ...RULE_PRESETS.find((p) => p.code === code)! },
  ]),
) as unknown as RuleSet;
const recipe = testRecipe();
const data: BenchData = {
  products: [
    {
      id: 'link',
      name: recipe.name,
      product: heatProduct(recipe, 4),
      cured: true,
      poultry: false,
      stages: recipe.program,
      chill: [chillStage('ice_bath', 900)],
    },
  ],
  programs: [{ id: 'short', name: 'Short', stages: recipe.program.slice(0, 1) }],
  houses: [{ id: 'h', name: 'House', film: 1.3, lagS: 300, runs: 2 }],
  rules: RULES,
};
const variant = (change: Partial<Variant> = {}, system: 'metric' | 'us' = 'metric'): Variant => ({
  ...variantOf('a', 'A', data.products[0]!, null, 'h', system),
  ...change,
});

test.each(['metric', 'us'] as const)(
  'a column asks the model for what its recipe is, written in %s',
  (system) => {
    const { whatIf, problems } = readVariant(variant({}, system), data, system);
    expect(problems).toEqual({});
    expect(whatIf!.product.diameterMm).toBeCloseTo(38, 0);
    expect(whatIf!.product.startC).toBeCloseTo(4, 1);
    expect(whatIf).toMatchObject({ cured: true, poultry: false, house: { film: 1.3, lagS: 300 } });
    expect(whatIf!.stages.map((s) => s.name)).toEqual(['Dry', 'Smoke', 'Cook', 'Ice bath']);
  },
);

test('a program of the library takes the place of the recipe’s stages, the chill stays', () => {
  const v = variantOf('b', 'B', data.products[0]!, data.programs[0]!, 'h', 'metric');
  expect(v.stages.map((s) => s.name)).toEqual(['Dry', 'Ice bath']);
});

test.each([
  ['no number', { diameter: 'thick' }, 'diameter', /not a number/],
  ['nothing', { diameter: '' }, 'diameter', /give the diameter/],
  ['thicker than any piece', { diameter: '900' }, 'diameter', /between 8 and 200/],
  ['a casing of 300 %', { casing: '300' }, 'casing', /between 0 and 100/],
  ['more than the whole', { fat: '50', water: '60' }, 'water', /nothing for the meat/],
  ['hot before it starts', { start: '90' }, 'start', /60/],
] as const)('%s is said at its field, and the model is not asked', (_, change, field, words) => {
  const { whatIf, problems } = readVariant(variant(change), data, 'metric');
  expect(whatIf).toBeNull();
  expect(problems[field]).toMatch(words);
});

test('a stage that is not right keeps the question back, and says so at the stage', () => {
  const v = variant();
  const stages = v.stages.map((s, i) => (i === 1 ? { ...s, air: 'hot' } : s));
  const { whatIf, stageProblems } = readVariant({ ...v, stages }, data, 'metric');
  expect(whatIf).toBeNull();
  expect(stageProblems.map((p) => p.length)).toEqual([0, 1, 0, 0]);
});

test('figures that nobody gave are left to the model, not written as nothing', () => {
  const texts = productTexts({ diameterMm: 38, startC: 4 }, 'metric');
  expect(texts).toMatchObject({ length: '', fat: '', water: '' });
  const { product } = readVariant(variant(texts), data, 'metric').whatIf!;
  expect(Object.keys(product).sort()).toEqual(['casingPermeability', 'diameterMm', 'startC']);
});

import fc from 'fast-check';
import {
  ADDITION_KINDS,
  ALLERGENS,
  CASINGS,
  PLACES_IN_PROCESS,
  routed,
  type Addition,
  type Recipe,
} from '@/core';
import { coarseLink } from '../../../scripts/demo/making';
import { MORE_RECIPES } from '../../../scripts/demo/more-recipes';
import { DEMO_RECIPES } from '../../../scripts/demo/recipes';
import { recipeSchema } from './contract';
import { convertDraft } from './convert-draft';
import { toDraft } from './draft';
import { fieldOf, placeOf } from './field-paths';
import { fromDraft } from './read-draft';
import { STARTER } from './starter';

const OWN: Recipe = {
  ...STARTER,
  name: 'In a casing of our own',
  casing: { ...STARTER.casing, own: { ...CASINGS.sheep, toMm: 30 } },
};
const RECIPES = [...DEMO_RECIPES, ...MORE_RECIPES, coarseLink, OWN].map((r): [string, Recipe] => [
  r.name,
  r,
]);
const SYSTEMS = ['metric', 'us'] as const;
const SEED = { seed: 20261123 };

describe.each(SYSTEMS)('in %s units', (system) => {
  test.each(RECIPES)('%s goes through the form without any change', (_name, recipe) =>
    expect(fromDraft(toDraft(recipe, system), recipe)).toEqual(routed(recipe)),
  );

  test('property: any figures go through the form without any change', () => {
    const fraction = fc.double({ min: 1e-7, max: 0.9, noNaN: true });
    const addition: fc.Arbitrary<Addition> = fc.record(
      {
        id: fc.uuid(),
        name: fc.constantFrom('Pepper', 'Honey'),
        kind: fc.constantFrom(...ADDITION_KINDS),
        fraction,
        place: fc.constantFrom(...PLACES_IN_PROCESS),
        saltFraction: fraction,
        allergens: fc.subarray([...ALLERGENS]),
        costPerKg: fc.double({ min: 0, max: 999, noNaN: true }),
        written: fc.constantFrom({ as: 'percent' as const }, { as: 'g_per_kg' as const }),
      },
      { requiredKeys: ['id', 'name', 'kind', 'fraction'] },
    );
    fc.assert(
      fc.property(
        fc.array(addition, { maxLength: 8 }),
        fraction,
        fc.double({ min: 10, max: 150, noNaN: true }),
        (additions, salt, diameterMm) => {
          const recipe: Recipe = {
            ...STARTER,
            additions,
            totalSaltFraction: salt,
            casing: { ...STARTER.casing, diameterMm },
          };
          expect(fromDraft(toDraft(recipe, system), recipe)).toEqual(recipe);
        },
      ),
      SEED,
    );
  });

  test('a figure that was changed is read in the unit shown', () => {
    const draft = toDraft(STARTER, system);
    draft.diameter = system === 'us' ? '1.5' : '38,1';
    const at = STARTER.route.findIndex((s) => s.climate);
    draft.route[at]!.air = system === 'us' ? '122' : '50';
    const read = fromDraft(draft, STARTER);
    expect(read.casing.diameterMm).toBeCloseTo(38.1, 9);
    expect(read.route[at]!.climate!.airC).toBeCloseTo(50, 9);
    expect(read.route[at + 1]).toEqual(STARTER.route[at + 1]);
  });
});

test.each(RECIPES)('%s: switching units while writing changes nothing', (_name, recipe) => {
  for (const [from, to] of [
    ['metric', 'us'],
    ['us', 'metric'],
  ] as const) {
    const there = convertDraft(toDraft(recipe, from), to, recipe);
    expect(there).toEqual(toDraft(recipe, to));
    expect(fromDraft(there, recipe)).toEqual(routed(recipe));
  }
});

test('a text that is no number stays as typed when the units switch', () => {
  const draft = { ...toDraft(STARTER, 'metric'), diameter: 'thick' };
  expect(convertDraft(draft, 'us', STARTER).diameter).toBe('thick');
});

test('weights become shares, packets become fractions', () => {
  const draft = toDraft(STARTER, 'us');
  draft.meatBy = 'weight';
  draft.meat = [
    { id: 'a', name: 'Lean', species: 'pork', amount: '35', fat: '', cost: '' },
    { id: 'b', name: 'Fat', species: 'pork', amount: '15', fat: '', cost: '' },
  ];
  draft.additions[0] = { ...draft.additions[0]!, unit: 'packet', amount: '25', perMeat: '220.462' };
  const read = fromDraft(draft, STARTER);
  expect(read.meat.map((m) => m.share)).toEqual([0.7, 0.3]);
  expect(read.additions[0]!.fraction).toBeCloseTo(25 / 100_000, 9);
});

test.each([
  ['empty', ''],
  ['words', 'a pinch'],
  ['ambiguous', '1,234'],
  ['negative', '-3'],
  ['huge', '99999999'],
])('an amount that is %s is refused by its field', (_name, text) => {
  const draft = toDraft({ ...STARTER, name: 'X' }, 'metric');
  draft.additions[0]!.amount = text;
  const parsed = recipeSchema.safeParse(fromDraft(draft, STARTER));
  expect(parsed.error?.issues.map((i) => fieldOf(i.path as never))).toEqual(['additions.0.amount']);
});

test.each<[(string | number)[], string | null, string]>([
  [['meat', 1, 'share'], 'meat.1.amount', 'Meat block, line 2'],
  [['meat'], null, 'Meat block'],
  [['route', 4, 'maxS'], 'route.4.most', 'The way, line 5'],
  [['drying', 'maxAw'], 'aw', 'Drying'],
  [['cure', 'nitriteFraction'], 'nitrite', 'Cure'],
  [['route', 2, 'climate', 'airC'], 'route.2.air', 'The way, line 3'],
  [['name'], 'name', 'Name'],
])('%j is the field %s', (path, field, place) => {
  expect(fieldOf(path)).toBe(field);
  expect(placeOf(path)).toBe(place);
});

describe('what a recipe must not be', () => {
  const good: Recipe = { ...STARTER, name: 'Test' };
  const addition = (name: string): Addition => ({
    id: 'n',
    name,
    kind: 'seasoning',
    fraction: 0.01,
  });
  test.each<[string, Partial<Recipe>, RegExp]>([
    [
      'a cure hidden in an uncured recipe',
      {
        cure: null,
        additions: [addition('Pink salt')],
      },
      /is a cure/,
    ],
    ['two cures', { additions: [addition('Cure #2')] }, /second cure/],
    ['shares of 90 %', { meat: [{ ...STARTER.meat[0]!, share: 0.9 }] }, /90.0 %/],
    ['two lines of one id', { additions: [{ ...addition('A'), id: 'm-1' }] }, /two lines/],
    [
      'a packet that disagrees',
      {
        additions: [
          { ...addition('Culture'), written: { as: 'packet', packetG: 25, perMeatG: 100_000 } },
        ],
      },
      /packet/,
    ],
    [
      'a fermentation without its step',
      { fermentation: { targetPh: 5, floorPh: 4.6 } },
      /set point/,
    ],
    ['a target below the floor', { fermentation: { targetPh: 4.5, floorPh: 4.6 } }, /culture/],
  ])('%s', (_name, change, message) => {
    const parsed = recipeSchema.safeParse({ ...good, ...change });
    expect(parsed.error?.issues.map((i) => i.message).join()).toMatch(message);
  });
});

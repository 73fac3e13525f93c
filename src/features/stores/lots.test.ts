import type { BatchState, Recipe } from '@/core';
import { MORE_RECIPES } from '../../../scripts/demo/more-recipes';
import { DEMO_RECIPES } from '../../../scripts/demo/recipes';
import { lotSchema } from './contract';
import { lotProblems, undecided, type LotFacts } from './lot-problems';
import { shortInStores, toWeigh } from './shortage';
import { untilWords } from './ui/LotTable';

const link = DEMO_RECIPES[0]!;
const custom = MORE_RECIPES.find((r) => r.customersMeat)!;
const lot = (change: Partial<LotFacts> = {}): LotFacts => ({
  id: 'l',
  ingredient: 'Pork jowl',
  kind: 'meat',
  useBy: '2026-11-30',
  nitriteFraction: null,
  nitrateFraction: null,
  owner: null,
  ...change,
});
const cure = (change: Partial<LotFacts> = {}) =>
  lot({
    ingredient: 'Cure #1',
    kind: 'cure',
    nitriteFraction: 0.0625,
    nitrateFraction: 0,
    ...change,
  });
const venison = (owner: string | null) => lot({ ingredient: 'Customer venison trim', owner });
const TODAY = '2026-11-23';

test.each<[string, Recipe, string, LotFacts, (string | null)[], string[]]>([
  ['a good lot', link, 'jowl', lot(), [], []],
  ['on its last day', link, 'jowl', lot({ useBy: TODAY }), [], []],
  ['a day past', link, 'jowl', lot({ useBy: '2026-11-22' }), [], ['past_use_by']],
  ['no use-by', link, 'jowl', lot({ useBy: null }), [], []],
  ['another ingredient', link, 'shoulder', lot(), [], ['wrong_ingredient']],
  ['the cure of the recipe', link, 'cure', cure(), [], []],
  ['a label that rounds', link, 'cure', cure({ nitriteFraction: 0.0624 }), [], []],
  ['5.88 %', link, 'cure', cure({ nitriteFraction: 0.0588 }), [], ['wrong_strength']],
  ['twelve-fold weaker', link, 'cure', cure({ nitriteFraction: 0.005 }), [], ['wrong_strength']],
  ['with nitrate', link, 'cure', cure({ nitrateFraction: 0.04 }), [], ['wrong_strength']],
  [
    'no strength on the label',
    link,
    'cure',
    cure({ nitriteFraction: null }),
    [],
    ['wrong_strength'],
  ],
  [
    'a customer’s meat in the house’s recipe',
    link,
    'jowl',
    lot({ owner: 'A' }),
    [],
    ['other_owner'],
  ],
  ['a customer’s meat in custom work', custom, 'venison', venison('A'), [null], []],
  ['two customers in one batch', custom, 'venison', venison('B'), ['A'], ['other_owner']],
  [
    'the house’s own fat with a customer’s meat',
    custom,
    'belly',
    lot({ ingredient: 'Pork belly' }),
    ['A'],
    [],
  ],
])('%s', (_name, recipe, lineId, facts, owners, expected) =>
  expect(lotProblems(recipe, lineId, facts, TODAY, owners)).toEqual(expected),
);

describe('decisions', () => {
  const state = (nitriteFraction: number | null, lotId: string | null) =>
    ({
      allowedLots: [{ lotId, lineId: 'cure', problems: ['wrong_strength'], nitriteFraction }],
    }) as unknown as BatchState;
  test.each([
    ['this lot', state(null, 'l'), 'l', null, []],
    ['another lot', state(null, 'l'), 'm', null, ['wrong_strength']],
    ['a label of this strength', state(0.0588, null), null, 0.0588, []],
    ['a label of another strength', state(0.0588, null), null, 0.005, ['wrong_strength']],
  ] as const)('%s', (_name, s, lotId, strength, open) =>
    expect(undecided(s, 'cure', lotId, ['wrong_strength'], strength)).toEqual(open),
  );
});

test('what planned batches still need against what is there', () => {
  const state = (weighed: object) =>
    ({ phase: 'weighing', meatG: null, plannedMeatG: 20_000, weighed }) as unknown as BatchState;
  const atS = 1_800_000_000;
  const batches = [
    { code: 'A', recipe: link, state: state({}), atS },
    { code: 'B', recipe: link, state: state({ jowl: {} }), atS },
    { code: 'C', recipe: link, state: { phase: 'in_house' } as BatchState, atS },
  ].flatMap((b) => toWeigh(b) ?? []);
  const ingredients = [{ name: 'pork jowl' }, { name: 'Cure #1' }];
  const lots = [
    { ingredient: 'Pork jowl', leftG: 2000, useBy: null },
    { ingredient: 'Pork jowl', leftG: 9000, useBy: '2026-12-31' },
    { ingredient: 'Cure #1', leftG: 5000, useBy: null },
  ];
  const short = { name: 'pork jowl', needs: 3000, has: 2000, short: 1000, byS: atS };
  expect(shortInStores(batches, ingredients, lots, 'UTC')).toEqual([{ ...short, batches: ['A'] }]);
});

test.each([
  [null, 'no use-by', false],
  ['2026-11-22', 'past its use-by 2026-11-22', true],
  ['2026-11-25', 'use by 2026-11-25, 2 days left', false],
  ['2027-01-01', 'use by 2027-01-01', false],
])('use by %s', (useBy, text, bad) => expect(untilWords(useBy, TODAY)).toEqual({ text, bad }));

test.each([
  [{}, true],
  [{ amountG: 0 }, false],
  [{ amountG: Number.NaN }, false],
  [{ nitriteFraction: 0.9 }, false],
  [{ useBy: 'soon' }, false],
  [{ code: '' }, false],
  [{ owner: '' }, false],
])('receiving %j: %s', (change, ok) => {
  const id = '6f1c1f0e-2a52-4a1e-9c6b-6a2a3d0d7f55';
  const good = {
    id,
    ingredientId: id,
    code: 'A1',
    supplier: 'Farm',
    receivedAt: '2026-11-23T10:00:00Z',
    receivedTempC: 2,
    amountG: 1000,
    costPerKg: null,
    useBy: '2026-12-01',
    fatFraction: 0.2,
    nitriteFraction: null,
    nitrateFraction: null,
    owner: null,
  };
  expect(lotSchema.safeParse({ ...good, ...change }).success).toBe(ok);
});

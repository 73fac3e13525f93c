import type { z } from 'zod';
import { postedBodySchema } from '@/features/logbook/contract';
import { decideSchema, saveRecipeSchema } from './recipes/contract';
import { KNOWN, sheetQuery } from './recipes/sheet';
import { STARTER } from './recipes/starter';
import { hangingSchema, ruleBodySchema } from './settings/contract';
import { adjustSchema, ingredientSchema } from './stores/contract';

const ID = '6f1c1f0e-2a52-4a1e-9c6b-6a2a3d0d7f55';
type Row = [name: string, change: object, ok: boolean];

/** One good input and what makes it bad, row by row. */
function rows(title: string, schema: z.ZodType, good: object, changes: Row[]): void {
  describe(title, () => {
    test.each<Row>([['as it should be', {}, true], ...changes])('%s', (_name, change, ok) =>
      expect(schema.safeParse({ ...good, ...change }).success).toBe(ok),
    );
  });
}

rows(
  'a decision on a version',
  decideSchema,
  { versionId: ID, status: 'approved', reason: 'fine' },
  [
    ['retired', { status: 'retired' }, true],
    ['back to draft', { status: 'draft' }, false],
    ['no reason', { reason: '  ' }, false],
    ['a number for an id', { versionId: 7 }, false],
  ],
);

const content = { ...STARTER, name: 'Test' };
rows('a recipe to save', saveRecipeSchema, { basedOn: 0, reason: 'first', content }, [
  ['over an older version', { recipeId: ID, basedOn: 3 }, true],
  ['without a reason', { reason: '' }, false],
  ['based on half a version', { basedOn: 0.5 }, false],
  ['without a name', { content: STARTER }, false],
  [
    'with 81 additions',
    { content: { ...content, additions: Array(81).fill(content.additions[0]) } },
    false,
  ],
  ['of endless steps', { content: { ...content, route: Array(61).fill(content.route[0]) } }, false],
  ['with a yield of 300 %', { content: { ...content, expectedYield: 3 } }, false],
  [
    'on an unknown basis',
    { content: { ...content, cure: { ...content.cure!, basis: 'spoon' } } },
    false,
  ],
]);

rows(
  'an ingredient',
  ingredientSchema,
  { id: ID, name: 'Pepper', kind: 'addition', facts: { additionKind: 'seasoning' } },
  [
    ['with allergens', { facts: { allergens: ['milk', 'mustard'] } }, true],
    ['an unknown allergen', { facts: { allergens: ['dust'] } }, false],
    ['more salt than itself', { facts: { saltFraction: 1.2 } }, false],
    ['less than no fat', { facts: { fatFraction: -0.1 } }, false],
    ['no name', { name: ' ' }, false],
    ['an unknown kind', { kind: 'gadget' }, false],
  ],
);

rows('a count', adjustSchema, { id: ID, lotId: ID, countedG: 1200, reason: 'counted' }, [
  ['nothing left', { countedG: 0 }, true],
  ['less than nothing', { countedG: -1 }, false],
  ['no number', { countedG: Number.NaN }, false],
  ['no reason', { reason: 'x' }, false],
]);

rows(
  'the room of a house',
  hangingSchema,
  { id: 'big', sticks: 24, stickMm: 900, dropMm: 600, capacityG: 80_000 },
  [
    ['no sticks', { sticks: 0 }, false],
    ['half a stick', { sticks: 2.5 }, false],
    ['sticks of 20 m', { stickMm: 20_000 }, false],
    ['nothing carried', { capacityG: Number.NaN }, false],
  ],
);

rows(
  'a dose rule',
  ruleBodySchema,
  { kind: 'dose', basis: 'whole_batch', as: 'nitrite_ion', minPpm: 53, maxPpm: 80 },
  [
    ['on the finished weight', { basis: 'finished' }, true],
    ['as nitrate', { as: 'nitrate' }, false],
    ['upside down', { minPpm: 90 }, false],
  ],
);

rows(
  'a fermentation rule',
  ruleBodySchema,
  { kind: 'fermentation', targetPh: 5.3, floorC: 15.6, bands: [{ belowC: 40, degreeHours: 500 }] },
  [
    ['a pH that no sausage has', { targetPh: 7 }, false],
    ['no band', { bands: [] }, false],
    [
      'falling temperatures',
      {
        bands: [
          { belowC: 40, degreeHours: 5 },
          { belowC: 30, degreeHours: 6 },
        ],
      },
      false,
    ],
  ],
);

rows('a pH entry', postedBodySchema, { kind: 'ph_logged', ph: 5.2 }, [
  ['51 for 5.1', { ph: 51 }, false],
  ['vinegar', { ph: 2.4 }, false],
  ['words', { ph: 'sour' }, false],
]);

rows(
  'a decision on a lot',
  postedBodySchema,
  {
    kind: 'lot_allowed',
    lotId: ID,
    lineId: 'cure',
    problems: ['wrong_strength'],
    reason: 'weighed anew',
  },
  [
    ['on a label', { lotId: null, nitriteFraction: 0.0588 }, true],
    ['on nothing', { problems: [] }, false],
    ['on an unknown problem', { problems: ['ugly'] }, false],
    ['without a reason', { reason: '' }, false],
  ],
);

test.each(KNOWN)('a dose sheet by %s', (by) =>
  expect(sheetQuery.parse({ by, amount: '12' })).toMatchObject({ by, amount: '12' }),
);
test('nonsense in the address becomes the plain question', () =>
  expect(sheetQuery.parse({ by: 'moon', amount: 'x'.repeat(99), version: 'last' })).toEqual({
    by: 'meat',
    amount: '',
    version: undefined,
    trim: undefined,
    house: undefined,
  }));

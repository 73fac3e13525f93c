import { strengthDoubt } from './CureStrength';

test.each([
  ['the lot’s own strength is not asked about', 0.0588, 0.0588, null],
  ['a label read with fewer digits is not asked about', 0.0625, 0.06251, null],
  ['nothing typed is no second strength', null, 0.0588, null],
  ['a tenth of the strength is asked about', 0.00588, 0.0588, 'lot'],
  ['a cure of the other kind is asked about', 0.0625, 0.006, 'lot'],
  ['without a lot the recipe is what it is held against', 0.006, null, 'recipe'],
])('%s', (_, typed, lot, from) =>
  expect(strengthDoubt(typed, lot, 0.0625)?.from ?? null).toBe(from),
);

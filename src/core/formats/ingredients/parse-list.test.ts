import fc from 'fast-check';
import { parseIngredientList, speciesNamed } from './parse-list';

const LB = 453.59237;
const OLD = `Grandfather's ring:
5 lb pork shoulder
1 lb back fat
2 Tbsp kosher salt
1 level tsp pink curing salt
1½ tsp black pepper
3-4 cloves garlic
1/2 cup ice water
pinch of mace
1 packet culture`;

describe('an old list', () => {
  const list = parseIngredientList(OLD);
  const line = (name: RegExp) => list.lines.find((l) => name.test(l.name))!;

  test('meat is what the rest refers to', () => {
    expect(list.meatG).toBeCloseTo(6 * LB, 6);
    expect(list.lines.filter((l) => l.role === 'meat')).toHaveLength(2);
  });
  test('weights are exact', () => expect(line(/shoulder/).amountG).toMatchObject({ low: 5 * LB }));
  test('spoons carry their band', () => {
    const salt = line(/kosher/);
    expect(salt).toMatchObject({ role: 'salt', measure: 'volume' });
    expect(salt.amountG.low).toBeCloseTo(2 * 14.787 * 0.55, 1);
    expect(salt.gPerKg!.high).toBeCloseTo((2 * 14.787 * 1.1) / ((6 * LB) / 1000), 1);
  });
  test('a teaspoon of curing salt is 4.7 to 6.7 g', () => {
    const cure = line(/curing/);
    expect(cure.role).toBe('cure');
    expect(cure.amountG.low).toBeCloseTo(4.7, 6);
    expect(cure.amountG.high).toBeCloseTo(6.7, 6);
  });
  test('vulgar fractions, ranges, cups', () => {
    expect(line(/pepper/).amountG.low).toBeCloseTo(1.5 * 4.92892 * 0.38, 3);
    expect(line(/garlic/).amountG).toEqual({ low: 9, mid: 18.5, high: 28 });
    expect(line(/water/)).toMatchObject({ role: 'water' });
  });
  test('what cannot be read is handed back with the reason', () =>
    expect(list.unclear.map((u) => [u.lineNo, u.reason])).toEqual([
      [9, 'vague'],
      [10, 'packet_without_weight'],
    ]));
});

test.each([
  ['18 g salt per kg', 18],
  ['salt: 18 g / kg', 18],
  ['1 oz salt per 5 lb', (1000 * 28.349523125) / (5 * LB)],
  ['one 25 g packet culture per 100 kg', 0.25],
  ['2 x 10 g packets of culture per 50 kg', 0.4],
])('%s', (text, gPerKg) => {
  const { lines, unclear } = parseIngredientList(text);
  expect(unclear).toEqual([]);
  expect(lines[0]!.gPerKg!.mid).toBeCloseTo(gPerKg, 6);
});

test.each<[string, string[]]>([
  [
    '5 lb pork shoulder, 2 Tbsp salt, 1 tsp black pepper',
    ['pork shoulder', 'salt', 'black pepper'],
  ],
  ['pork 2 kg; salt 36 g; a pinch of mace', ['pork', 'salt', 'mace']],
  ['2 kg pork, boneless and skinless', ['pork, boneless and skinless']],
  ['1,5 kg pork, 27 g salt', ['pork', 'salt']],
])('%s: several in a row are told apart', (row, names) => {
  const { lines, unclear } = parseIngredientList(row);
  expect([...lines, ...unclear].map((l) => l.name)).toEqual(names);
});

test.each([
  ['Duck leg', 'poultry'],
  ['Boar shoulder', 'game'],
  ['Veal trim', 'beef'],
  ['Pork back fat', 'pork'],
  ['Shoulder 80/20', null],
])('%s is named after %s', (name, species) => expect(speciesNamed(name)).toBe(species));

test('a heading gives the basis', () => {
  const list = parseIngredientList('per 25 lb\n12 oz salt');
  expect(list.meatG).toBeCloseTo(25 * LB, 6);
  expect(list.lines[0]!.gPerKg!.mid).toBeCloseTo((12 / (25 * 16)) * 1000, 6);
});

test('a lone T is a tablespoon, a lone t a teaspoon', () => {
  const { lines } = parseIngredientList('per 1 kg\n1 T sugar\n1 t sugar');
  expect(lines[0]!.amountG.low / lines[1]!.amountG.low).toBeCloseTo(3, 9);
});

test.each([
  ['no_meat_weight', '2 tsp salt'],
  ['two_cures', 'per 1 kg\n2 g cure #1\n2 g pink salt'],
  ['unknown_measure', 'per 1 kg\n3 blobs of mustard'],
  ['vague', 'per 1 kg\nsalt to taste'],
  ['no_amount', 'per 1 kg\ncaraway'],
  ['no_amount', 'per 1 kg\n1/0 tsp salt'],
  ['meat_by_volume', '2 cups pork trim'],
  ['basis_disagrees', 'per 5 lb\n3 lb pork\n1 oz salt'],
])('%s: %j', (reason, text) =>
  expect(parseIngredientList(text).unclear.map((u) => u.reason)).toContain(reason),
);

test('property: any text is read without a throw, and every line is either read or handed back', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ maxLength: 60 }), { maxLength: 12 }), (rows) => {
      const list = parseIngredientList(rows.join('\n'));
      for (const l of list.lines) {
        expect(l.amountG.low).toBeGreaterThan(0);
        expect(l.amountG.high).toBeGreaterThanOrEqual(l.amountG.low);
      }
    }),
    { seed: 20261123, numRuns: 300 },
  );
});

test.each([
  ['digits', '1'.repeat(15_000)],
  ['spaces', `a${' '.repeat(15_000)}b`],
  ['words', 'salt '.repeat(3000)],
])('a line of %s without an end is handed back, not looked through', (_what, text) => {
  const list = parseIngredientList(`1 kg pork\n${text}\n18 g salt`);
  expect(list.unclear).toEqual([expect.objectContaining({ lineNo: 2, reason: 'too_long' })]);
  expect(list.lines.map((l) => l.name)).toEqual(['pork', 'salt']);
});

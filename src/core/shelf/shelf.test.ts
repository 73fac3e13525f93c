import fc from 'fast-check';
import { foldBatch } from '../logbook/fold';
import type { EntryBody } from '../logbook/entry';
import { SHELF_PRESETS, SHELF_STRICT } from '../rules/tables/shelf';
import { shelfRuleOf } from '../rules/rule';
import { entriesOf, started, type Line } from '../testing/batch';
import { driedRecipe } from '../testing/outcomes';
import { fermentedRecipe, testRecipe, testRules } from '../testing/recipe';
import type { Case } from '../verdict/check';
import { parasiteControl } from '../verdict/parasite-check';
import { moistureProtein } from './moisture-protein';
import { shelfClass, type Metered, type ShelfFigures } from './shelf-class';
import { shelfOf } from './shelf-of';
import { keepingOf } from './use-by';

const plain = driedRecipe();
const recipe = {
  ...plain,
  meat: plain.meat.map((m, i) => ({ ...m, fatFraction: [0.12, 0.85][i] ?? 0.2 })),
  drying: { minLossFraction: 0.3 },
};
const EUROPEAN = SHELF_PRESETS[1]!.body as typeof SHELF_STRICT;
const sure = (value: number): Metered => ({ value, credited: true });
const unsure = (value: number): Metered => ({ value, credited: false });
const figures = (more: Partial<ShelfFigures> = {}): ShelfFigures => ({
  aw: null,
  ph: null,
  awEstimate: null,
  ...more,
});

test.each<[string, Partial<ShelfFigures>, typeof SHELF_STRICT, string, string]>([
  ['dry enough', { aw: sure(0.85) }, SHELF_STRICT, 'shelf_stable', 'measured'],
  ['a little too wet', { aw: sure(0.86) }, SHELF_STRICT, 'keep_cold', 'too_wet'],
  ['a meter that was not checked', { aw: unsure(0.8) }, SHELF_STRICT, 'keep_cold', 'not_proven'],
  ['an estimate alone', { awEstimate: 0.8 }, SHELF_STRICT, 'keep_cold', 'not_proven'],
  [
    'measured beats its estimate',
    { aw: sure(0.9), awEstimate: 0.8 },
    SHELF_STRICT,
    'keep_cold',
    'too_wet',
  ],
  ['nothing is known', {}, SHELF_STRICT, 'keep_cold', 'not_proven'],
  ['sour alone, strictly', { ph: sure(4.5) }, SHELF_STRICT, 'keep_cold', 'not_proven'],
  ['sour alone', { ph: sure(5.0) }, EUROPEAN, 'shelf_stable', 'measured'],
  ['sour by a doubtful meter', { ph: unsure(4.8) }, EUROPEAN, 'keep_cold', 'not_proven'],
  ['both together', { ph: sure(5.2), aw: sure(0.95) }, EUROPEAN, 'shelf_stable', 'measured'],
  [
    'both, one not credited',
    { ph: sure(5.2), aw: unsure(0.95) },
    EUROPEAN,
    'keep_cold',
    'not_proven',
  ],
  ['neither', { ph: sure(5.3), aw: sure(0.92) }, EUROPEAN, 'keep_cold', 'too_wet'],
])('%s', (_, more, rule, cls, because) => {
  const got = shelfClass(figures(more), rule);
  expect([got.class, got.because]).toEqual([cls, because]);
  expect(got.keepC === null).toBe(cls === 'shelf_stable');
});

test('a way that asks for nothing is never met', () =>
  expect(shelfClass(figures({ aw: sure(0.5) }), { ...SHELF_STRICT, ways: [{}] }).class).toBe(
    'keep_cold',
  ));

test.each([
  [{ aw: sure(1.2) }, 'aw'],
  [{ ph: sure(45) }, 'ph'],
  [{ awEstimate: NaN }, 'awEstimate'],
] as [Partial<ShelfFigures>, string][])('refuses %o', (more, field) =>
  expect(() => shelfClass(figures(more), SHELF_STRICT)).toThrow(field),
);

test('property: doubt never makes it keep', () => {
  const aw = fc.double({ min: 0.6, max: 1, noNaN: true });
  const ph = fc.double({ min: 4, max: 6, noNaN: true });
  fc.assert(
    fc.property(aw, ph, aw, (a, p, awEstimate) => {
      const doubtful = figures({ aw: unsure(a), ph: unsure(p), awEstimate });
      for (const rule of [SHELF_STRICT, EUROPEAN])
        expect(shelfClass(doubtful, rule).class).toBe('keep_cold');
    }),
    { seed: 2, numRuns: 100 },
  );
});

test('water by protein falls with the loss; unknown without the fat', () => {
  const [fresh, dry] = [moistureProtein(recipe, 0)!, moistureProtein(recipe, 0.35)!];
  expect(fresh).toBeGreaterThan(3);
  expect(fresh).toBeLessThan(4.5);
  expect(dry).toBeLessThan(fresh - 1);
  const unknown = { ...recipe, meat: recipe.meat.map(({ fatFraction: _fat, ...m }) => m) };
  expect(moistureProtein(unknown, 0.2)).toBeNull();
  expect(() => moistureProtein(recipe, 20)).toThrow('lossFraction');
});

describe('of a batch', () => {
  const caseOf = (bodies: EntryBody[]): Case => {
    const lines: Line[] = [
      started(30_000),
      [100, { kind: 'run_started', houseId: 'h' }],
      ...bodies.map((b, k): Line => [1000 + 10 * k, b]),
    ];
    const state = foldBatch(recipe, entriesOf(lines));
    return { recipe, rules: testRules(), state, series: {}, calibrations: {}, nowS: 5000 };
  };

  test('the last reading counts, not the best; estimates stand beside it', () => {
    const c = caseOf([
      { kind: 'piece_weighed', piece: 'A', weightG: 500 },
      { kind: 'piece_weighed', piece: 'A', weightG: 340 },
      { kind: 'aw_logged', aw: 0.84, meterCheckedS: 900 },
      { kind: 'aw_logged', aw: 0.88, meterCheckedS: 900 },
    ]);
    const v = shelfOf(c)!;
    expect(v).toMatchObject({ class: 'keep_cold', because: 'too_wet' });
    expect(v.lossFraction).toBeCloseTo(0.32, 9);
    expect(v.figures.awEstimate).toBeGreaterThan(0.8);
    expect(v.figures.awEstimate).toBeLessThan(0.96);
    expect(shelfOf(caseOf([{ kind: 'aw_logged', aw: 0.84, meterCheckedS: 900 }]))!.class).toBe(
      'shelf_stable',
    );
    expect(shelfOf(caseOf([{ kind: 'aw_logged', aw: 0.84 }]))!.because).toBe('not_proven');
  });

  test.each<[string, EntryBody[], object | null]>([
    ['cold, not packed', [], { days: 28, untilS: null, cooled: true, by: 'usual' }],
    [
      'cold, packed',
      [{ kind: 'step_done', step: 'pack', weightG: 9000 }],
      { days: 28, untilS: 1000 + 28 * 86_400, cooled: true, by: 'usual' },
    ],
    ['it keeps without', [{ kind: 'aw_logged', aw: 0.84, meterCheckedS: 900 }], null],
  ])('use-by, %s', (_what, bodies, expected) => {
    const c = caseOf(bodies);
    expect(keepingOf(c, shelfOf(c)!)).toEqual(expected);
  });

  test('what was cooked and not dried keeps as a cooked one', () => {
    const c = { ...caseOf([]), recipe: fermentedRecipe() };
    expect(keepingOf(c, shelfOf(c)!)?.days).toBe(14);
  });

  test.each<[string, Partial<typeof SHELF_STRICT>, EntryBody[], object | null]>([
    ['ripened', { ripenedKeepsS: 40 * 86_400 }, [], { days: 40, cooled: true, by: 'rule' }],
    [
      'without a cooler',
      { stableKeepsS: 90 * 86_400, ripenedKeepsS: 86_400 },
      [{ kind: 'aw_logged', aw: 0.84, meterCheckedS: 900 }],
      { days: 90, cooled: false, by: 'rule' },
    ],
    ['of another class', { cookedKeepsS: 86_400 }, [], { days: 28, by: 'usual' }],
  ])('by the site’s rule: %s', (_what, more, bodies, expected) => {
    const plainCase = caseOf(bodies);
    const shelf = { ...SHELF_PRESETS[0]!, id: 'x', version: 1, body: { ...SHELF_STRICT, ...more } };
    const c = { ...plainCase, rules: { ...plainCase.rules, shelf } };
    expect(keepingOf(c, shelfOf(c)!)).toMatchObject(expected!);
  });

  test('none for what neither ferments nor dries; the strict rule where a batch has none', () => {
    expect(shelfOf({ ...caseOf([]), recipe: testRecipe() })).toBeNull();
    expect(shelfRuleOf({})).toBe(SHELF_STRICT);
  });
});

const rule = testRules().parasites.body;
test('a freezing that is not enough says what would have been, and that is enough', () => {
  for (const row of rule.thin)
    for (const short of [
      { atC: row.atC, forS: row.forS - 3600 },
      { atC: row.atC + 0.5, forS: row.forS },
    ]) {
      const control = { way: 'frozen' as const, thicknessMm: 100, ...short };
      const { ok, enough } = parasiteControl(control, rule);
      if (ok) continue;
      const ways = [
        ...(enough.forS === null ? [] : [{ ...control, forS: enough.forS }]),
        ...(enough.atC === null ? [] : [{ ...control, atC: enough.atC }]),
      ];
      expect(ways.length).toBeGreaterThan(0);
      for (const way of ways) expect(parasiteControl(way, rule).ok).toBe(true);
    }
});
test.each([
  ['thin and long', { way: 'frozen', thicknessMm: 100, atC: -20, forS: 25 * 86_400 }, true],
  ['thin and short', { way: 'frozen', thicknessMm: 100, atC: -20, forS: 9 * 86_400 }, false],
  ['thick and as short', { way: 'frozen', thicknessMm: 300, atC: -15, forS: 21 * 86_400 }, false],
  [
    'too thick for any row',
    { way: 'frozen', thicknessMm: 900, atC: -40, forS: 90 * 86_400 },
    false,
  ],
  ['its middle measured', { way: 'frozen', thicknessMm: null, atC: -24, forS: 64 * 3600 }, true],
  ['certified', { way: 'certified', certificate: '7' }, true],
] as const)('parasites: %s', (_, control, ok) => {
  const got = parasiteControl(control, rule);
  expect(got.ok).toBe(ok);
  if (got.row && control.way === 'frozen')
    expect(control.forS).toBeGreaterThanOrEqual(got.row.forS);
});

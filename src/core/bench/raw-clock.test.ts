import fc from 'fast-check';
import { foldBatch } from '../logbook/fold';
import { routeOf } from '../route/adapter';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { testRecipe, testRules } from '../testing/recipe';
import { rawClock } from './raw-clock';

const rule = testRules().making.body;
const recipe = testRecipe();
const HOUR = 3600;
const grind = routeOf(recipe).find((s) => s.kind === 'grind')!.id;
const mix = routeOf(recipe).find((s) => s.kind === 'mix')!.id;
const MEAT: Line[] = [started(10_000), [0, weighed('lean', 8_000)], [0, weighed('fat', 2_000)]];
const clock = (lines: Line[], nowS: number, of = recipe) =>
  rawClock(of, foldBatch(of, entriesOf([...MEAT, ...lines])), rule, nowS);
const measured = (at: number, tempC: number, stepId = grind): Line => [
  at,
  { kind: 'step_ticked', stepId, tempC },
];

test('no clock before the meat is weighed', () =>
  expect(rawClock(recipe, foldBatch(recipe, entriesOf([started(1)])), rule, 10)).toBeNull());

test.each<[string, Line[], number, Partial<ReturnType<typeof rawClock>>]>([
  ['runs from the first meat', [], HOUR, { outS: HOUR, longestS: HOUR, runs: true, coldS: 0 }],
  ['a cold reading starts it anew', [measured(HOUR, 3)], 2 * HOUR, { outS: HOUR, coldS: HOUR }],
  ['a warm one does not', [measured(HOUR, 6)], 2 * HOUR, { outS: 2 * HOUR, coldS: 0 }],
  [
    'warm, then cold: the stretch is remembered',
    [measured(HOUR, 6), measured(2 * HOUR, 2, mix)],
    3 * HOUR,
    { outS: HOUR, longestS: 2 * HOUR },
  ],
  [
    'stuffed: it stands',
    [[HOUR, { kind: 'step_done', step: 'stuff' }]],
    9 * HOUR,
    { outS: HOUR, longestS: HOUR, runs: false },
  ],
  [
    'in its hold it is in the cold',
    [
      [50, weighed('cure', 19.2)],
      [HOUR, { kind: 'cure_hold_started', coolerC: 2 }],
    ],
    9 * HOUR,
    { outS: 0, longestS: 0, runs: false },
  ],
  [
    'after its hold it runs again',
    [
      [50, weighed('cure', 19.2)],
      [HOUR, { kind: 'cure_hold_started', coolerC: 2 }],
      [10 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }],
    ],
    11 * HOUR,
    { outS: HOUR, coldS: 10 * HOUR, runs: true },
  ],
  [
    'a batter that is measured while it is made counts',
    [[HOUR, { kind: 'batter_measured', stepId: grind, tempC: 2 }]],
    2 * HOUR,
    { outS: HOUR },
  ],
])('%s', (_, lines, nowS, wanted) => expect(clock(lines, nowS)).toMatchObject(wanted!));

test('shorter without cure', () => {
  expect(clock([], 1)!.maxS).toBe(4 * HOUR);
  expect(clock([], 1, { ...recipe, cure: null })!.maxS).toBe(2 * HOUR);
});

test('no reading makes it longer than the time since the meat came out, nor less than nothing', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(fc.integer({ min: 0, max: 20_000 }), fc.double({ min: -5, max: 12, noNaN: true })),
        {
          maxLength: 6,
        },
      ),
      fc.integer({ min: 20_000, max: 40_000 }),
      (readings, nowS) => {
        const lines = readings.map(([at, tempC]): Line => [
          at,
          { kind: 'batter_measured', stepId: grind, tempC },
        ]);
        const c = clock(lines, nowS)!;
        expect(c.outS).toBeGreaterThanOrEqual(0);
        expect(c.longestS).toBeGreaterThanOrEqual(c.outS);
        expect(c.longestS).toBeLessThanOrEqual(nowS);
      },
    ),
  ));

test('one more warm reading never makes the longest stretch shorter', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 9_000 }),
      fc.integer({ min: 1, max: 9_000 }),
      fc.boolean(),
      (a, b, cold) => {
        const first = measured(a, cold ? 2 : 7);
        const base = clock([first], 10_000)!.longestS;
        expect(clock([first, measured(b, 9, mix)], 10_000)!.longestS).toBeGreaterThanOrEqual(base);
      },
    ),
  ));

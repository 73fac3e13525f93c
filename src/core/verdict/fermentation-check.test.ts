import { foldBatch } from '../logbook/fold';
import { entriesOf, type Line } from '../testing/batch';
import { fermentedRecipe, testRules } from '../testing/recipe';
import { degreeHourLimit, degreeHours } from '../fermentation/degree-hours';
import { finalPh } from '../fermentation/final-ph';
import type { Case } from './check';
import { judge } from './judge';

const HOUR = 3600;
const START = 1_800_000_000;

/** A batch whose fermentation begins at START; facts are hours after it. */
function caseOf(facts: Line[], nowH: number): Case {
  const all: Line[] = [[0, { kind: 'run_started', houseId: 'h' }], ...facts];
  const entries = entriesOf(all.map(([h, body]): Line => [START + h * HOUR, body]));
  const recipe = fermentedRecipe();
  const state = foldBatch(recipe, entries);
  return {
    recipe,
    rules: testRules(),
    state,
    series: {},
    calibrations: {},
    nowS: START + nowH * HOUR,
  };
}
const air = (h: number, tempC: number): Line => [
  h,
  { kind: 'reading_logged', what: 'air', tempC, thickest: false },
];
const ph = (h: number, value: number): Line => [h, { kind: 'ph_logged', ph: value }];
const hourly = (toH: number, tempC: number) =>
  Array.from({ length: Math.floor(toH / 3) + 1 }, (_, i) => air(3 * i, tempC));
const found = (c: Case, code: string) => judge(c).checks.find((k) => k.code === code)!;
const figure = (c: Case, name: string) =>
  found(c, 'fermentation').figures.find((f) => f.name === name)?.value;

test('36 °C for 18 h to pH 5.1: 367 degree-hours, limit 556', () => {
  const c = caseOf([...hourly(18, 36), ph(12, 5.5), ph(17.75, 5.2), ph(18, 5.1)], 20);
  expect(found(c, 'fermentation')).toMatchObject({ status: 'pass', because: 'reached' });
  expect(figure(c, 'degreeHours')).toBeCloseTo(18 * 20.4, 6);
  expect(figure(c, 'limit')).toBe(556);
  expect(found(c, 'come_up')).toMatchObject({ status: 'pass', because: 'fermented' });
});

test.each<[string, Line[], number, string, string]>([
  ['no pH yet', hourly(10, 36), 10, 'missing', 'no_ph'],
  ['not low enough yet', [...hourly(10, 36), ph(10, 5.4)], 10, 'missing', 'running'],
  ['past its degree-hours', [...hourly(30, 36), ph(30, 5.4)], 30, 'fail', 'over_limit'],
  ['too late', [...hourly(33, 36), ph(33, 5.2)], 34, 'fail', 'over_limit'],
  ['nobody looked at the chamber', [ph(18, 5.1)], 20, 'missing', 'no_chamber_log'],
  ['a hole of 6 h in the log', [air(0, 36), air(6, 36), ph(7, 5.1)], 8, 'missing', 'gaps'],
])('%s', (_name, facts, nowH, status, because) =>
  expect(found(caseOf(facts, nowH), 'fermentation')).toMatchObject({ status, because }),
);

/** As a meter of the site shows it; `checkedH` when that was last found good. */
const read = (h: number, value: number, id: string, checkedH: number | null): Line => [
  h,
  {
    kind: 'ph_logged',
    ph: value,
    meter: { id, name: id, shownPh: value },
    ...(checkedH === null ? {} : { meterCheckedS: START + checkedH * HOUR }),
  },
];
const wrong = (h: number, id: string, sinceH: number): Line => [
  h,
  { kind: 'ph_doubted', meterId: id, meter: id, sinceS: START + sinceH * HOUR },
];

test.each<[string, Line[], string, string]>([
  ['a meter of the day is believed at once', [read(18, 5.1, 'a', 10)], 'pass', 'reached'],
  [
    'one that nobody checked never',
    [read(17, 5.1, 'a', null), read(18, 5, 'a', null)],
    'missing',
    'meter_not_checked',
  ],
  [
    'nor one of the day before yesterday',
    [read(17, 5.1, 'a', -20), read(18, 5, 'a', -20)],
    'missing',
    'meter_not_checked',
  ],
  [
    'found wrong afterwards',
    [read(18, 5.1, 'a', 10), wrong(19, 'a', 10)],
    'missing',
    'meter_not_checked',
  ],
  ['another one found wrong', [read(18, 5.1, 'a', 10), wrong(19, 'b', 10)], 'pass', 'reached'],
  ['wrong, but read before', [read(18, 5.1, 'a', 10), wrong(19, 'a', 18.5)], 'pass', 'reached'],
  [
    'two that differ: the higher counts',
    [read(18, 5.4, 'b', 10), read(18.1, 5.1, 'a', 10)],
    'missing',
    'shown_once',
  ],
  [
    'later it has fallen in both',
    [read(18, 5.4, 'b', 10), read(18.5, 5.1, 'a', 10)],
    'pass',
    'reached',
  ],
])('%s', (_name, facts, status, because) => {
  const c = caseOf([...hourly(18, 36), ...facts], 20);
  expect(found(c, 'fermentation')).toMatchObject({ status, because });
});

test('a pH from before the fermentation proves nothing', () => {
  const c = caseOf([[-1, { kind: 'ph_logged', ph: 5 }], ...hourly(6, 36)], 6);
  expect(found(c, 'fermentation').status).toBe('missing');
});

test('a recipe that is not fermented has no such check', () => {
  const c = caseOf([], 1);
  const plain = { ...c, recipe: { ...c.recipe, fermentation: undefined } };
  expect(judge(plain).checks.map((k) => k.code)).not.toContain('fermentation');
});

test.each([
  [20, 667],
  [32.2, 556],
  [37.7, 556],
  [37.8, 556],
  [40, 500],
])('a chamber of %d °C may take %d °C·h', (warmest, limit) =>
  expect(degreeHourLimit(testRules().fermentation.body, warmest)).toBe(limit),
);

test('degree-hours count only above 15.6 °C', () => {
  const log = [
    { tS: 0, tempC: 10 },
    { tS: HOUR, tempC: 10 },
    { tS: 2 * HOUR, tempC: 25.6 },
  ];
  expect(degreeHours(log, 15.6)).toBeCloseTo((10 * (1 - 5.6 / 15.6)) / 2, 9);
});

test.each([
  [0, 5.8],
  [6, 5.2],
  [30, 4.6],
])('%d g/kg of dextrose: pH %d', (dextroseGPerKg, expected) =>
  expect(finalPh({ dextroseGPerKg, floorPh: 4.6 })).toBeCloseTo(expected, 9),
);
test('refuses sugar below 0', () =>
  expect(() => finalPh({ dextroseGPerKg: -1, floorPh: 4.6 })).toThrow(/dextroseGPerKg/));

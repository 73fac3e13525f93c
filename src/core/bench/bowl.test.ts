import { foldBatch } from '../logbook/fold';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { testRecipe, testRules } from '../testing/recipe';
import { bowlParts, bowlsFound } from './bowl';

const rule = testRules().making.body;
const recipe = testRecipe();
const stateOf = (...lines: Line[]) =>
  foldBatch(
    recipe,
    entriesOf([started(10_000), [1, weighed('lean', 8_000)], [2, weighed('fat', 2_000)], ...lines]),
  );
const sum = (parts: { amountG: number }[]) => parts.reduce((g, p) => g + p.amountG, 0);

test('only what was weighed is in the sum; water of a mix in halves', () => {
  const s = stateOf([3, weighed('water', 500)], [4, weighed('salt', 161)]);
  const parts = bowlParts(recipe, s, rule, null);
  expect(sum(parts)).toBe(10_661);
  expect(parts.filter((p) => p.lineId === 'water').map((p) => [p.portion, p.amountG])).toEqual([
    [[1, 2], 250],
    [[2, 2], 250],
  ]);
  expect(parts.some((p) => p.lineId === 'pepper')).toBe(false);
});

test('a load has its share of the meat and its own of the rest, and the loads are the whole', () => {
  const s = stateOf(
    [3, { kind: 'loads_set', loads: 2 }],
    [4, weighed('water', 260, { load: 1 })],
    [5, weighed('water', 240, { load: 2 })],
    [6, weighed('lean', 700, { load: 2, more: true })],
  );
  const [one, two, all] = [1, 2, null].map((load) => sum(bowlParts(recipe, s, rule, load)));
  expect(one).toBe(5_260);
  expect(two).toBe(5_940);
  expect(one! + two!).toBeCloseTo(all!, 6);
});

test('the last weighing of a bowl counts, each load by itself', () => {
  const bowl = (at: number, load: number, grossG: number): Line => [
    at,
    { kind: 'bowl_weighed', load, grossG, tareG: 1_000, scaleResolutionG: 10 },
  ];
  const s = stateOf(
    [3, { kind: 'loads_set', loads: 2 }],
    [4, weighed('water', 250, { load: 1 })],
    [5, weighed('water', 250, { load: 2 })],
    bowl(6, 1, 6_000),
    bowl(7, 1, 6_230),
    bowl(8, 2, 6_000),
  );
  const found = bowlsFound(recipe, s, rule);
  expect(found.map((b) => [b.load, b.balance.within])).toEqual([
    [1, true],
    [2, false],
  ]);
  expect(found[1]!.balance.gapG).toBe(-250);
  expect(found[1]!.balance.fits[0]!.parts.map((p) => p.lineId)).toEqual(['water']);
});

test('nothing weighed, nothing to hold it against', () => {
  const s = foldBatch(recipe, entriesOf([started(1_000)]));
  expect(bowlParts(recipe, s, rule, null)).toEqual([]);
  expect(bowlsFound(recipe, s, rule)).toEqual([]);
});

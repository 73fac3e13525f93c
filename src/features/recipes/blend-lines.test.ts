import { blendTrims, parseIngredientList } from '@/core';
import { fatOf, meatLines, type MeatLot } from './blend-lines';
import { curePpm } from './from-list';

const lot = (
  id: string,
  ingredient: string,
  fatFraction: number | null,
  costPerKg: number | null,
): MeatLot => ({
  id,
  code: id,
  ingredient,
  leftG: 10_000,
  fatFraction,
  costPerKg,
  useBy: null,
  owner: null,
  facts: { species: 'pork', fatFraction: 0.5 },
});
const LOTS = [
  lot('a', 'Shoulder', 0.2, 5),
  lot('b', 'Shoulder', 0.24, 6),
  lot('c', 'Back fat', 0.9, 2),
  lot('d', 'Belly', null, null),
];

test('a lot without a figure of its own has its ingredient’s fat', () =>
  expect(LOTS.map(fatOf)).toEqual([0.2, 0.24, 0.9, 0.5]));

test('two lots of one ingredient become one line; shares sum to 100', () => {
  const trims = LOTS.slice(0, 3).map((l) => ({
    id: l.id,
    fatFraction: fatOf(l)!,
    availableG: l.leftG,
    costPerKg: l.costPerKg!,
  }));
  const blend = blendTrims({ trims, targetFatFraction: 0.3, totalG: 18_000 });
  const lines = meatLines(blend, LOTS, 'metric');
  expect(lines.map((l) => l.name).sort()).toEqual(['Back fat', 'Shoulder']);
  expect(lines.reduce((s, l) => s + Number(l.amount), 0)).toBeCloseTo(100, 9);
  const fat = lines.reduce((s, l) => s + (Number(l.amount) / 100) * (Number(l.fat) / 100), 0);
  expect(fat).toBeCloseTo(0.3, 3);
  const cost = lines.reduce((s, l) => s + (Number(l.amount) / 100) * Number(l.cost), 0);
  expect(cost).toBeCloseTo(blend.cost! / 18, 3);
});

test('an unpriced lot leaves the cost empty', () => {
  const trims = [{ id: 'd', fatFraction: 0.5, availableG: 9000 }];
  const blend = blendTrims({ trims, targetFatFraction: 0.5, totalG: 5000 });
  expect(meatLines(blend, LOTS, 'us')).toMatchObject([{ amount: '100', fat: '50', cost: '' }]);
});

describe('what a cure line of an old list really dosed', () => {
  const cureOf = (text: string) => parseIngredientList(text).lines.find((l) => l.role === 'cure')!;
  test.each([
    ['5 lb pork\n1 tsp cure #1', 0.0625, 129.5, 184.6],
    ['10 lb pork\n2 tsp cure #1', 0.0625, 129.5, 184.6],
    ['10 lb pork\n1 oz cure #1', 0.0625, 390.6, 390.6],
    ['5 lb pork\n1 tsp pink salt', 0.005, 10.4, 14.8],
  ])('%j at %d: %d to %d ppm', (text, fraction, low, high) => {
    const ppm = curePpm(cureOf(text), fraction)!;
    expect(ppm.ppmLow).toBeCloseTo(low, 1);
    expect(ppm.ppmHigh).toBeCloseTo(high, 1);
  });
  test('without a meat weight it is not known', () =>
    expect(curePpm(cureOf('1 tsp cure #1'), 0.0625)).toBeNull());
});

import fc from 'fast-check';
import { blendTrims, type Trim } from './blend-trims';

const SEED = { seed: 20261123 };
const lean: Trim = { id: 'lean', fatFraction: 0.1, availableG: 20_000, costPerKg: 6 };
const fat: Trim = { id: 'fat', fatFraction: 0.9, availableG: 20_000, costPerKg: 2 };
const amounts = (b: ReturnType<typeof blendTrims>) =>
  Object.fromEntries(b.lines.map((l) => [l.id, Math.round(l.amountG)]));

test('two trims: the lever rule', () => {
  const blend = blendTrims({ trims: [lean, fat], targetFatFraction: 0.3, totalG: 8000 });
  expect(blend).toMatchObject({ feasible: true, reason: null });
  expect(amounts(blend)).toEqual({ lean: 6000, fat: 2000 });
  expect(blend.cost).toBeCloseTo(40, 6);
  expect(blend.fatFraction).toBeCloseTo(0.3, 9);
});

test('of several ways to the target it takes the cheapest', () => {
  const middle: Trim = { id: 'middle', fatFraction: 0.3, availableG: 8000, costPerKg: 4 };
  const blend = blendTrims({ trims: [lean, fat, middle], targetFatFraction: 0.3, totalG: 8000 });
  expect(amounts(blend)).toEqual({ middle: 8000 });
});

test('a trim without a cost is not taken for being unpriced, and the cost is then unknown', () => {
  const free: Trim = { id: 'free', fatFraction: 0.3, availableG: 8000 };
  const priced = blendTrims({ trims: [lean, fat, free], targetFatFraction: 0.3, totalG: 8000 });
  expect(priced.lines.map((l) => l.id)).toEqual(['lean', 'fat']);
  const only = blendTrims({ trims: [free], targetFatFraction: 0.3, totalG: 8000 });
  expect(only).toMatchObject({ feasible: true, cost: null });
});

test('out of reach: the closest blend, and how close', () => {
  const blend = blendTrims({
    trims: [lean, { ...fat, availableG: 1000 }],
    targetFatFraction: 0.5,
    totalG: 10_000,
  });
  expect(blend).toMatchObject({ feasible: false, reason: 'fat_out_of_reach' });
  expect(blend.fatFraction).toBeCloseTo(0.18, 9);
});

test('shares bind: at least 40 % of the fat trim', () => {
  const blend = blendTrims({
    trims: [lean, { ...fat, minFraction: 0.4 }],
    targetFatFraction: 0.3,
    totalG: 1000,
  });
  expect(blend).toMatchObject({ feasible: false, reason: 'fat_out_of_reach' });
  expect(blend.fatFraction).toBeCloseTo(0.42, 9);
});

test.each([
  ['stock_short', [{ ...lean, availableG: 10 }]],
  [
    'shares_conflict',
    [
      { ...lean, maxFraction: 0.2 },
      { ...fat, maxFraction: 0.2 },
    ],
  ],
  [
    'shares_conflict',
    [
      { ...lean, minFraction: 0.8 },
      { ...fat, minFraction: 0.8 },
    ],
  ],
] as const)('%s: no blend at all', (reason, trims) => {
  const blend = blendTrims({ trims, targetFatFraction: 0.3, totalG: 1000 });
  expect(blend).toMatchObject({ feasible: false, lines: [], fatFraction: null, reason });
});

test.each([
  ['totalG', { totalG: 0 }],
  ['targetFatFraction', { targetFatFraction: 1.2 }],
  ['fatFraction', { trims: [{ ...lean, fatFraction: Number.NaN }] }],
  ['availableG', { trims: [{ ...lean, availableG: -1 }] }],
  ['minFraction', { trims: [{ ...lean, minFraction: 3 }] }],
  ['trims', { trims: [lean, lean] }],
])('refuses a bad %s', (field, change) =>
  expect(() =>
    blendTrims({ trims: [lean, fat], targetFatFraction: 0.3, totalG: 1000, ...change }),
  ).toThrow(new RegExp(field)),
);

test('property: within stock and shares, and no pair of trims beats it', () => {
  const trim = fc.record({
    fatFraction: fc.integer({ min: 2, max: 95 }).map((x) => x / 100),
    availableG: fc.integer({ min: 0, max: 9000 }),
    costPerKg: fc.integer({ min: 1, max: 20 }),
  });
  fc.assert(
    fc.property(
      fc.array(trim, { minLength: 2, maxLength: 6 }),
      fc.integer({ min: 5, max: 60 }),
      (raw, target) => {
        const trims = raw.map((t, i) => ({ ...t, id: `t${i}` }));
        const blend = blendTrims({ trims, targetFatFraction: target / 100, totalG: 5000 });
        if (blend.fatFraction === null) {
          expect(trims.reduce((s, t) => s + t.availableG, 0)).toBeLessThan(5001);
          return;
        }
        expect(blend.lines.reduce((s, l) => s + l.amountG, 0)).toBeCloseTo(5000, 2);
        for (const l of blend.lines)
          expect(l.amountG).toBeLessThanOrEqual(trims.find((t) => t.id === l.id)!.availableG);
        const off = Math.abs(blend.fatFraction - target / 100);
        for (const a of trims)
          for (const b of trims)
            for (let k = 0; k <= 20; k += 1) {
              const [x, y] = [(5000 * k) / 20, 5000 - (5000 * k) / 20];
              if (a === b || x > a.availableG || y > b.availableG) continue;
              const fatOfPair = (x * a.fatFraction + y * b.fatFraction) / 5000;
              expect(off).toBeLessThanOrEqual(Math.abs(fatOfPair - target / 100) + 1e-6);
            }
      },
    ),
    { ...SEED, numRuns: 60 },
  );
});

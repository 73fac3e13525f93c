import fc from 'fast-check';
import { shareLoads, splitLoads } from './split-loads';

const steps = fc.constantFrom(0.01, 0.1, 0.5, 1, 5, 20);
const line = fc.record({
  lineId: fc.uuid(),
  resolutionG: steps,
  n: fc.integer({ min: 1, max: 20_000 }),
});

test('loads are equal, as few as fit, and every line adds up exactly', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1000, max: 100_000, noNaN: true }),
      fc.double({ min: 6000, max: 60_000, noNaN: true }),
      fc.array(line, { maxLength: 6 }),
      (totalG, capacityG, given) => {
        const lines = given.map(({ n, ...l }) => ({
          ...l,
          totalG: Number((n * l.resolutionG).toFixed(6)),
        }));
        const loads = splitLoads({ totalG, capacityG, lines });
        expect(totalG / loads.length).toBeLessThanOrEqual(capacityG + 1e-6);
        if (loads.length > 1) expect(totalG / (loads.length - 1)).toBeGreaterThan(capacityG);
        for (const l of lines) {
          const shares = loads.map((x) => x.lines.find((y) => y.lineId === l.lineId)!.amountG);
          expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(l.totalG, 4);
          expect(Math.max(...shares) - Math.min(...shares)).toBeLessThanOrEqual(
            l.resolutionG + 1e-6,
          );
          for (const s of shares)
            expect(Math.abs(s / l.resolutionG - Math.round(s / l.resolutionG))).toBeLessThan(1e-4);
        }
      },
    ),
  ));

test('30 kg in a bowl of 12: three loads, 57.6 g of cure as 19.2 each', () => {
  const loads = splitLoads({
    totalG: 30_000,
    capacityG: 12_000,
    lines: [{ lineId: 'cure', totalG: 57.6, resolutionG: 0.1 }],
  });
  expect(loads.map((l) => l.lines[0]!.amountG)).toEqual([19.2, 19.2, 19.2]);
  expect(loads.map((l) => l.totalG)).toEqual([10_000, 10_000, 10_000]);
});

test('what is no whole number of steps goes with the first load', () =>
  expect(
    shareLoads(10, 2, [{ lineId: 'a', totalG: 10.04, resolutionG: 0.1 }]).map(
      (l) => l.lines[0]!.amountG,
    ),
  ).toEqual([5.04, 5]));

test('a bowl that is full to the brim is one load', () =>
  expect(splitLoads({ totalG: 12_000, capacityG: 12_000, lines: [] })).toHaveLength(1));

test.each([
  [0, 10, 'totalG'],
  [10, 0, 'capacityG'],
  [Number.NaN, 10, 'totalG'],
  [1000, 10, 'capacityG'],
])('%d g in a bowl of %d', (totalG, capacityG, field) =>
  expect(() => splitLoads({ totalG, capacityG, lines: [] })).toThrow(field),
);
test.each([0, 1.5, 21, -1])('%d loads', (n) =>
  expect(() => shareLoads(100, n, [])).toThrow('count'),
);

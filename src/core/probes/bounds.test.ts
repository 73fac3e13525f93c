import fc from 'fast-check';
import { LivePiece } from '../heat/live-piece';
import type { MediumSetting } from '../heat/medium';
import { answerOf, Bounds, firstRootSquared, type Surrounding } from './bounds';

test.each([
  [0.01, 0.1412],
  [0.1, 0.4417],
  [0.5, 0.9408],
  [1, 1.2558],
  [5, 1.9898],
  [10, 2.1795],
  [100, 2.3809],
])(
  'the first root of a cylinder of Biot number %d is %d (Carslaw & Jaeger, table III)',
  (bi, root) => {
    expect(Math.sqrt(firstRootSquared(bi)) / root).toBeCloseTo(1, 2);
  },
);

test('a thin piece, a short one and a better film answer sooner; no piece at all is refused', () => {
  const of38 = answerOf(38);
  expect(answerOf(20).fastest(60)).toBeGreaterThan(of38.fastest(60));
  expect(answerOf(38, 60).fastest(60)).toBeGreaterThan(of38.fastest(60));
  expect(of38.fastest(600)).toBeGreaterThan(of38.fastest(60));
  expect(of38.slowest).toBeLessThan(of38.fastest(4));
  expect(() => answerOf(0)).toThrow(RangeError);
  expect(() => answerOf(Number.NaN)).toThrow(RangeError);
});

const house: Surrounding = { hotC: 75, coldC: 5, filmWm2K: 60 };

test('bounds close on what surrounds the piece and never pass it', () => {
  const b = new Bounds(answerOf(38), 0, 4, 6);
  for (let tS = 60; tS <= 12 * 3600; tS += 60) b.carry(tS, house);
  expect(b.highC).toBeGreaterThan(74.9);
  expect(b.highC).toBeLessThanOrEqual(75);
  expect(b.lowC).toBe(4);
  b.carry(13 * 3600, { hotC: 10, coldC: -2, filmWm2K: 600 });
  expect(b.lowC).toBeGreaterThanOrEqual(-2);
  expect(b.lowC).toBeLessThan(0);
});

test('one long step is as wide as many short ones', () => {
  const [once, often] = [0, 0].map(() => new Bounds(answerOf(38), 0, 4, 6));
  once!.carry(3600, house);
  for (let tS = 10; tS <= 3600; tS += 10) often!.carry(tS, house);
  expect(once!.highC).toBeCloseTo(often!.highC, 6);
  expect(once!.lowC).toBeCloseTo(often!.lowC, 6);
});

test('a step back in time carries nothing', () => {
  const b = new Bounds(answerOf(38), 100, 4, 6);
  b.carry(50, house);
  expect([b.lowC, b.highC]).toEqual([4, 6]);
});

test('a reading narrows; what lies outside is told by how much', () => {
  const b = new Bounds(answerOf(38), 0, 10, 60);
  b.narrow(30, 2);
  expect([b.lowC, b.highC]).toEqual([28, 32]);
  expect([b.outside(35), b.outside(27), b.outside(30)]).toEqual([3, -1, 0]);
  const copy = b.copy();
  copy.narrow(31, 0.5);
  expect(b.highC).toBe(32);
});

test('property: the core of a true piece that only warms lies within, from reading to reading', () => {
  const stage = fc.record({
    riseC: fc.double({ min: 0, max: 20, noNaN: true }),
    minutes: fc.integer({ min: 5, max: 60 }),
    hWm2K: fc.double({ min: 8, max: 58, noNaN: true }),
    rh: fc.double({ min: 0.2, max: 0.6, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.integer({ min: 18, max: 95 }),
      fc.array(stage, { minLength: 1, maxLength: 4 }),
      (diameterMm, stages) => {
        const piece = new LivePiece({ diameterMm, startC: 5 }, 12);
        const bounds = new Bounds(answerOf(diameterMm), 0, 3, 7);
        let [tS, airC] = [0, 40];
        for (const { riseC, minutes, hWm2K, rh } of stages) {
          airC = Math.min(95, airC + riseC);
          const setting: MediumSetting = { medium: 'air', airC, hWm2K, rh };
          for (let n = 0; n < minutes; n += 1) {
            piece.stay(60, setting);
            bounds.carry((tS += 60), { hotC: airC, coldC: 0, filmWm2K: 60 });
            expect(bounds.outside(piece.coreC)).toBe(0);
            bounds.narrow(piece.coreC, 1.5);
          }
        }
      },
    ),
    { seed: 31, numRuns: 40 },
  );
});

import fc from 'fast-check';
import { invertSpd } from './cholesky';
import { missAt, surprises } from './model-error';

const ERROR = { sd: 0.5, memoryS: 1200 };
const course = fc.array(
  fc.record({
    dt: fc.integer({ min: 10, max: 2000 }),
    miss: fc.double({ min: -3, max: 3, noNaN: true }),
    noise: fc.double({ min: 0.05, max: 0.5, noNaN: true }),
  }),
  { minLength: 1, maxLength: 12 },
);

test('property: squares add up to the exact weighted square with the whole covariance', () => {
  fc.assert(
    fc.property(course, (steps) => {
      let t = 0;
      const times = steps.map((s) => (t += s.dt));
      const misses = Float64Array.from(steps, (s) => s.miss);
      const covariance = times.map((a, i) =>
        times.map(
          (b, j) =>
            ERROR.sd ** 2 * Math.exp(-Math.abs(a - b) / ERROR.memoryS) +
            (i === j ? steps[i]!.noise ** 2 : 0),
        ),
      );
      const inverse = invertSpd(covariance)!;
      let exact = 0;
      misses.forEach((a, i) => misses.forEach((b, j) => (exact += a * b * inverse[i]![j]!)));
      const { surprise } = surprises(
        misses,
        times,
        steps.map((s) => s.noise),
        ERROR,
      );
      expect(surprise.reduce((sum, v) => sum + v * v, 0)).toBeCloseTo(exact, 6);
    }),
    { seed: 5, numRuns: 100 },
  );
});

test('a miss that stays is no surprise any more, and one that is known is forgotten in time', () => {
  const times = Array.from({ length: 30 }, (_, i) => i * 60);
  const { surprise, known } = surprises(
    new Float64Array(30).fill(0.6),
    times,
    times.map(() => 0.1),
    ERROR,
  );
  expect(Math.abs(surprise[29]!)).toBeLessThan(0.3 * surprise[0]!);
  expect(known.mean).toBeGreaterThan(0.5);
  const later = missAt(known, known.tS + 3 * ERROR.memoryS, ERROR);
  expect(later.mean).toBeCloseTo(known.mean * Math.exp(-3), 9);
  expect(later.variance).toBeGreaterThan(0.9 * ERROR.sd ** 2);
});

test('nothing missed, nothing known', () => {
  const { surprise, known } = surprises(new Float64Array(0), [], [], ERROR);
  expect(surprise).toHaveLength(0);
  expect(known).toMatchObject({ mean: 0, variance: 0.25 });
});

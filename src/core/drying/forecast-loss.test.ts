import fc from 'fast-check';
import { forecastLoss, type LossForecastInput } from './forecast-loss';
import { AS_USUAL, type DryingFactors } from './piece';
import { simulateDrying } from './simulate-drying';
import { runs } from '../testing/thorough';

const DAY = 86_400;
const piece = { diameterMm: 60, waterFraction: 0.57, fatFraction: 0.21, saltFraction: 0.027 };
const room = { airC: 13, rh: 0.78 };
const truth = (factors: DryingFactors) =>
  simulateDrying({
    piece,
    air: [{ tS: 0, ...room }],
    startS: 0,
    untilS: 90 * DAY,
    permeability: 0.6,
    factors,
  });

/** Weights of a piece whose figures nobody knows, every so many days. */
function weighed(factors: DryingFactors, days: readonly number[]) {
  const { samples } = truth(factors);
  return days.map((d) => {
    const s = samples.find((x) => x.tS >= d * DAY)!;
    return { tS: s.tS, weightG: 1000 * (1 - s.lossFraction) };
  });
}
const dayOf = (factors: DryingFactors, loss: number) =>
  truth(factors).samples.find((s) => s.lossFraction >= loss)!.tS;

const input = (more: Partial<LossForecastInput> = {}): LossForecastInput => ({
  piece,
  permeability: 0.6,
  weighings: [{ tS: 0, weightG: 1000 }],
  air: [{ tS: 0, ...room }],
  ahead: room,
  nowS: 0,
  targetLoss: 0.3,
  ...more,
});

test('before a second weight it is the usual course, with a wide band and a weighing to come', () => {
  const f = forecastLoss(input());
  expect(f.status).toBe('forecast');
  expect(f.p90S! - f.p10S!).toBeGreaterThan(5 * DAY);
  expect(f.nextS).toBeGreaterThan(0);
  expect(f.nextS).toBeLessThan(f.p50S!);
});

test.each([
  ['slow inside', { ...AS_USUAL, inside: 0.65 }],
  ['freer outside', { ...AS_USUAL, outside: 1.6 }],
  ['both other', { ...AS_USUAL, inside: 1.4, outside: 0.7 }],
])('%s shows in its weights', (_, factors) => {
  const endS = dayOf(factors, 0.3);
  const days = [0, 2, 4, 7, 10, 13].filter((d) => d * DAY < 0.7 * endS);
  const weighings = weighed(factors, days);
  const f = forecastLoss(input({ weighings, nowS: weighings.at(-1)!.tS }));
  expect(f.p10S).toBeLessThanOrEqual(endS);
  expect(f.p90S).toBeGreaterThanOrEqual(endS);
  expect(Math.abs(f.p50S! - endS)).toBeLessThan(1.5 * DAY);
  expect(f.course.every((c) => c.p10 <= c.p50 && c.p50 <= c.p90)).toBe(true);
});

test('a rim that shut on the way makes it later', () => {
  const shut = { ...AS_USUAL, lately: { fromS: 6 * DAY, by: 0.4 } };
  const weighings = weighed(shut, [0, 2, 4, 6, 8, 10, 12]);
  const f = forecastLoss(input({ weighings, nowS: weighings.at(-1)!.tS }));
  const usual = dayOf(AS_USUAL, 0.3);
  expect(f.p50S).toBeGreaterThan(usual + 2 * DAY);
  expect(f.p90S).toBeGreaterThan(dayOf(shut, 0.3));
});

test('a weight that shows it is reached; air as moist as the piece never gets there', () => {
  const shown = forecastLoss(
    input({
      weighings: [
        { tS: 0, weightG: 1000 },
        { tS: 20 * DAY, weightG: 690 },
      ],
      nowS: 21 * DAY,
    }),
  );
  expect(shown).toMatchObject({ status: 'reached', p50S: 20 * DAY, nextS: null });
  const never = forecastLoss(input({ air: [], ahead: { airC: 13, rh: 0.96 } }));
  expect(never).toMatchObject({ status: 'unreachable', p50S: null, p90S: null });
});

test('a piece that has hung for most of a year is still followed', () => {
  const hung = {
    weighings: [
      { tS: 0, weightG: 1000 },
      { tS: 200 * DAY, weightG: 720 },
    ],
    nowS: 220 * DAY,
  };
  expect(forecastLoss(input({ ...hung, targetLoss: 0.45 })).p10S ?? Infinity).toBeGreaterThan(
    220 * DAY,
  );
});

test.each([
  ['a piece that was swapped', [1000, 960, 1190, 880]],
  ['a scale in the other unit', [1000, 960, 33, 900]],
])('%s is not explained', (_, weights) => {
  const weighings = weights.map((weightG, k) => ({ tS: 3 * k * DAY, weightG }));
  expect(forecastLoss(input({ weighings, nowS: 9 * DAY })).status).not.toBe('forecast');
});

test('property: ends in order, never before now, whatever the weights', () => {
  const loss = fc.array(fc.double({ min: 0, max: 0.03, noNaN: true }), {
    minLength: 1,
    maxLength: 5,
  });
  fc.assert(
    fc.property(loss, fc.double({ min: 0.7, max: 0.9, noNaN: true }), (steps, rh) => {
      let weightG = 900;
      const weighings = [
        { tS: 0, weightG },
        ...steps.map((s, k) => ({ tS: 2 * (k + 1) * DAY, weightG: (weightG *= 1 - s) })),
      ];
      const nowS = weighings.at(-1)!.tS;
      const f = forecastLoss(input({ weighings, nowS, ahead: { airC: 13, rh } }));
      const [a, b, c] = [f.p10S ?? Infinity, f.p50S ?? Infinity, f.p90S ?? Infinity];
      expect(a <= b && b <= c).toBe(true);
      if (f.status === 'forecast') expect(a).toBeGreaterThanOrEqual(nowS);
      if (f.nextS !== null) expect(f.nextS).toBeGreaterThan(nowS);
    }),
    { seed: 9, numRuns: runs(30) },
  );
});

test.each([
  [{ weighings: [] }, 'weighings'],
  [{ weighings: [{ tS: 5, weightG: 1 }] }, 'weighings'],
  [{ weighings: [{ tS: 0, weightG: 0 }] }, 'weightG'],
  [{ targetLoss: 30 }, 'targetLoss'],
  [{ ahead: { airC: 13, rh: 78 } }, 'ahead.rh'],
] as [Partial<LossForecastInput>, string][])('refuses %o', (more, field) =>
  expect(() => forecastLoss(input(more))).toThrow(field),
);

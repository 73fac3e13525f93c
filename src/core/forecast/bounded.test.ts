import { programOf } from '../route/read';
import fc from 'fast-check';
import { heatProduct, heatStage } from '../run/heat-stage';
import { anyRecipe } from '../testing/arbitrary';
import { testRecipe } from '../testing/recipe';
import { fitRun } from './fit-run';
import type { ForecastInput } from './types';
import { forecastFinish } from './forecast-finish';
import type { Target } from './run-case';
import type { RunReading } from './readings';
import { MOST_STEPS, OutOfWork, Work } from './work';
import { runs } from '../testing/thorough';

const recipe = testRecipe();
const run = (core: (i: number) => number, air: (i: number) => number, n = 60): ForecastInput => ({
  product: heatProduct(recipe, 4),
  stages: recipe.program.map((s) => heatStage(s)),
  readings: Array.from({ length: n }, (_, i): RunReading[] => [
    { tS: i * 60, channel: 'core', tempC: core(i) },
    { tS: i * 60, channel: 'air', tempC: air(i) },
  ]).flat(),
  nowS: n * 60,
});

test.each<[string, ForecastInput]>([
  [
    'a constant 4 °C in air of 65 °C',
    run(
      () => 4,
      () => 65,
    ),
  ],
  [
    'a constant 60 °C from the first minute',
    run(
      () => 60,
      () => 65,
    ),
  ],
  [
    'a core that falls in hot air',
    run(
      (i) => 60 - i,
      () => 80,
    ),
  ],
  [
    'the air itself',
    run(
      (i) => (i % 20 < 10 ? 20 : 90),
      (i) => (i % 20 < 10 ? 20 : 90),
    ),
  ],
])('readings that no core gives are refused honestly: %s', (_, input) => {
  const f = forecastFinish({ ...input, target: { coreC: 95 } });
  expect(f.basis.status).toBe('unexplained');
  expect([f.p10S, f.p50S, f.p90S]).toEqual([null, null, null]);
});

test('what the core has shown needs no model', () => {
  const f = forecastFinish({
    ...run(
      () => 60,
      () => 65,
    ),
    target: { coreC: 55 },
  });
  expect(f.basis.status).toBe('reached');
});

test('property: any readings that pass ingest, any recipe: a band in order or an honest refusal, within its work', () => {
  const step = fc.record({
    dt: fc.integer({ min: 1, max: 600 }),
    coreC: fc.double({ min: -60, max: 260, noNaN: true }),
    airC: fc.double({ min: -60, max: 260, noNaN: true }),
  });
  const target = fc.constantFrom<Target>(
    { coreC: 69 },
    { logs: 6.5 },
    { coreC: 4.4, falling: true },
    { stage: 0 },
  );
  fc.assert(
    fc.property(
      anyRecipe,
      fc.array(step, { maxLength: 400 }),
      fc.boolean(),
      target,
      (r, steps, smooth, t) => {
        let tS = 0;
        let coreC = 4;
        const readings = steps.flatMap((s): RunReading[] => {
          tS += s.dt;
          coreC = smooth ? coreC + (s.coreC - coreC) / 200 : s.coreC;
          return [
            { tS, channel: 'core', tempC: coreC },
            { tS, channel: 'air', tempC: s.airC },
          ];
        });
        const f = forecastFinish({
          product: heatProduct(r, 4),
          stages: programOf(r).map((s) => heatStage(s)),
          readings,
          nowS: tS,
          target: t,
        });
        if (f.p50S === null) {
          expect(['unreachable', 'unexplained']).toContain(f.basis.status);
          return;
        }
        expect(f.p10S!).toBeLessThanOrEqual(f.p50S);
        if (f.p90S !== null) expect(f.p50S).toBeLessThanOrEqual(f.p90S);
      },
    ),
    { seed: 65, numRuns: runs(600) },
  );
});

test('work that runs out stops the model, not the server', () => {
  const work = new Work(10);
  work.spend(10);
  expect(() => work.spend(1)).toThrow(OutOfWork);
  expect(MOST_STEPS.fit + 4 * MOST_STEPS.target).toBeLessThanOrEqual(60_000);
});

test('a fit that runs out of work says so and keeps the usual product', () => {
  const wild = run(
    (i) => (i * 7919) % 200,
    (i) => ((i * 104_729) % 230) - 40,
    1_200,
  );
  const fitted = fitRun(wild);
  expect(fitted.explained).toBe(false);
  expect(fitted.theta.every((v) => Math.abs(v) <= 4)).toBe(true);
});

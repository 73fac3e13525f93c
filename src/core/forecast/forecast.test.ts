import fc from 'fast-check';
import { LivePiece } from '../heat/live-piece';
import type { HeatStage } from '../heat/simulate-program';
import { invertSpd } from './cholesky';
import { fitMap } from './fit';
import { fitRun } from './fit-run';
import type { ForecastInput } from './types';
import { forecastFinish } from './forecast-finish';
import { binChannel, Course, noiseOf, type RunReading } from './readings';

const COOK: HeatStage = {
  name: 'Cook',
  medium: 'air',
  airC: 80,
  rh: 0.5,
  hWm2K: 20,
  endCoreC: 70,
  maxS: 8 * 3600,
};
const PRODUCT = { diameterMm: 45, startC: 4, casingPermeability: 0 };

/** Even noise around 0, the same every time. */
function noise(seed: number): () => number {
  let x = seed;
  return () => {
    x = (Math.imul(x, 1664525) + 1013904223) >>> 0;
    return (x / 2 ** 32 - 0.5) * 0.6;
  };
}

/** A run with a truth of its own, up to nowS; and when it truly reaches the core. */
function truth(change: { h?: number; d?: number; airOff?: number }, nowS: number, coreC = 70) {
  const piece = new LivePiece({ ...PRODUCT, diameterMm: 45 * (change.d ?? 1) }, 40);
  const readings: RunReading[] = [];
  const jitter = noise(9);
  let t = 0;
  while (piece.coreC < coreC && t < 8 * 3600) {
    const airC = 80 + (change.airOff ?? 0);
    if (t <= nowS)
      readings.push(
        { tS: t, channel: 'core', tempC: piece.coreC + jitter() },
        { tS: t, channel: 'air', tempC: airC + jitter() },
      );
    piece.stay(20, { ...COOK, airC, hWm2K: 20 * (change.h ?? 1) });
    t += 20;
  }
  return { readings, finishS: t };
}
const ask = (
  more: Partial<ForecastInput>,
  target: Parameters<typeof forecastFinish>[0]['target'],
) => forecastFinish({ product: PRODUCT, stages: [COOK], readings: [], nowS: 0, ...more, target });

describe('forecastFinish', () => {
  test('before any reading it is the program, and says so with a wide band', () => {
    const f = ask({}, { coreC: 70 });
    expect(f.basis).toMatchObject({ status: 'forecast', madeFrom: 'program', missC: null });
    expect(f.p10S!).toBeLessThan(f.p50S!);
    expect(f.p90S! - f.p10S!).toBeGreaterThan(0.1 * f.p50S!);
  });

  test.each([
    ['a house that blows harder', { h: 1.3 }],
    ['one that hardly blows', { h: 0.75 }],
    ['a thicker piece', { d: 1.05 }],
    ['a house 4 °C under its set point', { airOff: -4 }],
  ])('%s is found out from its readings, and the band shrinks', (_, change) => {
    const { readings, finishS } = truth(change, 3000);
    const plan = ask({}, { coreC: 70 });
    const f = ask({ readings, nowS: 3000 }, { coreC: 70 });
    expect(f.basis.madeFrom).toBe('fitted');
    expect(f.basis.converged).toBe(true);
    expect(Math.abs(f.p50S! - finishS)).toBeLessThan(Math.max(180, 0.05 * (finishS - 3000)));
    expect(Math.abs(f.p50S! - finishS)).toBeLessThan(Math.abs(plan.p50S! - finishS));
    expect(f.p90S! - f.p10S!).toBeLessThan(plan.p90S! - plan.p10S!);
  });

  test('the film coefficient that it finds is the one that was there', () => {
    const { readings } = truth({ h: 1.3 }, 3600);
    const fitted = fitRun({ product: PRODUCT, stages: [COOK], readings, nowS: 3600 });
    expect(fitted.basis.factors.h).toBeGreaterThan(1.15);
    expect(fitted.basis.factors.h).toBeLessThan(1.45);
  });

  test('what a house taught moves the plan before the first reading', () => {
    const slow = ask({ house: { h: 0.7, lnSd: 0.08, runs: 4, likeRuns: null } }, { coreC: 70 });
    const plan = ask({}, { coreC: 70 });
    expect(slow.p50S!).toBeGreaterThan(plan.p50S! * 1.1);
    expect(slow.basis.houseRuns).toBe(4);
    expect((slow.p90S! - slow.p10S!) / slow.p50S!).toBeLessThan(
      (plan.p90S! - plan.p10S!) / plan.p50S!,
    );
  });

  test('logs, the end of a stage and a chill can be asked for', () => {
    const stages: HeatStage[] = [
      COOK,
      { name: 'Ice', medium: 'ice-water', airC: 1, endS: 3 * 3600 },
    ];
    const core = ask({ stages }, { stage: 0 }).p50S!;
    expect(ask({ stages }, { coreC: 70 }).p50S!).toBeCloseTo(core, -1);
    expect(ask({ stages }, { logs: 6.5 }).p50S!).toBeLessThan(core);
    const cold = ask({ stages }, { coreC: 4.4, falling: true }).p50S!;
    expect(cold).toBeGreaterThan(core + 600);
  });

  test('a target that was shown is reached; one beyond the air never comes', () => {
    const { readings } = truth({}, 3000);
    const shown = ask({ readings, nowS: 3000 }, { coreC: 30 });
    expect(shown.basis.status).toBe('reached');
    expect(shown.p50S).toBe(shown.p90S);
    expect(shown.p50S!).toBeLessThan(3000);
    expect(ask({}, { coreC: 85 })).toMatchObject({
      p50S: null,
      basis: { status: 'unreachable' },
    });
  });

  test('known starts of stages count, not those of the program', () => {
    const stages: HeatStage[] = [{ ...COOK, airC: 50, endCoreC: undefined, endS: 3600 }, COOK];
    const soon = ask({ stages, nowS: 1800, stageStartsS: [0, 900] }, { coreC: 70 }).p50S!;
    const later = ask({ stages, nowS: 1800, stageStartsS: [0] }, { coreC: 70 }).p50S!;
    expect(soon).toBeLessThan(later - 900);
  });

  test.each([
    ['no stages', { stages: [] }, { coreC: 70 }],
    ['a present that is no number', { nowS: Number.NaN }, { coreC: 70 }],
    ['a present before the start', { nowS: -5 }, { coreC: 70 }],
    [
      'a reading that is no number',
      { readings: [{ tS: 0, channel: 'core', tempC: NaN }] },
      { coreC: 70 },
    ],
    ['no logs to reach', {}, { logs: 0 }],
    ['a stage that is not there', {}, { stage: 4 }],
  ] as [string, Partial<ForecastInput>, { coreC: number }][])('refuses %s', (_, more, target) =>
    expect(() => ask(more, target)).toThrow(RangeError),
  );
});

test('bins average what falls into them, and the noise of a steady rise is its noise', () => {
  const readings: RunReading[] = Array.from({ length: 600 }, (_, i) => ({
    tS: i * 10,
    channel: 'core',
    tempC: 4 + i * 0.1 + (i % 2 === 0 ? 0.2 : -0.2),
  }));
  const bins = binChannel(readings, 'core', 6000, 60);
  expect(bins).toHaveLength(100);
  expect(bins[10]!.tempC).toBeCloseTo(4 + 62.5 * 0.1, 6);
  expect(noiseOf(readings, 'core')).toBeGreaterThan(0.1);
  expect(noiseOf(readings.slice(0, 4), 'core')).toBe(0.3);
  expect(
    noiseOf(
      readings.map((r, i) => ({ ...r, tempC: i * 0.1 })),
      'core',
    ),
  ).toBeLessThan(0.03);
});

test('what no house can be is left out: a broken air probe spoils no forecast', () => {
  const { readings } = truth({}, 3000);
  const broken = readings.map((r, i) =>
    r.channel === 'air' && i % 50 === 1 ? { ...r, tempC: 255 } : r,
  );
  const whole = ask({ readings, nowS: 3000 }, { coreC: 70 }).p50S!;
  expect(ask({ readings: broken, nowS: 3000 }, { coreC: 70 }).p50S!).toBeCloseTo(whole, -2);
});

test('a course is straight between bins, level for a while at its ends, and silent in a gap', () => {
  const course = new Course([
    { tS: 0, tempC: 10, count: 1 },
    { tS: 100, tempC: 20, count: 1 },
    { tS: 5000, tempC: 50, count: 1 },
  ]);
  expect(course.valueAt(50)).toBe(15);
  expect(course.valueAt(2000)).toBeNull();
  expect(course.valueAt(5100)).toBe(50);
  expect(course.valueAt(9000)).toBeNull();
  expect(course.medianBetween(-80, 120)).toBe(20);
  expect(course.medianBetween(200, 300)).toBeNull();
  expect(new Course([]).valueAt(0)).toBeNull();
});

test('property: the inverse of a matrix times the matrix is one', () => {
  const cell = fc.double({ min: -2, max: 2, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(fc.array(cell, { minLength: 4, maxLength: 4 }), { minLength: 4, maxLength: 4 }),
      (m) => {
        const spd = m.map((a, i) =>
          m.map((b, j) => a.reduce((s, v, k) => s + v * b[k]!, 0) + (i === j ? 1 : 0)),
        );
        const inverse = invertSpd(spd)!;
        spd.forEach((row, i) =>
          spd.forEach((_, j) => {
            const sum = row.reduce((s, v, k) => s + v * inverse[k]![j]!, 0);
            expect(sum).toBeCloseTo(i === j ? 1 : 0, 6);
          }),
        );
      },
    ),
    { seed: 3 },
  );
});

test('a matrix that is not positive definite has none', () =>
  expect(
    invertSpd([
      [1, 2],
      [2, 1],
    ]),
  ).toBeNull());

test('a linear fit with a standard normal prior is its textbook answer', () => {
  /* y = θ·x with σ 1 and prior N(0, 1): θ = Σxy/(1 + Σx²). */
  const x = [1, 2, 3];
  const y = [2.1, 3.9, 6.2];
  const fit = fitMap((t) => Float64Array.from(x, (v, i) => t[0]! * v - y[i]!), [0]);
  expect(fit.converged).toBe(true);
  expect(fit.theta[0]).toBeCloseTo((2.1 + 7.8 + 18.6) / 15, 3);
  expect(fit.covariance[0]![0]).toBeCloseTo(1 / 15, 3);
});

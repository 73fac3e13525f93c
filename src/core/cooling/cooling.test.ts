import fc from 'fast-check';
import { checkCooling } from './check-cooling';
import { comeUp } from './come-up';

const HOUR = 3600;
const STANDARD = [
  { fromC: 54.4, toC: 26.7, maxS: 1.5 * HOUR },
  { fromC: 26.7, toC: 4.4, maxS: 5 * HOUR },
];
const points = (...p: [number, number][]) => p.map(([h, tempC]) => ({ tS: h * HOUR, tempC }));
const cool = (...p: [number, number][]) =>
  checkCooling({ readings: points(...p), steps: STANDARD });

describe('checkCooling', () => {
  test.each([
    ['cools well', points([0, 70], [1, 20], [4, 3]), 'pass'],
    ['first step exactly at its limit', points([0, 54.4], [1.5, 26.7], [5, 4]), 'pass'],
    ['first step a second over', points([0, 54.4], [1.5 + 1 / 3600, 26.7], [5, 4]), 'fail'],
    ['limit run out though never reached', points([0, 60], [3, 40]), 'fail'],
    ['still running', points([0, 60], [1, 40]), 'incomplete'],
    ['second step still running', points([0, 60], [1, 20], [2, 10]), 'incomplete'],
    ['second step run out', points([0, 60], [1, 20], [8, 10]), 'fail'],
    ['never shows its start', points([0, 50], [1, 20], [2, 3]), 'incomplete'],
    [
      'a rebound does not restart the clock',
      points([0, 60], [0.5, 50], [0.7, 58], [2.6, 20], [5, 4]),
      'fail',
    ],
    ['empty', [], 'incomplete'],
    ['one reading', points([0, 60]), 'incomplete'],
  ])('%s', (_, readings, status) =>
    expect(checkCooling({ readings, steps: STANDARD }).status).toBe(status),
  );

  test('the clock starts after the last of equal peaks', () => {
    expect(cool([0, 70], [1, 50], [2, 70], [3, 26], [6, 4]).steps[0]!.startS).toBeCloseTo(
      2 * HOUR + (15.6 / 44) * HOUR,
      6,
    );
  });

  test('crossings are found on the straight line', () => {
    const step = cool([0, 74.4], [1, 34.4], [2, 14.4], [4, 4.4]).steps[0]!;
    expect(step.startS).toBeCloseTo(0.5 * HOUR, 6);
    expect(step.endS).toBeCloseTo((1 + 7.7 / 20) * HOUR, 6);
  });

  test('overlapping steps of the food-service rule', () => {
    const steps = [
      { fromC: 57.2, toC: 21.1, maxS: 2 * HOUR },
      { fromC: 57.2, toC: 5, maxS: 6 * HOUR },
    ];
    expect(checkCooling({ readings: points([0, 57.2], [2, 21.1], [6, 5]), steps }).status).toBe(
      'pass',
    );
    expect(checkCooling({ readings: points([0, 57.2], [2, 21.1], [6.01, 5]), steps }).status).toBe(
      'fail',
    );
  });

  test('property: a slower copy of a failing log fails too', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 12, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (h, slower) => {
          const run = (k: number) => cool([0, 60], [h * k, 10], [h * k * 2, 3]).status;
          if (run(1) === 'fail') expect(run(slower)).toBe('fail');
        },
      ),
      { seed: 3 },
    );
  });

  test.each([
    ['steps', []],
    ['steps[0].toC', [{ fromC: 10, toC: 20, maxS: 1 }]],
    ['steps[0].maxS', [{ fromC: 20, toC: 10, maxS: 0 }]],
    ['steps[0].fromC', [{ fromC: Number.NaN, toC: 10, maxS: 1 }]],
  ])('refuses bad %s by name', (field, steps) => {
    expect(() => checkCooling({ readings: [], steps })).toThrow(RangeError);
    expect(() => checkCooling({ readings: [], steps })).toThrow(field);
  });
});

describe('comeUp', () => {
  const up = (...p: [number, number][]) =>
    comeUp({ readings: points(...p), fromC: 10, toC: 54.4, maxS: 6 * HOUR }).status;
  test.each([
    ['in time', points([0, 4], [4, 60]), 'pass'],
    ['exactly 6 h', points([0, 10], [6, 54.4]), 'pass'],
    ['too slow', points([0, 10], [6.1, 54.4]), 'fail'],
    ['run out though never reached', points([0, 4], [1, 12], [8, 40]), 'fail'],
    ['still rising', points([0, 4], [2, 30]), 'incomplete'],
    ['starts warm: its start is not shown', points([0, 20], [2, 60]), 'incomplete'],
  ])('%s', (_, readings, status) =>
    expect(comeUp({ readings, fromC: 10, toC: 54.4, maxS: 6 * HOUR }).status).toBe(status),
  );
  test('a dip does not restart the clock', () =>
    expect(up([0, 9], [1, 20], [3, 8], [7, 60])).toBe('fail'));
  test('refuses a window upside down', () =>
    expect(() => comeUp({ readings: [], fromC: 50, toC: 10, maxS: 1 })).toThrow(/toC/));
});

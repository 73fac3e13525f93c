import fc from 'fast-check';
import { bandPlace, doseCure, ppmBand, ppmFromWeighed } from './dose-cure';

const SEED = { seed: 20261123 };
const positive = fc.double({ min: 0.001, max: 1e6, noNaN: true });
const ppm = fc.double({ min: 0.5, max: 500, noNaN: true });
const fraction = fc.constantFrom(0.0625, 0.0588, 0.006, 0.004);

describe('doseCure', () => {
  test.each([
    // basis g, ppm, nitrite fraction, cure g
    [10_000, 120, 0.0625, 19.2],
    [30_000, 120, 0.0625, 57.6],
    [2_267.96, 156, 0.0625, 5.6608],
    [10_000, 120, 0.006, 200],
  ])(
    '%d g at %d ppm with a cure of fraction %d needs %d g',
    (basisG, targetPpm, nitriteFraction, grams) => {
      expect(doseCure({ basisG, targetPpm, nitriteFraction }).cureG).toBeCloseTo(grams, 4);
    },
  );

  test('the rest of the cure is salt and the nitrite is in mg', () => {
    const dose = doseCure({ basisG: 10_000, targetPpm: 120, nitriteFraction: 0.0625 });
    expect(dose.saltFromCureG).toBeCloseTo(18, 9);
    expect(dose.nitriteMg).toBeCloseTo(1200, 9);
  });

  test('a 1 g scale for a 3 g dose leaves a wide band', () => {
    const dose = doseCure({
      basisG: 1562.5,
      targetPpm: 120,
      nitriteFraction: 0.0625,
      cureScaleG: 1,
      meatScaleG: 5,
    });
    expect(dose.cureG).toBeCloseTo(3, 9);
    expect(dose.ppmLow).toBeCloseTo((2.5 * 62500) / 1565, 6);
    expect(dose.ppmHigh).toBeCloseTo((3.5 * 62500) / 1560, 6);
  });

  test('property: weighing what was dosed gives the target back, inside the band', () => {
    fc.assert(
      fc.property(positive, ppm, fraction, (basisG, targetPpm, nitriteFraction) => {
        const d = doseCure({
          basisG,
          targetPpm,
          nitriteFraction,
          cureScaleG: 0.1,
          meatScaleG: basisG / 100,
        });
        const back = ppmFromWeighed({ basisG, cureG: d.cureG, nitriteFraction });
        expect(back / targetPpm).toBeCloseTo(1, 9);
        expect(d.ppmLow).toBeLessThan(d.ppm);
        expect(d.ppmHigh).toBeGreaterThan(d.ppm);
      }),
      SEED,
    );
  });

  test('property: dose is in proportion to the meat', () => {
    fc.assert(
      fc.property(positive, ppm, fraction, (basisG, targetPpm, nitriteFraction) => {
        const one = doseCure({ basisG, targetPpm, nitriteFraction }).cureG;
        const two = doseCure({ basisG: 2 * basisG, targetPpm, nitriteFraction }).cureG;
        expect(two / one).toBeCloseTo(2, 9);
      }),
      SEED,
    );
  });

  test.each([
    ['basisG', { basisG: 0 }],
    ['basisG', { basisG: Number.NaN }],
    ['basisG', { basisG: -1 }],
    ['basisG', { basisG: Infinity }],
    ['targetPpm', { targetPpm: -5 }],
    ['targetPpm', { targetPpm: 0 }],
    ['targetPpm', { targetPpm: 1e9 }],
    ['nitriteFraction', { nitriteFraction: 0 }],
    ['nitriteFraction', { nitriteFraction: 6.25 }],
    ['cureScaleG', { cureScaleG: -0.1 }],
    ['meatScaleG', { meatScaleG: 20_000 }],
  ])('refuses a bad %s by name (%o)', (field, bad) => {
    const input = { basisG: 10_000, targetPpm: 120, nitriteFraction: 0.0625, ...bad };
    expect(() => doseCure(input)).toThrow(RangeError);
    expect(() => doseCure(input)).toThrow(field);
  });
});

test('a cure reading below half a division cannot be negative', () => {
  expect(ppmBand({ basisG: 1000, cureG: 0.2, nitriteFraction: 0.0625, cureScaleG: 1 }).ppmLow).toBe(
    0,
  );
});

test('one level teaspoon, 4.7 to 6.7 g, to 5 lb crosses the US limit', () => {
  const basisG = 5 * 453.59237;
  expect(ppmFromWeighed({ basisG, cureG: 4.7, nitriteFraction: 0.0625 })).toBeCloseTo(129.5, 1);
  expect(ppmFromWeighed({ basisG, cureG: 6.7, nitriteFraction: 0.0625 })).toBeCloseTo(184.6, 1);
});

test.each([
  [125, 135, 'within'],
  [120, 156, 'within'],
  [119.9, 130, 'across'],
  [150, 157, 'across'],
  [100, 200, 'across'],
  [90, 119, 'under'],
  [157, 180, 'over'],
])('a band of %d to %d ppm lies %s 120 to 156', (ppmLow, ppmHigh, place) =>
  expect(bandPlace({ ppmLow, ppmHigh }, { minPpm: 120, maxPpm: 156 })).toBe(place),
);

import fc from 'fast-check';
import { ppmFromWeighed } from './dose-cure';
import { ionFromSodiumNitrite, sodiumNitriteFromIon } from '../units/nitrite-ion';
import { splitSalt, type SplitSaltInput } from './split-salt';
import { spoonDose } from './spoon-dose';

const SEED = { seed: 20261123 };
const base: SplitSaltInput = {
  meatG: 10_000,
  basisG: 10_000,
  targetSaltFraction: 0.018,
  targetPpm: 120,
  nitriteFraction: 0.0625,
};

test.each([
  ['6.25 % cure', {}, 19.2, 162],
  ['5.88 % cure', { nitriteFraction: 0.0588 }, 20.408, 160.79],
  ['cure #2 with nitrate', { nitrateFraction: 0.04 }, 19.2, 162.768],
  ['salt from a blend', { saltFromOthersG: 30 }, 19.2, 132],
  ['no nitrite wanted', { targetPpm: 0 }, 0, 180],
  [
    'curing salt that just fits',
    { nitriteFraction: 0.009, targetSaltFraction: 0.014 },
    133.333,
    7.867,
  ],
])('%s', (_name, change, cureG, plainSaltG) => {
  const split = splitSalt({ ...base, ...change });
  if (!split.feasible) throw new Error('should fit');
  expect(split.cureG).toBeCloseTo(cureG, 3);
  expect(split.plainSaltG).toBeCloseTo(plainSaltG, 2);
});

describe('a low-nitrite curing salt for all the salt', () => {
  const split = splitSalt({ ...base, nitriteFraction: 0.005 });
  if (split.feasible) throw new Error('must conflict');
  const way = (name: string) => split.options.find((o) => o.way === name)!;

  test('says why', () => expect(split.reason).toBe('cure_brings_too_much_salt'));
  test('accept the salt: 240 g of cure, 2.388 % salt, 120 ppm', () => {
    expect(way('accept_salt').cureG).toBeCloseTo(240, 9);
    expect(way('accept_salt').saltFraction).toBeCloseTo(0.02388, 9);
    expect(way('accept_salt').ppm).toBeCloseTo(120, 9);
  });
  test('lower the ppm: 180 g of salt from the cure, 90.5 ppm', () => {
    expect(way('lower_ppm').saltFraction).toBeCloseTo(0.018, 12);
    expect(way('lower_ppm').ppm).toBeCloseTo(((180 / 0.995) * 0.005 * 1e6) / 10_000, 9);
  });
  test('a stronger cure: both targets hold', () => {
    const strong = way('stronger_cure');
    expect(strong).toMatchObject({ ppm: 120 });
    if (strong.way !== 'stronger_cure') throw new Error();
    expect(strong.nitriteFraction).toBeCloseTo(1.2 / 181.2, 9);
    const again = splitSalt({ ...base, nitriteFraction: strong.nitriteFraction * 1.0001 });
    expect(again.feasible).toBe(true);
  });
});

test('when the blends alone bring too much salt, only accepting it is a way', () => {
  const split = splitSalt({ ...base, saltFromOthersG: 200 });
  expect(split).toMatchObject({ feasible: false, reason: 'others_bring_too_much_salt' });
  if (!split.feasible) expect(split.options.map((o) => o.way)).toEqual(['accept_salt']);
});

test('property: salt and nitrite are conserved', () => {
  fc.assert(
    fc.property(
      fc.record({
        meatG: fc.double({ min: 100, max: 1e6, noNaN: true }),
        targetSaltFraction: fc.double({ min: 0.01, max: 0.04, noNaN: true }),
        targetPpm: fc.double({ min: 1, max: 300, noNaN: true }),
        nitriteFraction: fc.double({ min: 0.004, max: 0.07, noNaN: true }),
        nitrateFraction: fc.double({ min: 0, max: 0.05, noNaN: true }),
      }),
      (x) => {
        const split = splitSalt({ ...x, basisG: x.meatG });
        const one = split.feasible ? split : split.options[0]!;
        const back = ppmFromWeighed({ ...x, basisG: x.meatG, cureG: one.cureG });
        expect(back / x.targetPpm).toBeCloseTo(1, 9);
        const salt = one.plainSaltG + one.cureG * (1 - x.nitriteFraction - x.nitrateFraction);
        expect(salt / x.meatG).toBeCloseTo(one.saltFraction, 9);
        if (split.feasible) expect(one.saltFraction).toBeCloseTo(x.targetSaltFraction, 9);
        else expect(one.saltFraction).toBeGreaterThan(x.targetSaltFraction);
      },
    ),
    SEED,
  );
});

test.each([
  ['meatG', { meatG: 0 }],
  ['basisG', { basisG: -1 }],
  ['targetSaltFraction', { targetSaltFraction: 2 }],
  ['targetPpm', { targetPpm: Number.NaN }],
  ['nitriteFraction', { nitriteFraction: 0 }],
  ['nitrateFraction', { nitriteFraction: 0.7, nitrateFraction: 0.4 }],
  ['saltFromOthersG', { saltFromOthersG: -3 }],
])('refuses a bad %s', (field, change) =>
  expect(() => splitSalt({ ...base, ...change })).toThrow(new RegExp(field)),
);

test('80 ppm of nitrite ion are 120 ppm of sodium nitrite, and back', () => {
  expect(sodiumNitriteFromIon(80)).toBeCloseTo(119.98, 2);
  expect(ionFromSodiumNitrite(sodiumNitriteFromIon(80))).toBeCloseTo(80, 12);
  expect(() => sodiumNitriteFromIon(-1)).toThrow(RangeError);
});

test('one level teaspoon of cure #1 to 5 lb is 130 to 185 ppm: it crosses 156', () => {
  const dose = spoonDose({ spoons: 1, meatG: 2267.96185, nitriteFraction: 0.0625 });
  expect(dose.ppmLow).toBeCloseTo(129.5, 1);
  expect(dose.ppmHigh).toBeCloseTo(184.6, 1);
  expect(dose.ppm).toBeCloseTo((dose.ppmLow + dose.ppmHigh) / 2, 9);
  expect(() => spoonDose({ spoons: -1, meatG: 1, nitriteFraction: 0.06 })).toThrow(/spoons/);
});

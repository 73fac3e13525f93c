import fc from 'fast-check';
import { meatAtC, meatHeatJPerG } from '../heat/meat-heat';
import { thermalProperties } from '../heat/properties';
import { chillTimeS, type ChillInput } from './chill-time';
import { runs } from '../testing/thorough';

test('the heat of meat and its temperature are one another’s inverse', () =>
  fc.assert(
    fc.property(fc.double({ min: -19, max: 39, noNaN: true }), (tempC) =>
      expect(meatAtC(meatHeatJPerG(tempC))).toBeCloseTo(tempC, 3),
    ),
  ));

/** Outer part of a slab in a film, on average, share of the way still to go: the first terms of the exact series. */
function slabSurface(bi: number, fo: number, outer: number): number {
  let sum = 0;
  for (let n = 0; n < 40; n += 1) {
    let [low, high] = [n * Math.PI + 1e-9, n * Math.PI + Math.PI / 2 - 1e-9];
    for (let k = 0; k < 80; k += 1) {
      const z = (low + high) / 2;
      if (z * Math.tan(z) < bi) low = z;
      else high = z;
    }
    const z = (low + high) / 2;
    sum +=
      ((4 * Math.sin(z)) / (2 * z + Math.sin(2 * z))) *
      ((Math.sin(z) - Math.sin(z * (1 - outer))) / (z * outer)) *
      Math.exp(-z * z * fo);
  }
  return sum;
}

describe('minutes in the freezer', () => {
  const usual: ChillInput = { thicknessMm: 40, startC: 5, targetC: -1, freezerC: -18 };
  const minutes = (change: Partial<ChillInput> = {}) => chillTimeS({ ...usual, ...change })! / 60;

  test('a layer of 4 cm on a tray at −18 °C: within what is customary', () => {
    for (const filmWm2K of [8, 10, 12]) {
      expect(minutes({ filmWm2K })).toBeGreaterThan(20);
      expect(minutes({ filmWm2K })).toBeLessThan(50);
    }
    expect(minutes({ filmWm2K: 25 })).toBeLessThan(minutes());
  });

  test.each([
    [30, 20, 10, 8],
    [60, 15, 4, 20],
    [40, 12, 3, 10],
  ])('%d mm from %d to %d °C, nothing frozen, film %d: as the exact slab', (mm, from, to, film) => {
    const composition = { fatFraction: 0.25, waterFraction: 0.57 };
    const freezerC = 0;
    const tS = chillTimeS({
      thicknessMm: mm,
      startC: from,
      targetC: to,
      freezerC,
      filmWm2K: film,
    })!;
    const { kWmK, rhoKgM3 } = thermalProperties(composition);
    const long = mm / 1000;
    const alpha = kWmK / (rhoKgM3 * 3400);
    const left = slabSurface((film * long) / kWmK, (alpha * tS) / long ** 2, 0.005 / long);
    expect(from * left).toBeCloseTo(to, 0);
    expect(Math.abs(from * left - to)).toBeLessThan(0.03 * (from - freezerC));
  });

  test('longer for thicker, warmer, colder wanted, warmer freezers', () => {
    const bounded = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    const layer = fc.record({
      thicknessMm: bounded(15, 60),
      startC: bounded(1, 12),
      targetC: bounded(-2, 0.5),
      freezerC: bounded(-30, -8),
    });
    fc.assert(
      fc.property(layer, bounded(0.1, 2), (l, by) => {
        const t = (c: Partial<ChillInput>) => chillTimeS({ ...l, ...c }) ?? Infinity;
        const base = t({}) - 1;
        expect(t({ thicknessMm: l.thicknessMm + 5 * by })).toBeGreaterThanOrEqual(base);
        expect(t({ startC: l.startC + by })).toBeGreaterThanOrEqual(base);
        expect(t({ targetC: l.targetC - by })).toBeGreaterThanOrEqual(base);
        expect(t({ freezerC: l.freezerC + by })).toBeGreaterThanOrEqual(base);
      }),
      { numRuns: runs(150) },
    );
  });

  test('on average it takes longer than on the surface, and no more heat than the film takes', () => {
    const mean = minutes({ of: 'mean', targetC: 1 });
    expect(mean).toBeGreaterThan(minutes({ targetC: 1 }));
    /* 5 to 1 °C is 13.6 J/g; 42 kg/m² lose it at no more than 10 W/m²K over 23 K. */
    const { rhoKgM3 } = thermalProperties({ fatFraction: 0.25, waterFraction: 0.57 });
    const joules = (meatHeatJPerG(5) - meatHeatJPerG(1)) * 1000 * rhoKgM3 * 0.04;
    expect(mean).toBeGreaterThan(joules / (10 * 23) / 60);
    expect(mean).toBeLessThan((2 * joules) / (10 * 19) / 60);
  });

  test('as much as the freezer takes out: longer for more meat, a weaker freezer, a slower site', () => {
    const mass = fc.double({ min: 500, max: 60_000, noNaN: true });
    fc.assert(
      fc.property(mass, fc.double({ min: 1.01, max: 3, noNaN: true }), (massG, by) => {
        const t = (c: Partial<ChillInput>) => chillTimeS({ ...usual, massG, ...c }) ?? Infinity;
        expect(t({ massG: massG * by })).toBeGreaterThanOrEqual(t({}) - 1);
        expect(t({ freezerW: 200 / by })).toBeGreaterThanOrEqual(t({}) - 1);
        expect(t({ siteFactor: by })).toBeCloseTo(by * t({}), 3);
      }),
      { numRuns: runs(120) },
    );
    expect(minutes({ massG: 1000 })).toBeCloseTo(minutes(), 3);
    /* 90 kg on 2 m² would give off more than the freezer takes out. */
    expect(minutes({ massG: 90_000 })).toBeGreaterThan(minutes());
    expect(() => chillTimeS({ ...usual, massG: 0 })).toThrow('massG');
  });

  test('cold enough already, never cold enough, impossible', () => {
    expect(minutes({ startC: -2 })).toBe(0);
    expect(chillTimeS({ ...usual, freezerC: 0 })).toBeNull();
    expect(() => chillTimeS({ ...usual, thicknessMm: 0 })).toThrow('thicknessMm');
    expect(() => chillTimeS({ ...usual, startC: Number.NaN })).toThrow('startC');
  });
});

import fc from 'fast-check';
import { saturationPa } from '../heat/psychrometrics';
import { PER_FILM } from '../heat/surface';
import { cylinderAxis, cylinderMean } from '../testing/cylinder-series';
import { MoistCylinder } from './moist-cylinder';
import {
  AS_USUAL,
  awAt,
  awSlope,
  compositionOf,
  diffusivity,
  warmth,
  type DryingPiece,
} from './piece';
import { rimOf } from './rim';
import { simulateDrying, type DryingInput } from './simulate-drying';
import { brineActivity, estimateAw } from './water-activity';
import { runs } from '../testing/thorough';

const DAY = 86_400;
const piece: DryingPiece = {
  diameterMm: 60,
  waterFraction: 0.57,
  fatFraction: 0.21,
  saltFraction: 0.027,
};
const input = (more: Partial<DryingInput> = {}): DryingInput => ({
  piece,
  air: [{ tS: 0, airC: 13, rh: 0.78 }],
  startS: 0,
  untilS: 30 * DAY,
  permeability: 0.6,
  ...more,
});
const lossIn = (more: Partial<DryingInput> = {}) =>
  simulateDrying(input(more)).samples.at(-1)!.lossFraction;

describe('water activity', () => {
  test.each([
    [0, 1],
    [1, 0.9669],
    [3, 0.8932],
    [6, 0.7598],
  ])('%d mol/kg of salt, as printed', (m, aw) => expect(brineActivity(m)).toBeCloseTo(aw, 4));

  test('saturated brine, no water, no salt', () => {
    expect(brineActivity(9)).toBe(0.753);
    expect(estimateAw({ waterG: 0, saltG: 1, solidsG: 1 })).toBe(0);
    expect(estimateAw({ waterG: 1000, saltG: 0, solidsG: 0 })).toBe(1);
    expect(estimateAw({ waterG: 55, saltG: 2.8, solidsG: 17 })).toBeCloseTo(0.97, 3);
  });

  test.each(['waterG', 'saltG', 'solidsG'])('refuses a bad %s', (field) =>
    expect(() => estimateAw({ waterG: 1, saltG: 1, solidsG: 1, [field]: -1 })).toThrow(field),
  );

  test('property: less water is a lower activity, more salt too', () => {
    const g = fc.double({ min: 0.1, max: 100, noNaN: true });
    fc.assert(
      fc.property(g, g, g, (waterG, saltG, solidsG) => {
        const aw = estimateAw({ waterG, saltG, solidsG });
        expect(estimateAw({ waterG: waterG * 0.9, saltG, solidsG })).toBeLessThanOrEqual(aw);
        expect(estimateAw({ waterG, saltG: saltG * 1.1, solidsG })).toBeLessThanOrEqual(aw);
      }),
      { seed: 6, numRuns: 200 },
    );
  });
});

describe('against the series', () => {
  /* So near to its balance that nothing of it changes: the linear case, which has an exact answer. */
  test.each([
    ['the film slows', 0.02],
    ['both', 1],
    ['the inside slows', 60],
  ])('%s', (_, openWm2K) => {
    const of = compositionOf(piece);
    const aw0 = awAt(of.startX, of);
    const slope = awSlope(of.startX, of);
    const rh = aw0 - 0.02 * of.startX * slope;
    const cylinder = new MoistCylinder(piece, AS_USUAL, openWm2K);
    const d = diffusivity(of.startX, warmth(13), of, AS_USUAL);
    const radius = piece.diameterMm / 2000;
    const solidsKgM3 =
      1 / (1 / 1300 + of.fatPerSolids / 925 + of.saltPerSolids / 2160 + of.startX / 1000);
    const biot = (openWm2K * PER_FILM * saturationPa(13) * slope * radius) / (d * solidsKgM3);
    const mean = cylinderMean(biot);
    const axis = cylinderAxis(biot);
    const dtS = 1200;
    const all = 0.02 * of.startX;
    for (let k = 1; k <= 400; k += 1) {
      cylinder.stay(dtS, 13, rh);
      const fourier = (d * k * dtS) / radius ** 2;
      if (k % 40 !== 0) continue;
      const left = (cylinder.meanX - (of.startX - all)) / all;
      expect(Math.abs(left - mean(fourier))).toBeLessThan(0.012);
      const inMiddle = (cylinder.x[0]! - (of.startX - all)) / all;
      if (fourier > 0.05) expect(Math.abs(inMiddle - axis(fourier))).toBeLessThan(0.02);
    }
  });
});

describe('a hung piece', () => {
  test('what the trade knows: three to four weeks, thin ones sooner, moist air slower, air at its own activity nothing', () => {
    expect(lossIn({ untilS: 21 * DAY })).toBeGreaterThan(0.2);
    expect(lossIn({ untilS: 28 * DAY })).toBeLessThan(0.42);
    expect(lossIn({ piece: { ...piece, diameterMm: 40 } })).toBeGreaterThan(lossIn());
    expect(lossIn({ air: [{ tS: 0, airC: 13, rh: 0.85 }] })).toBeLessThan(lossIn());
    expect(lossIn({ air: [{ tS: 0, airC: 9, rh: 0.78 }] })).toBeLessThan(lossIn());
    expect(Math.abs(lossIn({ air: [{ tS: 0, airC: 13, rh: 0.971 }] }))).toBeLessThan(0.01);
    expect(lossIn({ permeability: 0 })).toBeCloseTo(0, 9);
  });

  test('in the end it is as moist as its air', () => {
    const last = simulateDrying(input({ untilS: 240 * DAY })).samples.at(-1)!;
    expect(last.meanAw).toBeCloseTo(0.78, 2);
    expect(last.rimAw).toBeCloseTo(0.78, 2);
  });

  test('property: it only loses in dry air, its rim first, and never more than its water', () => {
    const room = fc.record({
      airC: fc.double({ min: 5, max: 25, noNaN: true }),
      rh: fc.double({ min: 0.5, max: 0.9, noNaN: true }),
      diameterMm: fc.integer({ min: 20, max: 110 }),
    });
    fc.assert(
      fc.property(room, ({ airC, rh, diameterMm }) => {
        const { samples } = simulateDrying(
          input({ air: [{ tS: 0, airC, rh }], piece: { ...piece, diameterMm }, untilS: 60 * DAY }),
        );
        samples.forEach((s, k) => {
          expect(s.lossFraction).toBeGreaterThanOrEqual(
            k === 0 ? 0 : samples[k - 1]!.lossFraction - 1e-9,
          );
          expect(s.lossFraction).toBeLessThan(piece.waterFraction);
          expect(s.rimAw).toBeLessThanOrEqual(s.coreAw + 1e-6);
          expect(s.rimAw).toBeGreaterThanOrEqual(Math.min(rh, s.coreAw) - 1e-3);
        });
      }),
      { seed: 8, numRuns: runs(100) },
    );
  });

  test('the loss asked for ends it, at its time', () => {
    const { samples, lossS } = simulateDrying(input({ untilLoss: 0.2 }));
    expect(samples.at(-1)!.lossFraction).toBeGreaterThanOrEqual(0.2);
    const whole = simulateDrying(input());
    const after = whole.samples.findIndex((s) => s.lossFraction >= 0.2);
    expect(lossS).toBeGreaterThanOrEqual(whole.samples[after - 1]!.tS);
    expect(lossS).toBeLessThanOrEqual(whole.samples[after]!.tS);
    expect(simulateDrying(input({ untilLoss: 0.6 })).lossS).toBeNull();
  });

  test.each([
    [{ air: [] }, 'air'],
    [{ air: [{ tS: 0, airC: 13, rh: 78 }] }, 'rh'],
    [{ air: [{ tS: 0, airC: 90, rh: 0.78 }] }, 'airC'],
    [{ untilS: -1 }, 'untilS'],
    [{ untilS: 400 * DAY }, 'untilS'],
    [{ untilLoss: 2 }, 'untilLoss'],
    [{ permeability: 3 }, 'permeability'],
    [{ factors: { ...AS_USUAL, inside: 0 } }, 'factors.inside'],
    [{ piece: { ...piece, waterFraction: 0.8 } }, 'waterFraction'],
    [{ piece: { ...piece, diameterMm: 3 } }, 'diameterMm'],
  ] as [Partial<DryingInput>, string][])('refuses %o', (more, field) =>
    expect(() => simulateDrying(input(more))).toThrow(field),
  );
});

describe('the rim', () => {
  const room = (rh: number) => ({ ...input({ air: [{ tS: 0, airC: 13, rh }] }) });

  test('even in a room as usual', () =>
    expect(rimOf(room(0.82), AS_USUAL, 7 * DAY)).toMatchObject({
      status: 'even',
      rhInstead: null,
    }));

  test('a dry room closes it, and a moister one lets it even out', () => {
    const view = rimOf(room(0.6), AS_USUAL, 5 * DAY);
    expect(view.status).not.toBe('even');
    expect(view.rhInstead).toBeGreaterThan(0.6);
    expect(view.rhInstead).toBeLessThanOrEqual(0.92);
    const moist = [
      { tS: 0, airC: 13, rh: 0.6 },
      { tS: 5 * DAY, airC: 13, rh: 0.6 },
      { tS: 5 * DAY + 1, airC: 13, rh: view.rhInstead! },
    ];
    const after = simulateDrying(input({ air: moist, untilS: 7 * DAY })).samples.at(-1)!;
    expect(after.rimShare).toBeGreaterThan(view.share);
  });
});

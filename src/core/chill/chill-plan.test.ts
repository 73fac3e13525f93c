import fc from 'fast-check';
import { checkCooling } from '../cooling/check-cooling';
import { simulateProgram } from '../heat/simulate-program';
import { bloomClock, carryOver, chillPlan, usualIceS } from '.';

const HOUR = 3600;
const STANDARD = [
  { fromC: 54.4, toC: 26.7, maxS: 1.5 * HOUR },
  { fromC: 26.7, toC: 4.4, maxS: 5 * HOUR },
];
const CURED = [
  { fromC: 54.4, toC: 26.7, maxS: 5 * HOUR },
  { fromC: 26.7, toC: 7.2, maxS: 10 * HOUR },
];
const plan = (
  diameterMm: number,
  steps = STANDARD,
  first: 'ice_bath' | 'shower' | null = 'ice_bath',
) =>
  chillPlan({
    product: { diameterMm, startC: 68 },
    massG: 10_000,
    rule: { steps },
    media: { first: first && { medium: first } },
  });

describe('chillPlan', () => {
  /* To 27 °C in ice water. @source usual practice of the trade for what warms after the cooler */
  test.each([
    [36, 10, 14],
    [75, 45, 56],
    [115, 105, 130],
    [150, 180, 230],
  ])('%d mm is below 27 °C in ice water after %d to %d min', (mm, from, to) => {
    const { iceMin, leavesC } = plan(mm, CURED);
    expect(leavesC).toBeCloseTo(26.7, 0);
    expect(iceMin).toBeGreaterThanOrEqual(from);
    expect(iceMin).toBeLessThanOrEqual(to);
  });
  test('ice for 10 kg from 68 to about 10 °C is 7 to 8 kg', () => {
    const { iceKg } = plan(115);
    expect(iceKg).toBeGreaterThan(7);
    expect(iceKg).toBeLessThan(8);
  });
  test('agrees with the model and the rule', () => {
    const p = plan(60);
    const { samples } = simulateProgram({
      product: { diameterMm: 60, startC: 68 },
      stages: [
        { name: 'ice', medium: 'ice-water', airC: 1, hWm2K: 300, endS: p.iceMin * 60 },
        {
          name: 'air',
          medium: 'air',
          airC: 2,
          rh: 0.85,
          hWm2K: 10,
          endCoreC: 4.4,
          maxS: 24 * HOUR,
        },
      ],
      shells: 24,
    });
    const readings = samples.map((s) => ({ tS: s.tS, tempC: s.coreC }));
    expect(samples.at(-1)!.tS / 60).toBeCloseTo(p.iceMin + p.airMin, 1);
    expect(checkCooling({ readings, steps: STANDARD }).status).toBe('pass');
  });
  test('thick goods stay in the water longer, so that the air is in time', () => {
    const p = plan(90);
    expect(p.leavesC).toBeLessThan(20);
    expect(p.status).toBe('safe');
    for (const s of p.steps) expect(s.takesS!).toBeLessThanOrEqual(s.maxS);
  });
  test('where the rule cannot be kept, it says so', () =>
    expect(plan(150).status).toBe('too_slow'));
  test('a thin piece keeps the rule in the cooler alone, a thick one does not', () => {
    expect(plan(22, CURED, null)).toMatchObject({ iceMin: 0, iceKg: 0, status: 'safe' });
    expect(plan(90, STANDARD, null).status).toBe('too_slow');
  });
  test('a shower asks for no ice', () => expect(plan(36, CURED, 'shower').iceKg).toBe(0));
  test('property: thicker takes longer, and the band holds the middle', () => {
    fc.assert(
      fc.property(fc.integer({ min: 18, max: 100 }), (mm) => {
        const [a, b] = [plan(mm, CURED), plan(mm + 10, CURED)];
        expect(b.iceMin).toBeGreaterThan(a.iceMin);
        expect(a.band.iceMin[0]).toBeLessThanOrEqual(a.iceMin + 1e-9);
        expect(a.band.iceMin[1]).toBeGreaterThanOrEqual(a.iceMin - 1e-9);
        expect(a.band.airMin[0]).toBeLessThanOrEqual(a.airMin + 1e-9);
        expect(a.band.airMin[1]).toBeGreaterThanOrEqual(a.airMin - 1e-9);
      }),
      { seed: 3, numRuns: 20 },
    );
  });
  test.each([
    [
      'massG',
      () =>
        chillPlan({
          product: { diameterMm: 30, startC: 68 },
          massG: 0,
          rule: { steps: CURED },
          media: { first: null },
        }),
    ],
    ['rule.steps', () => plan(30, [])],
    ['diameterMm', () => plan(Number.NaN)],
  ])('refuses %s by name', (field, call) => {
    expect(call).toThrow(RangeError);
    expect(call).toThrow(field);
  });
});

describe('carryOver', () => {
  const over = (diameterMm: number, airC = 82) =>
    carryOver({
      product: { diameterMm, startC: 4 },
      stage: { name: 'cook', medium: 'air', airC, rh: 0.7 },
      pullC: 66,
      roomC: 20,
    });
  test('large pieces rise by 1 to 3 °C, and later', () => {
    const [small, large] = [over(22)!, over(90)!];
    expect(large.riseC).toBeGreaterThan(1);
    expect(large.riseC).toBeLessThan(3);
    expect(large.peakS).toBeGreaterThan(4 * small.peakS);
  });
  test('out of gentler air it rises less', () =>
    expect(over(60, 72)!.riseC).toBeLessThan(over(60, 95)!.riseC));
  test('still air lets it rise more than a draught', () => {
    const { band, riseC } = over(60)!;
    expect(band[0]).toBeLessThanOrEqual(riseC);
    expect(band[1]).toBeGreaterThanOrEqual(riseC);
  });
  test('air that is too cool never brings it there', () => expect(over(60, 60)).toBeNull());
});

test.each([20, 36, 60, 75, 90, 115])(
  'the usual time in ice for %d mm agrees with the model',
  (mm) => {
    const { iceMin } = plan(mm, CURED);
    expect(usualIceS(mm) / 60).toBeGreaterThan(0.9 * iceMin - 1);
    expect(usualIceS(mm) / 60).toBeLessThan(1.15 * iceMin + 1);
  },
);

describe('bloomClock', () => {
  const clock = (diameterMm: number, startC: number, leftS: number | null, roomC = 20) =>
    bloomClock({ product: { diameterMm, startC }, toC: leftS === null ? 4.4 : 26.7, leftS, roomC });
  test('while the rule runs, so long that the cooler is still in time', () => {
    const { moveInS, because } = clock(36, 40, 1.5 * HOUR);
    expect(because).toBe('rule');
    expect(moveInS).toBeGreaterThan(0);
    expect(moveInS).toBeLessThan(1.5 * HOUR);
  });
  test('a thick warm piece goes into the cooler at once', () =>
    expect(clock(110, 50, HOUR).moveInS).toBe(0));
  test('a step that has run out leaves no time', () => expect(clock(36, 40, 0).moveInS).toBe(0));
  test('cold product: until it would be warm again', () => {
    const { moveInS, because } = clock(36, 2, null);
    expect(because).toBe('warms');
    expect(moveInS).toBeGreaterThan(60);
    expect(moveInS).toBeLessThan(HOUR);
  });
  test('in a cold room it never is', () => expect(clock(36, 2, null, 4).moveInS).toBe(24 * HOUR));
  test('thicker warms later', () =>
    expect(clock(90, 2, null).moveInS).toBeGreaterThan(clock(30, 2, null).moveInS));
  test('more time left, more time in the room', () =>
    expect(clock(36, 40, 3 * HOUR).moveInS).toBeGreaterThan(clock(36, 40, HOUR).moveInS));
  test('refuses a room that is none', () =>
    expect(() => clock(36, 40, HOUR, Number.NaN)).toThrow(/roomC/));
});

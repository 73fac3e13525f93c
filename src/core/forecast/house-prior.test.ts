import fc from 'fast-check';
import { alike, houseTaught, type HouseFit, type Weather } from './house-prior';

const cold: Weather = { wind: 'strong', outsideC: -5 };
const mild: Weather = { wind: 'calm', outsideC: 18 };
const fit = (filmFactor: number, weather: Weather | null = null): HouseFit => ({
  filmFactor,
  weather,
});

describe('houseTaught', () => {
  test('nothing before the first run', () => expect(houseTaught([], cold)).toBeNull());
  test('without weather all runs count the same', () => {
    const { h, lnSd, runs, likeRuns } = houseTaught([fit(1, cold), fit(2, mild)], null)!;
    expect(h).toBeCloseTo(Math.SQRT2, 6);
    /* Two runs 0.347 from their mean (ln) and the usual spread: √((2 × 0.1201 + 0.04) / 2), held to the usual. */
    expect(lnSd).toBeCloseTo(0.2, 6);
    expect([runs, likeRuns]).toEqual([2, null]);
  });
  test('on a cold day the runs of cold days count more', () => {
    const runs = [fit(0.8, cold), fit(1.2, mild), fit(1.2, mild)];
    const today = houseTaught(runs, { wind: 'strong', outsideC: -3 })!;
    expect(today.h).toBeLessThan(0.9);
    expect(today.likeRuns).toBe(1);
    expect(houseTaught(runs, mild)!.h).toBeGreaterThan(1.15);
  });
  test('runs of other weather leave it less sure', () => {
    const runs = [fit(1, cold), fit(1, cold), fit(1, cold), fit(1, cold)];
    expect(houseTaught(runs, mild)!.lnSd).toBeGreaterThan(houseTaught(runs, cold)!.lnSd);
  });
  test('refuses a factor that is none', () =>
    expect(() => houseTaught([fit(0)], null)).toThrow('filmFactor'));

  const winds = fc.constantFrom('calm' as const, 'breeze' as const, 'strong' as const);
  const weathers = fc.option(
    fc.record({ wind: winds, outsideC: fc.option(fc.integer({ min: -30, max: 40 })) }),
  );
  test('property: between the least and the most that it saw, never surer than a house can be', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            filmFactor: fc.double({ min: 0.3, max: 3, noNaN: true }),
            weather: weathers,
          }),
          {
            minLength: 1,
            maxLength: 8,
          },
        ),
        weathers,
        (fits, day) => {
          const { h, lnSd } = houseTaught(fits, day)!;
          const all = fits.map((f) => f.filmFactor);
          expect(h).toBeGreaterThanOrEqual(Math.min(...all) - 1e-9);
          expect(h).toBeLessThanOrEqual(Math.max(...all) + 1e-9);
          expect(lnSd).toBeGreaterThanOrEqual(0.08);
          expect(lnSd).toBeLessThanOrEqual(0.2);
          for (const f of fits) {
            expect(alike(f.weather, day)).toBeGreaterThan(0);
            expect(alike(f.weather, day)).toBeLessThanOrEqual(1);
          }
        },
      ),
      { seed: 5, numRuns: 200 },
    );
  });
});

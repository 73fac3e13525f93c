import fc from 'fast-check';
import { bandScale, scoreOf, type BandScore } from './band-scale';

const HOUR = 3600;

describe('scoreOf', () => {
  const f = { p10S: 900, p50S: 1000, p90S: 1200 };
  test.each([
    ['in the middle', f, 1000, 0],
    ['at the late end', f, 1200, 1],
    ['twice past it', f, 1400, 2],
    ['at the early end', f, 900, 1],
    ['later, where the late end was left open', { ...f, p90S: null }, 9000, 0],
    ['when none was seen', { p10S: null, p50S: null, p90S: null }, 1000, 2],
    ['after the soonest, where no middle was seen', { p10S: 900, p50S: null, p90S: null }, 1000, 0],
    ['before it', { p10S: 900, p50S: null, p90S: null }, 800, 2],
  ])('%s', (_, forecast, metS, score) => expect(scoreOf(forecast, metS)).toBeCloseTo(score, 9));
});

const scores = (score: number, n: number, leftS = HOUR): BandScore[] =>
  Array.from({ length: n }, () => ({ leftS, score }));

describe('bandScale', () => {
  test('without earlier forecasts the band stays as it is', () =>
    expect(bandScale([], HOUR)).toEqual({ scale: 1, from: 0 }));

  test.each([
    ['many bands that were all half missed', scores(2, 20), 2],
    ['many that were all far too wide', scores(0.1, 40), 0.6],
    ['many that missed by a lot', scores(40, 40), 5],
  ])('%s', (_, own, scale) => expect(bandScale(own, HOUR).scale).toBeCloseTo(scale, 9));

  test('one bad run alone widens it little, and a few widen it more', () => {
    const [one, few] = [bandScale(scores(3, 1), HOUR).scale, bandScale(scores(3, 4), HOUR).scale];
    expect(one).toBeLessThan(1.6);
    expect(few).toBeGreaterThan(one);
  });

  test('forecasts with much more or much less time left say nothing of this one', () =>
    expect(bandScale([...scores(3, 9, 300), ...scores(3, 9, 4 * HOUR)], HOUR)).toEqual({
      scale: 1,
      from: 0,
    }));

  test('property: worse scores never make a narrower band, and n more of them hold their share', () => {
    const row = fc.array(fc.double({ min: 0, max: 4, noNaN: true }), {
      minLength: 1,
      maxLength: 60,
    });
    fc.assert(
      fc.property(row, fc.double({ min: 0, max: 2, noNaN: true }), (own, more) => {
        const of = (add: number) =>
          bandScale(
            own.map((score) => ({ leftS: HOUR, score: score + add })),
            HOUR,
          ).scale;
        expect(of(more)).toBeGreaterThanOrEqual(of(0));
        const held = own.filter((s) => s <= of(0)).length;
        if (own.length >= 40) expect(held / own.length).toBeGreaterThan(0.75);
      }),
      { seed: 8, numRuns: 200 },
    );
  });
});

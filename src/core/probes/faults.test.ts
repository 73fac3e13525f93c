import { LivePiece } from '../heat/live-piece';
import { extremes, nearest, within } from './series-at';
import { withoutSinglePeaks } from './single-peaks';
import { stepOf, stuckSpans } from './stuck';
import { tracksAirSpans } from './tracks-air';

const log = (...temps: number[]) => temps.map((tempC, i) => ({ tS: i * 60, tempC }));
const temps = (readings: readonly { tempC: number }[]) => readings.map((r) => r.tempC);

describe('single peaks', () => {
  test.each([
    ['a peak of one reading', log(50, 51, 90, 52, 53), 'up', [50, 51, 52, 52, 52]],
    [
      'a dip of one reading is left where it hurts',
      log(50, 51, 0, 52, 53),
      'up',
      [50, 50, 0, 52, 52],
    ],
    ['a dip of one reading in the chill', log(50, 40, 2, 30, 20), 'down', [50, 40, 30, 30, 30]],
    ['two readings alike stand', log(50, 60, 60, 50), 'up', [50, 60, 60, 50]],
    ['one alone stands as it is', log(60), 'up', [60]],
  ] as const)('%s', (_, readings, helps, expected) => {
    expect(temps(withoutSinglePeaks(readings, helps))).toEqual(expected);
  });

  test('the last one stands when it was read by hand', () => {
    expect(temps(withoutSinglePeaks(log(50, 55, 70), 'up')).at(-1)).toBe(55);
    expect(temps(withoutSinglePeaks(log(50, 55, 70), 'up', true)).at(-1)).toBe(70);
  });
});

describe('stuck', () => {
  const still = log(...Array.from({ length: 60 }, () => 63.2), 63.5, 63.8);
  const at = (restC?: number) => () => ({ hotC: 80, coldC: 5, filmWm2K: 60, restC });

  test.each([
    ['far from the air', still, at(75), [[1, 59]]],
    ['at the temperature of its bath', still, at(63), []],
    ['where nobody knows the air', still, at(), [[1, 59]]],
    ['not for long', still.slice(50), at(75), []],
  ] as const)('%s', (_, readings, around, spans) => {
    expect(stuckSpans(readings, 30 * 60, around)).toEqual(spans);
  });

  test('a logger of whole degrees hides a slow rise near its air', () => {
    const whole = Array.from({ length: 400 }, (_, i) => ({
      tS: i * 60,
      tempC: Math.floor(50 + i / 20),
    }));
    expect(stepOf(whole)).toBe(1);
    expect(stuckSpans(whole, 15 * 60, at(65))).toEqual([]);
    expect(stepOf(still)).toBeNull();
  });
});

describe('a probe in the air', () => {
  const air = Array.from({ length: 120 }, (_, i) => ({
    tS: i * 60,
    tempC: 60 + 8 * Math.sin(i / 4),
  }));
  const windowS = 900;

  test('one that swings with it shows it, from beginning to end', () => {
    expect(tracksAirSpans(air, air, windowS)).toEqual([[0, 119]]);
  });
  test('a true core in that air does not', () => {
    const piece = new LivePiece({ diameterMm: 38, startC: 5 }, 12);
    const core = air.map(({ tS, tempC }) => {
      const r = { tS, tempC: piece.coreC };
      piece.stay(60, { medium: 'air', airC: tempC, rh: 0.5 });
      return r;
    });
    expect(tracksAirSpans(core, air, windowS)).toEqual([]);
  });
  test('without an air log, or in air that stands still, nobody can say', () => {
    const calm = air.map((r) => ({ ...r, tempC: 60 }));
    expect(tracksAirSpans(air, [], windowS)).toEqual([]);
    expect(tracksAirSpans(calm, calm, windowS)).toEqual([]);
  });
});

describe('a log at a time', () => {
  const some = [0, 60, 120, 600].map((tS) => ({ tS, tempC: 10 + tS / 60 }));

  test.each([
    [60, 120, [60, 120]],
    [61, 119, []],
    [-100, 1e9, [0, 60, 120, 600]],
    [200, 100, []],
  ])('within %d to %d', (from, to, times) => {
    expect(within(some, from, to).map((r) => r.tS)).toEqual(times);
  });
  test.each([
    [80, 100, 60],
    [90, 100, 60],
    [91, 100, 120],
    [300, 100, null],
    [-50, 100, 0],
    [650, 100, 600],
  ])('nearest to %d within %d is %p', (tS, mostS, at) => {
    expect(nearest(some, tS, mostS)?.tS ?? null).toBe(at);
  });
  test('nothing read is nothing near', () => expect(nearest([], 0, 1e9)).toBeNull());
  test('extremes of a window, the nearest one in a silence, then nothing', () => {
    const at = extremes(some, 120, 300);
    expect(at(60)).toEqual({ hotC: 12, coldC: 10 });
    expect(at(330)).toEqual({ hotC: 12, coldC: 12 });
    expect(at(2000)).toBeNull();
    expect(at(60)).toEqual({ hotC: 12, coldC: 10 });
  });
});

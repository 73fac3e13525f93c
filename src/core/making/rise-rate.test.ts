import fc from 'fast-check';
import { riseRate, USUAL_RISE } from './rise-rate';

/** A chop from `fromC` with so many °C a minute, a reading every half minute. */
const chop = (fromC: number, perMin: number, n: number) =>
  Array.from({ length: n }, (_, i) => ({ tS: i * 30, tempC: fromC + (perMin * i) / 2 }));

test('a steady chop: its rise, and the seconds to its ceiling', () => {
  const r = riseRate(chop(2, 2, 6));
  expect(r.cPerMin).toBeCloseTo(2, 6);
  expect(r.nowC).toBeCloseTo(7, 6);
  expect(r.secondsTo(12)).toBeCloseTo(150, 3);
  expect(r.secondsTo(7)).toBe(0);
});

test('one odd reading, wherever it is and whichever way, moves the rise by little', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 6 }),
      fc.double({ min: -20, max: 20, noNaN: true }),
      fc.double({ min: 0.5, max: 3, noNaN: true }),
      (at, by, perMin) => {
        const readings = chop(1, perMin, 7);
        readings[at]!.tempC += by;
        const { cPerMin } = riseRate(readings);
        expect(Math.abs(cPerMin! - perMin)).toBeLessThan(0.6 * perMin);
      },
    ),
  ));

test('noise of half a degree: the rise within a third', () => {
  const noisy = chop(1, 1.5, 7).map((r, i) => ({
    ...r,
    tempC: r.tempC + 0.25 * Math.sin(i * 9.7),
  }));
  expect(Math.abs(riseRate(noisy).cPerMin! - 1.5)).toBeLessThan(0.5);
});

test('a last reading far from all others is not believed, and said so; a warm one that fits is', () => {
  const readings = chop(1, 1.5, 6);
  const slipped = [...readings, { tS: 180, tempC: 54 }];
  expect(riseRate(slipped).odd).toBe(true);
  expect(riseRate(slipped).nowC).toBeLessThan(7);
  const warmer = [...readings, { tS: 180, tempC: 6.5 }];
  expect(riseRate(warmer).odd).toBe(false);
  expect(riseRate(warmer).nowC).toBe(6.5);
});

test('one reading: the usual rise; a batter that does not warm has no end; none is refused', () => {
  const one = riseRate([{ tS: 0, tempC: 5 }]);
  expect(one.cPerMin).toBeNull();
  expect(one.secondsTo(12)).toBeCloseTo((7 / USUAL_RISE) * 60, 6);
  expect(riseRate(chop(8, 0, 4)).secondsTo(12)).toBeNull();
  expect(riseRate(chop(8, -1, 4)).secondsTo(12)).toBeNull();
  expect(() => riseRate([])).toThrow('readings');
  expect(() => riseRate([{ tS: 0, tempC: Number.NaN }])).toThrow('tempC');
});

import fc from 'fast-check';
import { CULTURE_TEMPOS, hoursTo, phAfter, requireCulture, workRate } from './culture';
import { coolUntil } from './cool-until';
import { forecastPh, meatLagS, type PhForecastInput } from './forecast-ph';
import { learnedCulture } from './learned-culture';
import { USUAL_CULTURES } from './tables/cultures';
import { whenWorked, workOf, workedBy } from './work';
import { runs } from '../testing/thorough';

const HOUR = 3600;
const medium = USUAL_CULTURES.medium;
const curve = { startPh: 5.8, depth: 0.9, lagH: 4, fallPerH: 0.1, shape: 0.5 };

const input = (more: Partial<PhForecastInput> = {}): PhForecastInput => ({
  culture: medium,
  dextroseGPerKg: 9,
  readings: [],
  chamber: [],
  ahead: { tempC: 26 },
  startS: 0,
  nowS: 0,
  targets: [5.3],
  ...more,
});

/** Readings that a batch on this curve gives, every two hours of a chamber at 26 °C. */
const onCurve = (c: typeof curve, toH: number) => {
  const work = workOf(medium, [{ tS: 0, tempC: 26 }], {
    fromS: 0,
    toS: toH * HOUR,
    startC: 26,
    meatLagS: 60,
  });
  return Array.from({ length: Math.floor(toH / 2) + 1 }, (_, k) => {
    const tS = 2 * HOUR * k;
    return { tS, ph: phAfter(workedBy(work, tS), c), checked: true };
  });
};
const metS = (c: typeof curve, ph: number) => {
  const work = workOf(medium, [{ tS: 0, tempC: 26 }], {
    fromS: 0,
    toS: 100 * HOUR,
    startC: 26,
    meatLagS: 60,
  });
  return whenWorked(work, hoursTo(ph, c))!;
};

describe('how a culture works', () => {
  test.each(CULTURE_TEMPOS)('%s: fastest at its best temperature, nothing outside', (tempo) => {
    const c = requireCulture(USUAL_CULTURES[tempo]);
    expect(workRate(c.bestC, c)).toBeCloseTo(1, 9);
    expect([workRate(c.minC, c), workRate(c.maxC, c), workRate(-30, c)]).toEqual([0, 0, 0]);
    for (let t = c.minC + 0.5; t < c.bestC; t += 0.5)
      expect(workRate(t + 0.5, c)).toBeGreaterThan(workRate(t, c));
  });

  test('the steepest tangent has the slope asked for and meets the beginning at the lag', () => {
    const at = (h: number) => phAfter(h, curve);
    let steepest = { h: 0, slope: 0 };
    for (let h = 0; h < 30; h += 0.001) {
      const slope = (at(h) - at(h + 0.001)) / 0.001;
      if (slope > steepest.slope) steepest = { h, slope };
    }
    expect(steepest.slope).toBeCloseTo(curve.fallPerH, 5);
    expect(steepest.h - (curve.startPh - at(steepest.h)) / steepest.slope).toBeCloseTo(
      curve.lagH,
      2,
    );
  });

  test('property: hours to a pH lead back to it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0.05, max: 4, noNaN: true }),
        (share, shape) => {
          const c = { ...curve, shape };
          const ph = c.startPh - share * c.depth;
          const hours = hoursTo(ph, c);
          if (hours > 0) expect(phAfter(hours, c)).toBeCloseTo(ph, 9);
        },
      ),
      { seed: 3, numRuns: 200 },
    );
    expect([hoursTo(6, curve), hoursTo(4.5, curve)]).toEqual([0, Infinity]);
  });

  test.each([
    [{ bestC: 50 }, 'bestC'],
    [{ lagH: 0 }, 'lagH'],
    [{ fallPerH: NaN }, 'fallPerH'],
    [{ floorPh: 2 }, 'floorPh'],
    [{ shape: -1 }, 'shape'],
  ])('refuses a card with %o', (more, field) =>
    expect(() => requireCulture({ ...medium, ...more })).toThrow(field),
  );

  test('work is the rate over time, and the meat follows the air', () => {
    const work = workOf(medium, [{ tS: 0, tempC: 33 }], {
      fromS: 0,
      toS: 10 * HOUR,
      startC: 33,
      meatLagS: 3600,
    });
    expect(workedBy(work, 10 * HOUR)).toBeCloseTo(10, 6);
    const cold = workOf(medium, [{ tS: 0, tempC: 33 }], {
      fromS: 0,
      toS: 10 * HOUR,
      startC: 4,
      meatLagS: meatLagS(60),
    });
    expect(workedBy(cold, 10 * HOUR)).toBeGreaterThan(8);
    expect(workedBy(cold, 10 * HOUR)).toBeLessThan(9);
    expect(whenWorked(work, 4)).toBeCloseTo(4 * HOUR, 3);
    expect(whenWorked(work, 11)).toBeNull();
    expect(() => workOf(medium, [], { fromS: 0, toS: 1, startC: 4, meatLagS: 60 })).toThrow('air');
    expect(() =>
      workOf(medium, [{ tS: 0, tempC: 20 }], { fromS: 0, toS: 1e9, startC: 4, meatLagS: 60 }),
    ).toThrow('toS');
  });
});

describe('the hour of a pH', () => {
  test('before any reading it is the culture’s own course, with a wide band', () => {
    const { targets, basis, course, fitted } = forecastPh(input());
    const [t] = targets as [(typeof targets)[number]];
    expect(t.status).toBe('forecast');
    expect(basis).toEqual({ readings: 0, from: 'culture', unexplained: false });
    expect(fitted).toBeNull();
    expect(t.p90S! - t.p10S!).toBeGreaterThan(5 * HOUR);
    expect(course[0]!.p50).toBeCloseTo(5.8, 1);
  });

  test.each([
    ['a slow one', { ...curve, lagH: 6, fallPerH: 0.075 }],
    ['a fast one', { ...curve, lagH: 2.8, fallPerH: 0.14 }],
    ['one as usual', { ...curve, fallPerH: 0.105 }],
  ])('%s shows in its readings', (_, c) => {
    const end = metS(c, 5.3);
    const nowS = Math.floor((0.75 * end) / HOUR) * HOUR;
    const f = forecastPh(
      input({
        readings: onCurve(c, nowS / HOUR),
        nowS,
        chamber: [{ tS: 0, tempC: 26 }],
        meatLagS: 60,
      }),
    );
    const [t] = f.targets as [(typeof f.targets)[number]];
    expect(t.p10S).toBeLessThanOrEqual(end);
    expect(t.p90S).toBeGreaterThanOrEqual(end);
    expect(Math.abs(t.p50S! - end)).toBeLessThan(0.12 * end);
  });

  test('property: earlier ends before later, lower pH after higher, never before now; the same again', () => {
    const some = fc.array(fc.double({ min: 5, max: 6, noNaN: true }), { maxLength: 6 });
    fc.assert(
      fc.property(some, fc.integer({ min: 15, max: 38 }), (phs, tempC) => {
        const nowS = 12 * HOUR;
        const readings = phs.map((ph, k) => ({ tS: 2 * HOUR * k, ph, checked: k % 2 === 0 }));
        const asked = input({ readings, nowS, ahead: { tempC }, targets: [4.95, 4.9] });
        const f = forecastPh(asked);
        expect(forecastPh({ ...asked, readings: [...readings].reverse() })).toEqual(f);
        for (const t of f.targets) {
          const [a, b, c] = [t.p10S ?? Infinity, t.p50S ?? Infinity, t.p90S ?? Infinity];
          expect(a <= b && b <= c).toBe(true);
          if (t.status === 'forecast') expect(a).toBeGreaterThanOrEqual(nowS);
        }
        const [high, low] = f.targets as [(typeof f.targets)[number], (typeof f.targets)[number]];
        expect((low.p50S ?? Infinity) >= (high.p50S ?? Infinity)).toBe(true);
        for (const p of f.course) expect(p.p10 <= p.p50 && p.p50 <= p.p90).toBe(true);
      }),
      { seed: 4, numRuns: runs(100) },
    );
  });

  test('warmer is sooner, more sugar is deeper', () => {
    const hour = (tempC: number) => forecastPh(input({ ahead: { tempC } })).targets[0]!.p50S!;
    expect(hour(30)).toBeLessThan(hour(24));
    const deep = (dextroseGPerKg: number) => forecastPh(input({ dextroseGPerKg })).lowestPh;
    expect(deep(9)).toBeLessThan(deep(5));
  });

  test('what a reading shows is reached; what the sugar does not allow is never', () => {
    const shown = forecastPh(
      input({ readings: [{ tS: HOUR, ph: 5.2, checked: true }], nowS: 2 * HOUR }),
    ).targets[0];
    expect(shown).toMatchObject({ status: 'reached', p50S: HOUR });
    const readings = [
      ...onCurve(curve, 6),
      { tS: 7 * HOUR, ph: 4.6, checked: true },
      { tS: 8 * HOUR, ph: 5.55, checked: true },
    ];
    const slip = forecastPh(input({ readings, nowS: 8 * HOUR, meatLagS: 60 })).targets[0]!;
    expect(slip.status).toBe('forecast');
    const never = forecastPh(input({ dextroseGPerKg: 1 })).targets[0];
    expect(never).toMatchObject({ status: 'unreachable', p50S: null, p90S: null });
    expect(forecastPh(input({ ahead: { tempC: 4 } })).targets[0]!.status).toBe('unreachable');
  });

  test('one slip of the pen moves little; a pH that rises is not explained', () => {
    const readings = onCurve(curve, 12);
    const hour = (list: PhForecastInput['readings']) =>
      forecastPh(input({ readings: list, nowS: 12 * HOUR, meatLagS: 60 })).targets[0]!;
    const slip = readings.map((r, k) => (k === 3 ? { ...r, ph: 6.4 } : r));
    expect(Math.abs(hour(slip).p50S! - hour(readings).p50S!)).toBeLessThan(1.5 * HOUR);
    const rising = [6, 8, 10, 12].map((h, k) => ({
      tS: h * HOUR,
      ph: 5.4 + 0.25 * k,
      checked: true,
    }));
    expect(hour([...onCurve(curve, 4), ...rising]).status).toBe('unexplained');
  });

  test.each([
    [{ nowS: -1 }, 'nowS'],
    [{ readings: [{ tS: 0, ph: 45, checked: true }] }, 'ph'],
    [{ readings: [{ tS: 0, ph: 0.4, checked: true }] }, 'ph'],
    [{ targets: [9] }, 'targets'],
    [{ ahead: { tempC: NaN } }, 'ahead.tempC'],
    [{ meatLagS: 0 }, 'meatLagS'],
    [{ dextroseGPerKg: -1 }, 'dextroseGPerKg'],
  ] as [Partial<PhForecastInput>, string][])('refuses %o', (more, field) =>
    expect(() => forecastPh(input(more))).toThrow(field),
  );
});

describe('cooled until somebody is there', () => {
  const night = input({ targets: [5.2], nowS: 0 });
  const met = forecastPh(night).targets[0]!;

  test('the warmest whole degree that waits: one more would not', () => {
    const untilS = met.p50S! + 6 * HOUR;
    const cooled = coolUntil(night, 5.2, untilS)!;
    expect(cooled.tempC).toBeLessThan(26);
    expect(cooled.target.p10S ?? Infinity).toBeGreaterThanOrEqual(untilS);
    const warmer = forecastPh({ ...night, ahead: { tempC: cooled.tempC + 1 } }).targets[0]!;
    expect(warmer.p10S).toBeLessThan(untilS);
  });

  test('nothing need be set for what is not met before, or is met', () => {
    expect(coolUntil(night, 5.2, met.p10S! - HOUR)).toBeNull();
    const there = { ...night, nowS: HOUR, readings: [{ tS: HOUR, ph: 5.1, checked: true }] };
    expect(coolUntil(there, 5.2, 9 * HOUR)).toBeNull();
  });
});

describe('what a site has seen', () => {
  const fitOf = (c: typeof curve) =>
    forecastPh(input({ readings: onCurve(c, 20), nowS: 20 * HOUR, meatLagS: 60 })).fitted!;

  test('batches of a slow culture make the next one slow, and its band narrower with each', () => {
    const slow = { ...curve, lagH: 6.5, fallPerH: 0.07 };
    const band = (n: number) => {
      const culture = learnedCulture(
        medium,
        Array.from({ length: n }, () => fitOf(slow)),
      );
      const t = forecastPh(input({ culture, meatLagS: 60 })).targets[0]!;
      return { wide: t.p90S! - t.p10S!, off: Math.abs(t.p50S! - metS(slow, 5.3)) };
    };
    const [none, one, five] = [band(0), band(1), band(5)];
    expect(one.wide).toBeLessThan(none.wide);
    expect(five.wide).toBeLessThan(one.wide);
    expect(five.off).toBeLessThan(0.1 * metS(slow, 5.3));
    expect(none.off).toBeGreaterThan(2 * five.off);
  });

  test('no batch teaches nothing', () => expect(learnedCulture(medium, [])).toBe(medium));
});

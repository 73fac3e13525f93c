import fc from 'fast-check';
import { fToC } from '../units/units';
import { lethality, secondsStillNeeded } from './lethality';
import { longestHoldS, tableSecondsAt, tableWay } from './table-way';
import { TIME_TEMPERATURE } from './tables/time-temperature';

const MODEL = { tRefC: 60, dRefMin: 1.85, zC: 5.56 };
const SEED = { seed: 7, numRuns: 200 };
const logsOf = (points: [number, number][], creditFromC?: number) =>
  lethality({ readings: points.map(([tS, tempC]) => ({ tS, tempC })), ...MODEL, creditFromC }).logs;

/** Brute force: Simpson over a fine grid on the straight lines. */
function bySimpson(points: [number, number][]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i += 1) {
    const [t0, a] = points[i - 1]!;
    const [t1, b] = points[i]!;
    const n = 2000;
    const h = (t1 - t0) / n;
    const f = (k: number) => 10 ** ((a + ((b - a) * k) / n - 60) / 5.56);
    for (let k = 0; k < n; k += 2) sum += (h / 3) * (f(k) + 4 * f(k + 1) + f(k + 2));
  }
  return sum / 60 / 1.85;
}

describe('lethality', () => {
  test('1.85 min at 60 °C is one log, wherever the clock starts', () => {
    expect(
      logsOf([
        [0, 60],
        [111, 60],
      ]),
    ).toBeCloseTo(1, 12);
    expect(
      logsOf([
        [1.7e9, 60],
        [1.7e9 + 111, 60],
      ]),
    ).toBeCloseTo(1, 9);
  });

  test('one z higher is ten times as fast', () =>
    expect(
      logsOf([
        [0, 65.56],
        [111, 65.56],
      ]),
    ).toBeCloseTo(10, 9));

  test.each([[[]], [[[0, 80]]]] as [number, number][][][])(
    'fewer than two readings give 0',
    (points) => expect(logsOf(points)).toBe(0),
  );

  test.each([
    [
      [
        [0, 20],
        [3600, 70],
      ],
    ],
    [
      [
        [0, 70],
        [1800, 30],
      ],
    ],
    [
      [
        [0, 55],
        [600, 62],
        [1200, 61.99999],
        [1800, 66],
      ],
    ],
  ] as [number, number][][][])('straight pieces agree with fine quadrature: %j', (points) => {
    expect(logsOf(points) / bySimpson(points)).toBeCloseTo(1, 8);
  });

  test('below the floor nothing is credited, and the crossing is exact', () => {
    expect(
      logsOf(
        [
          [0, 50],
          [600, 54.39],
        ],
        54.4,
      ),
    ).toBe(0);
    expect(
      logsOf(
        [
          [0, 44.4],
          [1200, 64.4],
        ],
        54.4,
      ),
    ).toBeCloseTo(
      logsOf([
        [600, 54.4],
        [1200, 64.4],
      ]),
      10,
    );
    expect(
      logsOf(
        [
          [0, 64.4],
          [1200, 44.4],
        ],
        54.4,
      ),
    ).toBeCloseTo(
      logsOf([
        [0, 64.4],
        [600, 54.4],
      ]),
      10,
    );
  });

  const temps = fc.array(fc.double({ min: 40, max: 75, noNaN: true }), {
    minLength: 3,
    maxLength: 20,
  });
  const log = (t: number[]) => t.map((tempC, i): [number, number] => [i * 60, tempC]);

  test('property: additive over a log split at a reading', () => {
    fc.assert(
      fc.property(temps, fc.nat(), (t, n) => {
        const k = 1 + (n % (t.length - 2));
        const points = log(t);
        const whole = logsOf(points, 54.4);
        expect(logsOf(points.slice(0, k + 1), 54.4) + logsOf(points.slice(k), 54.4)).toBeCloseTo(
          whole,
          9,
        );
      }),
      SEED,
    );
  });

  test('property: hotter never gains less', () => {
    fc.assert(
      fc.property(temps, fc.double({ min: 0, max: 5, noNaN: true }), (t, up) => {
        expect(logsOf(log(t.map((x) => x + up)), 54.4)).toBeGreaterThanOrEqual(
          logsOf(log(t), 54.4) * (1 - 1e-12),
        );
      }),
      SEED,
    );
  });

  test.each([
    ['dRefMin', { dRefMin: 0 }],
    ['zC', { zC: -1 }],
    ['tRefC', { tRefC: Number.NaN }],
    ['creditFromC', { creditFromC: Infinity }],
    [
      'readings[1].tempC',
      {
        readings: [
          { tS: 0, tempC: 1 },
          { tS: 1, tempC: Number.NaN },
        ],
      },
    ],
    [
      'readings[1].tS',
      {
        readings: [
          { tS: 9, tempC: 1 },
          { tS: 1, tempC: 2 },
        ],
      },
    ],
  ])('refuses a bad %s by name', (field, bad) => {
    const call = () => lethality({ readings: [], ...MODEL, ...bad });
    expect(call).toThrow(RangeError);
    expect(call).toThrow(field);
  });
});

describe('seconds still needed', () => {
  const model = { ...MODEL, creditFromC: 54.4 };
  test('from nothing at 60 °C to 6.5 log is 12.025 min', () =>
    expect(secondsStillNeeded(model, 0, 6.5, 60)).toBeCloseTo(721.5, 9));
  test('nothing when reached', () => expect(secondsStillNeeded(model, 6.5, 6.5, 20)).toBe(0));
  test('never below the floor', () => expect(secondsStillNeeded(model, 1, 6.5, 54.3)).toBeNull());
});

describe('published table', () => {
  test.each(TIME_TEMPERATURE.filter((r) => r.meatS > 0).map((r) => [r.tempF, r.meatS, r.poultryS]))(
    '%d °F held %d s passes for meat and %d s for poultry; a second less does not',
    (tempF, meatS, poultryS) => {
      const hold = (s: number) => [
        { tS: 0, tempC: fToC(tempF) },
        { tS: s, tempC: fToC(tempF) },
      ];
      expect(tableWay(hold(meatS), false)?.pass).toBe(true);
      expect(tableWay(hold(meatS - 1), false)?.pass).toBe(false);
      expect(tableWay(hold(poultryS), true)?.pass).toBe(true);
      expect(tableWay(hold(poultryS - 1), true)?.pass).toBe(false);
    },
  );

  test.each(TIME_TEMPERATURE.filter((r) => r.meatS > 0).map((r) => [r.tempF, r.meatS]))(
    'the integrated model at %d °F is within the printed precision of %d s or stricter',
    (tempF, tableS) => {
      const modelS = secondsStillNeeded(MODEL, 0, 6.5, fToC(tempF))!;
      expect(modelS).toBeGreaterThan(tableS * 0.9);
      expect(modelS).toBeLessThan(tableS * 1.15);
    },
  );

  test('158 °F passes at once', () =>
    expect(tableWay([{ tS: 0, tempC: 70 }], false)?.pass).toBe(true));
  test('a break in the hold starts it anew', () => {
    const readings = [
      { tS: 0, tempC: 60 },
      { tS: 500, tempC: 60 },
      { tS: 510, tempC: 59 },
      { tS: 520, tempC: 60 },
      { tS: 1000, tempC: 60 },
    ];
    expect(longestHoldS(readings, 60)).toBe(500);
    expect(tableWay(readings, false)?.pass).toBe(false);
  });
  test('below its first row there is none', () => {
    expect(
      tableWay(
        [
          { tS: 0, tempC: 54 },
          { tS: 1e6, tempC: 54 },
        ],
        false,
      ),
    ).toBeNull();
    expect(tableSecondsAt(54, false)).toBeNull();
    expect(tableSecondsAt(61, false)).toBe(9 * 60);
  });
});

import fc from 'fast-check';
import type { SmokeSeen } from '../../logbook/kinds/hanging';
import { airSpread, bathRise, pullList, smokeMinutes } from '.';

const MIN = 60;

describe('airSpread', () => {
  const sensor = (id: number, level: number | null, ...temps: number[]) => ({
    id,
    name: `S${id}`,
    spot: { level, depth: null },
    readings: temps.map((tempC, i) => ({ tS: 1000 + i * MIN, tempC })),
  });
  const look = (sensors: ReturnType<typeof sensor>[], levels: number[] = []) =>
    airSpread({ sensors, levels, nowS: 1300, windowS: 600 });
  test('9 °C between front and back', () => {
    const s = look([sensor(1, 1, 70, 72), sensor(2, 1, 62, 62)])!;
    expect(s.spreadC).toBeCloseTo(9, 9);
    expect(s.coldest.id).toBe(2);
    expect(s.hottest.id).toBe(1);
  });
  test('what hangs nowhere near product is left out', () =>
    expect(look([sensor(1, 1, 70), sensor(2, 2, 66), sensor(3, 3, 90)], [1, 2])!.spreadC).toBe(4));
  test('old readings say nothing', () =>
    expect(
      airSpread({
        sensors: [sensor(1, 1, 70), sensor(2, 1, 60)],
        levels: [],
        nowS: 9000,
        windowS: 600,
      }),
    ).toBeNull());
  test('one sensor has no spread', () => expect(look([sensor(1, 1, 70)])).toBeNull());
  test('refuses a window of nothing', () =>
    expect(() => airSpread({ sensors: [], levels: [], nowS: 0, windowS: 0 })).toThrow(/windowS/));
});

describe('smokeMinutes', () => {
  const looks = (...l: [number, SmokeSeen][]) => l.map(([min, seen]) => ({ tS: min * MIN, seen }));
  const smoke = (l: [number, SmokeSeen][], nowMin = 120) =>
    smokeMinutes({
      stages: [{ fromS: 0, toS: null }],
      looks: looks(...l),
      everyS: 30 * MIN,
      nowS: nowMin * MIN,
    });
  const min = (m: { countsS: number; outS: number; unseenS: number }) =>
    [m.countsS, m.outS, m.unseenS].map((s) => s / MIN);
  test.each([
    [
      'seen every half hour',
      [
        [30, 'thin'],
        [60, 'thick'],
        [90, 'thin'],
      ],
      [120, 0, 0],
    ],
    [
      'out at the second look: that stretch counts nothing',
      [
        [30, 'thin'],
        [60, 'out'],
        [75, 'thin'],
      ],
      [60, 45, 15],
    ],
    [
      'out and never lit again',
      [
        [30, 'thin'],
        [60, 'out'],
      ],
      [30, 90, 0],
    ],
    ['nobody looked', [], [30, 0, 90]],
    ['one look long after', [[100, 'thin']], [50, 0, 70]],
    ['out from the first look on', [[10, 'out']], [0, 120, 0]],
  ] as [string, [number, SmokeSeen][], number[]][])('%s', (_, l, want) =>
    expect(min(smoke(l))).toEqual(want),
  );
  test('says since when it has been out, and when to look', () => {
    const m = smoke(
      [
        [30, 'out'],
        [50, 'out'],
      ],
      70,
    );
    expect(m.outSinceS).toBe(30 * MIN);
    expect(m.nextLookS).toBe(80 * MIN);
    expect(
      smoke(
        [
          [30, 'out'],
          [50, 'thin'],
        ],
        70,
      ).outSinceS,
    ).toBeNull();
  });
  test('property: every second is one of the three, and an out never adds smoke', () => {
    const seen = fc.constantFrom<SmokeSeen>('thin', 'thick', 'out');
    const list = fc
      .array(fc.tuple(fc.integer({ min: 1, max: 119 }), seen), { maxLength: 8 })
      .map((l) => l.sort((a, b) => a[0] - b[0]));
    fc.assert(
      fc.property(list, fc.integer({ min: 1, max: 119 }), (l, at) => {
        const m = smoke(l);
        expect(m.countsS + m.outS + m.unseenS).toBeCloseTo(120 * MIN, 6);
        const worse = [...l, [at, 'out'] as [number, SmokeSeen]].sort((a, b) => a[0] - b[0]);
        if (!l.some(([t]) => t === at))
          expect(smoke(worse).countsS).toBeLessThanOrEqual(m.countsS + 1e-9);
      }),
      { seed: 9 },
    );
  });
  test('refuses an interval of nothing', () =>
    expect(() => smokeMinutes({ stages: [], looks: [], everyS: 0, nowS: 0 })).toThrow(/everyS/));
});

describe('bathRise', () => {
  const size = { volumeL: 100, areaCm2: 5000, rimCm: 10 };
  test('21 kg in half a square metre rises 4 cm', () => {
    const r = bathRise(size, 21_000, 5, 76);
    expect(r.riseCm).toBeCloseTo(4, 9);
    expect(r.freeCm).toBeCloseTo(6, 9);
    expect(r.overflows).toBe(false);
    expect(r.coolsC).toBeCloseTo((21_000 * 3.4 * 71) / (100_000 * 4.18 + 21_000 * 3.4), 9);
  });
  test('more than the rim leaves', () =>
    expect(bathRise(size, 60_000, 5, 76).overflows).toBe(true));
  test('refuses a bath without water', () =>
    expect(() => bathRise({ ...size, volumeL: 0 }, 1, 1, 1)).toThrow(/volumeL/));
});

describe('pullList', () => {
  const group = (id: string, due: number | null, more = {}) => ({
    id,
    diameterMm: 60,
    pieces: 4,
    pulled: 0,
    dueS: [due === null ? null : due - 300, due, null] as const,
    reached: false,
    ...more,
  });
  test('due first, then soon, later, unknown and out', () => {
    const rows = pullList(
      [
        group('out', 100, { pulled: 4 }),
        group('unknown', null),
        group('later', 9000),
        group('soon', 2000),
        group('reached', null, { reached: true }),
        group('past', 900),
      ],
      1000,
    );
    expect(rows.map((r) => [r.id, r.stand])).toEqual([
      ['past', 'due'],
      ['reached', 'due'],
      ['soon', 'soon'],
      ['later', 'later'],
      ['unknown', 'unknown'],
      ['out', 'out'],
    ]);
  });
  test('thin before thick where nobody can say', () =>
    expect(
      pullList([group('b', null, { diameterMm: 80 }), group('a', null)], 0).map((r) => r.id),
    ).toEqual(['a', 'b']));
});

import fc from 'fast-check';
import { LivePiece } from '../heat/live-piece';
import { checkCalibration, isCalibrated, withOffsets } from './calibration';
import { creditProbe, type CreditOptions } from './evidence';
import { answerTimeS } from './slid-out';

type R = { tS: number; tempC: number };
const MIN = 60;

/** A true core of a piece in a house at 65 °C, every 10 s, with a change of what is read. */
function coreLog(minutes: number, change: (r: R) => R = (r) => r, diameterMm = 38): R[] {
  const piece = new LivePiece({ diameterMm, startC: 5 });
  return Array.from({ length: minutes * 6 }, (_, i) => {
    const r = change({ tS: i * 10, tempC: piece.coreC + (i % 3) * 0.01 });
    piece.stay(10, { medium: 'air', airC: 65, rh: 0.5 });
    return r;
  });
}
const air = (minutes: number, tempC = 65): R[] =>
  Array.from({ length: minutes * 6 }, (_, i) => ({ tS: i * 10, tempC: tempC + (i % 5) * 0.05 }));
const reasons = (readings: R[], options: CreditOptions = {}) =>
  creditProbe(readings, options).rejected.map((r) => r.reason);

test.each([18, 24, 38, 60, 95])(
  'a true core of %d mm is credited from end to end',
  (diameterMm) => {
    const log = coreLog(120, undefined, diameterMm);
    const c = creditProbe(log, { air: air(120), diameterMm });
    expect(c.rejected).toEqual([]);
    expect(c.credited).toEqual([{ fromS: 0, toS: log.at(-1)!.tS }]);
  },
);

test('a probe that slid out earns nothing from the leap on, until it is back in the piece', () => {
  const out = coreLog(90, (r) =>
    r.tS >= 30 * MIN && r.tS < 60 * MIN ? { ...r, tempC: 65.1 + (r.tS % 50) / 100 } : r,
  );
  const { credited, rejected } = creditProbe(out, { air: air(90), diameterMm: 38 });
  const span = rejected.find((r) => r.reason === 'reads_air')!;
  expect(span.fromS).toBe(30 * MIN);
  expect(span.toS).toBeGreaterThanOrEqual(60 * MIN - 20);
  expect(span.toS).toBeLessThanOrEqual(60 * MIN + 20);
  expect(credited[0]!.toS).toBeLessThan(30 * MIN);
  expect(credited.at(-1)!.fromS).toBeGreaterThanOrEqual(60 * MIN - 10);
  expect(credited.every((s) => s.toS <= 30 * MIN || s.fromS >= span.toS)).toBe(true);
});

test('one that never comes back stays without credit to the end; without an air log nobody can say', () => {
  const out = coreLog(60, (r) => (r.tS >= 30 * MIN ? { ...r, tempC: 65 + (r.tS % 30) / 100 } : r));
  expect(creditProbe(out, { air: air(60) }).rejected.at(-1)!.toS).toBe(out.at(-1)!.tS);
  expect(reasons(out)).toEqual(['jump']);
});

test('a set point that is raised takes the air along, and the core stays a core', () => {
  const step = air(60).map((r) => (r.tS > 20 * MIN ? { ...r, tempC: r.tempC + 15 } : r));
  expect(reasons(coreLog(60), { air: step })).toEqual([]);
});

test.each([
  ['a silence', coreLog(30).filter((r) => r.tS < 600 || r.tS > 1300), {}, ['gap']],
  [
    'a silence that the chill allows',
    coreLog(30).filter((r) => r.tS < 600 || r.tS > 1300),
    { phase: 'chill' },
    [],
  ],
  [
    'a leap',
    coreLog(30, (r) => (r.tS === 900 ? { ...r, tempC: r.tempC + 20 } : r)),
    {},
    ['jump', 'jump'],
  ],
  [
    'a value that stands still',
    coreLog(60, (r) => (r.tS > 900 ? { ...r, tempC: 40 } : r)),
    {},
    ['flat_line', 'jump'],
  ],
  [
    'a hand log may leap',
    coreLog(30, (r) => (r.tS === 900 ? { ...r, tempC: 60 } : r)),
    { source: 'hand' },
    [],
  ],
  ['no reading at all', [], {}, []],
] as [string, R[], CreditOptions, string[]][])('%s', (_, readings, options, expected) =>
  expect(reasons(readings, options).sort()).toEqual(expected),
);

test('the hotter of two neighbours that part has drifted; the cooler one is believed', () => {
  const good = coreLog(120);
  const drifting = coreLog(120, (r) => ({ ...r, tempC: r.tempC + Math.max(0, r.tS - 1800) / 300 }));
  expect(reasons(drifting, { neighbours: [good], maxCPerMin: 60 })).toContain('drift');
  expect(reasons(good, { neighbours: [drifting] })).toEqual([]);
});

test('a check that is out of date gives no credit, before it and after its time', () => {
  const log = coreLog(60);
  const day = 86_400;
  const with_ = (atS: number) => creditProbe(log, { calibrations: [{ atS, offsetC: 0 }] });
  expect(with_(-10 * day).rejected).toEqual([]);
  expect(with_(-100 * day).credited).toEqual([]);
  expect(with_(1800).credited[0]!.fromS).toBe(1800);
  expect(creditProbe(log, { calibrations: [] }).rejected[0]!.reason).toBe('calibration');
});

test('property: credited stretches never overlap, run forward, and hold only readings', () => {
  const reading = fc.record({
    dt: fc.integer({ min: 1, max: 900 }),
    tempC: fc.integer({ min: 0, max: 90 }),
  });
  fc.assert(
    fc.property(fc.array(reading, { maxLength: 60 }), (steps) => {
      let t = 0;
      const log = steps.map((s) => ({ tS: (t += s.dt), tempC: s.tempC }));
      const { credited } = creditProbe(log, { air: air(60) });
      credited.forEach((s, i) => {
        expect(s.toS).toBeGreaterThanOrEqual(s.fromS);
        expect(s.fromS).toBeGreaterThan(credited[i - 1]?.toS ?? -1);
        expect(log.some((r) => r.tS === s.fromS)).toBe(true);
      });
    }),
    { seed: 11 },
  );
});

test('readings that run back or are no number are refused', () => {
  expect(() =>
    creditProbe([
      { tS: 5, tempC: 1 },
      { tS: 1, tempC: 1 },
    ]),
  ).toThrow(RangeError);
  expect(() => creditProbe([{ tS: 5, tempC: Number.NaN }])).toThrow(RangeError);
});

test('the thicker the piece, the longer no leap of it can be true', () => {
  expect(answerTimeS(18)).toBeLessThan(answerTimeS(28));
  expect(answerTimeS(200)).toBe(300);
});

describe('checkCalibration', () => {
  test.each([
    ['ice only', { iceC: 0.3, altitudeM: 0 }, { ok: true, offsetC: 0.3 }],
    ['both points', { iceC: 0.2, boilC: 100.4, altitudeM: 0 }, { ok: true }],
    ['boiling in the hills', { iceC: 0, boilC: 94.6, altitudeM: 1600 }, { ok: true }],
    [
      'the same without the hills',
      { iceC: 0, boilC: 94.6, altitudeM: 0 },
      { ok: false, reason: 'too_far_off' },
    ],
    ['far off', { iceC: 3, altitudeM: 0 }, { ok: false, reason: 'too_far_off' }],
    [
      'points that disagree',
      { iceC: -0.8, boilC: 101, altitudeM: 0 },
      { ok: false, reason: 'points_disagree' },
    ],
  ])('%s', (_, check, expected) => expect(checkCalibration(check)).toMatchObject(expected));

  test('no number and no such mountain are refused', () => {
    expect(() => checkCalibration({ iceC: Number.NaN, altitudeM: 0 })).toThrow(RangeError);
    expect(() => checkCalibration({ iceC: 0, altitudeM: 9000 })).toThrow(RangeError);
  });

  test('the offset in force is taken off, from its check on', () => {
    const log = [0, 10, 20].map((tS) => ({ tS, tempC: 60 }));
    const shifted = withOffsets(log, [
      { atS: 5, offsetC: 0.5 },
      { atS: 15, offsetC: -0.2 },
    ]);
    expect(shifted.map((r) => r.tempC)).toEqual([60, 59.5, 60.2]);
    expect(withOffsets(log, [])).toBe(log);
    expect(isCalibrated([{ atS: 5, offsetC: 0 }], 4, 100)).toBe(false);
  });
});

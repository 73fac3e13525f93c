import { checkCalibration, isTrusted, withOffsets } from './calibration';

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
  });
});

const DAY = 86_400;
const check = (day: number, offsetC = 0.2) => ({ atS: day * DAY, offsetC });

test.each([
  ['never checked, and no rule asks for it', [], 10, undefined, true],
  ['never checked, and a rule asks for it', [], 10, 90, false],
  ['checked the day before', [check(9)], 10, 90, true],
  ['on the last day', [check(0)], 90, 90, true],
  ['a day too old', [check(0)], 91, 90, false],
  ['checked only afterwards', [check(11)], 10, 90, false],
  ['found wrong afterwards', [check(9), check(11, 4)], 10, 90, false],
  ['found wrong, then right, before it', [check(7, 4), check(9)], 10, 90, true],
  ['found wrong before it, whatever the rule', [check(9, -4)], 10, undefined, false],
  [
    'right first, wrong long after another check',
    [check(9), check(12), check(20, 4)],
    10,
    90,
    true,
  ],
] as const)('%s', (_, checks, day, maxDays, trusted) => {
  expect(isTrusted([...checks], day * DAY, maxDays && maxDays * DAY)).toBe(trusted);
});

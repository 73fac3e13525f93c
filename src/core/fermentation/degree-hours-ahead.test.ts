import { testRules } from '../testing/recipe';
import { degreeHoursAhead } from './degree-hours-ahead';

const HOUR = 3600;
const rule = testRules().fermentation.body;
const until = (hours: number) => ({ p10S: hours * HOUR, p50S: hours * HOUR, p90S: hours * HOUR });
const ask = (more: Partial<Parameters<typeof degreeHoursAhead>[0]> = {}) =>
  degreeHoursAhead({
    rule,
    chamber: [{ tS: 0, tempC: 25.6 }],
    aheadC: 25.6,
    startS: 0,
    nowS: 10 * HOUR,
    target: { p10S: 15 * HOUR, p50S: 20 * HOUR, p90S: 25 * HOUR },
    ...more,
  });

test('ten hours at ten degrees over, and what the forecast adds', () => {
  const d = ask();
  expect(d.soFar).toBeCloseTo(100, 6);
  expect(d.atTarget.p10).toBeCloseTo(150, 6);
  expect(d.atTarget.p50).toBeCloseTo(200, 6);
  expect(d.atTarget.p90).toBeCloseTo(250, 6);
  expect(d).toMatchObject({ limit: 667, status: 'within' });
  expect(d.limitS).toBeCloseTo(66.7 * HOUR, 3);
});

test.each([
  ['the late end is beyond the limit', { target: until(70) }, 'close'],
  ['a pH that is never met', { target: { p10S: null, p50S: null, p90S: null } }, 'close'],
  [
    'never met, but in a chamber that adds nothing',
    { aheadC: 12, target: { p10S: null, p50S: null, p90S: null } },
    'within',
  ],
  ['passed', { nowS: 70 * HOUR, target: until(71) }, 'over'],
] as const)('%s', (_, more, status) => expect(ask(more).status).toBe(status));

test('a warmer chamber to come has less to give: its own band counts', () => {
  expect(ask({ aheadC: 34 }).limit).toBe(556);
  expect(ask({ aheadC: 40 }).limit).toBe(500);
  expect(ask({ nowS: 70 * HOUR, target: until(71) }).limitS).toBe(70 * HOUR);
});

test.each([
  [{ chamber: [] }, 'chamber'],
  [{ nowS: -1 }, 'nowS'],
  [{ aheadC: NaN }, 'aheadC'],
])('refuses %o', (more, field) => expect(() => ask(more)).toThrow(field));

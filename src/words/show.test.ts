import { DateTime } from 'luxon';
import { Show } from './show';

const metric = new Show({ system: 'metric', locale: 'en-US', timeZone: 'America/Chicago' });
const us = new Show({ system: 'us', locale: 'en-US', timeZone: 'America/Chicago' });
const german = new Show({ system: 'metric', locale: 'de-DE', timeZone: 'Europe/Berlin' });
const at = (iso: string) => DateTime.fromISO(iso, { zone: 'utc' }).toSeconds();

test.each([
  [metric.temp(66), '66 °C'],
  [us.temp(66), '150.8 °F'],
  [metric.other('temperature', 66), '150.8 °F'],
  [metric.mass(31_500), '31.5 kg'],
  [us.mass(453.59237), '1 lb'],
  [us.quantity('diameter', 38), '1.5 in'],
  [german.mass(31_500), '31,5 kg'],
  [metric.grams(19.2, 0.1), '19.2 g'],
  [metric.grams(19.2, 0.01), '19.20 g'],
  [metric.grams(19, 1), '19 g'],
  [metric.grams(1890, 5), '1,890 g'],
  [german.grams(19.2, 0.1), '19,2 g'],
])('says %s', (said, expected) => expect(said).toBe(expected));

test.each([
  [0, '0 s'],
  [40, '40 s'],
  [-40, '40 s'],
  [89, '89 s'],
  [90, '2 min'],
  [35 * 60, '35 min'],
  [3599, '1 h 00'],
  [7800, '2 h 10'],
  [47 * 3600, '47 h 00'],
  [50 * 3600, '2 d 2 h'],
])('%d s is %s', (seconds, expected) => expect(metric.duration(seconds)).toBe(expected));

test.each([
  ['2026-11-26T20:20:00Z', 'Thu 14:20'],
  ['2026-03-08T07:59:00Z', 'Sun 01:59'],
  ['2026-03-08T08:00:00Z', 'Sun 03:00'],
  ['2026-11-01T05:59:00Z', 'Sun 00:59'],
  ['2026-11-01T06:30:00Z', 'Sun 01:30 (UTC-05:00)'],
  ['2026-11-01T07:30:00Z', 'Sun 01:30 (UTC-06:00)'],
  ['2026-11-01T08:00:00Z', 'Sun 02:00'],
])('%s is %s in the site’s zone, across both clock changes', (iso, expected) =>
  expect(metric.clock(at(iso), at(iso))).toBe(expected),
);

test.each([
  [6, 'Thu 14:20'],
  [-6, 'Thu 14:20'],
  [7, 'Thu 26 Nov 14:20'],
  [-7, 'Thu 26 Nov 14:20'],
])('%d days from now the weekday has its date where it could be another', (days, expected) => {
  const then = at('2026-11-26T20:20:00Z');
  expect(metric.clock(then, then - days * 86_400 + Math.sign(days))).toBe(expected);
});

test.each([
  [0, 'now'],
  [20, 'now'],
  [35 * 60, 'in 35 min'],
  [-12 * 60, '12 min ago'],
])('%d s from now is %s', (shift, expected) =>
  expect(metric.until(1e9 + shift, 1e9)).toBe(expected),
);

test.each([
  ['2026-11-01T07:30:00Z', '01:30 (UTC-06:00)', /1:30.* \(UTC-06:00\)$/],
  ['2026-11-01T08:30:00Z', '02:30', /2:30\D*$/],
])('%s is %s in whatever way a time is said', (iso, time, date) => {
  expect(metric.time(at(iso))).toBe(time);
  expect(metric.ahead(at(iso), at(iso) - 40)).toBe(time);
  expect(metric.date(at(iso))).toMatch(date);
});

test('time is said twice', () =>
  expect(metric.when(at('2026-11-26T20:20:00Z'), at('2026-11-26T19:45:00Z'))).toBe(
    'Thu 14:20 · in 35 min',
  ));

test.each([
  [0.64, 1, '0.6'],
  [6.512, 2, '6.51'],
  [20, 1, '20'],
  [110.12, 2, 'over 20'],
])('%d reductions read as %s digits: %s', (gained, digits, words) =>
  expect(
    new Show({ system: 'metric', locale: 'en-US', timeZone: 'UTC' }).logs(gained, digits),
  ).toBe(words),
);

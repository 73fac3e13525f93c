import type { LossForecast, PhForecast, RimView } from '@/core';
import { degreeHourWords } from './degree-hours';
import { lossWords, phTargetWords, rimWords } from './ripening';
import { Show } from './show';

const NOW = Date.UTC(2026, 10, 27, 12) / 1000;
const HOUR = 3600;
const DAY = 24 * HOUR;
const show = new Show({ system: 'metric', locale: 'en-US', timeZone: 'UTC' });
const us = new Show({ system: 'us', locale: 'en-US', timeZone: 'UTC' });

type Target = PhForecast['targets'][number];
const target = (more: Partial<Target>): Target => ({
  ph: 4.8,
  p10S: NOW + 5 * HOUR,
  p50S: NOW + 6 * HOUR,
  p90S: NOW + 7 * HOUR,
  status: 'forecast',
  ...more,
});
const said = ({ first, rest }: { first: string; rest: string }) => `${first} ${rest}`;

test.each<[string, Partial<Target>, RegExp]>([
  ['ahead', {}, /between 17:00 and 19:00 most likely 18:00/],
  ['shown', { status: 'reached', p50S: NOW - HOUR }, /^shown Fri 11:00/],
  ['near where the sugar ends', { p90S: null }, /not before 17:00 most likely 18:00; or never/],
  [
    'not at all',
    { status: 'unreachable', p10S: null, p50S: null, p90S: null },
    /not within a week/,
  ],
  ['like no culture', { status: 'unexplained' }, /check the meter/],
])('a pH %s', (_, more, words) =>
  expect(said(phTargetWords(target(more), NOW, show))).toMatch(words),
);

const loss = (more: Partial<LossForecast>): LossForecast => ({
  p10S: NOW + 3 * DAY,
  p50S: NOW + 4 * DAY,
  p90S: NOW + 6 * DAY,
  status: 'forecast',
  course: [],
  nextS: null,
  now: { rimAw: 0.9, meanAw: 0.93 },
  fitted: { inside: 1, outside: 1, dryness: 1 },
  ...more,
});

test.each<[string, Partial<LossForecast>, RegExp]>([
  ['ahead', {}, /about Tue 1 Dec between Mon 30 Nov and Thu 3 Dec/],
  ['with an open end', { p90S: null }, /and far later/],
  ['shown', { status: 'reached', p50S: NOW - HOUR }, /^shown/],
  ['never', { status: 'unreachable', p10S: null, p50S: null, p90S: null }, /too moist/],
  ['perhaps never', { status: 'unreachable', p50S: null, p90S: null }, /not before Mon 30 Nov/],
  ['like no piece', { status: 'unexplained' }, /Weigh it again/],
])('a loss %s', (_, more, words) => expect(said(lossWords(loss(more), NOW, show))).toMatch(words));

test.each<[RimView, RegExp | null]>([
  [{ status: 'even', share: 0.8, soonShare: 0.8, rhInstead: null }, null],
  [{ status: 'drying_fast', share: 0.6, soonShare: 0.58, rhInstead: 0.83 }, /too fast.*Set 83 %/],
  [{ status: 'hard', share: 0.4, soonShare: 0.38, rhInstead: null }, /closing.*still, moist air/],
])('a rim: %o', (rim, words) => {
  if (words === null) expect(rimWords(rim, show)).toBeNull();
  else expect(rimWords(rim, show)).toMatch(words);
});

test('degree-hours in both systems', () => {
  expect(degreeHourWords(667, show)).toBe('667 °C·h');
  expect(degreeHourWords(667, us)).toBe('1,201 °F·h');
});

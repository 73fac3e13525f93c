import { DateTime } from 'luxon';
import { bandWords } from './band';
import { Show } from './show';

const show = new Show({ system: 'metric', locale: 'en-US', timeZone: 'America/Chicago' });
const at = (iso: string) => DateTime.fromISO(iso, { zone: 'America/Chicago' }).toSeconds();
const now = at('2026-11-26T15:02');
const band = (p10: string | null, p50: string | null, p90: string | null) => {
  const when = (hm: string | null) => (hm === null ? null : at(`2026-11-26T${hm}`));
  return bandWords({ p10: when(p10), p50: when(p50), p90: when(p90) }, now, show);
};

test.each([
  ['soon and sure', band('15:19', '15:20', '15:20:30'), 'about 15:20', 'in 18 min'],
  [
    'soon, with a band',
    band('15:15', '15:21', '15:29'),
    'about 15:21',
    'in 19 min, between 15:15 and 15:29',
  ],
  [
    'wide for good reason',
    band('16:38', '16:52', '17:16'),
    'between 16:40 and 17:15',
    'most likely 16:50',
  ],
  [
    'hours ahead, a narrow one',
    band('18:51', '19:01', '19:13'),
    'about 19:00',
    'in 3 h 58, between 18:50 and 19:15',
  ],
  [
    'an open end',
    band('16:38', '17:12', null),
    'not before 16:40',
    'most likely 17:10; with a little less heat far later',
  ],
  [
    'perhaps never',
    band('16:38', null, null),
    'not before 16:40',
    'and perhaps never as things are',
  ],
  ['never', band(null, null, null), 'not within three days as things are', ''],
  ['reached', band('14:50', '14:50', '14:50'), 'Thu 14:50', 'reached 12 min ago'],
])('%s', (_, said, first, rest) => expect(said).toEqual({ first, rest }));

test('a time of another day is said with its day', () =>
  expect(
    bandWords({ p10: now + 9 * 3600, p50: now + 10 * 3600, p90: now + 11 * 3600 }, now, show),
  ).toEqual({ first: 'about Fri 01:00', rest: 'in 9 h 58, between Fri 00:00 and Fri 02:00' }));

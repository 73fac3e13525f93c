import { clockWords, doubtOf, type Clocks } from './clock-watch';

const NOW = 1_800_000_000;
const clocks = (more: Partial<Clocks>): Clocks => ({
  wallS: NOW,
  steadyS: 5000,
  databaseS: NOW,
  recordS: NOW - 10,
  ...more,
});
const START = NOW - 5000;

test.each<[string, Partial<Clocks>, ReturnType<typeof doubtOf>]>([
  ['all agree', {}, null],
  ['a little apart', { databaseS: NOW + 30, recordS: NOW + 30 }, null],
  ['nothing recorded for weeks', { recordS: NOW - 3e6 }, null],
  ['a machine that slept', { wallS: NOW + 9000, steadyS: 14_000, databaseS: NOW + 9000 }, null],
  [
    'set back by an hour',
    { wallS: NOW - 3600, databaseS: NOW - 3600 },
    { offS: -3600, against: 'itself' },
  ],
  ['days ahead', { wallS: NOW + 2e5, databaseS: NOW + 2e5 }, { offS: 2e5, against: 'itself' }],
  ['beside the database', { databaseS: NOW + 120 }, { offS: -120, against: 'database' }],
  ['before the record', { recordS: NOW + 600 }, { offS: -600, against: 'record' }],
])('%s', (_what, more, doubt) => expect(doubtOf(START, clocks(more))).toEqual(doubt));

test.each<[number, string]>([
  [-70, 'about 1 min behind'],
  [3600, 'about 60 min ahead'],
  [-7300, 'about 2 h behind'],
  [2e5, 'about 2 days ahead'],
])('%d s', (offS, words) => expect(clockWords({ offS, against: 'record' })).toContain(words));

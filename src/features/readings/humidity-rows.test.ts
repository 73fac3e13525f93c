import { wetBulbFromRh } from '@/core';
import { airlessTimes, wetBulbRows } from './humidity-rows';

const CHANNELS = [
  { id: 1, key: 'air', what: 'air' as const },
  { id: 2, key: 'wet', what: 'wet_bulb' as const },
];
const AT = '2026-11-23T12:00:00Z';
const humid = (change: object = {}) => ({ channel: 'wet', at: AT, rh: 0.8, ...change });
const air = (tempC: number, at = AT) => ({ channel: 'air', at, tempC });
const wet = (airC: number, rh = 0.8) => expect.closeTo(wetBulbFromRh(airC, rh), 1) as number;
const NONE = new Map<number, number>();

test.each<[string, unknown[], ReadonlyMap<number, number>, unknown]>([
  [
    'by its own air',
    [humid({ airC: 24 }), air(14)],
    NONE,
    { channel: 'wet', at: AT, tempC: wet(24) },
  ],
  [
    'by the air of the report',
    [humid(), air(14)],
    NONE,
    { channel: 'wet', at: AT, tempC: wet(14) },
  ],
  [
    'by the nearest of them',
    [humid(), air(20, '2026-11-23T11:57:00Z'), air(14, '2026-11-23T12:01:00Z')],
    NONE,
    { channel: 'wet', at: AT, tempC: wet(14) },
  ],
  [
    'by the air stored about that time',
    [humid()],
    new Map([[Date.parse(AT), 14]]),
    { channel: 'wet', at: AT, tempC: wet(14) },
  ],
  ['saturated', [humid({ rh: 1, airC: 14 })], NONE, { channel: 'wet', at: AT, tempC: wet(14, 1) }],
])('a humidity is kept as the wet bulb of its air: %s', (_what, rows, last, expected) => {
  const told = wetBulbRows(rows, CHANNELS, last);
  expect(told.bad).toEqual([]);
  expect(told.rows[0]).toEqual(expected);
  expect(told.rows.slice(1)).toEqual(rows.slice(1));
});

test.each<[string, unknown, string, RegExp]>([
  ['in per cent', humid({ rh: 83 }), 'rh', /send 83 % as 0.83/],
  ['below nothing', humid({ rh: -0.1 }), 'rh', /./],
  ['of the air channel', humid({ channel: 'air' }), 'channel', /no humidity/],
  ['without any air', humid(), 'airC', /within five minutes/],
  ['in air of a furnace', humid({ airC: 180 }), 'airC', /180/],
])('one that means nothing is named and not kept: %s', (_what, row, field, reason) => {
  const told = wetBulbRows([air(14, '2026-11-23T09:00:00Z'), row], CHANNELS, NONE);
  expect(told.rows[1]).toBeUndefined();
  expect(told.bad).toEqual([
    { index: 1, field, reason: expect.stringMatching(reason) as unknown as string },
  ]);
});

test('a temperature, and a row that nobody understands, are left as they are', () => {
  const rows = [air(14), null, 'junk', { channel: 'wet', at: AT, tempC: 12, rh: 0.8 }];
  expect(wetBulbRows(rows, CHANNELS, NONE)).toEqual({ rows, bad: [] });
});

test('only a humidity without its air is looked up', () => {
  expect(airlessTimes([humid({ airC: 14 }), air(14), humid({ rh: 83 }), humid()])).toEqual([
    Date.parse(AT),
  ]);
});

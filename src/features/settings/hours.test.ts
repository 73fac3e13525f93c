import { DateTime } from 'luxon';
import type { Roster, WorkingHours } from '@/core';
import { ANYBODY, attendedSpans, whoIsThere } from './hours';

const ZONE = 'America/Chicago';
const day = { from: '06:00', to: '18:00' };
const workingHours: WorkingHours = {
  1: day,
  2: day,
  3: day,
  4: day,
  5: day,
  6: { from: '20:00', to: '24:00' },
  7: null,
};
const site = (roster: Partial<Roster> | null) => ({
  timeZone: ZONE,
  workingHours,
  roster: roster && { shifts: [], off: [], extra: [], ...roster },
});
const at = (iso: string) => DateTime.fromISO(iso, { zone: ZONE }).toSeconds();
const [MONDAY, TUESDAY] = [at('2027-03-01T00:00'), at('2027-03-02T00:00')];
const inHours = (list: { startS: number; endS: number }[]) =>
  list.map((s) => [(s.startS - MONDAY) / 3600, (s.endS - MONDAY) / 3600]);

test('without a roster somebody is there in working hours, to midnight where they say so', () => {
  expect(whoIsThere(site(null), MONDAY, TUESDAY)).toEqual([
    { startS: MONDAY + 6 * 3600, endS: MONDAY + 18 * 3600, people: [ANYBODY] },
  ]);
  const saturday = at('2027-03-06T00:00');
  const [late] = attendedSpans(site(null), saturday, saturday + 48 * 3600);
  expect(late).toEqual({ startS: saturday + 20 * 3600, endS: saturday + 24 * 3600 });
});

test('days off and hours besides count with the working hours too', () => {
  const off = [{ from: '2027-03-01', to: '2027-03-01', personId: null, why: 'Holiday' }];
  const extra = [{ personId: 'ada', day: '2027-03-01', from: '05:00', to: '07:00' }];
  expect(attendedSpans(site({ off }), MONDAY, TUESDAY)).toEqual([]);
  expect(whoIsThere(site({ off, extra }), MONDAY, TUESDAY).map((s) => s.people)).toEqual([['ada']]);
  expect(whoIsThere(site({ extra }), MONDAY, TUESDAY).map((s) => s.people)).toEqual([
    ['ada'],
    ['ada', ANYBODY],
    [ANYBODY],
  ]);
});

test('with shifts the working hours say nothing; who comes and goes leaves no gap', () => {
  const shifts = [
    { personId: 'ada', days: [1], from: '04:00', to: '09:00' },
    { personId: 'ben', days: [1], from: '09:00', to: '13:00' },
    { personId: 'ada', days: [1], from: '15:00', to: '16:00' },
  ];
  expect(inHours(attendedSpans(site({ shifts }), MONDAY, TUESDAY))).toEqual([
    [4, 13],
    [15, 16],
  ]);
  expect(whoIsThere(site({ shifts }), MONDAY, TUESDAY)).toHaveLength(3);
});

test('a span that reaches over the ends of what is asked is cut there', () =>
  expect(inHours(attendedSpans(site(null), MONDAY + 7 * 3600, MONDAY + 9 * 3600))).toEqual([
    [7, 9],
  ]));

import { DateTime } from 'luxon';
import fc from 'fast-check';
import { assignPeople, rosterSpans, type Roster } from './index';

const ZONE = 'Europe/Berlin';
const at = (iso: string) => DateTime.fromISO(iso, { zone: ZONE }).toSeconds();
const roster = (more: Partial<Roster> = {}): Roster => ({
  shifts: [
    { personId: 'ada', days: [1, 2, 3, 4, 5], from: '07:00', to: '15:00' },
    { personId: 'ben', days: [1, 2, 3, 4, 5], from: '12:00', to: '18:00' },
  ],
  off: [],
  extra: [],
  ...more,
});
const spansOf = (r: Roster, from: string, to: string) =>
  rosterSpans(r, ZONE, at(from), at(to)).map((s) => [
    DateTime.fromSeconds(s.startS, { zone: ZONE }).toFormat('dd HH:mm'),
    DateTime.fromSeconds(s.endS, { zone: ZONE }).toFormat('dd HH:mm'),
    s.people.join('+'),
  ]);

describe('rosterSpans', () => {
  test('who is there, hour by hour', () =>
    expect(spansOf(roster(), '2027-03-15T00:00', '2027-03-16T00:00')).toEqual([
      ['15 07:00', '15 12:00', 'ada'],
      ['15 12:00', '15 15:00', 'ada+ben'],
      ['15 15:00', '15 18:00', 'ben'],
    ]));
  test('a day off for all, one for one person, and extra hours on a Sunday', () => {
    const off = [
      { from: '2027-03-15', to: '2027-03-15', personId: null, why: 'Holiday' },
      { from: '2027-03-16', to: '2027-03-17', personId: 'ben', why: 'Away' },
    ];
    const extra = [{ personId: 'ben', day: '2027-03-14', from: '10:00', to: '12:00' }];
    expect(spansOf(roster({ off, extra }), '2027-03-14T00:00', '2027-03-17T00:00')).toEqual([
      ['14 10:00', '14 12:00', 'ben'],
      ['16 07:00', '16 15:00', 'ada'],
    ]);
  });
  test('a shift over midnight belongs to the day it begins on', () => {
    const shifts = [{ personId: 'cleo', days: [5], from: '22:00', to: '06:00' }];
    const off = [{ from: '2027-03-20', to: '2027-03-20', personId: null, why: 'Closed' }];
    expect(spansOf(roster({ shifts, off }), '2027-03-20T03:00', '2027-03-22T00:00')).toEqual([
      ['20 03:00', '20 06:00', 'cleo'],
    ]);
  });
  test.each([
    ['spring: the night is an hour shorter', '2027-03-27', 7],
    ['autumn: an hour longer', '2027-10-30', 9],
    ['any other', '2027-06-12', 8],
  ])('%s', (_, day, hours) => {
    const shifts = [{ personId: 'cleo', days: [1, 2, 3, 4, 5, 6, 7], from: '22:00', to: '06:00' }];
    const from = at(`${day}T22:00`);
    const [night] = rosterSpans(roster({ shifts }), ZONE, from, from + 12 * 3600);
    expect((night!.endS - night!.startS) / 3600).toBe(hours);
  });
  test('refuses a zone that there is none of, and a time that is none', () => {
    expect(() => rosterSpans(roster(), 'Nowhere/Else', 0, 1)).toThrow('timeZone');
    expect(() => rosterSpans(roster(), ZONE, Number.NaN, 1)).toThrow('fromS');
  });
});

describe('assignPeople', () => {
  const there = [{ startS: 0, endS: 100, people: ['ada', 'ben'] }];
  const byBatch = (id: string) => id.split('/')[0]!;
  test('who began a batch goes on with it; two at once are two people', () => {
    const work = [
      { id: 'a/1', startS: 0, endS: 20, people: 1 },
      { id: 'b/1', startS: 10, endS: 20, people: 1 },
      { id: 'b/2', startS: 20, endS: 40, people: 1 },
      { id: 'a/2', startS: 40, endS: 50, people: 2 },
    ];
    expect(assignPeople(work, there, byBatch).map((a) => a.people)).toEqual([
      ['ada'],
      ['ben'],
      ['ben'],
      ['ada', 'ben'],
    ]);
  });
  test('too few there: as many as there are, and nobody whose day ends in the middle', () =>
    expect(assignPeople([{ id: 'a/1', startS: 90, endS: 110, people: 1 }], there, byBatch)).toEqual(
      [{ id: 'a/1', people: [], besides: false }],
    ));
  test('what is brief takes nobody from other work, and is done besides it where nobody is free', () => {
    const alone = [{ startS: 0, endS: 100, people: ['ada'] }];
    const work = [
      { id: 'a/soak', startS: 8, endS: 13, people: 1, brief: true },
      { id: 'b/1', startS: 10, endS: 40, people: 1 },
      { id: 'a/1', startS: 40, endS: 60, people: 1 },
      { id: 'a/fire', startS: 99, endS: 104, people: 1, brief: true },
    ];
    const besides = (on: typeof there) =>
      assignPeople(work, on, byBatch).map((a) => `${a.people} ${a.besides}`);
    expect(besides(alone)).toEqual(['ada true', 'ada false', 'ada false', ' false']);
    /* Who stuffs puts the casings into the water, as long as there is time for it. */
    expect(besides(there)).toEqual(['ben false', 'ada false', 'ben false', ' false']);
  });
  test('property: nobody is in two places, and nobody is asked who is not there', () => {
    const work = fc.array(
      fc.record({
        startS: fc.integer({ min: 0, max: 90 }),
        long: fc.integer({ min: 1, max: 30 }),
        people: fc.integer({ min: 1, max: 2 }),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(work, (list) => {
        const needed = list.map((w, i) => ({
          id: `${i % 3}/${i}`,
          startS: w.startS,
          endS: w.startS + w.long,
          people: w.people,
        }));
        const made = assignPeople(needed, there, byBatch);
        const own = (who: string) => needed.filter((_, i) => made[i]!.people.includes(who));
        for (const who of ['ada', 'ben'])
          for (const a of own(who)) {
            expect(a.endS).toBeLessThanOrEqual(100);
            for (const b of own(who))
              if (a !== b) expect(a.endS <= b.startS || b.endS <= a.startS).toBe(true);
          }
        needed.forEach((n, i) => expect(made[i]!.people.length).toBeLessThanOrEqual(n.people));
      }),
      { seed: 3, numRuns: 100 },
    );
  });
});

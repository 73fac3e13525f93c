import fc from 'fast-check';
import { nextToTell, onDuty, type DutyPerson } from './index';
import type { Telling } from '../logbook/kinds/alarms';

const person = (personId: string, from?: string, to?: string): DutyPerson => ({
  personId,
  hours: from && to ? { from, to } : null,
});
const [ada, ben, cleo] = [person('ada'), person('ben'), person('cleo')];
const EVERY = 600;
const next = (there: DutyPerson[], told: Telling[], nowS: number) =>
  nextToTell({ there, told, everyS: EVERY, nowS })?.personId ?? null;
const told = (personId: string, atS: number, reached = true): Telling => ({
  personId,
  atS,
  reached,
});

describe('onDuty', () => {
  test.each([
    ['always', person('a'), '03:00', true],
    ['begins', person('a', '06:00', '14:00'), '06:00', true],
    ['is over', person('a', '06:00', '14:00'), '14:00', false],
    ['before midnight', person('a', '22:00', '06:00'), '23:59', true],
    ['after midnight', person('a', '22:00', '06:00'), '05:59', true],
    ['a night shift by day', person('a', '22:00', '06:00'), '12:00', false],
  ])('%s', (_, p, now, on) => expect(onDuty([p], now)).toEqual(on ? [p] : []));
});

describe('nextToTell', () => {
  test('the first at once, the next after so long without an answer', () => {
    expect(next([ada, ben], [], 0)).toBe('ada');
    expect(next([ada, ben], [told('ada', 0)], EVERY - 1)).toBeNull();
    expect(next([ada, ben], [told('ada', 0)], EVERY)).toBe('ben');
  });
  test('who cannot be reached holds nobody up', () => {
    expect(next([ada, ben], [told('ada', 0, false)], 1)).toBe('ben');
    /* But where nobody can be reached, it is not tried without end. */
    const all = [told('ada', 0, false), told('ben', 1, false)];
    expect(next([ada, ben], all, 2)).toBeNull();
    expect(next([ada, ben], all, EVERY + 1)).toBe('ada');
  });
  test('whoever comes on duty later was not told yet, and comes first', () =>
    expect(next([ada, cleo], [told('ada', 0), told('ben', EVERY)], 2 * EVERY)).toBe('cleo'));
  test('nobody on duty: nobody is told', () => expect(next([], [], 0)).toBeNull());
  test('property: bounded, fair, and never the same twice while others wait', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.array(fc.boolean(), { minLength: 40, maxLength: 40 }),
        (n, answers) => {
          const there = [ada, ben, cleo, person('dan')].slice(0, n);
          const log: Telling[] = [];
          for (let nowS = 0; nowS < 40 * EVERY; nowS += EVERY / 4) {
            const id = next(there, log, nowS);
            if (id) log.push(told(id, nowS, answers[log.length % 40]));
          }
          expect(log).toHaveLength(3 * n);
          const times = there.map((p) => log.filter((t) => t.personId === p.personId).length);
          expect(times).toEqual(there.map(() => 3));
          expect(log.slice(0, n).map((t) => t.personId)).toEqual(there.map((p) => p.personId));
        },
      ),
      { seed: 11, numRuns: 50 },
    );
  });
  test.each([
    ['everyS', () => nextToTell({ there: [ada], told: [], everyS: 0, nowS: 0 })],
    ['nowS', () => nextToTell({ there: [ada], told: [], everyS: 1, nowS: Number.NaN })],
  ])('refuses %s by name', (field, call) => expect(call).toThrow(field));
});

import fc from 'fast-check';
import { Profile } from './profile';
import { SlotSpans } from './slot-spans';

const SLOTS = 60;
const change = fc.record({
  from: fc.integer({ min: -10, max: SLOTS + 5 }),
  length: fc.integer({ min: 0, max: 30 }),
  kg: fc.constantFrom(0.1, 3, 7.7, 20),
});

describe('what is left, by slot', () => {
  test('property: as when each slot is counted by itself, also after some is given back', () => {
    fc.assert(
      fc.property(
        fc.array(change, { maxLength: 40 }),
        fc.nat({ max: SLOTS - 1 }),
        fc.integer({ min: 1, max: SLOTS }),
        (changes, from, end) => {
          const profile = new Profile(new Float64Array(SLOTS).fill(50));
          const plain = new Array<number>(SLOTS).fill(50);
          const take = ({ from, length, kg }: (typeof changes)[number], sign: 1 | -1) => {
            profile.take(from, from + length, sign * kg);
            plain.forEach((_, t) => t >= from && t < from + length && (plain[t]! -= sign * kg));
          };
          for (const c of changes) take(c, 1);
          for (const c of changes.filter((_, i) => i % 2 === 0)) take(c, -1);
          for (const least of [0, 3, 12.3, 50]) {
            const spans = new SlotSpans(SLOTS);
            profile.where(least, from, end, spans);
            const expected = plain.flatMap((v, t) =>
              v >= least - 1e-6 && t >= from && t < end ? [t] : [],
            );
            expect(expected.every((t) => spans.has(t))).toBe(true);
            expect(spans.size).toBe(expected.length);
          }
          const over = plain.flatMap((v, t) => (v < -1e-6 ? [t] : []));
          expect(profile.overdrawn().length > 0).toBe(over.length > 0);
          expect(profile.overdrawn()[0]?.from).toBe(over[0]);
        },
      ),
    );
  });

  test('property: it goes back to what it was when it was last kept, as often as it is asked', () => {
    const some = fc.array(change, { maxLength: 40 });
    fc.assert(
      fc.property(some, some, some, (before, lost, lostToo) => {
        const profile = new Profile(new Float64Array(SLOTS).fill(50));
        const shown = () =>
          [0, 3, 12.3, 29.4, 42.3, 49.9, 50].map((least) => {
            const spans = new SlotSpans(SLOTS);
            profile.where(least, 0, SLOTS, spans);
            return Array.from({ length: SLOTS }, (_, t) => spans.has(t));
          });
        const takeAll = (changes: typeof before) =>
          changes.forEach((c) => profile.take(c.from, c.from + c.length, c.kg));
        takeAll(before);
        profile.keep();
        const kept = shown();
        for (const changes of [lost, lostToo]) {
          const { version } = profile;
          takeAll(changes);
          const isSame = profile.version === version;
          profile.undo();
          expect(shown()).toEqual(kept);
          /* Whoever remembers what was left then has to look again. */
          expect(profile.version === version).toBe(isSame);
        }
      }),
    );
  });

  test('once everything is given back, it is one piece again', () => {
    const profile = new Profile(new Float64Array(SLOTS).fill(50));
    for (const sign of [1, -1])
      for (let i = 0; i < 20; i += 1) profile.take(i, 2 * i + 3, sign * 0.3);
    const spans = new SlotSpans(SLOTS);
    profile.where(50, 0, SLOTS, spans);
    expect([spans.count, spans.size]).toEqual([1, SLOTS]);
  });
});

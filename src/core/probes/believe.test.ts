import fc from 'fast-check';
import { LivePiece } from '../heat/live-piece';
import type { Reading } from '../lethality/reading';
import { believe, continuous, slackOf, type BelieveInput, type Disbelief } from './believe';
import { answerOf, Bounds, type Surrounding } from './bounds';

const MIN = 60;
const AIR_C = 75;
const PULL_S = 180 * MIN;
const around = (tS: number): Surrounding =>
  tS < PULL_S
    ? { hotC: AIR_C + 8, coldC: 5, filmWm2K: 60 }
    : { hotC: AIR_C + 8, coldC: -2, filmWm2K: 600 };

/** A true core of 38 mm, cooked for three hours at 75 °C and chilled in ice water, as it is read. */
function cooked(everyS: number): Reading[] {
  const piece = new LivePiece({ diameterMm: 38, startC: 5 }, 12);
  return Array.from({ length: Math.floor((240 * MIN) / everyS) }, (_, i) => {
    const tS = i * everyS;
    const r = { tS, tempC: Math.round(piece.coreC * 10) / 10 };
    piece.stay(
      everyS,
      tS < PULL_S ? { medium: 'air', airC: AIR_C, rh: 0.5 } : { medium: 'ice-water', airC: 1 },
    );
    return r;
  });
}
const inputOf = (readings: readonly Reading[], more: Partial<BelieveInput> = {}): BelieveInput => {
  const answer = answerOf(38);
  return {
    readings,
    answer,
    around,
    helpsAt: (tS) => (tS < PULL_S ? 'up' : 'down'),
    start: new Bounds(answer, 0, -5, 10),
    slackC: slackOf(readings),
    ...more,
  };
};
const whyOf = (readings: readonly Reading[]) => believe(inputOf(readings)).why;
const changed = (everyS: number, from: number, to: number, tempC: (r: Reading) => number) =>
  cooked(everyS).map((r) =>
    r.tS >= from * MIN && r.tS < to * MIN ? { ...r, tempC: tempC(r) } : r,
  );
const refused = (why: readonly (Disbelief | null)[], log: readonly Reading[]) =>
  log.flatMap((r, i) => (why[i] === null ? [] : [r.tS / MIN]));

test.each([1, 10, 60, 300])('a true core every %d s is believed from end to end', (everyS) => {
  expect(whyOf(cooked(everyS)).filter((w) => w !== null)).toEqual([]);
});

test.each([
  ['one reading of 90', 60, 60, 61, (): number => 90, 60, 60],
  ['a leap to 74 that lasts ten minutes', 60, 40, 50, (): number => 74, 40, 49],
  ['one reading of a dead logger', 60, 60, 61, (): number => 0, 60, 60],
  ['five minutes of a lost probe', 60, 60, 65, (): number => -20, 60, 64],
  ['one reading of 2 °C while it cools', 60, 182, 183, (): number => 2, 182, 182],
] as const)(
  '%s is not believed, and what comes after is',
  (_, everyS, from, to, tempC, first, last) => {
    const log = changed(everyS, from, to, tempC);
    const out = refused(whyOf(log), log);
    expect([out[0], out.at(-1)]).toEqual([first, last]);
    expect(out).toHaveLength(last - first + 1);
  },
);

test('a leap that never comes back is not believed by waiting until it has become possible', () => {
  const log = changed(60, 40, 240, () => 74);
  const why = whyOf(log);
  expect(refused(why, log)[0]).toBe(40);
  expect(why.slice(40, 180).every((w) => w === 'too_high')).toBe(true);
});

test('what stays too low in the cook is the core, and what helped before it was not', () => {
  const log = changed(60, 100, 180, (r) => r.tempC - 20);
  const why = whyOf(log);
  expect(why[99]).toBe('replaced');
  expect(why[101]).toBeNull();
  expect(why[179]).toBeNull();
});

test('°F taken as °C is not believed at all', () => {
  const log = cooked(60).map((r) => ({ ...r, tempC: r.tempC * 1.8 + 32 }));
  expect(
    believe(inputOf(log))
      .why.slice(0, 180)
      .every((w) => w !== null),
  ).toBe(true);
});

test('nothing read is nothing believed; the bounds go on from where they were', () => {
  const { why, end } = believe(inputOf([]));
  expect(why).toEqual([]);
  expect([end.lowC, end.highC]).toEqual([-5, 10]);
});

test('a ceiling from the model holds a log that each single step would allow', () => {
  const log = cooked(60);
  const low = believe(inputOf(log, { ceilingC: () => 50 }));
  expect(log.every((r, i) => r.tempC < 53.5 || low.why[i] !== null || r.tS >= PULL_S)).toBe(true);
  expect(low.why.some((w) => w === 'too_high')).toBe(true);
});

test('slack follows the noise of a log, within its limits', () => {
  const noisy = (c: number) => cooked(60).map((r, i) => ({ ...r, tempC: r.tempC + (i % 2) * c }));
  expect(slackOf(cooked(60))).toBeLessThan(slackOf(noisy(0.6)));
  expect(slackOf(noisy(10))).toBe(3.5);
  expect(slackOf(cooked(300).slice(0, 5))).toBe(2.5);
  expect(slackOf(cooked(1))).toBeGreaterThanOrEqual(1.5);
});

test('two values at one second differ by no more than noise', () => {
  const i = inputOf(cooked(60));
  expect(continuous(i, { tS: 600, tempC: 20 }, { tS: 600, tempC: 21 })).toBe(true);
  expect(continuous(i, { tS: 600, tempC: 20 }, { tS: 600, tempC: 60 })).toBe(false);
});

test('property: whatever is read, each reading is judged, and no believed step is more than physics allows', () => {
  const steps = fc.array(
    fc.record({ dtS: fc.integer({ min: 0, max: 900 }), tempC: fc.integer({ min: -30, max: 110 }) }),
    { maxLength: 60 },
  );
  fc.assert(
    fc.property(steps, (given) => {
      let tS = 0;
      const log = given.map((s) => ({ tS: (tS += s.dtS), tempC: s.tempC }));
      const i = inputOf(log);
      const { why } = believe(i);
      expect(why).toHaveLength(log.length);
      log.forEach((r, k) => {
        if (k > 0 && why[k] === null && why[k - 1] === null)
          expect(continuous(i, log[k - 1]!, r)).toBe(true);
      });
    }),
    { seed: 32, numRuns: 300 },
  );
});

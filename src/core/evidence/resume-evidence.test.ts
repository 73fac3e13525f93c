import fc from 'fast-check';
import type { Reading } from '../lethality/reading';
import {
  SLOT_S,
  WHOLE_S,
  inPieces as stretches,
  resumeEvidence,
  type Evidence,
} from './resume-evidence';
import type { SlowSpan } from './slow-spans';
import { runs } from '../testing/thorough';

const HOUR = 3600;
const DAY = 24 * HOUR;

/** Every ten seconds from a time to another; `at` gives the temperature. */
const every10 = (fromS: number, toS: number, at: (tS: number) => number): Reading[] =>
  Array.from({ length: Math.floor((toS - fromS) / 10) + 1 }, (_, i) => {
    const tS = fromS + i * 10;
    return { tS, tempC: at(tS) };
  });

const fresh = (readings: readonly Reading[], slow: readonly SlowSpan[]): Evidence =>
  resumeEvidence(null, { readings, slow, count: readings.length })!;

/** The same, read in pieces that end before these times. */
function inPieces(readings: readonly Reading[], cuts: readonly number[], slow: SlowSpan[]) {
  let kept: Evidence | null = null;
  const ends = [...cuts].sort((a, b) => a - b);
  let from = 0;
  for (const end of [...ends, Infinity]) {
    let to = from;
    while (to < readings.length && readings[to]!.tS < end) to += 1;
    kept = resumeEvidence(kept, { readings: readings.slice(from, to), slow, count: to });
    from = to;
  }
  return kept;
}

/** Logs with silences, jumps and stretches that stand still, over some days. */
const logs = fc
  .array(
    fc.record({
      stepS: fc.constantFrom(5, 10, 10, 10, 30, 61, 900, 5 * HOUR),
      moveC: fc.constantFrom(0, 0, 0.1, -0.1, 0.7, -0.9, 12),
      times: fc.integer({ min: 1, max: 120 }),
    }),
    { minLength: 1, maxLength: 40 },
  )
  .map((parts) => {
    const out: Reading[] = [{ tS: 0, tempC: 12 }];
    for (const p of parts)
      for (let i = 0; i < p.times; i += 1) {
        const last = out.at(-1)!;
        out.push({ tS: last.tS + p.stepS, tempC: last.tempC + (i % 3 === 0 ? p.moveC : 0) });
      }
    return out;
  });

const spans = fc
  .array(fc.integer({ min: -DAY, max: 12 * DAY }), { minLength: 2, maxLength: 4 })
  .map((times) => [...new Set(times)].sort((a, b) => a - b))
  .map((t): SlowSpan[] => [
    { fromS: t[0]!, toS: t[1] ?? Infinity },
    ...(t[2] === undefined ? [] : [{ fromS: t[2], toS: t[3] ?? Infinity }]),
  ]);

const SEED = { seed: 15, numRuns: runs(800) };

test('property: read in pieces is the same as read at once', () => {
  fc.assert(
    fc.property(
      logs,
      spans,
      fc.array(fc.integer({ min: 0, max: 12 * DAY }), { maxLength: 6 }),
      (log, slow, cuts) => {
        expect(inPieces(log, cuts, slow)).toEqual(fresh(log, slow));
      },
    ),
    SEED,
  );
});

test('property: what is kept was read, is never colder, and is silent no shorter', () => {
  fc.assert(
    fc.property(logs, spans, (log, slow) => {
      const { log: kept } = fresh(log, slow);
      const times = new Set(kept.map((r) => r.tS));
      const known = new Map(log.map((r) => [r.tS, r.tempC]));
      expect(kept.every((r) => known.get(r.tS) === r.tempC)).toBe(true);
      const hottest = (of: readonly Reading[]) => {
        const by = new Map<number, number>();
        for (const r of of) {
          const key = Math.floor(r.tS / SLOT_S);
          by.set(key, Math.max(by.get(key) ?? -Infinity, r.tempC));
        }
        return by;
      };
      expect(hottest(kept)).toEqual(hottest(log));
      log.slice(1).forEach((r, i) => {
        if (r.tS - log[i]!.tS > 60)
          expect([times.has(log[i]!.tS), times.has(r.tS)]).toEqual([true, true]);
      });
    }),
    SEED,
  );
});

test('property: outside of a slow stretch, near its ends and in the last hour every reading is kept', () => {
  fc.assert(
    fc.property(logs, spans, (log, slow) => {
      const times = new Set(fresh(log, slow).log.map((r) => r.tS));
      const lastS = log.at(-1)!.tS;
      const whole = log.filter(
        (r) =>
          r.tS > lastS - WHOLE_S ||
          !slow.some((s) => r.tS >= s.fromS + WHOLE_S && r.tS <= s.toS - WHOLE_S),
      );
      expect(whole.filter((r) => !times.has(r.tS))).toEqual([]);
    }),
    SEED,
  );
});

const month = every10(0, 28 * DAY, (tS) => 13 + 0.3 * Math.sin(tS / 700));
const drying: SlowSpan[] = [{ fromS: 0, toS: Infinity }];

test('taken in day by day it is the log at once', () => {
  expect(stretches(month, drying, DAY)).toEqual(fresh(month, drying).log);
  expect(stretches([], drying, DAY)).toEqual([]);
  expect(() => stretches(month, drying, 0)).toThrow('everyS');
});

test('four weeks of a reading every ten seconds are judged by less than a twentieth of them', () => {
  const { log, count } = fresh(month, drying);
  expect(count).toBe(241_921);
  expect(log.length).toBeLessThan(count / 20);
});

test('a door that was open for a minute is kept, with what was before and after', () => {
  const opened = month.map((r) =>
    r.tS >= 9 * DAY + 20 && r.tS < 9 * DAY + 80 ? { ...r, tempC: 21 } : r,
  );
  const { log } = fresh(opened, drying);
  expect(Math.max(...log.map((r) => r.tempC))).toBe(21);
});

test.each([
  ['a late reading', [{ tS: DAY, tempC: 9 }], 1, drying],
  ['one more than was seen', [], 1, drying],
  ['a stage that in truth began later', [], 0, [{ fromS: 2 * DAY, toS: Infinity }]],
  ['a stage that had ended', [], 0, [{ fromS: 0, toS: 3 * DAY }]],
])('what was kept no longer holds after %s', (_why, readings, more, slow) => {
  const kept = fresh(month, drying);
  expect(resumeEvidence(kept, { readings, slow, count: kept.count + more })).toBeNull();
});

test('the next stage that begins now leaves what was judged as it was', () => {
  const kept = fresh(month, drying);
  const endS = 28 * DAY;
  const slow = [{ fromS: 0, toS: endS }];
  const next = { tS: endS + 10, tempC: 30 };
  const resumed = resumeEvidence(kept, { readings: [next], slow, count: kept.count + 1 });
  expect(resumed).toEqual(fresh([...month, next], slow));
});

test.each([
  ['NaN', [{ tS: 0, tempC: NaN }]],
  [
    'back in time',
    [
      { tS: 5, tempC: 1 },
      { tS: 4, tempC: 1 },
    ],
  ],
])('%s is refused, by name', (_what, readings) => {
  expect(() => resumeEvidence(null, { readings, slow: [], count: readings.length })).toThrow(
    /readings\[[01]\]/,
  );
});

import fc from 'fast-check';
import { testRules } from '../testing/recipe';
import { evidenceOf } from './evidence';
import { thinReadings } from './thin';

const rule = testRules().probe_evidence.body;
const log = (...p: [number, number][]) => p.map(([min, tempC]) => ({ tS: min * 60, tempC }));

test.each([
  ['a steady log is one stretch', log([0, 10], [5, 11], [10, 12]), 'logger', 'house', 1, []],
  ['a silence breaks it', log([0, 10], [11, 11], [15, 12]), 'logger', 'house', 2, ['gap']],
  ['by hand a longer silence is allowed', log([0, 10], [29, 30], [58, 50]), 'hand', 'house', 1, []],
  ['in the chill longer still', log([0, 60], [59, 20]), 'logger', 'chill', 1, []],
  ['a leap breaks it', log([0, 50], [1, 60], [2, 61]), 'logger', 'house', 2, ['jump']],
  ['a leap by hand is the next reading', log([0, 50], [10, 70]), 'hand', 'house', 1, []],
] as const)('%s', (_, readings, source, phase, spans, reasons) => {
  const e = evidenceOf(readings, { ...rule, source, phase });
  expect(e.spans).toHaveLength(spans);
  expect(e.rejected.map((r) => r.reason)).toEqual(reasons);
});

test('a probe that stands still earns nothing from then on', () => {
  const stuck = Array.from({ length: 40 }, (_, i): [number, number] => [i, 63.2]);
  const e = evidenceOf(log(...stuck, [41, 63.9], [42, 64]), rule);
  expect(e.rejected[0]!.reason).toBe('flat_line');
  expect(e.spans.flat().map((r) => r.tS / 60)).toEqual([0, 41, 42]);
});

test('property: thinning keeps order, ends, the lowest and the highest', () => {
  const temps = fc.array(fc.double({ min: -20, max: 120, noNaN: true }), {
    minLength: 30,
    maxLength: 400,
  });
  fc.assert(
    fc.property(temps, fc.integer({ min: 8, max: 60 }), (t, most) => {
      const readings = t.map((tempC, i) => ({ tS: i, tempC }));
      const thin = thinReadings(readings, most);
      expect(thin.length).toBeLessThanOrEqual(
        Math.max(most, readings.length <= most ? readings.length : most),
      );
      expect(Math.max(...thin.map((r) => r.tempC))).toBe(Math.max(...t));
      expect(Math.min(...thin.map((r) => r.tempC))).toBe(Math.min(...t));
      expect([thin[0], thin.at(-1)]).toEqual([readings[0], readings.at(-1)]);
      for (let i = 1; i < thin.length; i += 1) expect(thin[i]!.tS).toBeGreaterThan(thin[i - 1]!.tS);
    }),
    { seed: 2 },
  );
});

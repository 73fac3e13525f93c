import fc from 'fast-check';
import { thinReadings } from './thin';

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

import { IS_THOROUGH } from '../../src/core/testing/thorough';
import { forecastStudy } from './forecast-study';

test('a small study keeps the claim: misses under 5 % or 3 min, and the band, made for meat that is no model, holds', () => {
  const rows = forecastStudy(IS_THOROUGH ? 10 : 3, [0.6, 0.8]);
  expect(rows.every((r) => r.withinClaim)).toBe(true);
  const inside = rows.reduce((sum, r) => sum + r.inBand * r.runs, 0);
  const runs = rows.reduce((sum, r) => sum + r.runs, 0);
  expect(runs).toBeGreaterThan(IS_THOROUGH ? 70 : 20);
  expect(inside / runs).toBeGreaterThan(0.9);
});

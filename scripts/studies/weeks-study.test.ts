import { dryingStudy } from './drying-study';
import { fermentStudy } from './ferment-study';

test('ferments of another kind at a site that has seen some: hours and bands hold', () => {
  const rows = fermentStudy(8, 'cells', { earlier: 4, shares: [0.5] });
  const runs = rows.reduce((sum, r) => sum + r.runs, 0);
  expect(runs).toBeGreaterThan(20);
  expect(rows.reduce((sum, r) => sum + r.inBand * r.runs, 0) / runs).toBeGreaterThan(0.6);
  for (const r of rows) expect(r.medianMissShare).toBeLessThan(0.35);
});

test('dryings with hidden figures: the day within two from half of the way on', () => {
  const rows = dryingStudy(4, 'own', [0.6]);
  for (const r of rows) {
    expect(r.runs).toBeGreaterThan(2);
    expect(r.medianMissDays).toBeLessThan(2);
    expect(r.inBand).toBeGreaterThan(0.4);
  }
});

import { IS_THOROUGH } from '../../src/core/testing/thorough';
import { dryingRow, dryingStudy } from './drying-study';
import { fermentRow, fermentStudy, TEMPOS } from './ferment-study';

test('ferments of another kind at a site that has seen some: hours and bands hold', () => {
  const cases = fermentStudy(IS_THOROUGH ? 8 : 3, 'cells', { earlier: 4, shares: [0.5] });
  expect(cases.length).toBeGreaterThan(IS_THOROUGH ? 20 : 7);
  expect(fermentRow(cases).inBand).toBeGreaterThan(0.6);
  for (const tempo of TEMPOS)
    expect(fermentRow(cases.filter((c) => c.culture === tempo)).medianMissShare).toBeLessThan(0.35);
});

test('dryings with hidden figures: the day within two from half of the way on', () => {
  const row = dryingRow(dryingStudy(IS_THOROUGH ? 4 : 1, 'own', [0.6]));
  expect(row.runs).toBeGreaterThan(IS_THOROUGH ? 5 : 1);
  expect(row.medianMissDays).toBeLessThan(2);
  expect(row.inBand).toBeGreaterThan(0.4);
});

test('a rim that shut is found once it can be seen, not taken for lean that dries out', () => {
  const row = dryingRow(dryingStudy(IS_THOROUGH ? 3 : 1, 'hardened', [0.75]));
  expect(row.runs).toBeGreaterThan(IS_THOROUGH ? 3 : 1);
  expect(row.medianMissDays).toBeLessThan(4);
  expect(row.inBand).toBeGreaterThan(0.6);
});

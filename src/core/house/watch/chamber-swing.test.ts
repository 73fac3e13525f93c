import { chamberSwing, type HourSpan } from './chamber-swing';

const hours = (n: number, at: (i: number) => HourSpan) =>
  Array.from({ length: n }, (_, i) => at(i));
const steady = (i: number): HourSpan => {
  const meanC = 13 + (i % 10) / 10;
  return { lowC: meanC - 0.4, meanC, highC: meanC + 0.4 };
};

test('half a day and more tells how a chamber swings', () => {
  expect(chamberSwing(hours(11, steady))).toBeNull();
  const swing = chamberSwing(hours(100, steady))!;
  expect(swing.hours).toBe(100);
  expect(swing.withinC).toBeCloseTo(0.8, 9);
  expect(swing.betweenC).toBeCloseTo(0.8, 9);
  expect(swing.meanC).toBeCloseTo(13.5, 9);
});

test('an hour with its door open moves nothing', () => {
  const open = { lowC: 13, meanC: 16, highC: 22 };
  const swing = chamberSwing(hours(100, (i) => (i === 50 ? open : steady(i))))!;
  expect(swing.withinC).toBeCloseTo(0.8, 9);
  expect(swing.betweenC).toBeCloseTo(0.8, 9);
});

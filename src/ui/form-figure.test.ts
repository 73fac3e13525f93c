import { formFigure } from './form-figure';

test.each([
  ['', undefined],
  [null, undefined],
  ['12,5', 12.5],
  ['30,000', NaN], // thirty or thirty thousand
  ['1,234,567', 1_234_567],
  ['about 3', NaN],
])('%s of a form is read as %s', (typed, read) => {
  expect(formFigure(typed)).toBe(read);
});

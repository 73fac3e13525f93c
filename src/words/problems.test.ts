import { problemWords } from './problems';

test('a field about which nothing is said leaves no stub behind', () =>
  expect(problemWords('lot_label_differs', { lot: '' })).toMatch(/choose the right lot\.$/));

test('a field that is said something about is named with it', () =>
  expect(problemWords('lot_needs_decision', { lot: 'past its use-by' })).toBe(
    'A release lead has to decide before this may be weighed into the batch: lot: past its use-by.',
  ));

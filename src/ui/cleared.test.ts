import { cleared } from './cleared';

test('what was taken goes, what was typed since stays', () => {
  expect(cleared('3.5')('3.5')).toBe('');
  expect(cleared('3.5')('3.58')).toBe('3.58');
});

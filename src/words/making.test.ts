import { trialDoes } from './making';

test('a spoonful that lost too much is not said to be good, however it felt', () => {
  expect(trialDoes('holds', true)).toMatch(/^Do not stuff yet/);
  expect(trialDoes('holds', false)).toBe('Good: carry on.');
  expect(trialDoes('broken', true)).toMatch(/^Stop/);
});

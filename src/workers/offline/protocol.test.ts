import { FLOOR_PAGES, floorAddress, isFloorPage } from './protocol';

test.each(FLOOR_PAGES)('%s is kept, and so is its address', (page) => {
  expect(isFloorPage(floorAddress(page, '5f0c1a'))).toBe(true);
  expect(isFloorPage(`${floorAddress(page, '5f0c1a').replace(/\/$/, '')}/further/in`)).toBe(false);
});

test.each([
  '/batches/new',
  '/plan',
  '/settings',
  '/recipes/5f0c1a',
  '/batches/5f0c1a/after',
  '/sign-in',
])('%s is not kept', (path) => expect(isFloorPage(path)).toBe(false));

test('what an id holds stays one part of the address', () =>
  expect(floorAddress('/house/[id]/map', 'a/b')).toBe('/house/a%2Fb/map'));

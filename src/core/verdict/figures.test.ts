import { worseWhen, type FigureName } from './figures';

test.each<[FigureName, 'higher' | 'lower' | 'neither']>([
  ['ppm', 'higher'],
  ['warmestC', 'higher'],
  ['ph', 'higher'],
  ['aw', 'higher'],
  ['logs', 'lower'],
  ['heldS', 'lower'],
  ['pieces', 'lower'],
  ['maxS', 'neither'],
  ['due', 'neither'],
  ['elapsed1', 'higher'],
  ['elapsed5', 'higher'],
  ['max2', 'neither'],
  ['from3', 'neither'],
  ['flat_line', 'higher'],
])('%s is worse when it is %s', (name, side) => expect(worseWhen(name)).toBe(side));

import { cleaningList, type CleaningTask } from '.';

const DAY = 86_400;
const NOW = 100 * DAY;
const task = (id: string, more: Partial<CleaningTask> = {}): CleaningTask => ({
  id,
  name: id,
  minutes: 20,
  everyDays: 7,
  needsCold: false,
  lastS: NOW - DAY,
  ...more,
});
const list = (tasks: CleaningTask[], freeMin = 60, hot = true) =>
  cleaningList(tasks, freeMin * 60, hot, NOW);

test.each([
  ['done', { lastS: NOW - DAY }],
  ['due', { lastS: NOW - 7 * DAY }],
  ['overdue', { lastS: NOW - 8 * DAY }],
  ['due', { lastS: null }],
  ['open', { everyDays: null, lastS: null }],
  ['open', { everyDays: null, lastS: NOW - DAY }],
  ['done', { everyDays: null, lastS: NOW - 3600 }],
] as [string, Partial<CleaningTask>][])('%s: %j', (stand, more) =>
  expect(list([task('a', more)])[0]!.stand).toBe(stand),
);

test('overdue first, then due; of each what fits first, the longest of it', () =>
  expect(
    list([
      task('done'),
      task('due long', { lastS: null, minutes: 90 }),
      task('due short', { lastS: null, minutes: 15 }),
      task('due longer', { lastS: null, minutes: 45 }),
      task('overdue', { lastS: NOW - 30 * DAY }),
    ]).map((t) => t.id),
  ).toEqual(['overdue', 'due longer', 'due short', 'due long', 'done']));

test('what needs a cold house does not fit while it works', () => {
  const cold = task('house', { needsCold: true });
  expect(list([cold])[0]!.fits).toBe(false);
  expect(list([cold], 60, false)[0]!.fits).toBe(true);
});

test('without free time nothing fits', () => expect(list([task('a')], 0)[0]!.fits).toBe(false));

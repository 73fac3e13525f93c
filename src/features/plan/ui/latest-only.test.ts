import { LatestOnly } from './latest-only';

const PAUSE_MS = 120;
beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** Asks that are answered when the test says so. */
function asks() {
  const open: { what: string; answer: (text: string) => void; fail: () => void }[] = [];
  const asked: string[] = [];
  const told: string[] = [];
  const latest = new LatestOnly<string, string>(
    (what) => {
      asked.push(what);
      return new Promise((resolve, reject) =>
        open.push({ what, answer: resolve, fail: () => reject(new Error(what)) }),
      );
    },
    (answer) => told.push(answer),
    PAUSE_MS,
  );
  const settle = () => jest.advanceTimersByTimeAsync(PAUSE_MS);
  return { open, asked, told, latest, settle };
}

test('while one goes on only the last of the others is kept; what is answered is told in order', async () => {
  const { open, asked, told, latest, settle } = asks();
  for (const what of ['a', 'b', 'c']) latest.ask(what);
  expect(asked).toEqual(['a']);
  open[0]!.answer('A');
  await settle();
  expect([asked, told]).toEqual([['a', 'c'], ['A']]);
  open[1]!.answer('C');
  await settle();
  expect(told).toEqual(['A', 'C']);
});

test('what is forgotten is not told, nor asked; the next one is', async () => {
  const { open, asked, told, latest, settle } = asks();
  latest.ask('a');
  latest.ask('b');
  latest.forget();
  open[0]!.answer('A');
  await settle();
  expect([asked, told]).toEqual([['a'], []]);
  latest.ask('c');
  open[1]!.answer('C');
  await settle();
  expect(told).toEqual(['C']);
});

test('one that fails holds up none after it', async () => {
  const { open, asked, told, latest, settle } = asks();
  latest.ask('a');
  latest.ask('b');
  open[0]!.fail();
  await settle();
  open[1]!.answer('B');
  await settle();
  expect([asked, told]).toEqual([['a', 'b'], ['B']]);
});

test('between an answer and the next question it waits', async () => {
  const { open, asked, told, latest } = asks();
  latest.ask('a');
  open[0]!.answer('A');
  await jest.advanceTimersByTimeAsync(PAUSE_MS - 1);
  latest.ask('b');
  expect([asked, told]).toEqual([['a'], ['A']]);
  await jest.advanceTimersByTimeAsync(1);
  expect(asked).toEqual(['a', 'b']);
});

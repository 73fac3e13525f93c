import { CrashLoop } from './crash-loop';

test('five ends in a minute are started again, the sixth is a loop', () => {
  const loop = new CrashLoop();
  const at = [0, 5, 10, 15, 20, 25].map((s) => loop.ended(s * 1000));
  expect(at).toEqual([false, false, false, false, false, true]);
});

test('ends that are far apart are no loop', () => {
  const loop = new CrashLoop();
  for (let i = 0; i < 40; i += 1) expect(loop.ended(i * 15_000)).toBe(false);
});

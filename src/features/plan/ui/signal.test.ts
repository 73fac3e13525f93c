import { Signal } from './signal';

test('who listens hears of every change, until they stop listening', () => {
  const live = new Signal<readonly string[]>();
  const heard: (readonly string[] | null)[] = [];
  const stop = live.subscribe(() => heard.push(live.get()));
  expect(live.get()).toBeNull();
  live.set(['too full']);
  live.set(null);
  stop();
  live.set(['nobody is there']);
  expect(heard).toEqual([['too full'], null]);
  expect(live.get()).toEqual(['nobody is there']);
});

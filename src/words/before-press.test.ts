import type { Check, StageProgress, Wait } from '@/core';
import { nextStageAsks, pullAsks, unreachedWords } from './before-press';
import { Show } from './show';

const show = new Show({ system: 'metric', locale: 'en-US', timeZone: 'America/Chicago' });
const progress = (waits: Wait[], more: Partial<StageProgress> = {}): StageProgress => ({
  at: {
    stage: { id: 'c', name: 'Cook', kind: 'cook', airC: 80, smoke: false, plannedS: 7200 },
    startS: 0,
    place: 'house',
    medium: 'air',
    index: 2,
  },
  elapsedS: 4200,
  plannedS: 7200,
  waits,
  over: false,
  tooLong: false,
  paused: false,
  ...more,
});
const core: Wait = { code: 'core', target: 68, now: 57.7, met: false };
const lethality = (status: Check['status']) => ({ code: 'lethality', status }) as unknown as Check;
const heat = { coreC: 57.7, logs: 6.44, targetLogs: 6.5, neededS: 19 };

test('a pull before the logs are there says how much is missing, and that it goes on hold; keeping on is first', () =>
  expect(
    pullAsks(
      'Juniper',
      { lethality: lethality('missing'), heat, progress: progress([core]), ahead: [] },
      show,
    ),
  ).toEqual({
    words: 'Juniper: 6.44 of 6.5 log, 19 s more at 57.7 °C. Pull now and it goes on hold.',
    stay: 'Keep cooking',
    go: 'Pull anyway',
  }));

test.each([
  ['no core is believed', lethality('missing'), null, /No core reading counts yet.*goes on hold/],
  [
    'nothing is gained at this core',
    lethality('missing'),
    { ...heat, neededS: null },
    /none is gained at 57.7 °C: hotter first/,
  ],
  [
    'the logs are there and the core target is not',
    lethality('pass'),
    heat,
    /Cook waits for core 68 °C \(57.7 °C now\)\.$/,
  ],
])('a pull where %s', (_, check, now, words) =>
  expect(
    pullAsks('Ring', { lethality: check, heat: now, progress: progress([core]), ahead: [] }, show)!
      .words,
  ).toMatch(words),
);

test('a pull with stages still to come names them', () =>
  expect(
    pullAsks(
      'Ring',
      {
        lethality: lethality('pass'),
        heat,
        progress: progress([], { over: true }),
        ahead: ['Cook'],
      },
      show,
    )!.words,
  ).toBe('Ring: Cook not begun.'));

test('a pull where all is reached asks nothing', () =>
  expect(
    pullAsks(
      'Ring',
      { lethality: lethality('pass'), heat, progress: progress([], { over: true }), ahead: [] },
      show,
    ),
  ).toBeNull());

test('a stage without an end of its own is measured by its planned length', () => {
  expect(unreachedWords(progress([]), show)).toBe('Cook: 1 h 10 of 2 h 00 gone');
  expect(unreachedWords(progress([], { elapsedS: 7300 }), show)).toBeNull();
});

test('the next stage asks where one batch of the load lacks something, and offers to stay first', () => {
  expect(nextStageAsks([null, null], ['Smoke', 'Cook'])).toBeNull();
  expect(nextStageAsks([null, 'Smoke waits for core 55 °C'], ['Smoke', 'Cook'])).toEqual({
    words: 'Smoke waits for core 55 °C.',
    stay: 'Stay in Smoke',
    go: 'Go on to Cook',
  });
});

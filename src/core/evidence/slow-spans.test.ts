import type { StageKind } from '../recipe/stage';
import type { BatchState } from '../logbook/state';
import { slowSpans } from './slow-spans';

/** A run whose stages begin at these hours. */
const ran = (stages: [StageKind, number][], pulledS: number | null): BatchState =>
  ({
    run: {
      program: stages.map(([kind]) => ({ kind, place: 'house' })),
      stages: stages.map(([, startS], index) => ({ index, startS })),
      moves: [],
      pulledS,
    },
  }) as unknown as BatchState;

test.each<[string, [StageKind, number][], number | null, [number, number][]]>([
  [
    'a cook only',
    [
      ['dry', 0],
      ['cook', 10],
    ],
    null,
    [],
  ],
  ['a ferment that goes on', [['ferment', 5]], null, [[5, Infinity]]],
  [
    'ferment, smoke, dry',
    [
      ['ferment', 0],
      ['smoke', 9],
      ['hang', 12],
    ],
    90,
    [
      [0, 9],
      [12, 90],
    ],
  ],
  [
    'ferment and dry, then cook',
    [
      ['ferment', 0],
      ['hang', 9],
      ['cook', 50],
    ],
    60,
    [[0, 50]],
  ],
  [
    'a stage begun after the pull',
    [
      ['cook', 0],
      ['hang', 70],
    ],
    60,
    [],
  ],
])('%s', (_what, stages, pulledS, spans) => {
  expect(slowSpans(ran(stages, pulledS))).toEqual(spans.map(([fromS, toS]) => ({ fromS, toS })));
});

test('before its run a batch has none', () => {
  expect(slowSpans({ run: null } as BatchState)).toEqual([]);
});

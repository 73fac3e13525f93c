import type { ProgramStage } from '../recipe/recipe';
import { entriesOf, started, type Line } from '../testing/batch';
import { foldBatch } from '../logbook/fold';
import { testRecipe, testRules } from '../testing/recipe';
import { followingStage } from './follow-house';
import { putBackUntilS } from './put-back';

const HOUR = 3600;
const stage = (kind: ProgramStage['kind'], airC: number): ProgramStage => ({
  id: `${kind}-${airC}`,
  name: kind,
  kind,
  airC,
  smoke: kind === 'smoke',
  plannedS: HOUR,
});
const stateOf = (lines: Line[]) => foldBatch(testRecipe(), entriesOf([started(30_000), ...lines]));
const hung = (stages: ProgramStage[], at: number, ...more: Line[]) =>
  stateOf([
    [HOUR, { kind: 'run_started', houseId: 'h', program: { name: 'P', versionId: null, stages } }],
    ...Array.from({ length: at }, (_, i): Line => [
      (i + 2) * HOUR,
      { kind: 'stage_started', stageIndex: i + 1 },
    ]),
    ...more,
  ]);
const runOf = (stages: ProgramStage[], at: number) => hung(stages, at).run!;

const PLAIN = [stage('dry', 55), stage('smoke', 65), stage('cook', 80)];
const SHORT = [stage('smoke', 60), stage('cook', 82)];
const COLD = [stage('dry', 20), stage('smoke', 25)];

test.each([
  ['a batch of the same program goes on to the same stage', PLAIN, 1, PLAIN, 0, 1],
  ['one that is there already stays where it is', PLAIN, 1, PLAIN, 1, null],
  ['one that is further already stays where it is', PLAIN, 1, PLAIN, 2, null],
  ['one of another program goes on to its own stage of the kind', PLAIN, 2, SHORT, 0, 1],
  ['one that has a stage of the kind already stays in it', PLAIN, 1, SHORT, 0, null],
  ['one without such a stage stays where it is', PLAIN, 2, COLD, 1, null],
])('%s', (_, led, stageIndex, own, at, expected) =>
  expect(followingStage(runOf(led, stageIndex - 1), stageIndex, runOf(own, at))).toBe(expected),
);

describe('back into the heat', () => {
  const pulled: Line = [5 * HOUR, { kind: 'pulled' }];
  const rules = testRules();

  test('is possible for ten minutes after the pull where the rule names no time', () =>
    expect(putBackUntilS(hung(PLAIN, 2, pulled), rules)).toBe(
      hung(PLAIN, 2, pulled).run!.pulledS! + 600,
    ));

  test('is no longer possible once the chill has begun, nor before the pull', () => {
    const chill: Line = [5 * HOUR + 60, { kind: 'chill_started', medium: 'ice_bath' }];
    expect(putBackUntilS(hung(PLAIN, 2, pulled, chill), rules)).toBeNull();
    expect(putBackUntilS(hung(PLAIN, 2), rules)).toBeNull();
  });

  test('goes on as one stay: the pull is kept with when it was taken back', () => {
    const state = hung(PLAIN, 2, pulled, [5 * HOUR + 120, { kind: 'put_back' }]);
    expect(state.run!.pulledS).toBeNull();
    const [pull] = state.run!.pulls;
    expect(pull!.againS! - pull!.atS).toBe(120);
  });
});

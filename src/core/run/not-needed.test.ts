import type { ProgramStage } from '../recipe/stage';
import { notNeeded } from './not-needed';

const stage = (name: string, more: Partial<ProgramStage> = {}): ProgramStage => ({
  id: name,
  name,
  kind: 'cook',
  airC: 82,
  smoke: false,
  plannedS: 3600,
  ends: { join: 'any', coreC: 68 },
  ...more,
});
const names = (...of: Parameters<typeof notNeeded>) => notNeeded(...of).map((s) => s.name);

test.each([
  ['its core is there, and it is lethal', [stage('a')], 69, true, ['a']],
  ['not lethal yet', [stage('a')], 69, false, []],
  ['its core is not there', [stage('a')], 66, true, []],
  ['nobody knows the core', [stage('a')], null, true, []],
  ['smoke is for the taste', [stage('a', { smoke: true })], 69, true, []],
  ['it waits for time alone', [stage('a', { ends: undefined })], 69, true, []],
  [
    'it waits for a loss too',
    [stage('a', { ends: { join: 'all', coreC: 68, lossFraction: 0.1 } })],
    69,
    true,
    [],
  ],
  ['only the last ones', [stage('a'), stage('b', { smoke: true }), stage('c')], 69, true, ['c']],
] as [string, ProgramStage[], number | null, boolean, string[]][])(
  '%s',
  (_, ahead, coreC, lethal, want) => expect(names(ahead, coreC, lethal)).toEqual(want),
);

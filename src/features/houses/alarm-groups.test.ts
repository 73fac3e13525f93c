import { foldBatch, type AlarmCode } from '@/core';
import { entriesOf, started, type Line } from '@/core/testing/batch';
import { testRecipe as aRecipe } from '@/core/testing/recipe';
import { alarmGroups, alarmsOfOne } from './alarm-groups';
import type { BatchAlarm, Member } from './load';

const testRecipe = aRecipe();
const alarm = (code: AlarmCode, seenBy: string | null = null, key: string | null = `${code}:1`) =>
  ({ code, rank: 1, figures: {}, key, seenBy, told: [] }) satisfies BatchAlarm;

/** A batch in a house after these lines, with these alarms. */
function member(id: string, alarms: BatchAlarm[], lines: Line[] = [], houseId = 'big'): Member {
  const state = foldBatch(
    testRecipe,
    entriesOf([started(10_000), [100, { kind: 'run_started', houseId, loadId: 'load' }], ...lines]),
  );
  const dossier = { head: { id }, case: { recipe: testRecipe, state } };
  return { dossier, alarms } as unknown as Member;
}
const over = alarm('target_reached');
const stages = foldBatch(
  testRecipe,
  entriesOf([started(1), [1, { kind: 'run_started', houseId: 'h' }]]),
).run!.program;
const inLast: Line[] = stages
  .slice(1)
  .map((_, i) => [200 + i, { kind: 'stage_started', stageIndex: i + 1 }]);

test('what every batch of a load has is said once, and one press goes on with all of them', () => {
  const [group, ...more] = alarmGroups([member('a', [over]), member('b', [over])]);
  expect(more).toEqual([]);
  expect(group!.act).toMatchObject({ code: 'next_stage', stage: stages[1]!.name });
  expect(group!.act!.facts).toEqual([
    ['a', { kind: 'stage_started', stageIndex: 1 }],
    ['b', { kind: 'stage_started', stageIndex: 1 }],
  ]);
  expect(group!.seen).toEqual([
    ['a', { kind: 'alarm_acknowledged', key: 'target_reached:1' }],
    ['b', { kind: 'alarm_acknowledged', key: 'target_reached:1' }],
  ]);
});

test.each<[string, Member[], object | null]>([
  ['of a load only one is ready: nobody goes on', [member('a', [over]), member('b', [])], null],
  ['in the last stage it is pulled', [member('a', [over], inLast)], { code: 'pull' }],
  [
    'in another house nobody waits for it',
    [member('a', [over]), member('b', [], [], 'little')],
    { code: 'next_stage' },
  ],
  [
    'pulled and waiting: into its first chill',
    [member('a', [alarm('cooling_not_started')], [...inLast, [900, { kind: 'pulled' }]])],
    { code: 'start_chill', medium: 'ice_bath' },
  ],
  ['a fire is looked at, not pressed away', [member('a', [alarm('fire_out')])], null],
])('%s', (_, members, act) => {
  const [group] = alarmGroups(members);
  if (act) expect(group!.act).toMatchObject(act);
  else expect(group!.act).toBeNull();
});

test('who has seen it is not asked again, and what is not recorded yet is not acknowledged', () => {
  const [group] = alarmGroups([
    member('a', [alarm('fire_out', 'Ines')]),
    member('b', [alarm('fire_out', null, null)]),
    member('c', [alarm('fire_out')]),
  ]);
  expect(group!.seen.map(([id]) => id)).toEqual(['c']);
});

test('the most urgent come first', () => {
  const late = { ...alarm('misses_ready_by'), rank: 3 as const };
  const groups = alarmGroups([member('a', [late]), member('b', [alarm('fire_out')])]);
  expect(groups.map((g) => g.code)).toEqual(['fire_out', 'misses_ready_by']);
});

test('the page of one batch does not take it out of its load', () => {
  expect(alarmsOfOne(member('a', [over]))[0]!.act).toBeNull();
  expect(alarmsOfOne(member('a', [over], inLast))[0]!.act).toMatchObject({ code: 'pull' });
});

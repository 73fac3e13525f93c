import { judge } from '../verdict/judge';
import { caseOf, play, withSecond } from '../testing/played';
import type { Entry, EntryBody, FactBody } from './entry';
import { foldBatch } from './fold';
import { withdrawnLogs } from './withdrawn';

const HOUR = 3600;
const placed = (channelId: number, what: 'core' | 'air' = 'core'): FactBody => ({
  kind: 'probe_placed',
  channelId,
  what,
  thickest: what === 'core',
});
const by = { id: 'ann', name: 'Ann' };
const entry = (
  id: string,
  seq: number,
  recordedS: number,
  body: EntryBody,
  corrects: string | null = null,
): Entry => ({
  id,
  seq,
  happenedS: recordedS,
  recordedS,
  by,
  corrects,
  body,
});
const fix = (atS: number, replacement: FactBody | null): Entry =>
  entry('fix', 9, atS, { kind: 'corrected', reason: 'wrong one', replacement }, 'p');

test.each<[string, EntryBody, Entry, number[]]>([
  ['struck after an hour', placed(4), fix(HOUR, null), [4]],
  ['put on another channel after an hour', placed(4), fix(HOUR, placed(5)), [4]],
  [
    'called another piece: still judged',
    placed(4),
    fix(HOUR, { ...placed(4), thickest: false } as FactBody),
    [],
  ],
  ['made the air after an hour', placed(4), fix(HOUR, placed(4, 'air')), [4]],
  ['a slip, mended at once', placed(4), fix(300, placed(5)), []],
  ['an air sensor', placed(4, 'air'), fix(HOUR, null), []],
  [
    'an imported file',
    {
      kind: 'readings_imported',
      fileName: 'a.csv',
      fileSha256: '',
      channels: [
        { channelId: 7, name: 'Core', what: 'core', thickest: true },
        { channelId: 8, name: 'Air', what: 'air', thickest: false },
      ],
    } as unknown as EntryBody,
    fix(HOUR, null),
    [7],
  ],
])('a place %s', (_, body, correction, channelIds) => {
  const found = withdrawnLogs([entry('p', 1, 0, body), correction]);
  expect(found.flatMap((w) => w.channelIds)).toEqual(channelIds);
  for (const w of found) expect(w).toMatchObject({ atS: HOUR, by, reason: 'wrong one' });
});

test('the verdict names a colder piece whose probe was struck from the record', () => {
  const played = withSecond(play({ everyS: 60, secondThicker: 0.08 }));
  const c = caseOf(played);
  const named = (figures: { name: string }[]) =>
    figures.filter((f) => f.name === 'withdrawn').length;
  const evidence = (state: typeof c.state) =>
    judge({ ...c, state }).checks.find((k) => k.code === 'probe_evidence')!;
  expect(named(evidence(c.state).figures)).toBe(0);
  const withdrawn = [{ atS: c.state.run!.pulledS!, by, reason: 'not there', channelIds: [2] }];
  expect(named(evidence({ ...c.state, withdrawn }).figures)).toBe(1);
});

test('the fold keeps what was withdrawn', () => {
  const { recipe } = caseOf(play({ everyS: 300 }));
  const state = foldBatch(recipe, [entry('p', 1, 0, placed(4)), fix(HOUR, null)]);
  expect(state.probes).toEqual([]);
  expect(state.withdrawn).toHaveLength(1);
});

import fc from 'fast-check';
import { testRecipe } from '../testing/recipe';
import { refuse } from './accept';
import { effectiveEntries } from './effective';
import type { Entry, EntryBody, FactBody } from './entry';
import { foldBatch } from './fold';

const recipe = testRecipe();
const ann = { id: 'ann', name: 'Ann' };
let n = 0;
const entry = (happenedS: number, body: EntryBody, corrects: string | null = null): Entry => {
  n += 1;
  return { id: `e${n}`, seq: n, happenedS, recordedS: happenedS, by: ann, corrects, body };
};
const weigh = (lineId: string, amountG: number): FactBody => ({
  kind: 'weighed',
  lineId,
  amountG,
  targetG: amountG,
  scaleId: 's',
  scaleResolutionG: 5,
  ...(lineId === 'cure' ? { nitriteFraction: 0.0625 } : {}),
});
const start = () =>
  entry(100, {
    kind: 'batch_started',
    plannedMeatG: 1000,
    readyByS: 1e6,
    recipeVersionId: 'v',
    recipeSha256: '',
    rules: [],
  });
const meat = () => [entry(110, weigh('lean', 800)), entry(120, weigh('fat', 210))];

test('the meat is known once every meat line is weighed', () => {
  const [lean, fat] = meat();
  expect(foldBatch(recipe, [start(), lean!]).meatG).toBeNull();
  expect(foldBatch(recipe, [start(), lean!, fat!]).meatG).toBe(1010);
});

test('a correction replaces, the last one wins, striking out removes, and nothing is lost', () => {
  const lean = entry(110, weigh('lean', 800));
  const first = entry(
    200,
    { kind: 'corrected', reason: 'typo', replacement: weigh('lean', 850) },
    lean.id,
  );
  const second = entry(
    210,
    { kind: 'corrected', reason: 'typo again', replacement: weigh('lean', 870) },
    lean.id,
  );
  const strike = entry(
    220,
    { kind: 'corrected', reason: 'never happened', replacement: null },
    lean.id,
  );
  expect(foldBatch(recipe, [start(), lean, first, second]).weighed.lean!.amountG).toBe(870);
  expect(foldBatch(recipe, [start(), lean, first, strike]).weighed.lean).toBeUndefined();
  expect(effectiveEntries([lean, first]).map((e) => e.id)).toEqual([lean.id]);
});

test('a corrected cure asks for a new look at it', () => {
  const cure = entry(130, weigh('cure', 2));
  const look = entry(140, {
    kind: 'cure_checked',
    weighedId: cure.id,
    readingG: 2,
    method: 'second_person',
  });
  const fix = entry(
    150,
    { kind: 'corrected', reason: 'misread', replacement: weigh('cure', 20) },
    cure.id,
  );
  expect(foldBatch(recipe, [start(), ...meat(), cure, look]).cureCheck!.matches).toBe(true);
  expect(foldBatch(recipe, [start(), ...meat(), cure, look, fix]).cureCheck!.matches).toBe(false);
});

test('property: the order in which entries arrive does not matter', () => {
  const all = [
    start(),
    ...meat(),
    entry(130, weigh('cure', 2)),
    entry(300, { kind: 'cure_hold_started', coolerC: 3 }),
    entry(400, { kind: 'cure_hold_ended', coolerC: 4 }),
    entry(500, { kind: 'run_started', houseId: 'h' }),
  ];
  const state = foldBatch(recipe, all);
  fc.assert(
    fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) =>
      expect(foldBatch(recipe, shuffled)).toEqual(state),
    ),
    { seed: 5 },
  );
});

test('a correction after the signature opens the batch again', () => {
  const lean = entry(110, weigh('lean', 800));
  const sign = entry(900, { kind: 'signed', verdictSha256: '', evidenceSha256: '', statement: '' });
  expect(foldBatch(recipe, [start(), lean, sign]).phase).toBe('released');
  const fix = entry(
    950,
    { kind: 'corrected', reason: 'typo', replacement: weigh('lean', 810) },
    lean.id,
  );
  const state = foldBatch(recipe, [start(), lean, sign, fix]);
  expect(state.signature!.stands).toBe(false);
  expect(state.phase).not.toBe('released');
});

const kinds = (entries: Entry[]) => new Map(entries.map((e) => [e.id, e.body.kind]));
const ask = (entries: Entry[], body: EntryBody, at = 1000, corrects: string | null = null) =>
  refuse(
    recipe,
    foldBatch(recipe, entries),
    kinds(entries),
    { body, happenedS: at, corrects },
    2000,
  );

describe('what is refused', () => {
  const s = start();
  const weighed = [s, ...meat()];
  const cured = [...weighed, entry(130, weigh('cure', 2))];
  const run = [...cured, entry(500, { kind: 'run_started', houseId: 'h' })];
  const pulled = [...run, entry(600, { kind: 'pulled' })];
  const held = [...cured, entry(550, { kind: 'held', source: 'person', reason: 'smells' })];
  const signed = [
    ...pulled,
    entry(900, { kind: 'signed', verdictSha256: '', evidenceSha256: '', statement: '' }),
  ];
  const destroyed = [
    ...held,
    entry(560, { kind: 'disposed', disposition: 'destroy', reason: 'bad', checks: [] }),
  ];
  const note: EntryBody = { kind: 'noted', text: 'hello' };
  test.each<[string, Entry[], EntryBody, string | null, number?]>([
    ['a note is taken', weighed, note, null],
    ['the future', weighed, note, 'in_future', 2500],
    ['a clock a little ahead is taken', weighed, note, null, 2100],
    ['before the batch', weighed, note, 'before_batch', 50],
    ['a second start', weighed, s.body, 'already_started'],
    ['weighing a line twice', weighed, weigh('lean', 5), 'already_weighed'],
    ['a line that is not there', weighed, weigh('unicorn', 5), 'unknown_line'],
    ['cure before the meat', [s], weigh('cure', 5), 'meat_first'],
    [
      'a look at a cure that is not there',
      weighed,
      { kind: 'cure_checked', weighedId: 'x', readingG: 1, method: 'second_person' },
      'check_first_weigh',
    ],
    [
      'a look at an older weighing',
      cured,
      { kind: 'cure_checked', weighedId: 'x', readingG: 1, method: 'second_person' },
      'check_stale',
    ],
    ['a hold before the cure', weighed, { kind: 'cure_hold_started' }, 'cure_first'],
    ['ending a hold that does not run', cured, { kind: 'cure_hold_ended' }, 'hold_not_running'],
    ['a second run', run, { kind: 'run_started', houseId: 'h' }, 'run_already_started'],
    ['a stage before the run', cured, { kind: 'stage_started', stageIndex: 1 }, 'run_not_started'],
    ['a stage twice', run, { kind: 'stage_started', stageIndex: 0 }, 'stage_already_started'],
    ['a stage that is not there', run, { kind: 'stage_started', stageIndex: 9 }, 'unknown_stage'],
    ['pulling twice', pulled, { kind: 'pulled' }, 'already_pulled'],
    ['chilling before the pull', run, { kind: 'chill_started', medium: 'shower' }, 'not_pulled'],
    [
      'removing a probe that is not there',
      run,
      { kind: 'probe_removed', channelId: 1, reason: 'x' },
      'probe_not_placed',
    ],
    [
      'deciding without a hold',
      cured,
      { kind: 'disposed', disposition: 'continue', reason: 'x', checks: [] },
      'no_open_hold',
    ],
    [
      'destroying needs no hold',
      cured,
      { kind: 'disposed', disposition: 'destroy', reason: 'x', checks: [] },
      null,
    ],
    ['starting the house on hold', held, { kind: 'run_started', houseId: 'h' }, 'on_hold'],
    [
      'logging on hold is taken',
      held,
      { kind: 'reading_logged', what: 'core', tempC: 3, thickest: true },
      null,
    ],
    [
      'anything after the signature',
      signed,
      { kind: 'reading_logged', what: 'core', tempC: 3, thickest: true },
      'batch_closed',
    ],
    [
      'signing twice',
      signed,
      { kind: 'signed', verdictSha256: '', evidenceSha256: '', statement: '' },
      'already_signed',
    ],
    ['anything after destroying', destroyed, weigh('salt', 5), 'batch_destroyed'],
    [
      'correcting nothing',
      cured,
      { kind: 'corrected', reason: 'x', replacement: null },
      'unknown_target',
    ],
  ])('%s', (_, entries, body, refusal, at = 1000) => expect(ask(entries, body, at)).toBe(refusal));

  test('a correction keeps the kind, and signatures cannot be corrected', () => {
    const lean = weighed[1]!;
    const fix = (replacement: FactBody | null): EntryBody => ({
      kind: 'corrected',
      reason: 'x',
      replacement,
    });
    expect(ask(weighed, fix(weigh('lean', 9)), 1000, lean.id)).toBeNull();
    expect(ask(weighed, fix({ kind: 'pulled' }), 1000, lean.id)).toBe('unknown_target');
    expect(ask(signed, fix(null), 1000, signed.at(-1)!.id)).toBe('unknown_target');
  });
});

describe('a time that is corrected', () => {
  const hello: FactBody = { kind: 'noted', text: 'hello' };
  const note = entry(300, hello);
  const entries = [start(), note];
  const move = (happenedS: number): EntryBody => ({
    kind: 'corrected',
    reason: 'clock was wrong',
    replacement: hello,
    happenedS,
  });
  test.each([
    [400, null],
    [2500, 'in_future'],
    [50, 'before_batch'],
  ])('to %d s: %s', (to, expected) => expect(ask(entries, move(to), 1000, note.id)).toBe(expected));

  test('counts at its new time', () => {
    const fix = entry(1000, move(400), note.id);
    const moved = effectiveEntries([...entries, fix]).find((e) => e.id === note.id)!;
    expect(moved).toMatchObject({ happenedS: 400, correctedBy: fix.id });
  });
});

import { entriesOf, started, type Line } from '../testing/batch';
import { partedRecipe } from '../testing/outcomes';
import { weighing } from '../testing/played';
import { testRecipe } from '../testing/recipe';
import { partRecipe, partRecipes } from '../route/parts';
import { programOf } from '../route/read';
import type { Entry } from './entry';
import { foldBatch } from './fold';
import { entriesOfPart, isParted, ofPart, partOf } from './parts';

const HOUR = 3600;
const recipe = partedRecipe();
const hold: Line[] = [
  [HOUR, { kind: 'cure_hold_started', coolerC: 2 }],
  [10 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }],
];
const lines: Line[] = [
  ...weighing(recipe),
  ...hold,
  [11 * HOUR, { kind: 'step_done', step: 'stuff', weightG: 19_000, part: 'large' }],
  [12 * HOUR, { kind: 'run_started', houseId: 'a', part: 'large' }],
  [13 * HOUR, { kind: 'step_done', step: 'stuff', weightG: 12_000, part: 'small' }],
];
const stateOf = (part: string, of: readonly Entry[] = entriesOf(lines)) =>
  foldBatch(partRecipe(recipe, part)!, entriesOfPart(of, part));

test('each part has what is about it, and what is about the batter', () => {
  const [large, small] = [stateOf('large'), stateOf('small')];
  expect([large.phase, small.phase]).toEqual(['in_house', 'making']);
  expect([large.steps.stuff!.weightG, small.steps.stuff!.weightG]).toEqual([19_000, 12_000]);
  expect([large.meatG, small.meatG]).toEqual([30_000, 30_000]);
  expect(large.hold).toEqual(small.hold);
});

test('the batter alone knows nothing of its parts', () => {
  const whole = foldBatch(recipe, entriesOfPart(entriesOf(lines), null));
  expect([whole.run, whole.steps.stuff]).toEqual([null, undefined]);
});

test.each<[string, Line[], boolean]>([
  ['before it is weighed', [started(30_000)], false],
  ['while it is held', [...weighing(recipe), hold[0]!], false],
  ['once it was held', [...weighing(recipe), ...hold], true],
])('parted %s: %s', (_name, so, parted) => {
  expect(isParted(recipe, foldBatch(recipe, entriesOfPart(entriesOf(so), null)))).toBe(parted);
});

test('a recipe without parts never parts', () => {
  const plain = testRecipe();
  expect(isParted(plain, foldBatch(plain, entriesOf([...weighing(plain), ...hold])))).toBe(false);
  expect(partRecipes(plain)).toEqual([plain]);
  expect(partRecipe(plain, 'large')).toBeNull();
});

test('a correction goes with what it corrects: of the batter for all, of a part for it alone', () => {
  const base = entriesOf(lines);
  const correct = (target: Entry, replacement: Entry['body'] | null, seq: number): Entry => ({
    ...target,
    id: `c${seq}`,
    seq,
    corrects: target.id,
    body: { kind: 'corrected', reason: 'slip', replacement: replacement as never },
  });
  const stuff = base.find((e) => partOf(e.body) === 'small')!;
  const salt = base.find((e) => e.body.kind === 'weighed' && e.body.lineId === 'salt')!;
  const both = [
    ...base,
    correct(stuff, { ...stuff.body, weightG: 11_000 } as Entry['body'], 90),
    correct(salt, { ...salt.body, amountG: 500 } as Entry['body'], 91),
  ];
  expect(stateOf('small', both).steps.stuff!.weightG).toBe(11_000);
  expect(stateOf('large', both).steps.stuff!.weightG).toBe(19_000);
  for (const part of ['large', 'small'])
    expect(stateOf(part, both).weighed.salt!.amountG).toBe(500);
  expect(entriesOfPart(both, 'large').map((e) => e.id)).not.toContain('c90');
});

test('only what can be about a part says which', () => {
  expect(ofPart({ kind: 'pulled' }, 'large')).toEqual({ kind: 'pulled', part: 'large' });
  expect(ofPart({ kind: 'pulled' }, null)).toEqual({ kind: 'pulled' });
  expect(ofPart({ kind: 'noted', text: 'x' }, 'large')).toEqual({ kind: 'noted', text: 'x' });
  expect(
    ofPart({ kind: 'corrected', reason: 'r', replacement: { kind: 'pulled' } }, 'large'),
  ).toEqual({ kind: 'corrected', reason: 'r', replacement: { kind: 'pulled', part: 'large' } });
});

test('a part has its casing, its share, its own stages, and one and the same recipe each time', () => {
  const [large, small] = partRecipes(recipe);
  expect(partRecipe(recipe, 'large')).toBe(large);
  expect([large!.casing.diameterMm, small!.casing.diameterMm]).toEqual([55, 24]);
  expect(large!.ofPart).toEqual({ id: 'large', name: 'Large', share: 0.6 });
  expect(programOf(large!).map((s) => s.kind)).toEqual(['smoke', 'bath']);
  expect(programOf(small!).map((s) => s.kind)).toEqual(['smoke', 'cook']);
});

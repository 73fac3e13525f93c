import { partedRecipe } from '../testing/outcomes';
import { testRecipe } from '../testing/recipe';
import { diffRecipes } from './diff-recipes';
import { CASINGS } from '../recipe/tables/casings';

const change = (edit: (r: ReturnType<typeof testRecipe>) => void) => {
  const newer = testRecipe();
  edit(newer);
  return diffRecipes(testRecipe(), newer);
};

test('the same recipe differs in nothing', () => expect(change(() => undefined)).toEqual([]));

test('a figure: from and to, with its unit', () =>
  expect(change((r) => (r.cure!.targetPpm = 130))).toEqual([
    { part: 'cure', subject: 'Cure #1', what: 'targetPpm', unit: 'ppm', from: 120, to: 130 },
  ]));

test('a renamed line is a new name, not a new line', () =>
  expect(change((r) => (r.additions[0]!.name = 'White pepper'))).toEqual([
    expect.objectContaining({ what: 'name', from: 'Black pepper', to: 'White pepper' }),
    expect.objectContaining({ what: 'order' }),
  ]));

test('a line that is gone is listed with what it had', () => {
  const changes = change((r) => (r.additions = r.additions.slice(0, 1)));
  expect(changes).toContainEqual(
    expect.objectContaining({ subject: 'Ice water', what: 'fraction', from: 0.05, to: null }),
  );
});

test('a casing of the site: what is known of it is told fact by fact', () => {
  const changes = change((r) => (r.casing.own = { ...CASINGS.sheep, toMm: 30 }));
  expect(changes).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ part: 'casing', what: 'toMm', unit: 'mm', from: null, to: 30 }),
      expect.objectContaining({ part: 'casing', what: 'soakWith', to: 'baking_soda 5' }),
    ]),
  );
  for (const c of changes) expect(String(c.to)).not.toContain('object');
});

test('moved lines are one change', () => {
  const changes = change((r) => r.meat.reverse());
  expect(changes).toEqual([
    expect.objectContaining({
      part: 'meat',
      what: 'order',
      from: 'Pork shoulder, Back fat',
      to: 'Back fat, Pork shoulder',
    }),
  ]);
});

test('a cure taken out, times and stages', () => {
  const changes = change((r) => {
    r.cure = null;
    r.process.bloomS = 0;
    r.program[1]!.airC = 60;
  });
  expect(changes.map((c) => [c.part, c.what, c.unit])).toEqual(
    expect.arrayContaining([
      ['step', 'airC', 'C'],
      ['step', 'plannedS', 's'],
      ['cure', 'nitriteFraction', 'share'],
    ]),
  );
});

test('a part that changed says what: its share, its casing, a step of its own', () => {
  const before = partedRecipe();
  const after = structuredClone(before);
  after.parts![0]!.share = 0.7;
  after.parts![0]!.casing.diameterMm = 60;
  after.parts![1]!.route.find((s) => s.id === 'smoke')!.climate!.airC = 70;
  expect(diffRecipes(before, after).map((c) => [c.part, c.subject, c.what, c.to])).toEqual([
    ['part', 'Large', 'share', 0.7],
    ['part', 'Large', 'diameterMm', 60],
    ['step', 'Small: Smoke', 'airC', 70],
  ]);
});

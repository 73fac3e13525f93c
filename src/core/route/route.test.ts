import fc from 'fast-check';
import { endsOf } from '../recipe/stage-ends';
import { foldBatch } from '../logbook/fold';
import { recipeBlocks } from '../schedule/recipe-blocks';
import { anyRecipe } from '../testing/arbitrary';
import { entriesOf } from '../testing/batch';
import { driedRecipe, hotRecipe, poachedRecipe, rawRecipe } from '../testing/outcomes';
import { caseOf, play } from '../testing/played';
import { fermentedRecipe, testRecipe, testRules } from '../testing/recipe';
import { judge } from '../verdict/judge';
import { isPlanned, routeOf, routed, withRoute } from './adapter';
import { withChill, withProgram, withStep } from './edit';
import { attendanceOf, isMaking, placeOfStep } from './facts';
import { chillOf, holdOf, laterDrying, outcomeOf, plannedS, programOf } from './read';
import type { RouteStep } from '../recipe/step';

const hold = testRules().cure_hold.body;
const kinds = (route: readonly RouteStep[]) => route.map((s) => s.kind);

test('an old recipe is read as its steps in order, bench work to packing', () => {
  expect(kinds(routeOf(testRecipe()))).toEqual([
    'other',
    'chill',
    'grind',
    'mix',
    'trial_cook',
    'cure_hold',
    'stuff',
    'surface_dry',
    'surface_dry',
    'smoke',
    'cook',
    'pull',
    'ice_bath',
    'cooler',
    'bloom',
    'pack',
  ]);
});

test('a stage that is called like a step of the way keeps its id, and ids differ', () => {
  const recipe = testRecipe();
  recipe.program[0]!.id = 'step-stuff';
  const ids = routeOf(recipe).map((s) => s.id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(programOf(recipe)[0]!.id).toBe('step-stuff');
});

test('an old recipe that sets no longest hold sets none in today’s form either', () => {
  const recipe = testRecipe();
  recipe.process.cureHoldMaxS = 0;
  expect(holdOf(recipe)).toEqual({ minS: recipe.process.cureHoldMinS, maxS: Infinity });
  expect(holdOf(routed(recipe))).toEqual(holdOf(recipe));
});

test('property: today’s form of an old recipe says what the old one said', () => {
  fc.assert(
    fc.property(anyRecipe, (old) => {
      const now = routed(old);
      expect(isPlanned(now)).toBe(false);
      expect(recipeBlocks(now, hold)).toEqual(recipeBlocks(old, hold));
      expect(holdOf(now).minS).toBe(holdOf(old).minS);
      expect(chillOf(now)).toEqual(chillOf(old));
      expect(outcomeOf(now)).toBe('cooked');
      const [a, b] = [programOf(now), programOf(old)];
      expect(a.map(endsOf)).toEqual(b.map(endsOf));
      expect(a.map((s) => [s.id, s.name, s.kind, s.airC, s.plannedS, s.place])).toEqual(
        b.map((s) => [s.id, s.name, s.kind, s.airC, s.plannedS, s.place]),
      );
    }),
    { seed: 20261126, numRuns: 120 },
  );
});

test.each([
  ['a cured one', {}],
  ['one of two days', { pullC: 62, keepS: 1200 }],
  ['one pulled too early', { pullC: 55 }],
  ['one cooled in air', { cooled: 'air' as const }],
  ['an uncured one', { recipe: { ...testRecipe(), cure: null }, cookC: 110 }],
])('%s is judged the same in either form', (_name, options) => {
  const p = play(options);
  const now = { ...p, recipe: routed(p.recipe) };
  expect(judge(caseOf(now))).toEqual(judge(caseOf(p)));
  const entries = entriesOf(p.lines);
  expect(foldBatch(now.recipe, entries).phase).toBe(foldBatch(p.recipe, entries).phase);
});

test('another program takes the place of the old one, and who is there stays', () => {
  const base = routed(testRecipe());
  const watched = withRoute(
    base,
    base.route.map((s) => (s.id === 'cook' ? { ...s, attended: 'end' as const, people: 2 } : s)),
  );
  const stages = programOf(watched).map((s) => (s.id === 'cook' ? { ...s, airC: 78 } : s));
  const next = withProgram(watched, stages);
  expect(next.route.find((s) => s.id === 'cook')).toMatchObject({
    attended: 'end',
    people: 2,
    climate: { airC: 78 },
  });
  expect(kinds(next.route)).toEqual(kinds(watched.route));
  expect(kinds(withProgram(watched, stages.slice(2)).route)).not.toContain('smoke');
});

test('a chill that was not there goes right after the pull, whatever dries before it', () => {
  const order = kinds(withChill(driedRecipe(), [{ medium: 'shower', plannedS: 900 }]).route);
  expect(order[order.indexOf('pull') + 1]).toBe('shower');
});

test('a step is added, changed in its place, and taken out again', () => {
  const base = routed(testRecipe());
  const cut = withStep(base, 'cut', { plannedS: 600 }, ['pack']);
  expect(kinds(cut.route).slice(-2)).toEqual(['cut', 'pack']);
  expect(plannedS(withStep(cut, 'cut', { plannedS: 60 }, []), 'cut')).toBe(60);
  expect(withStep(cut, 'cut', null, []).route).toEqual(base.route);
});

test('an oven stays an oven, and a chamber a chamber, through a program', () => {
  const base = routed(fermentedRecipe());
  const placed = withRoute(
    base,
    base.route.map((s): RouteStep =>
      s.id === 'cook'
        ? { ...s, kind: 'oven', place: 'oven' }
        : s.id === 'ferment'
          ? { ...s, place: 'chamber' }
          : s,
    ),
  );
  const stages = programOf(placed);
  expect(stages.find((s) => s.id === 'cook')).toMatchObject({ kind: 'cook', place: 'oven' });
  expect(stages.find((s) => s.id === 'ferment')!.place).toBeUndefined();
  expect(withProgram(placed, stages).route).toEqual(placed.route);
});

test('what follows at once stands in one block; somebody is there when a step asks for it', () => {
  const base = routed(testRecipe());
  const watched = withRoute(
    base,
    base.route.map((s) => (s.kind === 'bloom' ? { ...s, attended: 'both_ends' as const } : s)),
  );
  const pieces = recipeBlocks(watched, hold).flatMap((b) => b.pieces);
  expect(pieces.filter((p) => p.key.includes('bloom')).map((p) => [p.key, p.attended])).toEqual([
    ['begin:bloom', true],
    ['bloom', false],
    ['end:bloom', true],
  ]);
  const total = (r: typeof base) =>
    recipeBlocks(r, hold)
      .flatMap((b) => b.pieces)
      .reduce((s, p) => s + p.durationS, 0);
  expect(total(watched)).toBe(total(base));
});

test('from a chamber into the house somebody moves it, and it takes no longer', () => {
  const base = routed(fermentedRecipe());
  const isFerment = (s: RouteStep) => s.id === 'ferment';
  const placedIn = (place: 'chamber' | 'house') =>
    withRoute(
      base,
      base.route.map((s): RouteStep => (isFerment(s) ? { ...s, place } : s)),
    );
  const pieces = (place: 'chamber' | 'house') =>
    recipeBlocks(placedIn(place), hold).flatMap((b) => b.pieces);
  const begun = (place: 'chamber' | 'house') =>
    pieces(place).flatMap((p) => (p.key.startsWith('begin:') && p.attended ? [p.key] : []));
  const after = base.route[base.route.findIndex(isFerment) + 1]!;
  expect(begun('chamber')).toEqual([`begin:stage:${after.id}`]);
  expect(begun('house')).toEqual([]);
  const total = (place: 'chamber' | 'house') => pieces(place).reduce((s, p) => s + p.durationS, 0);
  expect(total('chamber')).toBe(total('house'));
  const at = pieces('chamber').findIndex((p) => p.key === `begin:stage:${after.id}`);
  expect(pieces('chamber')[at + 1]!.key).toBe(`stage:${after.id}`);
});

test('a cured way without a hold is held as long as the rule asks', () => {
  const base = routed(testRecipe());
  const none = withStep(base, 'cure_hold', null, []);
  const held = recipeBlocks(none, hold).flatMap((b) => b.pieces);
  expect(held.find((p) => p.key === 'cure_hold')!.durationS).toBe(hold.minS);
});

test.each([
  ['poached only', poachedRecipe(), ['bath'], true],
  ['dried', driedRecipe(), ['ferment', 'smoke', 'hang'], false],
  ['eaten hot', hotRecipe(), ['cook'], false],
  ['raw', rawRecipe('frozen'), [], false],
])('%s: its run and its chill', (_name, recipe, stages, chills) => {
  expect(programOf(recipe).map((s) => s.kind)).toEqual(stages);
  expect(chillOf(recipe).length > 0).toBe(chills);
  expect(laterDrying(recipe)).toBeUndefined();
  expect(recipeBlocks(recipe, hold).flatMap((b) => b.pieces).length).toBeGreaterThan(2);
});

test('every kind has a usual place and people', () => {
  for (const s of routeOf(fermentedRecipe())) {
    expect(placeOfStep(s)).toBeTruthy();
    expect(['throughout', 'nobody']).toContain(attendanceOf(s));
  }
  expect(routeOf(testRecipe()).filter(isMaking)).toHaveLength(5);
});

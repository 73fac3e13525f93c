import fc from 'fast-check';
import { foldBatch } from '../logbook/fold';
import type { EntryBody } from '../logbook/entry';
import { HOUR, play } from '../testing/played';
import { entriesOf, started, type Line } from '../testing/batch';
import { testRecipe, testRules } from '../testing/recipe';
import { followRecord, type Way } from './follow';
import { planBackward } from './plan';
import { chillOf } from '../route/read';
import { passedSteps, recipeOfRun } from './passed';
import { recipeBlocks } from './recipe-blocks';

const recipe = testRecipe();
const hold = testRules().cure_hold.body;
const HORIZON = 10 * 24 * HOUR;
/** The lines of tests count from 0; a batch begins at a time of the clock. */
const T0 = 1_700_000_400;

function wayOf(
  lines: readonly Line[],
  nowS: number,
  more: { dueS?: number; readyByS?: number } = {},
): Way {
  const state = foldBatch(recipe, entriesOf(lines.map(([s, ...rest]): Line => [s + T0, ...rest])));
  const from = T0;
  return followRecord({
    blocks: recipeBlocks(recipeOfRun(recipe, state), hold),
    passed: passedSteps(state),
    dueS: more.dueS,
    nowS,
    readyByS: more.readyByS ?? nowS + 5 * 24 * HOUR,
    horizonS: HORIZON,
    working: [{ startS: from, endS: from + 60 * 24 * HOUR }],
  });
}
const play0 = play({ recipe });
const played = { ...play0, runS: play0.runS + T0, packS: play0.packS + T0 };
const until = (atS: number) => played.lines.filter(([s]) => T0 + s <= atS);
const standings = (way: Way) => Object.fromEntries(way.pieces.map((p) => [p.key, p.standing]));

test('with nothing recorded but its start, all of it lies ahead, as the page said on which it was started', () => {
  const nowS = T0 + 600;
  const way = wayOf([started(30_000)], nowS);
  const plan = planBackward({
    blocks: recipeBlocks(recipe, hold),
    nowS,
    readyByS: nowS + 5 * 24 * HOUR,
    horizonS: HORIZON,
    working: [{ startS: T0, endS: T0 + 60 * 24 * HOUR }],
  });
  expect(way.pieces.every((p) => p.standing === 'ahead')).toBe(true);
  expect(way.pieces[0]!.key).toBe('prepare');
  expect(way.readyS).toBe(plan.readyS);
});

test('preparing begins with the first work that is recorded, not with the press that started the batch', () => {
  const first = played.lines.find(([, body]) => body.kind === 'weighed')!;
  const way = wayOf([started(30_000), [6 * HOUR, first[1]]], T0 + 7 * HOUR);
  expect(way.pieces[0]).toMatchObject({ key: 'prepare', standing: 'now', startS: T0 + 6 * HOUR });
  expect(way.pieces.slice(1).every((p) => p.standing === 'ahead')).toBe(true);
});

test('in the house: what was done says when, the stage goes on to its forecast, the rest follows at once', () => {
  const nowS = played.runS + 600;
  const dueS = nowS + 1234;
  const way = wayOf(until(nowS), nowS, { dueS });
  const now = way.pieces.find((p) => p.standing === 'now')!;
  expect(now.key).toBe(`stage:${recipe.program[0]!.id}`);
  expect(now.endS).toBe(dueS);
  const at = way.pieces.indexOf(now);
  expect(way.pieces[at + 1]!.startS).toBe(dueS);
  expect(way.pieces.slice(0, at).every((p) => p.endS <= nowS && p.standing !== 'ahead')).toBe(true);
  expect(standings(way).prepare).toBe('done');
});

test('what nobody wrote down lies behind all the same', () => {
  const run: EntryBody = { kind: 'run_started', houseId: 'h' };
  const way = wayOf([started(30_000), [2 * HOUR, run]], T0 + 3 * HOUR);
  expect(standings(way)).toMatchObject({ cure_hold: 'unrecorded', stuff: 'unrecorded' });
  expect(way.pieces.filter((p) => p.standing === 'ahead').map((p) => p.key)).not.toContain('stuff');
});

test('pulled and packed: nothing lies ahead, and how late it was is known', () => {
  const way = wayOf(until(played.packS), played.packS + 60, { readyByS: played.packS - HOUR });
  expect(way.pieces.every((p) => p.standing !== 'ahead' && p.standing !== 'now')).toBe(true);
  expect(way.lateS).toBe(HOUR);
});

test('a forecast that comes late makes the batch late by as much', () => {
  const nowS = played.runS + 600;
  const usual = wayOf(until(nowS), nowS, { dueS: nowS + HOUR, readyByS: nowS + HOUR });
  const slow = wayOf(until(nowS), nowS, { dueS: nowS + 5 * HOUR, readyByS: nowS + HOUR });
  expect(slow.lateS! - usual.lateS!).toBe(4 * HOUR);
});

test('property: the way is in order, nothing ahead begins before now, nothing that is done after it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.integer({ min: -10, max: 200 }),
      (share, hours) => {
        const nowS = T0 + 60 + share * (played.packS - T0);
        const way = wayOf(until(nowS), nowS, { readyByS: nowS + hours * HOUR });
        way.pieces.forEach((p, i) => {
          expect(p.endS).toBeGreaterThanOrEqual(p.startS);
          if (i > 0) expect(p.startS).toBeGreaterThanOrEqual(way.pieces[i - 1]!.startS);
          if (p.standing === 'ahead') expect(p.startS).toBeGreaterThanOrEqual(nowS);
          if (p.standing === 'done') expect(p.endS).toBeLessThanOrEqual(nowS);
        });
        expect(way.pieces.filter((p) => p.standing === 'now').length).toBeLessThanOrEqual(1);
      },
    ),
    { seed: 20261126, numRuns: 60 },
  );
});

test.each<[string, ('ice_bath' | 'shower' | 'cooler')[], string[]]>([
  ['none yet', [], ['ice_bath', 'cooler']],
  ['the first', ['ice_bath'], ['ice_bath', 'cooler']],
  ['both', ['ice_bath', 'cooler'], ['ice_bath', 'cooler']],
  ['the cooler at once: no ice bath comes after it', ['cooler'], ['cooler']],
  ['one that was not planned', ['shower'], ['shower']],
])('the chill of a batch: %s', (_what, begun, left) => {
  const planned = {
    ...recipe,
    process: {
      ...recipe.process,
      chill: (['ice_bath', 'cooler'] as const).map((medium) => ({ medium, plannedS: 900 })),
    },
  };
  const state = foldBatch(planned, entriesOf(until(play0.pullS + T0)));
  const now = { ...state, chill: begun.map((medium) => ({ medium, startS: 0 })) };
  expect(chillOf(recipeOfRun(planned, now)).map((c) => c.medium)).toEqual(left);
});

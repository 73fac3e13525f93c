import { foldBatch } from '../logbook/fold';
import type { EntryBody } from '../logbook/entry';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { testRecipe } from '../testing/recipe';
import { stuffingDue } from '.';

const HOUR = 3600;
const recipe = {
  ...testRecipe(),
  casing: { name: 'Sheep 22/24', diameterMm: 23, kind: 'sheep' as const, pieceMm: 120 },
};
const stateOf = (...more: [number, EntryBody][]) =>
  foldBatch(
    recipe,
    entriesOf([
      started(20_000),
      ...recipe.meat.map((m): Line => [60, weighed(m.id, m.share * 20_000)]),
      ...more.map(([tS, body]): Line => [tS, body]),
    ]),
  );
const WINDOW = { startS: 10 * HOUR, endS: 11 * HOUR };
const due = (s: ReturnType<typeof stateOf>, window: typeof WINDOW | null = WINDOW, r = recipe) =>
  stuffingDue(r, s, window).map((d) => [d.code, d.dueS]);
const soaked: EntryBody = { kind: 'casing_soaked', casing: 'Sheep', metres: 40 };
const links: EntryBody = {
  kind: 'links_checked',
  links: [
    { lengthMm: 120, weightG: 50 },
    { lengthMm: 120, weightG: 50 },
  ],
  targetG: 52,
};

describe('stuffingDue', () => {
  test('soaking is worked back from the plan', () => {
    expect(due(stateOf())).toEqual([
      ['soak_start', 9.5 * HOUR],
      ['check_links', 10 * HOUR],
      ['keep_probe', 10 * HOUR],
    ]);
    expect(due(stateOf(), { startS: 12 * HOUR, endS: 13 * HOUR })[0]).toEqual([
      'soak_start',
      11.5 * HOUR,
    ]);
  });
  test('without a plan nothing is worked back', () => expect(due(stateOf(), null)).toEqual([]));
  test('a long stuffing asks for a second soak', () =>
    expect(due(stateOf(), { startS: 10 * HOUR, endS: 15 * HOUR }).map(([c]) => c)).toContain(
      'soak_again',
    ));
  test('in the water: usable at, and weak from', () =>
    expect(due(stateOf([9 * HOUR, soaked])).slice(0, 1)).toEqual([['soak_ready', 9.5 * HOUR]]));
  test('links again twenty minutes later', () =>
    expect(due(stateOf([10 * HOUR, links]))).toContainEqual(['check_again', 10 * HOUR + 1200]));
  test('a fermented product keeps a stub for its pH', () =>
    expect(
      due(stateOf(), WINDOW, {
        ...recipe,
        fermentation: { targetPh: 5.2, floorPh: 4.7 },
      } as typeof recipe).map(([c]) => c),
    ).toContain('keep_ph'));
  test('stuffed, only what was forgotten is left', () =>
    expect(due(stateOf([11 * HOUR, { kind: 'step_done', step: 'stuff' }]))).toEqual([
      ['keep_probe', 11 * HOUR],
    ]));
  test('the fire is lit ahead of the loading, by the lead time of the house', () =>
    expect(
      stuffingDue(recipe, stateOf(), null, { loadS: 12 * HOUR, preheatS: 1800 }).map((d) => [
        d.code,
        d.dueS,
      ]),
    ).toEqual([['light_fire', 11.5 * HOUR]]));
  test('kept, nothing is left', () =>
    expect(
      due(
        stateOf(
          [10 * HOUR, { kind: 'sound_piece_kept', what: 'probe', piece: 'the last' }],
          [11 * HOUR, { kind: 'step_done', step: 'stuff' }],
        ),
      ),
    ).toEqual([]));
});

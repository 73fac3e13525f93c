import { foldBatch, linkG, loadMap, type HungStick } from '@/core';
import { entriesOf, started, weighed, type Line } from '@/core/testing/batch';
import { testRecipe } from '@/core/testing/recipe';
import type { Dossier } from '@/features/logbook/service';
import { hangsOf } from './hangs';

const recipe = { ...testRecipe(), casing: { name: 'Hog casing', diameterMm: 38, pieceMm: 300 } };
const dossier = (...more: Line[]) =>
  ({
    case: {
      recipe,
      state: foldBatch(
        recipe,
        entriesOf([
          started(10_000),
          [1, weighed('lean', 8_000)],
          [2, weighed('fat', 2_000)],
          ...more,
        ]),
      ),
    },
  }) as unknown as Dossier;
const stuffed: Line = [50, { kind: 'step_done', step: 'stuff', weightG: 10_700 }];
const sticks = [1, 2].map((stick): HungStick => ({
  stick,
  level: 1,
  row: stick,
  pieces: 14,
  productId: 'a',
}));
const hung: Line = [
  60,
  { kind: 'hung', houseId: 'h', sticks: sticks.map(({ productId: _, ...s }) => s) },
];

test('before it hangs it is as many pieces as its weight makes, and they are all of it', () => {
  const { massG, pieces, pieceG, sticks: n } = hangsOf(dossier(stuffed));
  expect(massG).toBe(10_700);
  expect(pieces).toBe(Math.round(10_700 / linkG(38, 300)));
  expect(pieces! * pieceG!).toBeCloseTo(10_700, 6);
  expect(n).toBe(0);
});

test('once it hangs its map counts it, and the map weighs what the house carries', () => {
  const run: Line = [70, { kind: 'run_started', houseId: 'h', sticks: 9 }];
  const { massG, pieces, pieceG, sticks: n } = hangsOf(dossier(stuffed, hung, run));
  expect([pieces, n]).toEqual([28, 2]);
  const map = loadMap({
    grid: {
      levels: 1,
      rows: 4,
      stickMm: 1_000,
      rowMm: 200,
      dropMm: 600,
      capacityG: 60_000,
      hotDepth: 'even',
      hotLevel: 'even',
      thick: 'any',
    },
    products: [{ id: 'a', diameterMm: 38, pieceMm: 300, looped: false, pieceG }],
    sticks,
  });
  expect(map.pieces).toBe(pieces);
  expect(map.massG).toBeCloseTo(massG, 6);
});

test('not stuffed yet: the meat that was weighed, nothing on sticks', () => {
  expect(hangsOf(dossier())).toMatchObject({ massG: 10_000, sticks: 0 });
});

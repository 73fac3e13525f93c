import {
  heatAt,
  perStick,
  rowGap,
  type HangingGrid,
  type HangingProduct,
  type HungStick,
  type Spot,
} from './place';

/** Every spot of a house, hottest first; of equals the lowest, then the one at the front. */
export const spotsOf = (grid: HangingGrid): Spot[] =>
  Array.from({ length: grid.levels * grid.rows }, (_, i) => ({
    level: Math.floor(i / grid.rows) + 1,
    row: (i % grid.rows) + 1,
  })).sort((a, b) => heatAt(grid, b) - heatAt(grid, a) || a.level - b.level || a.row - b.row);

/** Sticks that a product needs, with their pieces as even as whole pieces go. */
export function sticksFor(p: HangingProduct, pieces: number, grid: HangingGrid): number[] {
  const count = Math.ceil(pieces / perStick(p, grid.stickMm) - 1e-9);
  const each = Math.floor(pieces / count);
  const more = pieces - each * count;
  return Array.from({ length: count }, (_, i) => each + (i < more ? 1 : 0));
}

/** Would a stick here touch one in the row before or behind it? */
const touches = (
  grid: HangingGrid,
  hung: readonly (HungStick & { of: HangingProduct })[],
  p: HangingProduct,
  s: Spot,
) =>
  hung.some(
    (o) => o.level === s.level && Math.abs(o.row - s.row) === 1 && rowGap(o.of, p) > grid.rowMm,
  );

/**
 * A first map of a load: the thickest product takes the hottest free spots (the coldest, where the site hangs thick
 * pieces there), pieces spread evenly over as few sticks as do not touch, and a spot is left free where rows would.
 * @returns the sticks that found a spot, numbered from 1, and how many pieces found none
 */
export function arrangeLoad(
  grid: HangingGrid,
  load: readonly { product: HangingProduct; pieces: number }[],
): { sticks: HungStick[]; left: number } {
  const spots = spotsOf(grid);
  if (grid.thick === 'cold') spots.reverse();
  const hung: (HungStick & { of: HangingProduct })[] = [];
  let left = 0;
  const thickFirst = [...load].sort((a, b) => b.product.diameterMm - a.product.diameterMm);
  for (const { product, pieces } of thickFirst)
    for (const n of sticksFor(product, pieces, grid)) {
      const i = spots.findIndex((s) => !touches(grid, hung, product, s));
      if (i < 0) {
        left += n;
        continue;
      }
      const [spot] = spots.splice(i, 1);
      hung.push({
        ...spot!,
        stick: hung.length + 1,
        productId: product.id,
        pieces: n,
        of: product,
      });
    }
  return { sticks: hung.map(({ of: _, ...s }) => s), left };
}

/** Where it is hottest from front to back, and from low to high; `even` where a site has found no difference. */
export const HOT_DEPTHS = ['even', 'front', 'back'] as const;
export type HotDepth = (typeof HOT_DEPTHS)[number];
export const HOT_LEVELS = ['even', 'low', 'high'] as const;
export type HotLevel = (typeof HOT_LEVELS)[number];
/** Where the site hangs its thick pieces. */
export const THICK_WHERE = ['hot', 'cold', 'any'] as const;
export type ThickWhere = (typeof THICK_WHERE)[number];

/** A house by its own geometry. Levels count from below, rows from the front; both from 1. */
export type HangingGrid = {
  levels: number;
  /** Sticks side by side on each level, from front to back. */
  rows: number;
  stickMm: number;
  /** Middle of one row to the middle of the next, mm. */
  rowMm: number;
  /** Room under a stick down to the next level, or the floor, mm. */
  dropMm: number;
  capacityG: number;
  hotDepth: HotDepth;
  hotLevel: HotLevel;
  thick: ThickWhere;
};

export type Spot = { level: number; row: number };

/** What hangs: one product, in one casing. */
export type HangingProduct = {
  id: string;
  diameterMm: number;
  /** Length of a piece, mm; null where nobody gave it. */
  pieceMm: number | null;
  looped: boolean;
  pieceG: number | null;
};

/** One stick with its pieces at a spot. */
export type HungStick = Spot & { stick: number; productId: string; pieces: number };

/** Pieces must not touch: this much air between neighbours, as a share of the diameter (usual). */
const GAP_SHARE = 0.5;

/** How wide a piece hangs on its stick with the air beside it, mm. */
export const widthOf = (p: Pick<HangingProduct, 'diameterMm' | 'looped'>): number =>
  p.diameterMm * (1 + GAP_SHARE) * (p.looped ? 2 : 1);

/** How far a piece hangs down, mm; a ring hangs by its middle. Null where its length is not known. */
export const dropOf = (p: Pick<HangingProduct, 'pieceMm' | 'looped'>): number | null =>
  p.pieceMm === null ? null : p.looped ? p.pieceMm / 2 : p.pieceMm;

/** Pieces that one stick takes without touching, at least one. */
export const perStick = (
  p: Pick<HangingProduct, 'diameterMm' | 'looped'>,
  stickMm: number,
): number => Math.max(1, Math.floor(stickMm / widthOf(p) + 1e-9));

/** Two rows need so much from middle to middle, mm. */
export const rowGap = (a: HangingProduct, b: HangingProduct): number =>
  ((a.diameterMm + b.diameterMm) / 2) * (1 + GAP_SHARE);

/** How hot a spot is beside the others of its house, 0 the coldest to 1 the hottest; 0.5 where all are alike. */
export function heatAt(grid: HangingGrid, { level, row }: Spot): number {
  const share = (at: number, of: number) => (of <= 1 ? 0.5 : (at - 1) / (of - 1));
  const depth = share(row, grid.rows);
  const height = share(level, grid.levels);
  const byDepth = { even: 0.5, front: 1 - depth, back: depth }[grid.hotDepth];
  const byLevel = { even: 0.5, low: 1 - height, high: height }[grid.hotLevel];
  return (byDepth + byLevel) / 2;
}

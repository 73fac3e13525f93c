import { QuantityError, requirePositive } from '../guard';
import {
  dropOf,
  heatAt,
  perStick,
  rowGap,
  type HangingGrid,
  type HangingProduct,
  type HungStick,
} from './place';

export type MapCode =
  'outside' | 'taken' | 'crowded' | 'rows_touch' | 'too_long' | 'too_heavy' | 'thick_misplaced';

/** What is wrong with a map. `bad`: it cannot hang so; `watch`: it can, and this is to be known. Figures mm, g, counts. */
export type MapFinding = {
  code: MapCode;
  level: 'bad' | 'watch';
  sticks: number[];
  productId: string | null;
  figures: Record<string, number>;
};

export type LoadMap = {
  feasible: boolean;
  findings: MapFinding[];
  /** Spots of the house, and those that are still free. */
  spots: number;
  free: number;
  pieces: number;
  massG: number | null;
};

type Known = HungStick & { of: HangingProduct };
type Look = (grid: HangingGrid, sticks: readonly Known[]) => MapFinding[];

const at = (s: { level: number; row: number }) => `${s.level}:${s.row}`;

const outside: Look = (grid, sticks) =>
  sticks
    .filter((s) => !(s.level >= 1 && s.level <= grid.levels && s.row >= 1 && s.row <= grid.rows))
    .map((s) => ({
      code: 'outside',
      level: 'bad',
      sticks: [s.stick],
      productId: s.productId,
      figures: { levels: grid.levels, rows: grid.rows },
    }));

const taken: Look = (_grid, sticks) => {
  const spots = new Set(sticks.map(at));
  return [...spots]
    .map((spot) => sticks.filter((s) => at(s) === spot))
    .filter((there) => there.length > 1)
    .map((there) => ({
      code: 'taken',
      level: 'bad',
      sticks: there.map((s) => s.stick),
      productId: null,
      figures: { level: there[0]!.level, row: there[0]!.row },
    }));
};

const crowded: Look = (grid, sticks) =>
  sticks
    .filter((s) => s.pieces > perStick(s.of, grid.stickMm))
    .map((s) => ({
      code: 'crowded',
      level: 'bad',
      sticks: [s.stick],
      productId: s.productId,
      figures: { pieces: s.pieces, most: perStick(s.of, grid.stickMm) },
    }));

const rowsTouch: Look = (grid, sticks) =>
  sticks.flatMap((s) =>
    sticks
      .filter((o) => o.level === s.level && o.row === s.row + 1 && rowGap(s.of, o.of) > grid.rowMm)
      .map((o): MapFinding => ({
        code: 'rows_touch',
        level: 'bad',
        sticks: [s.stick, o.stick],
        productId: null,
        figures: { needMm: rowGap(s.of, o.of), rowMm: grid.rowMm },
      })),
  );

const tooLong: Look = (grid, sticks) =>
  [...new Set(sticks.map((s) => s.productId))].flatMap((id): MapFinding[] => {
    const own = sticks.filter((s) => s.productId === id);
    const drop = dropOf(own[0]!.of);
    if (drop === null || drop <= grid.dropMm) return [];
    const cutToMm = own[0]!.of.looped ? 2 * grid.dropMm : grid.dropMm;
    return [
      {
        code: 'too_long',
        level: 'bad',
        sticks: own.map((s) => s.stick),
        productId: own[0]!.productId,
        figures: { dropMm: drop, roomMm: grid.dropMm, cutToMm },
      },
    ];
  });

const massOf = (sticks: readonly Known[]): number | null =>
  sticks.every((s) => s.of.pieceG !== null)
    ? sticks.reduce((sum, s) => sum + s.pieces * s.of.pieceG!, 0)
    : null;

const tooHeavy: Look = (grid, sticks) => {
  const massG = massOf(sticks);
  if (massG === null || massG <= grid.capacityG) return [];
  const figures = { massG, capacityG: grid.capacityG };
  return [
    {
      code: 'too_heavy',
      level: 'bad',
      sticks: sticks.map((s) => s.stick),
      productId: null,
      figures,
    },
  ];
};

/** A difference of diameter below this is none, mm, and of heat, as a share. */
const SAME_MM = 1;
const SAME_HEAT = 0.01;

/** A thicker stick that hangs where it is less hot (or hotter, as the site says) than a thinner one: the widest pair. */
const thickMisplaced: Look = (grid, sticks) => {
  if (grid.thick === 'any') return [];
  const sign = grid.thick === 'hot' ? 1 : -1;
  let worst: { thick: Known; thin: Known; by: number } | null = null;
  for (const thick of sticks)
    for (const thin of sticks) {
      if (thick.of.diameterMm <= thin.of.diameterMm + SAME_MM) continue;
      const by = sign * (heatAt(grid, thin) - heatAt(grid, thick));
      if (by > SAME_HEAT && (!worst || by > worst.by)) worst = { thick, thin, by };
    }
  if (!worst) return [];
  const { thick, thin } = worst;
  return [
    {
      code: 'thick_misplaced',
      level: 'watch',
      sticks: [thick.stick, thin.stick],
      productId: thick.productId,
      figures: { thickMm: thick.of.diameterMm, thinMm: thin.of.diameterMm, hot: sign },
    },
  ];
};

const LOOKS: readonly Look[] = [
  outside,
  taken,
  tooLong,
  crowded,
  rowsTouch,
  tooHeavy,
  thickMisplaced,
];

/**
 * Whether what hangs in a house can hang so: every stick at a spot of its own, pieces touching neither their neighbours
 * nor the next row, none longer than the room under its stick (with the length to cut to), no more weight than the house
 * carries; and thick pieces where the site wants them. Pure.
 * @param grid levels and rows whole and ≥ 1, lengths mm > 0, capacity g > 0
 * @param products by id; a stick of one that is not among them throws
 * @returns feasible when nothing is `bad`
 * @throws RangeError naming the field
 * @source usual practice of the trade, stuffing and hanging: not touching, thick where it is hot; gap half a diameter (usual)
 */
export function loadMap(input: {
  grid: HangingGrid;
  products: readonly HangingProduct[];
  sticks: readonly HungStick[];
}): LoadMap {
  const { grid } = input;
  for (const [name, value] of Object.entries(grid))
    if (typeof value === 'number') requirePositive(`grid.${name}`, value);
  const sticks = input.sticks.map((s): Known => {
    const of = input.products.find((p) => p.id === s.productId);
    if (!of) throw new QuantityError('productId', s.productId, 'one of the products');
    requirePositive('pieces', s.pieces);
    return { ...s, of };
  });
  const findings = LOOKS.flatMap((look) => look(grid, sticks));
  const spots = grid.levels * grid.rows;
  return {
    feasible: findings.every((f) => f.level !== 'bad'),
    findings,
    spots,
    free: spots - new Set(sticks.map(at)).size,
    pieces: sticks.reduce((sum, s) => sum + s.pieces, 0),
    massG: massOf(sticks),
  };
}

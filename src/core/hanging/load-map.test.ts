import fc from 'fast-check';
import { arrangeLoad, heatAt, loadMap, perStick, type HangingGrid, type HangingProduct } from '.';

const GRID: HangingGrid = {
  levels: 2,
  rows: 4,
  stickMm: 1000,
  rowMm: 120,
  dropMm: 500,
  capacityG: 80_000,
  hotDepth: 'back',
  hotLevel: 'low',
  thick: 'hot',
};
const thin: HangingProduct = {
  id: 'thin',
  diameterMm: 22,
  pieceMm: 300,
  looped: true,
  pieceG: 120,
};
const thick: HangingProduct = {
  id: 'thick',
  diameterMm: 60,
  pieceMm: 400,
  looped: false,
  pieceG: 1200,
};
const on = (stick: number, productId: string, level: number, row: number, pieces = 5) => ({
  stick,
  productId,
  level,
  row,
  pieces,
});
const codes = (sticks: ReturnType<typeof on>[], grid = GRID, products = [thin, thick]) =>
  loadMap({ grid, products, sticks }).findings.map((f) => f.code);

describe('loadMap', () => {
  test('what hangs well', () => {
    const map = loadMap({
      grid: GRID,
      products: [thin, thick],
      sticks: [on(1, 'thick', 1, 4), on(2, 'thin', 2, 1)],
    });
    expect(map).toMatchObject({
      feasible: true,
      findings: [],
      spots: 8,
      free: 6,
      pieces: 10,
      massG: 6600,
    });
  });
  test.each([
    ['outside', [on(1, 'thin', 3, 1)]],
    ['outside', [on(1, 'thin', 1, 5)]],
    ['taken', [on(1, 'thin', 1, 1), on(2, 'thin', 1, 1)]],
    ['crowded', [on(1, 'thick', 1, 4, 12)]],
  ])('%s', (code, sticks) => expect(codes(sticks)).toContain(code));
  test('rows that are too near for what hangs on them', () => {
    expect(codes([on(1, 'thick', 1, 3), on(2, 'thick', 1, 4)], { ...GRID, rowMm: 80 })).toEqual([
      'rows_touch',
    ]);
    expect(codes([on(1, 'thick', 1, 2), on(2, 'thick', 1, 4)], { ...GRID, rowMm: 80 })).toEqual([]);
  });
  test('a piece that is too long says what to cut it to', () => {
    const long = { ...thick, pieceMm: 620 };
    const [f] = loadMap({ grid: GRID, products: [long], sticks: [on(1, 'thick', 1, 4)] }).findings;
    expect(f).toMatchObject({ code: 'too_long', figures: { cutToMm: 500 } });
  });
  test('a ring hangs by its middle', () =>
    expect(codes([on(1, 'thin', 1, 1)], GRID, [{ ...thin, pieceMm: 900 }])).toEqual([]));
  test('more than the house carries', () =>
    expect(codes([on(1, 'thick', 1, 4)], { ...GRID, capacityG: 5000 })).toEqual(['too_heavy']));
  test('a thick piece where it is cool beside a thin one where it is hot', () => {
    const map = loadMap({
      grid: GRID,
      products: [thin, thick],
      sticks: [on(1, 'thick', 2, 1), on(2, 'thin', 1, 4)],
    });
    expect(map.findings.map((f) => f.code)).toEqual(['thick_misplaced']);
    expect(map.feasible).toBe(true);
  });
  test('the same is right where the site hangs thick ones in the cool', () =>
    expect(codes([on(1, 'thick', 2, 1), on(2, 'thin', 1, 4)], { ...GRID, thick: 'cold' })).toEqual(
      [],
    ));
  test.each([
    ['grid.rowMm', () => codes([], { ...GRID, rowMm: 0 })],
    ['productId', () => codes([on(1, 'other', 1, 1)])],
    ['pieces', () => codes([on(1, 'thin', 1, 1, 0)])],
  ])('refuses %s by name', (field, call) => {
    expect(call).toThrow(RangeError);
    expect(call).toThrow(field);
  });
});

test.each([
  [1, 1, 0.5],
  [1, 4, 1],
  [2, 1, 0],
  [2, 4, 0.5],
])('heat at level %d, row %d is %d', (level, row, heat) =>
  expect(heatAt(GRID, { level, row })).toBeCloseTo(heat, 9),
);

test('a loop takes two widths of a stick', () => {
  expect(perStick(thin, 1000)).toBe(15);
  expect(perStick({ ...thin, looped: false }, 1000)).toBe(30);
});

describe('arrangeLoad', () => {
  test('the thick one takes the hottest spot', () => {
    const { sticks } = arrangeLoad(GRID, [
      { product: thin, pieces: 10 },
      { product: thick, pieces: 4 },
    ]);
    expect(sticks.find((s) => s.productId === 'thick')).toMatchObject({ level: 1, row: 4 });
  });
  test('property: what it hangs is feasible, and no piece is lost', () => {
    const grids = fc.record({
      levels: fc.integer({ min: 1, max: 4 }),
      rows: fc.integer({ min: 1, max: 12 }),
      rowMm: fc.integer({ min: 60, max: 300 }),
      hotDepth: fc.constantFrom('even' as const, 'front' as const, 'back' as const),
      hotLevel: fc.constantFrom('even' as const, 'low' as const, 'high' as const),
      thick: fc.constantFrom('hot' as const, 'cold' as const, 'any' as const),
    });
    fc.assert(
      fc.property(
        grids,
        fc.integer({ min: 1, max: 80 }),
        fc.integer({ min: 1, max: 40 }),
        (g, a, b) => {
          const grid: HangingGrid = { ...GRID, capacityG: 1e9, ...g };
          const { sticks, left } = arrangeLoad(grid, [
            { product: thin, pieces: a },
            { product: thick, pieces: b },
          ]);
          expect(sticks.reduce((n, s) => n + s.pieces, 0) + left).toBe(a + b);
          expect(loadMap({ grid, products: [thin, thick], sticks }).feasible).toBe(true);
        },
      ),
      { seed: 21 },
    );
  });
});

import fc from 'fast-check';
import {
  CASINGS,
  casingFit,
  countFor,
  fillings,
  linkCheck,
  linkG,
  metresLeft,
  soakPlan,
  soakStand,
} from '.';
import type { WayClimate } from '.';

const HOUR = 3600;
const sheep = CASINGS.sheep.soak!;

describe('soakPlan', () => {
  test('worked back from the stuffing', () => {
    const p = soakPlan(sheep, 10 * HOUR, 11 * HOUR);
    expect(p.startS).toBe(10 * HOUR - 1800);
    expect(p.earliestS).toBe(9 * HOUR);
    expect(p.usableS).toBe(10 * HOUR);
    expect(p.lasts).toBe(true);
  });
  test('a stuffing that outlasts the casing says so', () =>
    expect(soakPlan(sheep, 10 * HOUR, 14 * HOUR).lasts).toBe(false));
  test('property: it moves with the plan', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.integer({ min: -1e6, max: 1e6 }),
        (at, by) => {
          const [a, b] = [soakPlan(sheep, at, at + 60), soakPlan(sheep, at + by, at + by + 60)];
          expect(b.startS - a.startS).toBe(by);
          expect(b.lasts).toBe(a.lasts);
        },
      ),
      { seed: 13 },
    );
  });
  test('refuses a time that is none', () =>
    expect(() => soakPlan(sheep, Number.NaN, 0)).toThrow(/stuffS/));
});

test.each([
  [0, 'soaking'],
  [29.9, 'soaking'],
  [30, 'usable'],
  [179.9, 'usable'],
  [180, 'weak'],
])('a sheep casing after %d min is %s', (min, stand) =>
  expect(soakStand(sheep, 1000, 1000 + min * 60).stand).toBe(stand),
);

describe('linkCheck', () => {
  const three = (g: number[], mm = 100) => g.map((weightG) => ({ lengthMm: mm, weightG }));
  test('2 g light: about 4 mm longer', () => {
    const c = linkCheck({ links: three([48, 48, 48]), targetG: 50, tolerance: 0.03 });
    expect(c.offG).toBeCloseTo(-2, 9);
    expect(c.byMm).toBeCloseTo(4.1667, 3);
    expect(c.status).toBe('light');
  });
  test.each([
    ['right', [50, 50.5, 49.8]],
    ['light', [48, 48.2, 47.9]],
    ['heavy', [53, 53.1, 52.8]],
    ['uneven', [46, 50, 54]],
  ])('%s', (status, g) =>
    expect(linkCheck({ links: three(g), targetG: 50, tolerance: 0.03 }).status).toBe(status),
  );
  test('the stuffed diameter is that of the weight', () => {
    const g = linkG(22, 120);
    const c = linkCheck({ links: three([g, g, g], 120), targetG: g, tolerance: 0.03 });
    expect(c.stuffedMm).toBeCloseTo(22, 9);
  });
  test('property: links of the length it says weigh their target', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 500, noNaN: true }),
        fc.double({ min: 40, max: 400, noNaN: true }),
        fc.double({ min: 10, max: 500, noNaN: true }),
        (g, mm, targetG) => {
          const c = linkCheck({ links: three([g, g], mm), targetG, tolerance: 0.02 });
          expect(((mm + c.byMm) * g) / mm).toBeCloseTo(targetG, 6);
        },
      ),
      { seed: 5 },
    );
  });
  test.each([
    ['links', { links: three([50]), targetG: 50, tolerance: 0.03 }],
    ['links[1].weightG', { links: three([50, -1]), targetG: 50, tolerance: 0.03 }],
    ['targetG', { links: three([50, 50]), targetG: 0, tolerance: 0.03 }],
  ])('refuses %s by name', (field, input) => {
    expect(() => linkCheck(input)).toThrow(RangeError);
    expect(() => linkCheck(input)).toThrow(field);
  });
});

describe('casingFit', () => {
  const plain: WayClimate = { smokes: false, bathC: null, dries: false };
  const horn = { most: 0.8, least: 0.4 };
  const fit = (
    kind: keyof typeof CASINGS,
    diameterMm: number,
    more: { way?: WayClimate; hornsMm?: number[]; pieceG?: number } = {},
  ) =>
    casingFit({
      facts: CASINGS[kind],
      diameterMm,
      pieceG: more.pieceG ?? null,
      hornsMm: more.hornsMm ?? [],
      way: more.way ?? plain,
      horn,
    });
  const codes = (f: ReturnType<typeof fit>) => f.findings.map((x) => x.code);
  test('the widest horn that slides', () => {
    const f = fit('hog', 33, { hornsMm: [12, 20, 28] });
    expect(f.hornMm).toBe(20);
    expect(f.clearanceMm).toBeCloseTo(10, 9);
    expect(codes(f)).toEqual([]);
  });
  test('no horn', () =>
    expect(codes(fit('sheep', 20, { hornsMm: [16, 22] }))).toEqual(['no_horn']));
  test('a thin horn', () =>
    expect(codes(fit('fibrous', 60, { hornsMm: [12] }))).toEqual(['horn_loose', 'not_eaten']));
  test.each([
    ['plastic', 60, { ...plain, smokes: true }, 'no_smoke'],
    ['plastic', 60, { ...plain, dries: true }, 'no_drying'],
    ['collagen', 22, { ...plain, bathC: 76 }, 'no_poach'],
    ['sheep', 22, { ...plain, bathC: 84 }, 'poach_hot'],
  ] as const)('%s on its way: %s', (kind, mm, way, code) =>
    expect(codes(fit(kind, mm, { way }))).toContain(code),
  );
  test('what cannot be done stands first', () =>
    expect(fit('plastic', 200, { way: { ...plain, smokes: true } }).findings[0]!.level).toBe(
      'bad',
    ));
  test('a heavy piece takes a second tie', () => {
    expect(codes(fit('hog', 32, { pieceG: 900 }))).toEqual(['second_tie']);
    expect(codes(fit('hog', 32, { pieceG: 800 }))).toEqual([]);
  });
});

describe('fillings', () => {
  test('20 kg through a stuffer of 8 kg', () => {
    const f = fillings({ batterG: 20_000, pieceG: 500, capacityG: 8000, deadG: 400 });
    expect(f).toEqual({ fillings: 3, perFilling: 16, lastPieces: 7, pieces: 39, staysG: 400 });
  });
  test('property: no more pieces than there is batter', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 100_000 }),
        fc.integer({ min: 20, max: 3000 }),
        fc.integer({ min: 1000, max: 30_000 }),
        fc.integer({ min: 0, max: 1000 }),
        (batterG, pieceG, capacityG, deadG) => {
          const f = fillings({ batterG, pieceG, capacityG, deadG });
          expect(f.pieces * pieceG).toBeLessThanOrEqual(Math.max(0, batterG - deadG) + 1e-6);
          expect(f.fillings * capacityG).toBeGreaterThanOrEqual(batterG - 1e-6);
        },
      ),
      { seed: 7 },
    );
  });
  test('refuses a cylinder that holds nothing', () =>
    expect(() => fillings({ batterG: 1, pieceG: 1, capacityG: 0, deadG: 0 })).toThrow(/capacityG/));
});

describe('casing stock', () => {
  test.each([
    [34.2, 'strand', 12, 3],
    [36, 'strand', 12, 3],
    [7.5, 'metre', 1, 7.5],
    [10, 'stick', 15.2, 1],
  ] as const)('%d m by the %s of %d m: %d', (m, form, each, count) =>
    expect(countFor(m, form, each)).toBe(count),
  );
  test('what went back re-salted is there again', () => expect(metresLeft(100, -30)).toBe(70));
  test('never below nothing', () => expect(metresLeft(10, -12)).toBe(0));
});

import fc from 'fast-check';
import { massBalance, type BalancePart } from './mass-balance';

const part = (lineId: string, amountG: number, portion?: [number, number]): BalancePart => ({
  lineId,
  name: lineId,
  amountG,
  ...(portion ? { portion } : {}),
});
const PARTS = [
  part('lean', 24_000),
  part('fat', 6_000),
  part('ice', 2_100, [1, 2]),
  part('ice', 2_100, [2, 2]),
  part('salt', 480),
  part('pepper', 90),
];
const SUM = 34_770;

test('the second half of the ice water is missing: it fits, and nothing else does', () => {
  const b = massBalance({ parts: PARTS, bowlG: SUM - 2_100 - 150, scaleG: 20 });
  expect(b.within).toBe(false);
  expect(b.gapG).toBe(-2_250);
  expect(b.fits[0]!.parts[0]!.lineId).toBe('ice');
  expect(b.fits.every((f) => f.parts.every((p) => p.lineId === 'ice'))).toBe(true);
  expect(b.fits[0]!.doubled).toBe(false);
});

test('what clings is no gap; a bowl that is heavier than its parts is one, and names what went in twice', () => {
  expect(massBalance({ parts: PARTS, bowlG: SUM - 300, scaleG: 20 }).within).toBe(true);
  const heavy = massBalance({ parts: PARTS, bowlG: SUM + 480 - 60, scaleG: 20 });
  expect(heavy.within).toBe(false);
  expect(heavy.fits[0]).toMatchObject({ doubled: true, parts: [{ lineId: 'salt' }] });
});

test('all of a line that goes in by portions', () => {
  const b = massBalance({ parts: PARTS, bowlG: SUM - 4_200 - 100, scaleG: 20 });
  expect(b.fits[0]!.parts).toEqual([{ lineId: 'ice', name: 'ice', amountG: 4_200 }]);
});

test('two lines together, where no single one fits', () => {
  const b = massBalance({ parts: PARTS, bowlG: SUM - 6_000 - 2_100 - 100, scaleG: 20 });
  expect(b.fits[0]!.parts.map((p) => p.lineId).sort()).toEqual(['fat', 'ice']);
});

test('a line that is lighter than what clings is never blamed', () =>
  expect(
    massBalance({ parts: PARTS, bowlG: SUM - 700, scaleG: 20 }).fits.flatMap((f) =>
      f.parts.map((p) => p.lineId),
    ),
  ).not.toContain('pepper'));

test('whichever line is left out of a bowl on a fine scale, it is among what fits', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 300, max: 30_000 }), { minLength: 2, maxLength: 7 }),
      fc.nat(),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (amounts, pick, cling) => {
        const parts = amounts.map((g, i) => part(`l${i}`, g));
        const sum = amounts.reduce((a, b) => a + b, 0);
        const out = parts[pick % parts.length]!;
        fc.pre(out.amountG > 0.02 * sum && out.amountG < sum);
        const bowlG = sum - out.amountG - cling * 0.0095 * (sum - out.amountG);
        const b = massBalance({ parts, bowlG, scaleG: 1 });
        expect(b.within).toBe(false);
        /* Only the three closest are named. */
        if (b.fits.length < 3)
          expect(b.fits.some((f) => f.parts.some((p) => p.lineId === out.lineId))).toBe(true);
      },
    ),
  ));

test.each([
  [{ bowlG: 0, scaleG: 1 }, 'bowlG'],
  [{ bowlG: Number.NaN, scaleG: 1 }, 'bowlG'],
  [{ bowlG: 10, scaleG: -1 }, 'scaleG'],
])('refused: %j', (figures, field) =>
  expect(() => massBalance({ parts: PARTS, ...figures })).toThrow(field),
);

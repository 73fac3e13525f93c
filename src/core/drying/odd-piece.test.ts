import fc from 'fast-check';
import { oddPiece } from './odd-piece';

test.each<[string, number, number, ReturnType<typeof oddPiece>]>([
  ['a little lighter', 260, 270, null],
  ['the same', 270, 270, null],
  ['within the step of the scale', 272, 270, null],
  ['heavier', 280, 270, { otherG: null }],
  ['a third is gone since the day before', 180, 270, { otherG: null }],
])('%s', (_what, netG, lastG, odd) => {
  expect(oddPiece(netG, lastG)).toEqual(odd);
});

test('ounces that were typed as grams, and grams as ounces', () => {
  expect(oddPiece(9.4, 270)!.otherG).toBeCloseTo(266.5, 1);
  expect(oddPiece(7569, 270)!.otherG).toBeCloseTo(267, 0);
});

test.each([
  [0, 270],
  [270, NaN],
])('%d g after %d g is no weight', (netG, lastG) => {
  expect(() => oddPiece(netG, lastG)).toThrow(RangeError);
});

test('property: whatever is proposed in its place fits', () => {
  const grams = fc.double({ min: 1, max: 20_000, noNaN: true });
  fc.assert(
    fc.property(grams, grams, (netG, lastG) => {
      const other = oddPiece(netG, lastG)?.otherG;
      if (other != null) expect(oddPiece(other, lastG)).toBeNull();
    }),
    { seed: 5 },
  );
});

import { batterFromCasing, casingLength, hangBatch } from './casing-length';

test.each([
  [1190.8, 38, 0, 1],
  [30_000, 38, 0.07, 26.96],
  [30_000, 24, 0.05, 66.31],
  [12_000, 90, 0, 1.796],
])('%d g at %d mm with %d waste needs %d m', (batterG, diameterMm, wasteFraction, metres) =>
  expect(casingLength({ batterG, diameterMm, wasteFraction }).metres).toBeCloseTo(metres, 2),
);

test('batter from casing is the inverse', () => {
  const { metres } = casingLength({ batterG: 17_300, diameterMm: 43, wasteFraction: 0.08 });
  expect(batterFromCasing({ metres, diameterMm: 43, wasteFraction: 0.08 })).toBeCloseTo(17_300, 6);
});

const room = { sticks: 12, stickMm: 900, dropMm: 700, capacityG: 60_000 };

test('straight pieces: one width and half a gap each', () => {
  const plan = hangBatch({ batterG: 30_000, diameterMm: 60, pieceMm: 500, looped: false }, room);
  expect(plan).toMatchObject({ pieces: 21, perStick: 10, sticks: 3, fits: true, problems: [] });
});

test('rings hang over the stick: half the length, twice the width', () => {
  const ring = { batterG: 30_000, diameterMm: 60, pieceMm: 900, looped: true };
  expect(hangBatch(ring, room)).toMatchObject({ perStick: 5, fits: true });
  expect(hangBatch({ ...ring, looped: false }, room).problems).toEqual(['too_long']);
});

test.each([
  ['too_heavy', { capacityG: 20_000 }],
  ['too_many_sticks', { sticks: 2 }],
])('%s', (problem, change) =>
  expect(
    hangBatch(
      { batterG: 30_000, diameterMm: 60, pieceMm: 500, looped: false },
      { ...room, ...change },
    ).problems,
  ).toEqual([problem]),
);

test.each([
  ['batterG', { batterG: 0 }],
  ['diameterMm', { diameterMm: Number.NaN }],
  ['wasteFraction', { wasteFraction: -0.1 }],
])('refuses a bad %s', (field, change) =>
  expect(() => casingLength({ batterG: 1, diameterMm: 1, wasteFraction: 0, ...change })).toThrow(
    new RegExp(field),
  ),
);

import fc from 'fast-check';
import { meatHeatJPerG } from '../heat/meat-heat';
import { iceShare, type IceInput } from './ice-share';

const SEED = { seed: 20261123 };
const base: IceInput = {
  meatG: 10_000,
  meatC: 2,
  waterG: 2500,
  waterC: 10,
  iceC: -5,
  targetC: 12,
  workJPerG: 40,
};

test('heat balance by hand: 10 kg at 2 °C, 2.5 kg of water, 40 J/g of work, to 12 °C', () => {
  const surplus = 10_000 * 3.4 * (2 - 12) + 2500 * 4.18 * (10 - 12) + 40 * 12_500;
  const perGram = 4.18 * 10 + 334 + 2.05 * 5;
  const share = iceShare(base);
  expect(share.iceG).toBeCloseTo(surplus / perGram, 6);
  expect(share.iceG + share.waterG).toBeCloseTo(2500, 9);
  expect(share.finalC).toBeCloseTo(12, 6);
  expect(share.feasible).toBe(true);
});

test('cold meat and little work need no ice and end colder', () => {
  const share = iceShare({ ...base, meatC: 0, workJPerG: 5 });
  expect(share).toMatchObject({ iceG: 0, waterG: 2500, feasible: true });
  expect(share.finalC).toBeLessThan(12);
});

test('warm meat and hard work: not even all ice is enough, and it says where that ends', () => {
  const share = iceShare({ ...base, meatC: 15, workJPerG: 60, waterG: 1000 });
  expect(share).toMatchObject({ iceG: 1000, waterG: 0, feasible: false });
  expect(share.finalC).toBeGreaterThan(12);
});

test('frozen meat brings its own cold: less ice than thawed meat needs', () => {
  expect(iceShare({ ...base, workJPerG: 60, meatC: -3 }).iceG).toBeLessThan(
    iceShare({ ...base, workJPerG: 60, meatC: -1 }).iceG,
  );
  expect(meatHeatJPerG(-1.5)).toBeCloseTo(-5.1, 9);
  expect(meatHeatJPerG(-10)).toBeLessThan(-150);
});

test('no water at all', () =>
  expect(iceShare({ ...base, waterG: 0, workJPerG: 5 })).toMatchObject({ iceG: 0, waterG: 0 }));

test('property: the balance closes, and more work never needs less ice', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -10, max: 12, noNaN: true }),
      fc.double({ min: 0, max: 70, noNaN: true }),
      fc.double({ min: 0, max: 4000, noNaN: true }),
      (meatC, workJPerG, waterG) => {
        const share = iceShare({ ...base, meatC, workJPerG, waterG });
        const more = iceShare({ ...base, meatC, waterG, workJPerG: workJPerG + 10 });
        expect(more.iceG).toBeGreaterThanOrEqual(share.iceG - 1e-9);
        if (share.feasible) expect(share.finalC).toBeLessThanOrEqual(12 + 1e-6);
        else expect(share.finalC).toBeGreaterThan(12 - 1e-6);
      },
    ),
    SEED,
  );
});

test.each([
  ['meatG', { meatG: 0 }],
  ['meatC', { meatC: -40 }],
  ['waterC', { waterC: -1 }],
  ['iceC', { iceC: 1 }],
  ['targetC', { targetC: 0 }],
  ['workJPerG', { workJPerG: Number.NaN }],
])('refuses a bad %s', (field, change) =>
  expect(() => iceShare({ ...base, ...change })).toThrow(new RegExp(field)),
);

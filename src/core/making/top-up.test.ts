import fc from 'fast-check';
import { scaleRecipe } from '../formula/scale-recipe';
import { testRecipe } from '../testing/recipe';
import { correctBatter, overpour, topUp } from './top-up';

const recipe = testRecipe();
const MEAT = 10_000;
const planned = () =>
  Object.fromEntries(scaleRecipe(recipe, { meatG: MEAT }).lines.map((l) => [l.lineId, l.targetG]));

test('nothing is over: nothing is added', () =>
  expect(topUp(recipe, MEAT, {})).toEqual({ meatG: MEAT, additions: [] }));

test('whatever is over-poured, with what is added every line is right for the same meat', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...Object.keys(planned())),
      fc.double({ min: 1.01, max: 2.5, noNaN: true }),
      (lineId, by) => {
        const have = planned();
        have[lineId]! *= by;
        const fixed = topUp(recipe, MEAT, have);
        const wanted = scaleRecipe(recipe, { meatG: fixed.meatG }).lines;
        for (const l of wanted) {
          const added = fixed.additions.find((a) => a.lineId === l.lineId)?.amountG ?? 0;
          expect(added).toBeGreaterThanOrEqual(0);
          expect(have[l.lineId]! + added).toBeCloseTo(l.targetG, 3);
        }
        expect(fixed.additions.some((a) => a.lineId === lineId)).toBe(false);
      },
    ),
  ));

test('pepper of 45 g in place of 30: what it is now, and 5 kg of meat with the rest to put it right', () => {
  const o = overpour({ recipe, meatG: MEAT, lineId: 'pepper', amountG: 45 });
  expect(o.share).toBeCloseTo(0.0045, 9);
  expect(o.wantedShare).toBeCloseTo(0.003, 9);
  expect(o.meatG).toBeCloseTo(15_000, 6);
  expect(
    o.additions.filter((a) => a.kind === 'meat').reduce((g, a) => g + a.amountG, 0),
  ).toBeCloseTo(5000, 6);
  expect(o.additions.find((a) => a.lineId === 'cure')!.amountG).toBeCloseTo(9.6, 6);
  expect(o.ppm).toBeCloseTo(120, 6);
});

test('salt and cure that were over-poured show in what they are', () => {
  const salt = planned().salt!;
  const o = overpour({ recipe, meatG: MEAT, lineId: 'salt', amountG: salt + 50 });
  expect(o.saltFraction).toBeCloseTo(0.018 + 0.005, 9);
  expect(overpour({ recipe, meatG: MEAT, lineId: 'cure', amountG: 38.4 }).ppm).toBeCloseTo(240, 6);
  const uncured = overpour({
    recipe: { ...recipe, cure: null },
    meatG: MEAT,
    lineId: 'salt',
    amountG: 400,
  });
  expect(uncured.ppm).toBeNull();
});

describe('a correction after the trial cook', () => {
  const batterG = scaleRecipe(recipe, { meatG: MEAT }).batterG;
  test('too little salt: as much salt as is missing, and nothing else', () => {
    const { additions } = correctBatter({ recipe, batterG, wanted: { saltFraction: 0.02 } });
    expect(additions).toHaveLength(1);
    expect(additions[0]).toMatchObject({ lineId: 'salt' });
    expect(additions[0]!.amountG).toBeCloseTo(20, 6);
  });

  test('too much salt: meat and all else, cure with it, so that nitrite stays', () => {
    const { meatG, additions } = correctBatter({
      recipe,
      batterG,
      wanted: { saltFraction: 0.016 },
    });
    expect(meatG).toBeGreaterThan(MEAT);
    expect(additions.find((a) => a.lineId === 'salt')).toBeUndefined();
    const cure = additions.find((a) => a.lineId === 'cure')!.amountG;
    expect(((planned().cure! + cure) * 0.0625 * 1e6) / meatG).toBeCloseTo(120, 6);
  });

  test('more pepper in what is left of the batter', () =>
    expect(
      correctBatter({ recipe, batterG: batterG / 2, wanted: { lines: { pepper: 0.004 } } })
        .additions,
    ).toEqual([
      { lineId: 'pepper', name: 'Black pepper', kind: 'addition', amountG: expect.closeTo(5, 6) },
    ]));

  test.each([
    [{ saltFraction: 0 }, 'saltFraction'],
    [{ saltFraction: 0.5 }, 'saltFraction'],
    [{ lines: { sawdust: 0.1 } }, 'lines'],
    [{ lines: { pepper: -1 } }, 'pepper'],
  ])('refused: %j', (wanted, field) =>
    expect(() => correctBatter({ recipe, batterG, wanted })).toThrow(field),
  );
  test('no batter, no such line', () => {
    expect(() => correctBatter({ recipe, batterG: 0, wanted: {} })).toThrow('batterG');
    expect(() => overpour({ recipe, meatG: MEAT, lineId: 'x', amountG: 1 })).toThrow('lineId');
    expect(() => topUp(recipe, MEAT, { salt: -1 })).toThrow('Salt');
  });
});

import { LivePiece } from '../../src/core';
import { IS_THOROUGH } from '../../src/core/testing/thorough';
import { bandStudy } from './band-study';
import { magnusPa, OtherSausage } from './other-meat';
import { SETUPS } from './setups';

/** Seconds until the core, with everything as usual. */
function untilS(
  k: number,
  stay: (s: number, airC: number, rh: number) => void,
  coreOf: () => number,
) {
  const { stages, coreC } = SETUPS[k]!;
  let [t, begun, stage] = [0, 0, 0];
  while (coreOf() < coreC && t < 12 * 3600) {
    const { airC, rh, endS } = stages[stage]!;
    stay(10, airC, rh!);
    t += 10;
    if (endS !== undefined && t - begun >= endS && stage < stages.length - 1)
      [stage, begun] = [stage + 1, t];
  }
  return t;
}

test.each(SETUPS.map((s, k) => [s.name, k] as const))(
  'two simulators that share nothing agree on the usual piece: %s',
  (_, k) => {
    const { product } = SETUPS[k]!;
    const ours = new LivePiece(product, 40);
    const casing = product.casingPermeability ?? 0.6;
    const other = new OtherSausage({
      diameterMm: product.diameterMm,
      startC: product.startC,
      kWmK: 0.383371,
      kPerC: 0,
      cpJkgK: (3235.25 * 1023.458) / 1050,
      hWm2K: 20,
      casing,
      condenses: casing,
      crustKgM2: 0.5,
      shrink: 0,
    });
    const a = untilS(
      k,
      (s, airC, rh) => ours.stay(s, { medium: 'air', airC, rh, hWm2K: 20 }),
      () => ours.coreC,
    );
    const b = untilS(
      k,
      (s, airC, rh) => other.stay(s, { airC, vapourPa: rh * magnusPa(airC) }),
      () => other.coreC,
    );
    expect(Math.abs(a - b) / a).toBeLessThan(0.03);
  },
);

test('a small study of runs of another kind: the band holds the truth, and the middle is near it', () => {
  const rows = bandStudy(IS_THOROUGH ? 10 : 3, [0.5, 0.75, 0.9]);
  const runs = rows.reduce((sum, r) => sum + r.runs, 0);
  const held = rows.reduce((sum, r) => sum + r.inBand * r.runs, 0) / runs;
  expect(runs).toBeGreaterThan(IS_THOROUGH ? 100 : 30);
  expect(held).toBeGreaterThan(0.7);
  expect(held).toBeLessThan(0.93);
  for (const r of rows) expect(r.medianMissShare).toBeLessThan(0.3);
});

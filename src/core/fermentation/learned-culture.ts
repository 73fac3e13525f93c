import { invertSpd } from '../forecast/cholesky';
import { COURSE_PARTS, type CultureCourse } from './culture';
import type { PhFitted } from './fit-ph';
import { BATCHES_DIFFER } from './tables/cultures';

/** The beginning differs from batter to batter and is nothing of the culture's. */
const NOT_LEARNED = COURSE_PARTS.indexOf('startPh');
/** A culture's own beginning is as good as known, in squares of its spread. */
const KNOWN = 1e-4;

const times = (a: readonly (readonly number[])[], v: readonly number[]) =>
  a.map((row) => row.reduce((sum, x, q) => sum + x * v[q]!, 0));

/**
 * A culture as a site has seen it: the course of its next batch, out of the batches before it. Batches of one culture are a
 * normal spread (`BATCHES_DIFFER`) about a middle of its own, which the usual course knows as well as `usual.spread` says; each
 * batch tells as much as its readings told: with `A` their precision and `B` the spread of batches, `A − A(A + B⁻¹)⁻¹A`.
 * @param usual course of the label or the tempo · @param fits of earlier batches, each fitted from `usual`
 * @returns the same course with `learned`; `usual` itself without fits
 * @source normal hierarchical model with known variances, Gelman et al. (2013) ch. 5.4
 */
export function learnedCulture(usual: CultureCourse, fits: readonly PhFitted[]): CultureCourse {
  if (fits.length === 0) return usual;
  const n = COURSE_PARTS.length;
  const batch2 = COURSE_PARTS.map((p, i) =>
    i === NOT_LEARNED ? 1 : Math.min(1, BATCHES_DIFFER[p] / usual.spread[p]) ** 2,
  );
  const whole = batch2.map((_, p) =>
    batch2.map((_, q) => (p !== q ? 0 : p === NOT_LEARNED ? 1 / KNOWN : 1)),
  );
  const pull = new Array<number>(n).fill(0);
  for (const { precision: a, pull: h } of fits) {
    const inner = invertSpd(
      a.map((row, p) => row.map((v, q) => v + (p === q ? 1 / batch2[p]! : 0))),
    );
    if (!inner) continue;
    const told = times(a, times(inner, h));
    for (let p = 0; p < n; p += 1) {
      pull[p]! += h[p]! - told[p]!;
      const row = times(
        a,
        inner.map((r) => r.reduce((sum, v, k) => sum + v * a[k]![p]!, 0)),
      );
      for (let q = 0; q < n; q += 1) whole[q]![p]! += a[q]![p]! - row[q]!;
    }
  }
  const covariance = invertSpd(whole);
  if (!covariance) return usual;
  return {
    ...usual,
    learned: {
      mean: times(covariance, pull),
      covariance: covariance.map((row, p) => row.map((v, q) => v + (p === q ? batch2[p]! : 0))),
    },
  };
}

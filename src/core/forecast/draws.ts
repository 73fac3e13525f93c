import { normalFrom, randomFrom } from '../random';
import { cholesky } from './cholesky';
import type { Fit, Residuals } from './fit';

/** A vector of parameters as likely as its weight says. */
export type Draw = { theta: number[]; weight: number };

/** Draws are spread this much wider than the fit thinks, so that long tails are seen; weights make up for it. */
const WIDER = 1.25;

const squares = (v: ArrayLike<number>) => {
  let sum = 0;
  for (let i = 0; i < v.length; i += 1) sum += v[i]! * v[i]!;
  return sum;
};

/**
 * Draws from what is known after a fit: from a normal spread about the most likely parameters, a little wider than the
 * fit's covariance, each weighed by its true likelihood over the spread's. The same seed draws the same.
 * @param residuals as the fit had them, with a standard normal prior on every parameter
 * @param fit of {@link fitMap}
 * @returns `count` draws; weights > 0, the greatest 1
 * @source importance sampling from the Laplace approximation; MacKay (2003) ch. 27 and 29.2
 */
export function drawsOf(residuals: Residuals, fit: Fit, count: number, seed: number): Draw[] {
  const root =
    cholesky(fit.covariance) ?? fit.theta.map((_, p) => fit.theta.map((_, q) => +(p === q)));
  const normal = normalFrom(randomFrom(seed));
  const logs: number[] = [];
  const thetas = Array.from({ length: count }, () => {
    const z = fit.theta.map(() => normal());
    const theta = fit.theta.map(
      (m, p) => m + WIDER * root[p]!.reduce((sum, l, q) => sum + l * z[q]!, 0),
    );
    logs.push(-(squares(residuals(theta)) + squares(theta)) / 2 + squares(z) / 2);
    return theta;
  });
  const best = logs.reduce((m, v) => Math.max(m, v), -Infinity);
  return thetas.map((theta, i) => ({ theta, weight: Math.exp(logs[i]! - best) }));
}

import { invertSpd } from './cholesky';

/** Residuals already divided by their standard deviation. */
export type Residuals = (theta: readonly number[]) => Float64Array;

export type Fit = {
  /** Most likely parameters, in standard deviations of the prior. */
  theta: number[];
  /** Covariance of theta. */
  covariance: number[][];
  /** Mean square of the residuals at the end. */
  meanSquare: number;
  iterations: number;
  converged: boolean;
};

const STEP = 0.05;
const MOST_ITERATIONS = 12;
const FAR = 4;
/** A step that betters the fit by less than this, in squares of a spread, was the last. */
const LITTLE = 0.02;

const squares = (r: Float64Array) => r.reduce((sum, v) => sum + v * v, 0);
const cost = (r: Float64Array, theta: readonly number[]) =>
  squares(r) + theta.reduce((sum, v) => sum + v * v, 0);

function jacobian(residuals: Residuals, theta: readonly number[], base: Float64Array) {
  return theta.map((v, p) => {
    const moved = [...theta];
    /* Away from the far end, so that a parameter at its limit still shows what it does. */
    const h = v > 0 ? -STEP : STEP;
    moved[p] = v + h;
    const r = residuals(moved);
    return Float64Array.from(r, (x, i) => (x - base[i]!) / h);
  });
}

function normal(j: Float64Array[], damping: number): number[][] {
  return j.map((a, p) =>
    j.map((b, q) => {
      let sum = p === q ? 1 + damping : 0;
      for (let i = 0; i < a.length; i += 1) sum += a[i]! * b[i]!;
      return sum;
    }),
  );
}

/**
 * Maximum a posteriori fit of independent standard normal parameters by damped Gauss–Newton steps, with
 * forward differences; the covariance is the inverse of the final curvature (Laplace).
 * @param residuals model less measured, over its standard deviation; the same length every time
 * @param start length = number of parameters
 * @source Levenberg (1944), Marquardt (1963); MacKay (2003) ch. 27 for the Laplace covariance
 */
export function fitMap(residuals: Residuals, start: readonly number[]): Fit {
  let theta = [...start];
  let r = residuals(theta);
  let damping = 0.1;
  let iterations = 0;
  let converged = false;
  let j = jacobian(residuals, theta, r);
  while (iterations < MOST_ITERATIONS && !converged) {
    iterations += 1;
    const gradient = j.map((col, p) => {
      let sum = theta[p]!;
      for (let i = 0; i < col.length; i += 1) sum += col[i]! * r[i]!;
      return sum;
    });
    const inverse = invertSpd(normal(j, damping));
    if (!inverse) break;
    const step = inverse.map((row) => -row.reduce((sum, v, p) => sum + v * gradient[p]!, 0));
    const next = theta.map((v, p) => Math.min(FAR, Math.max(-FAR, v + step[p]!)));
    const moved = Math.max(...next.map((v, p) => Math.abs(v - theta[p]!)));
    const tried = residuals(next);
    const better = cost(r, theta) - cost(tried, next);
    if (better >= 0) {
      theta = next;
      r = tried;
      damping = Math.max(1e-4, damping / 8);
      converged = moved < 0.02 || better < LITTLE;
      if (!converged) j = jacobian(residuals, theta, r);
    } else {
      damping *= 10;
      converged = moved < 0.005 || damping > 1e6;
    }
  }
  return {
    theta,
    covariance: invertSpd(normal(j, 0)) ?? theta.map((_, p) => theta.map((_, q) => +(p === q))),
    meanSquare: r.length > 0 ? squares(r) / r.length : 0,
    iterations,
    converged,
  };
}

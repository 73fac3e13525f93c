/** Bessel function of the first kind of integer order, by its integral (trapezoid, exact to rounding). */
function besselJ(order: number, x: number): number {
  const n = 96;
  let sum = 0;
  for (let i = 0; i < n; i += 1) {
    const angle = (Math.PI * (i + 0.5)) / n;
    sum += Math.cos(order * angle - x * Math.sin(angle));
  }
  return sum / n;
}

/** First roots of z·J1(z) = Bi·J0(z), by bisection. */
function roots(biot: number, count: number): number[] {
  const f = (z: number) => z * besselJ(1, z) - biot * besselJ(0, z);
  const out: number[] = [];
  for (let a = 1e-6; out.length < count; a += 0.25) {
    if (f(a) * f(a + 0.25) > 0) continue;
    let [low, high] = [a, a + 0.25];
    for (let k = 0; k < 60; k += 1) {
      const middle = (low + high) / 2;
      if (f(low) * f(middle) <= 0) high = middle;
      else low = middle;
    }
    out.push((low + high) / 2);
  }
  return out;
}

/**
 * Share of the first difference that is left at the axis of an infinite cylinder with convection:
 * `θ = Σ Cn·exp(−ζn²·Fo)`.
 * @source Carslaw & Jaeger (1959) §7.7; Incropera & DeWitt eq. 5.50
 */
export function cylinderAxis(biot: number): (fourier: number) => number {
  const terms = roots(biot, 10).map((z) => {
    const [j0, j1] = [besselJ(0, z), besselJ(1, z)];
    return { z, c: ((2 / z) * j1) / (j0 * j0 + j1 * j1) };
  });
  return (fourier) => terms.reduce((sum, t) => sum + t.c * Math.exp(-t.z * t.z * fourier), 0);
}

/** The same in the middle of a slab, `θ = Σ Cn·exp(−μn²·Fo)`, μ·tan μ = Bi, Fo and Bi by the half thickness. */
export function slabMiddle(biot: number): (fourier: number) => number {
  const terms = Array.from({ length: 12 }, (_, n) => {
    let [low, high] = [n * Math.PI + 1e-9, n * Math.PI + Math.PI / 2 - 1e-9];
    for (let k = 0; k < 80; k += 1) {
      const m = (low + high) / 2;
      if (m * Math.tan(m) > biot) high = m;
      else low = m;
    }
    const m = (low + high) / 2;
    return { m, c: (4 * Math.sin(m)) / (2 * m + Math.sin(2 * m)) };
  });
  return (fourier) => terms.reduce((sum, t) => sum + t.c * Math.exp(-t.m * t.m * fourier), 0);
}

/**
 * Mean share of the first difference that is left in an infinite cylinder with a resistance at its surface:
 * `θ = Σ 4·Bi² / (ζ²·(ζ² + Bi²)) · exp(−ζ²·Fo)`.
 * @source Crank (1975), The Mathematics of Diffusion, eq. 5.49
 */
export function cylinderMean(biot: number): (fourier: number) => number {
  const terms = roots(biot, 10).map((z) => ({
    z,
    c: (4 * biot ** 2) / (z ** 2 * (z ** 2 + biot ** 2)),
  }));
  return (fourier) => terms.reduce((sum, t) => sum + t.c * Math.exp(-t.z * t.z * fourier), 0);
}

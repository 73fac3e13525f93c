import type { FittedRun } from './types';
import type { Ahead } from './run-case';

/** When a target is met with something changed, s; null when it is not. */
export type Finish = (change: { theta?: readonly number[] } & Partial<Ahead>) => number | null;

/** How much earlier and how much later, s, something makes the end; late is null where it may never come. */
export type Sides = { earlyS: number; lateS: number | null };

/** The two sides of one thing that is not known, one spread each way. */
export function sidesOf(at: (sign: 1 | -1) => number | null, finishS: number): Sides {
  const [one, other] = [at(1), at(-1)];
  if (one === null || other === null) {
    const known = one ?? other;
    return { earlyS: known === null ? 0 : Math.max(0, finishS - known), lateS: null };
  }
  return {
    earlyS: Math.max(0, finishS - Math.min(one, other)),
    lateS: Math.max(0, Math.max(one, other) - finishS),
  };
}

/** What the fit left open, carried to the end through the model's slope along each parameter. */
export function fitSides(
  { theta, covariance }: Pick<FittedRun, 'theta' | 'covariance'>,
  at: Finish,
  finishS: number,
): Sides {
  let never = false;
  const slopes = theta.map((_, p) => {
    const h = Math.min(1, 0.5 * Math.sqrt(covariance[p]![p]!));
    const moved = (by: number) => at({ theta: theta.map((v, q) => (q === p ? v + by : v)) });
    const up = moved(h);
    if (up !== null) return (up - finishS) / h;
    never = true;
    const down = moved(-h);
    return down === null ? 0 : (finishS - down) / h;
  });
  let variance = 0;
  for (let p = 0; p < slopes.length; p += 1)
    for (let q = 0; q < slopes.length; q += 1)
      variance += slopes[p]! * slopes[q]! * covariance[p]![q]!;
  const sdS = Math.sqrt(Math.max(0, variance));
  return { earlyS: sdS, lateS: never ? null : sdS };
}

/** The sides of several things that do not know of each other. */
export const together = (sides: readonly Sides[]): Sides => ({
  earlyS: Math.hypot(...sides.map((s) => s.earlyS)),
  lateS: sides.some((s) => s.lateS === null) ? null : Math.hypot(...sides.map((s) => s.lateS!)),
});

/** Something drawn, and how much it counts. */
export type Weighed = { value: number; weight: number };

/**
 * For each share the smallest value that at least so much of the whole weight does not exceed.
 * @param draws at least one; values may be Infinity ("never") · @param shares rising, each (0, 1]
 * @returns values of the draws, one a share
 */
export function quantilesOf(draws: readonly Weighed[], shares: readonly number[]): number[] {
  const sorted = [...draws].sort((a, b) => a.value - b.value);
  const whole = sorted.reduce((sum, d) => sum + d.weight, 0);
  let [i, sum] = [0, sorted[0]!.weight];
  return shares.map((share) => {
    while (sum < (share - 1e-12) * whole && i < sorted.length - 1) sum += sorted[(i += 1)]!.weight;
    return sorted[i]!.value;
  });
}

/** How far a figure of a chamber may be off its set point: where nothing is known, and whatever its own swing says. */
export type Band = { usual: number; least: number; most: number };

/** Fewer values of its own say nothing of a chamber. */
const LEAST_VALUES = 40;
/** Of its own values so many lie within its swing; beyond it by this factor it is off. */
const SHARE = 0.9;
const BEYOND = 1.5;

/**
 * The band of a chamber about its set point by its own swing: half as much again as nine of ten of its values were off, never
 * narrower than its least or wider than its most, so that a chamber that runs away slowly does not teach that this is right.
 * @param offs how far it was off in its settled time before now, in any order and of either sign
 * @example ownBand([], { usual: 3, least: 2, most: 4 }) // 3
 */
export function ownBand(offs: readonly number[], { usual, least, most }: Band): number {
  if (offs.length < LEAST_VALUES) return usual;
  const sorted = offs.map(Math.abs).sort((a, b) => a - b);
  const swing = sorted[Math.min(sorted.length - 1, Math.floor(SHARE * sorted.length))]!;
  return Math.min(most, Math.max(least, BEYOND * swing));
}

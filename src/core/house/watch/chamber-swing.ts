/** A sensor over an hour, °C. */
export type HourSpan = { lowC: number; meanC: number; highC: number };

/** How a chamber keeps its temperature: within an hour, and from hour to hour, °C. */
export type ChamberSwing = { hours: number; withinC: number; betweenC: number; meanC: number };

/** Fewer hours say nothing of a chamber. */
const LEAST_HOURS = 12;

const middle = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;

/**
 * A chamber's own swing: the middle one of what it went up and down within an hour, and what eight of ten hourly means lie
 * between. An hour with its door open moves neither.
 * @param hours in any order · @returns null with less than half a day
 * @example chamberSwing([]) // null
 */
export function chamberSwing(hours: readonly HourSpan[]): ChamberSwing | null {
  if (hours.length < LEAST_HOURS) return null;
  const spans = hours.map((h) => h.highC - h.lowC).sort((a, b) => a - b);
  const means = hours.map((h) => h.meanC).sort((a, b) => a - b);
  return {
    hours: hours.length,
    withinC: middle(spans, 0.5),
    betweenC: middle(means, 0.9) - middle(means, 0.1),
    meanC: middle(means, 0.5),
  };
}

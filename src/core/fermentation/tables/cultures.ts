import type { CourseSpread, CultureCourse } from '../culture';

/** How far cultures sold under one tempo differ, and batches of one culture: logarithms, pH for the beginning (usual). */
export const CULTURES_DIFFER: CourseSpread = {
  pace: 0.35,
  lag: 0.35,
  depth: 0.15,
  shape: 0.6,
  startPh: 0.08,
};
export const BATCHES_DIFFER: CourseSpread = {
  pace: 0.08,
  lag: 0.1,
  depth: 0.04,
  shape: 0.12,
  startPh: 0.08,
};

/**
 * Usual courses of starter cultures by their tempo, for a card that says no more than "fast" or "slow". Cardinal
 * temperatures of lactic acid bacteria of that kind; lag and steepest fall at the best temperature.
 * @source usual practice of the trade: ranges and hours to pH; the site's own curves correct them
 */
export const USUAL_CULTURES = {
  fast: {
    minC: 11,
    bestC: 38,
    maxC: 46,
    lagH: 2.5,
    fallPerH: 0.19,
    floorPh: 4.5,
    shape: 0.5,
    spread: CULTURES_DIFFER,
  },
  medium: {
    minC: 8,
    bestC: 33,
    maxC: 43,
    lagH: 4,
    fallPerH: 0.105,
    floorPh: 4.6,
    shape: 0.5,
    spread: CULTURES_DIFFER,
  },
  slow: {
    minC: 5,
    bestC: 28,
    maxC: 39,
    lagH: 7,
    fallPerH: 0.045,
    floorPh: 4.8,
    shape: 0.5,
    spread: CULTURES_DIFFER,
  },
} as const satisfies Record<string, CultureCourse>;

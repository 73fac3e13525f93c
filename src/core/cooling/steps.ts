/** A rule of cooling has so many steps at most. */
export const COOLING_STEPS = [1, 2, 3, 4, 5] as const;
export type CoolingStep = (typeof COOLING_STEPS)[number];

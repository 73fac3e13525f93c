import type { PlannedRecipe } from '../../src/core';

export const MIN = 60;
export const HOUR = 3600;

export const cooledAndPacked: Pick<
  PlannedRecipe['process'],
  'pullS' | 'chill' | 'bloomS' | 'packS'
> = {
  pullS: 15 * MIN,
  chill: [
    { medium: 'ice_bath', plannedS: 15 * MIN },
    { medium: 'cooler', plannedS: 4 * HOUR },
  ],
  bloomS: HOUR,
  packS: HOUR,
};

/** Steps that most products share. */
export const process: PlannedRecipe['process'] = {
  prepareS: 90 * MIN,
  cureHoldMinS: 12 * HOUR,
  cureHoldMaxS: 36 * HOUR,
  stuffS: HOUR,
  surfaceDryS: 0,
  ...cooledAndPacked,
};

export const CURE = {
  name: 'Cure #1',
  nitriteFraction: 0.0625,
  nitrateFraction: 0,
  costPerKg: 3.8,
};

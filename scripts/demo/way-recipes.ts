import {
  applySchool,
  withProgram,
  withRoute,
  type Recipe,
  type RoutedRecipe,
} from '../../src/core';
import { CURE, HOUR, process } from './parts';

const DAY = 24 * HOUR;

/** Fermented cool, smoked cold, dried in the chamber, never cooked. */
const dryStick: Recipe = {
  ...withProgram(
    applySchool(
      applySchool(
        {
          name: 'Quarry dry stick',
          meat: [
            {
              id: 'shoulder',
              name: 'Pork shoulder 80/20',
              species: 'pork',
              share: 0.85,
              fatFraction: 0.2,
            },
            { id: 'fat', name: 'Pork back fat', species: 'pork', share: 0.15, fatFraction: 0.88 },
          ],
          totalSaltFraction: 0.026,
          cure: { ...CURE, targetPpm: 140 },
          additions: [
            {
              id: 'dextrose',
              name: 'Dextrose',
              kind: 'sugar',
              fraction: 0.008,
              dextroseFraction: 1,
            },
            { id: 'pepper', name: 'Black pepper', kind: 'seasoning', fraction: 0.003 },
            { id: 'culture', name: 'Slow culture', kind: 'culture', fraction: 0.00025 },
          ],
          casing: {
            name: 'Hog casing',
            diameterMm: 34,
            kind: 'hog',
            pieceMm: 400,
            wasteFraction: 0.06,
          },
          program: [],
          process: { ...process, cureHoldMinS: 12 * HOUR, cureHoldMaxS: 36 * HOUR, bloomS: 0 },
          expectedYield: 0.62,
        },
        'fermentation',
        'cool_slow',
      ),
      'order',
      'ferment_smoke_dry',
    ),
    [
      {
        id: 'ferment',
        name: 'Ferment',
        kind: 'ferment',
        airC: 22,
        rh: 0.92,
        smoke: false,
        plannedS: 40 * HOUR,
      },
      {
        id: 'smoke',
        name: 'Cold smoke',
        kind: 'smoke',
        airC: 20,
        rh: 0.8,
        smoke: true,
        plannedS: 8 * HOUR,
        wood: 'alder',
      },
      {
        id: 'dry',
        name: 'Dry',
        kind: 'hang',
        airC: 14,
        rh: 0.78,
        smoke: false,
        plannedS: 18 * DAY,
      },
    ],
  ),
  drying: { minLossFraction: 0.35 },
};

/** Raw and uncured, to be cooked by who buys it. */
const marketLink = (): RoutedRecipe => {
  const base: Recipe = {
    name: 'Market raw link',
    meat: [
      { id: 'shoulder', name: 'Pork shoulder 80/20', species: 'pork', share: 1, fatFraction: 0.2 },
    ],
    totalSaltFraction: 0.016,
    cure: null,
    additions: [
      { id: 'pepper', name: 'White pepper', kind: 'seasoning', fraction: 0.0025 },
      { id: 'water', name: 'Ice water', kind: 'water', fraction: 0.04 },
    ],
    casing: {
      name: 'Sheep casing',
      diameterMm: 24,
      kind: 'sheep',
      pieceMm: 130,
      wasteFraction: 0.08,
    },
    route: [],
  };
  return {
    ...withRoute(base, [
      { id: 'chill', kind: 'chill', plannedS: 0.75 * HOUR },
      { id: 'grind', kind: 'grind', manner: 'together', plannedS: 0.4 * HOUR },
      { id: 'mix', kind: 'mix', plannedS: 0.2 * HOUR },
      { id: 'trial', kind: 'trial_cook', plannedS: 0.2 * HOUR },
      { id: 'soak', kind: 'soak_casings', plannedS: 0 },
      { id: 'stuff', kind: 'stuff', plannedS: HOUR, people: 2 },
      { id: 'pack', kind: 'pack', plannedS: HOUR },
      { id: 'freeze', kind: 'freeze', plannedS: 12 * HOUR },
    ]),
    outcome: 'cook_before_eating',
  };
};

/** Recipes whose way is not cook, chill and pack. */
export const WAY_RECIPES: Recipe[] = [dryStick, marketLink()];

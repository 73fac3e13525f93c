import { applySchool, routed, type RoutedRecipe } from '@/core';

/** A new recipe starts from a plain cured sausage; the formulator writes over it. */
export const STARTER: RoutedRecipe = routed({
  name: '',
  meat: [{ id: 'm-1', name: 'Pork shoulder', species: 'pork', share: 1, fatFraction: 0.25 }],
  totalSaltFraction: 0.018,
  cure: { name: 'Cure #1', nitriteFraction: 0.0625, nitrateFraction: 0, targetPpm: 130 },
  additions: [{ id: 'a-1', name: 'Black pepper', kind: 'seasoning', fraction: 0.003 }],
  casing: { name: 'Hog casing', diameterMm: 36, kind: 'hog', pieceMm: 300, wasteFraction: 0.07 },
  program: [
    { id: 's-1', name: 'Dry', kind: 'dry', airC: 55, rh: 0.3, smoke: false, plannedS: 3600 },
    { id: 's-2', name: 'Smoke', kind: 'smoke', airC: 65, rh: 0.45, smoke: true, plannedS: 7200 },
    {
      id: 's-3',
      name: 'Cook',
      kind: 'cook',
      airC: 80,
      rh: 0.8,
      smoke: false,
      plannedS: 3600,
      endCoreC: 69,
    },
  ],
  process: {
    prepareS: 5400,
    cureHoldMinS: 12 * 3600,
    cureHoldMaxS: 48 * 3600,
    stuffS: 3600,
    surfaceDryS: 0,
    pullS: 900,
    chill: [
      { medium: 'ice_bath', plannedS: 900 },
      { medium: 'cooler', plannedS: 4 * 3600 },
    ],
    bloomS: 3600,
    packS: 3600,
  },
  expectedYield: 0.88,
});

/** The way of a new recipe without cure: hot and fast, nothing held. */
export const UNCURED_STARTER: RoutedRecipe = applySchool(
  applySchool({ ...STARTER, cure: null }, 'rest', 'same_day'),
  'program',
  'hot_fast',
) as RoutedRecipe;

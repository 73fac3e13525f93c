import { applySchool, type Recipe } from '../../src/core';
import { CURE, HOUR, MIN, process } from './parts';

/** A semi-dry fermented ring: culture by the packet, soured hot and fast, smoked, cooked. */
export const heather: Recipe = applySchool(
  {
    name: 'Heather tang ring',
    meat: [
      {
        id: 'beef',
        name: 'Beef chuck',
        species: 'beef',
        share: 0.55,
        fatFraction: 0.16,
        costPerKg: 8.1,
      },
      {
        id: 'pork',
        name: 'Pork shoulder 80/20',
        species: 'pork',
        share: 0.45,
        fatFraction: 0.2,
        costPerKg: 5.4,
      },
    ],
    totalSaltFraction: 0.025,
    cure: { ...CURE, targetPpm: 150 },
    additions: [
      {
        id: 'culture',
        name: 'Starter culture, warm',
        kind: 'culture',
        fraction: 0.00025,
        written: { as: 'packet', packetG: 25, perMeatG: 100_000 },
        place: 'last',
      },
      {
        id: 'dextrose',
        name: 'Dextrose',
        kind: 'sugar',
        fraction: 0.011,
        written: { as: 'g_per_kg' },
        dextroseFraction: 1,
        place: 'in_mix',
      },
      {
        id: 'heather',
        name: 'Heather blossom, dried',
        kind: 'seasoning',
        fraction: 0.0008,
        written: { as: 'g_per_kg' },
        place: 'in_mix',
      },
      {
        id: 'allspice',
        name: 'Allspice',
        kind: 'seasoning',
        fraction: 0.0015,
        written: { as: 'g_per_kg' },
        place: 'in_mix',
      },
    ],
    casing: {
      name: 'Beef middle',
      diameterMm: 52,
      kind: 'beef_middle',
      pieceMm: 500,
      wasteFraction: 0.06,
    },
    program: [
      { id: 'dry', name: 'Dry', kind: 'dry', airC: 45, rh: 0.5, smoke: false, plannedS: HOUR },
      {
        id: 'smoke',
        name: 'Alder smoke',
        kind: 'smoke',
        airC: 60,
        rh: 0.5,
        smoke: true,
        plannedS: 3 * HOUR,
      },
      {
        id: 'cook',
        name: 'Cook',
        kind: 'cook',
        airC: 76,
        rh: 0.7,
        smoke: false,
        plannedS: 100 * MIN,
        endCoreC: 68,
      },
    ],
    process: { ...process, cureHoldMinS: 8 * HOUR },
    expectedYield: 0.8,
  },
  'fermentation',
  'hot_fast',
);

/** A customer's own venison, brought in pounds; the fat is the house's. */
const G_PER_LB = 453.59237;
export const ownVenison: Recipe = {
  name: 'Own venison link (custom work)',
  customersMeat: true,
  meat: [
    {
      id: 'venison',
      name: 'Customer venison trim',
      species: 'game',
      share: 0.7,
      writtenG: 35 * G_PER_LB,
      fatFraction: 0.03,
    },
    {
      id: 'belly',
      name: 'Pork belly',
      species: 'pork',
      share: 0.3,
      writtenG: 15 * G_PER_LB,
      fatFraction: 0.5,
    },
  ],
  totalSaltFraction: 0.019,
  cure: { name: 'Cure #1, fine', nitriteFraction: 0.0588, nitrateFraction: 0, targetPpm: 140 },
  additions: [
    {
      id: 'juniper',
      name: 'Juniper, ground',
      kind: 'seasoning',
      fraction: 0.0015,
      written: { as: 'g_per_kg' },
    },
    {
      id: 'garlic',
      name: 'Garlic granules',
      kind: 'seasoning',
      fraction: 0.0018,
      written: { as: 'g_per_kg' },
    },
    {
      id: 'wine',
      name: 'Red wine',
      kind: 'water',
      fraction: 0.03,
      allergens: ['sulphites'],
      costPerKg: 6,
    },
  ],
  casing: { name: 'Hog casing', diameterMm: 34, kind: 'hog', pieceMm: 300, wasteFraction: 0.07 },
  program: [
    { id: 'dry', name: 'Dry', kind: 'dry', airC: 54, rh: 0.3, smoke: false, plannedS: HOUR },
    {
      id: 'smoke',
      name: 'Beech smoke',
      kind: 'smoke',
      airC: 64,
      rh: 0.45,
      smoke: true,
      plannedS: 2 * HOUR,
    },
    {
      id: 'cook',
      name: 'Cook',
      kind: 'cook',
      airC: 82,
      rh: 0.85,
      smoke: false,
      plannedS: 50 * MIN,
      endCoreC: 70,
    },
  ],
  process,
  expectedYield: 0.87,
};

import type { Recipe } from '../../src/core';

const MIN = 60;
const HOUR = 3600;

const cooledAndPacked: Pick<Recipe['process'], 'pullS' | 'chill' | 'bloomS' | 'packS'> = {
  pullS: 15 * MIN,
  chill: [
    { medium: 'ice_bath', plannedS: 15 * MIN },
    { medium: 'cooler', plannedS: 4 * HOUR },
  ],
  bloomS: HOUR,
  packS: HOUR,
};

/** Invented products of the invented smokehouse. */
export const DEMO_RECIPES: Recipe[] = [
  {
    name: 'Caraway garden link',
    meat: [
      { id: 'shoulder', name: 'Pork shoulder 80/20', species: 'pork', share: 0.85 },
      { id: 'jowl', name: 'Pork jowl', species: 'pork', share: 0.15 },
    ],
    totalSaltFraction: 0.018,
    cure: { name: 'Cure #1', nitriteFraction: 0.0625, nitrateFraction: 0, targetPpm: 135 },
    additions: [
      { id: 'caraway', name: 'Caraway, cracked', kind: 'seasoning', fraction: 0.0026 },
      { id: 'lovage', name: 'Lovage leaf', kind: 'seasoning', fraction: 0.0011 },
      { id: 'white-pepper', name: 'White pepper', kind: 'seasoning', fraction: 0.0022 },
      { id: 'ice', name: 'Ice water', kind: 'water', fraction: 0.06 },
    ],
    casing: { name: 'Hog casing', diameterMm: 36 },
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
        airC: 80,
        rh: 0.85,
        smoke: false,
        plannedS: 50 * MIN,
        endCoreC: 68.5,
      },
    ],
    process: {
      prepareS: 90 * MIN,
      cureHoldMinS: 12 * HOUR,
      cureHoldMaxS: 36 * HOUR,
      stuffS: HOUR,
      surfaceDryS: 0,
      ...cooledAndPacked,
    },
  },
  {
    name: 'Juniper boar ring',
    meat: [
      { id: 'boar', name: 'Wild boar trim', species: 'game', share: 0.6 },
      { id: 'belly', name: 'Pork belly', species: 'pork', share: 0.4 },
    ],
    totalSaltFraction: 0.019,
    cure: { name: 'Cure #1', nitriteFraction: 0.0625, nitrateFraction: 0, targetPpm: 140 },
    additions: [
      { id: 'juniper', name: 'Juniper, ground', kind: 'seasoning', fraction: 0.0018 },
      { id: 'bay', name: 'Bay, powdered', kind: 'seasoning', fraction: 0.0004 },
      { id: 'beet', name: 'Beet sugar', kind: 'sugar', fraction: 0.004 },
      { id: 'ice', name: 'Ice water', kind: 'water', fraction: 0.05 },
    ],
    casing: { name: 'Beef middle', diameterMm: 56 },
    program: [
      { id: 'dry', name: 'Dry', kind: 'dry', airC: 57, rh: 0.3, smoke: false, plannedS: HOUR },
      {
        id: 'smoke',
        name: 'Oak and juniper smoke',
        kind: 'smoke',
        airC: 68,
        rh: 0.5,
        smoke: true,
        plannedS: 3 * HOUR,
      },
      {
        id: 'cook',
        name: 'Cook',
        kind: 'cook',
        airC: 82,
        rh: 0.9,
        smoke: false,
        plannedS: 80 * MIN,
        endCoreC: 68.5,
      },
    ],
    process: {
      prepareS: 2 * HOUR,
      cureHoldMinS: 12 * HOUR,
      cureHoldMaxS: 48 * HOUR,
      stuffS: 75 * MIN,
      surfaceDryS: 0,
      ...cooledAndPacked,
    },
  },
  {
    name: 'Duck and sorrel link',
    meat: [
      { id: 'duck', name: 'Duck leg', species: 'poultry', share: 0.7 },
      { id: 'shoulder', name: 'Pork shoulder 70/30', species: 'pork', share: 0.3 },
    ],
    totalSaltFraction: 0.017,
    cure: { name: 'Cure #1', nitriteFraction: 0.0625, nitrateFraction: 0, targetPpm: 125 },
    additions: [
      { id: 'sorrel', name: 'Sorrel, dried', kind: 'seasoning', fraction: 0.0016 },
      { id: 'mace', name: 'Mace', kind: 'seasoning', fraction: 0.0007 },
      { id: 'ascorbate', name: 'Sodium ascorbate', kind: 'accelerator', fraction: 0.0005 },
      { id: 'ice', name: 'Ice water', kind: 'water', fraction: 0.05 },
    ],
    casing: { name: 'Sheep casing', diameterMm: 24 },
    program: [
      { id: 'dry', name: 'Dry', kind: 'dry', airC: 55, rh: 0.3, smoke: false, plannedS: 45 * MIN },
      {
        id: 'smoke',
        name: 'Alder smoke',
        kind: 'smoke',
        airC: 66,
        rh: 0.4,
        smoke: true,
        plannedS: 90 * MIN,
      },
      {
        id: 'cook',
        name: 'Cook',
        kind: 'cook',
        airC: 82,
        rh: 0.85,
        smoke: false,
        plannedS: 40 * MIN,
        endCoreC: 74.5,
      },
    ],
    process: {
      prepareS: 90 * MIN,
      cureHoldMinS: 0,
      cureHoldMaxS: 24 * HOUR,
      stuffS: HOUR,
      surfaceDryS: 30 * MIN,
      ...cooledAndPacked,
    },
  },
  {
    name: 'Orchard supper coil (fresh)',
    meat: [{ id: 'shoulder', name: 'Pork shoulder 75/25', species: 'pork', share: 1 }],
    totalSaltFraction: 0.016,
    cure: null,
    additions: [
      { id: 'apple', name: 'Dried apple', kind: 'inclusion', fraction: 0.03 },
      { id: 'savory', name: 'Summer savory', kind: 'seasoning', fraction: 0.002 },
    ],
    casing: { name: 'Hog casing', diameterMm: 30 },
    program: [
      {
        id: 'roast',
        name: 'Hot roast',
        kind: 'cook',
        airC: 110,
        smoke: true,
        plannedS: HOUR,
        endCoreC: 72.5,
      },
    ],
    process: {
      prepareS: HOUR,
      cureHoldMinS: 0,
      cureHoldMaxS: 0,
      stuffS: HOUR,
      surfaceDryS: 0,
      ...cooledAndPacked,
    },
  },
];

import { SALMONELLA } from '../../lethality/lethality';
import { FLOOR_PRESET } from './floor';
import { SHELF_PRESETS } from './shelf';
import { MAKING_PRESET } from './making';
import type { RulePreset } from './preset';

export type { RulePreset };

const LETHALITY = {
  kind: 'lethality',
  endPointC: { meat: 71.1, poultry: 73.9 },
  model: SALMONELLA,
  targetLogs: { meat: 6.5, poultry: 7 },
  putBackS: 600,
} as const;
const HOURS = 3600;
const DAYS = 24 * HOURS;

const PROBE = {
  kind: 'probe_evidence',
  maxGapS: 600,
  handMaxGapS: 1800,
  chillMaxGapS: 3600,
  flatLineS: 1800,
  maxCPerMin: 6,
} as const;

export const RULE_PRESETS: readonly RulePreset[] = [
  {
    code: 'dose-us-comminuted',
    title: 'US comminuted, keep refrigerated',
    source:
      '9 CFR 424.21(c) and FSIS Directive 7620.3: at most 156 ppm in-going sodium nitrite on the meat block; cured, kept refrigerated, at least 120 ppm.',
    body: { kind: 'dose', basis: 'meat_block', minPpm: 120, maxPpm: 156 },
  },
  {
    code: 'dose-ca',
    title: 'Canada, cured meat',
    source:
      'Canadian food and drug regulations, list of permitted preservatives: at most 200 ppm; at least 100 ppm for cured product.',
    body: { kind: 'dose', basis: 'meat_block', minPpm: 100, maxPpm: 200 },
  },
  {
    code: 'dose-eu-2025',
    title: 'EU heat-treated, from October 2025',
    source:
      'Regulation (EU) 2023/2108: 80 mg/kg in-going as nitrite ion, equal to 120 mg/kg as sodium nitrite (factor 68.995/46.005). The lower end is the site’s own.',
    body: { kind: 'dose', basis: 'meat_block', minPpm: 80, maxPpm: 120 },
  },
  {
    code: 'dose-eu-2025-ion',
    title: 'EU heat-treated, from October 2025, as nitrite ion',
    source:
      'Regulation (EU) 2023/2108: 80 mg/kg in-going, expressed as nitrite ion, on the whole batch. The lower end (53 mg/kg ion, 80 as sodium nitrite) is the site’s own.',
    body: { kind: 'dose', basis: 'whole_batch', as: 'nitrite_ion', minPpm: 53, maxPpm: 80 },
  },
  {
    code: 'lethality-integrated',
    title: 'Integrated lethality, Salmonella',
    source:
      'Bigelow model with D60 1.85 min and z 5.56 °C, within about 8 % of FSIS Appendix A (2021) and mostly stricter; 6.5 log meat, 7 log poultry, no credit below 54.4 °C.',
    body: { ...LETHALITY, way: 'integrated' },
  },
  {
    code: 'lethality-table',
    title: 'Published time-temperature table',
    source:
      'USDA FSIS Appendix A (2021), time-temperature table for 6.5 log (meat) and 7 log (poultry).',
    body: { ...LETHALITY, way: 'table' },
  },
  {
    code: 'lethality-end-point',
    title: 'End point',
    source: 'USDA FSIS Appendix A (2021): core at least 71.1 °C; with poultry at least 73.9 °C.',
    body: { ...LETHALITY, way: 'end_point' },
  },
  {
    code: 'cooling-standard',
    title: 'Standard two-step cooling',
    source:
      'USDA FSIS Appendix B (2021), option 1: 54.4 to 26.7 °C within 1.5 h, then 26.7 to 4.4 °C within 5 h.',
    body: {
      kind: 'cooling',
      steps: [
        { fromC: 54.4, toC: 26.7, maxS: 1.5 * HOURS },
        { fromC: 26.7, toC: 4.4, maxS: 5 * HOURS },
      ],
    },
  },
  {
    code: 'cooling-cured',
    title: 'Cured product cooling',
    source:
      'USDA FSIS Appendix B (2021), cured: at least 100 ppm nitrite and 250 ppm ascorbate or erythorbate; 54.4 to 26.7 °C within 5 h, then 26.7 to 7.2 °C within 10 h.',
    body: {
      kind: 'cooling',
      steps: [
        { fromC: 54.4, toC: 26.7, maxS: 5 * HOURS },
        { fromC: 26.7, toC: 7.2, maxS: 10 * HOURS },
      ],
      needs: { nitritePpm: 100, acceleratorPpm: 250 },
    },
  },
  {
    code: 'cooling-food-service',
    title: 'Food service cooling',
    source: 'FDA Food Code 3-501.14: 57.2 to 21.1 °C within 2 h, and to 5 °C within 6 h in all.',
    body: {
      kind: 'cooling',
      steps: [
        { fromC: 57.2, toC: 21.1, maxS: 2 * HOURS },
        { fromC: 57.2, toC: 5, maxS: 6 * HOURS },
      ],
    },
  },
  {
    code: 'come-up-6h',
    title: 'Come-up within 6 hours',
    source: 'USDA FSIS Appendix A (2021): core between 10 and 54.4 °C for at most 6 h.',
    body: { kind: 'come_up', fromC: 10, toC: 54.4, maxS: 6 * HOURS },
  },
  {
    code: 'cure-hold-8h',
    title: 'Cure hold of 8 hours',
    source:
      'Customary practice: 8 to 24 h at 4 °C or colder so that nitrite reacts; with at least 250 ppm of accelerator it may go to the house the same day.',
    body: { kind: 'cure_hold', minS: 8 * HOURS, maxCoolerC: 4, acceleratorFromPpm: 250 },
  },
  {
    code: 'uncured-smoke-2h',
    title: 'No slow smoke without cure',
    source:
      'Good practice for uncured sausage: no cold smoke, and the core between 4.4 and 60 °C for at most 2 h.',
    body: { kind: 'uncured_smoke', fromC: 4.4, toC: 60, maxS: 2 * HOURS, coldSmokeBelowC: 30 },
  },
  {
    code: 'probe-usual',
    title: 'Probe evidence',
    source:
      'Usual site values: a logger gap of at most 10 min and hand readings at most 30 min apart in the house, 60 min in the chill; a stuck or leaping probe earns no credit.',
    body: PROBE,
  },
  {
    code: 'probe-crossed',
    title: 'Probe evidence, cross-checked',
    source:
      'Usual site values: as "Probe evidence", and a probe that slid out and shows the air, one that is 8 °C hotter than its neighbour for 20 min, or one not checked in ice or boiling water for 90 days earns no credit.',
    body: {
      ...PROBE,
      slidOut: true,
      neighbourC: 8,
      neighbourS: 1200,
      calibrationMaxAgeS: 90 * 24 * HOURS,
    },
  },
  {
    code: 'probe-physics',
    title: 'Probe evidence, held to what meat can do',
    source:
      'Usual site values: a logger gap of at most 10 min and hand readings at most 30 min apart in the house, 60 min in the chill; a probe not checked in ice or boiling water for 90 days earns no credit. What meat of this size cannot do in what surrounds it is never believed, whatever the rule.',
    body: { ...PROBE, calibrationMaxAgeS: 90 * 24 * HOURS },
  },
  {
    code: 'fermentation-degree-hours-2',
    title: 'Degree-hours to pH 5.3, pH read twice',
    source:
      'Good-practice limits for fermented dry and semi-dry sausage: above 15.6 °C until pH 5.3, 1200, 1000 or 900 °F·h (667, 556, 500 °C·h) by the warmest chamber temperature (below 32.2, up to 37.8, above). pH by two readings 15 min apart, or a meter checked the same day; warm for at most 48 h more before the cook (usual).',
    body: {
      kind: 'fermentation',
      targetPh: 5.3,
      floorC: 15.6,
      bands: [
        { belowC: 32.2, degreeHours: 667 },
        { belowC: 37.8, degreeHours: 556, inclusive: true },
        { belowC: 200, degreeHours: 500 },
      ],
      phApartS: 900,
      warmAfterMaxS: 48 * HOURS,
    },
  },
  {
    code: 'fermentation-degree-hours',
    title: 'Degree-hours to pH 5.3',
    source:
      'Good-practice limits for fermented dry and semi-dry sausage: above 15.6 °C until pH 5.3, 1200, 1000 or 900 °F·h (667, 556, 500 °C·h) by the warmest chamber temperature (32.2, 37.8 °C).',
    body: {
      kind: 'fermentation',
      targetPh: 5.3,
      floorC: 15.6,
      bands: [
        { belowC: 32.2, degreeHours: 667 },
        { belowC: 37.8, degreeHours: 556 },
        { belowC: 200, degreeHours: 500 },
      ],
    },
  },
  {
    code: 'parasites-frozen',
    title: 'Freezing against Trichinella in pork',
    source:
      '9 CFR 318.10(c)(3): pork up to 15 cm thick at −15 °C for 20 days, −23.3 °C for 10, −28.9 °C for 6; up to 69 cm for 30, 20, 12 days; or by a measured middle, −17.8 °C for 106 h to −37.2 °C for half an hour. Wild game: cook.',
    body: {
      kind: 'parasites',
      thinMm: 150,
      thin: [
        { atC: -15, forS: 20 * DAYS },
        { atC: -23.3, forS: 10 * DAYS },
        { atC: -28.9, forS: 6 * DAYS },
      ],
      thickMm: 690,
      thick: [
        { atC: -15, forS: 30 * DAYS },
        { atC: -23.3, forS: 20 * DAYS },
        { atC: -28.9, forS: 12 * DAYS },
      ],
      core: [
        { atC: -17.8, forS: 106 * HOURS },
        { atC: -20.6, forS: 82 * HOURS },
        { atC: -23.3, forS: 63 * HOURS },
        { atC: -26.1, forS: 48 * HOURS },
        { atC: -28.9, forS: 35 * HOURS },
        { atC: -31.7, forS: 22 * HOURS },
        { atC: -34.4, forS: 8 * HOURS },
        { atC: -37.2, forS: 0.5 * HOURS },
      ],
    },
  },
  {
    code: 'drying-three-pieces',
    title: 'Drying by marked pieces',
    source:
      'Usual site values: loss of at least three marked pieces, judged on the one that lost least; a piece more than 1 % heavier than before was mixed up; water activity by a meter checked within a day.',
    body: { kind: 'drying', minPieces: 3, gainShare: 0.01, meterMaxAgeS: DAYS },
  },
  {
    code: 'serving-2h',
    title: 'Eaten hot within 2 hours',
    source:
      'Good practice, stricter than FDA Food Code 3-501.19 (4 h): eaten within 2 h of the pull, or kept at 57.2 °C or hotter (Food Code 3-501.16) and looked at every hour; else chilled by the cooling rule, or destroyed.',
    body: { kind: 'serving', withinS: 2 * HOURS, hotC: 57.2, lookS: HOURS },
  },
  {
    code: 'serving-4h',
    title: 'Eaten hot within 4 hours',
    source:
      'FDA Food Code 3-501.19: time as the control, at most 4 h from the pull; or kept at 57.2 °C or hotter (3-501.16), looked at every two hours; else chilled by the cooling rule, or destroyed.',
    body: { kind: 'serving', withinS: 4 * HOURS, hotC: 57.2, lookS: 2 * HOURS },
  },
  {
    code: 'cold-chain-raw',
    title: 'Raw product, cook before eating',
    source:
      'Good practice for raw sausage: the product never above 7 °C while it is made, packed or frozen within 24 h of weighing; frozen means −18 °C or colder in the middle. The site confirms.',
    body: { kind: 'cold_chain', maxC: 7, rawMaxS: 24 * HOURS, frozenC: -18, lookS: 2 * HOURS },
  },
  {
    code: 'formula-us-cooked',
    title: 'US cooked sausage',
    source:
      '9 CFR 319.140, 319.180 and 424.21(c): fat at most 30 %, fat and added water 40 %, binders 3.5 %, phosphates 0.5 % of the product; ascorbate or erythorbate 547 ppm. Salt 1.4 to 2.5 % is usual practice.',
    body: {
      kind: 'formula',
      minSaltFraction: 0.014,
      maxSaltFraction: 0.025,
      maxAcceleratorPpm: 547,
      maxBinderFraction: 0.035,
      maxPhosphateFraction: 0.005,
      maxFatFraction: 0.3,
      maxFatWaterFraction: 0.4,
    },
  },
  {
    code: 'formula-usual',
    title: 'Usual practice, dry and coarse goods',
    source:
      'Usual practice for coarse, semi-dry and dry sausage: salt 1.4 to 3 %, fat up to 45 %; accelerator 547 ppm and phosphates 0.5 % as in 9 CFR 424.21(c).',
    body: {
      kind: 'formula',
      minSaltFraction: 0.014,
      maxSaltFraction: 0.03,
      maxAcceleratorPpm: 547,
      maxBinderFraction: 0.035,
      maxPhosphateFraction: 0.005,
      maxFatFraction: 0.45,
      maxFatWaterFraction: 0.55,
    },
  },
  MAKING_PRESET,
  FLOOR_PRESET,
  ...SHELF_PRESETS,
];

import type { PlannedRecipe } from '../recipe/recipe';
import type { Rule, RuleKind, RuleSet } from '../rules/rule';
import { DEFAULT_RULES } from '../rules/tables/defaults';
import { RULE_PRESETS } from '../rules/tables/presets';

/** A cured pork sausage of 38 mm for tests. */
export function testRecipe(): PlannedRecipe {
  return {
    name: 'Test link',
    meat: [
      { id: 'lean', name: 'Pork shoulder', species: 'pork', share: 0.8 },
      { id: 'fat', name: 'Back fat', species: 'pork', share: 0.2 },
    ],
    totalSaltFraction: 0.018,
    cure: { name: 'Cure #1', nitriteFraction: 0.0625, nitrateFraction: 0, targetPpm: 120 },
    additions: [
      { id: 'pepper', name: 'Black pepper', kind: 'seasoning', fraction: 0.003 },
      { id: 'water', name: 'Ice water', kind: 'water', fraction: 0.05 },
    ],
    casing: { name: 'Hog casing', diameterMm: 38 },
    program: [
      { id: 'dry', name: 'Dry', kind: 'dry', airC: 55, smoke: false, plannedS: 3600 },
      { id: 'smoke', name: 'Smoke', kind: 'smoke', airC: 65, smoke: true, plannedS: 7200 },
      {
        id: 'cook',
        name: 'Cook',
        kind: 'cook',
        airC: 82,
        smoke: false,
        plannedS: 3600,
        endCoreC: 69,
      },
    ],
    process: {
      prepareS: 5400,
      cureHoldMinS: 8 * 3600,
      cureHoldMaxS: 48 * 3600,
      stuffS: 3600,
      surfaceDryS: 3600,
      pullS: 900,
      chill: [
        { medium: 'ice_bath', plannedS: 900 },
        { medium: 'cooler', plannedS: 3 * 3600 },
      ],
      bloomS: 3600,
      packS: 3600,
    },
  };
}

/** The default rules of a new site as a pinned set, with some exchanged by preset code. */
export function testRules(codes: Partial<Record<RuleKind, string>> = {}): RuleSet {
  const chosen = { ...DEFAULT_RULES, ...codes };
  const entries = Object.entries(chosen).map(([kind, code]): [string, Rule] => {
    const preset = RULE_PRESETS.find((p) => p.code === code)!;
    return [kind, { id: code, version: 1, ...preset }];
  });
  return Object.fromEntries(entries) as RuleSet;
}

/** A semi-dry fermented sausage for tests: 18 h at 36 °C, smoked, cooked. */
export function fermentedRecipe(): PlannedRecipe {
  const plain = testRecipe();
  return {
    ...plain,
    name: 'Fermented test stick',
    additions: [
      { id: 'dex', name: 'Dextrose', kind: 'sugar', fraction: 0.006, dextroseFraction: 1 },
      { id: 'sugar', name: 'Sugar', kind: 'sugar', fraction: 0.004 },
      { id: 'culture', name: 'Culture', kind: 'culture', fraction: 0.00025 },
    ],
    program: [
      {
        id: 'ferment',
        name: 'Ferment',
        kind: 'ferment',
        airC: 36,
        rh: 0.9,
        smoke: false,
        plannedS: 18 * 3600,
      },
      ...plain.program,
    ],
    fermentation: { targetPh: 5.2, floorPh: 4.6 },
  };
}

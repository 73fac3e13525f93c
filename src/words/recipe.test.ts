import {
  RULE_PRESETS,
  SCHOOLS,
  SCHOOL_QUESTIONS,
  declareIngredients,
  judgeFormula,
  recipeFigures,
  runSheet,
  type Finding,
  type FindingCode,
  type Recipe,
} from '@/core';
import { testRecipe, testRules } from '@/core/testing/recipe';
import { Show } from './show';
import { MORE_RECIPES } from '../../scripts/demo/more-recipes';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';
import { amountWords } from '@/features/recipes/ui/FormulaTable';
import { SCHOOL_WORDS } from './school';
import { stepTask } from './route';
import { declaredWords, findingLimits, findingValue } from './recipe';
import { overpourSaid } from './overpour';

const metric = new Show({ system: 'metric', locale: 'en-US', timeZone: 'UTC' });
const us = new Show({ system: 'us', locale: 'en-US', timeZone: 'UTC' });
const RECIPES = [...DEMO_RECIPES, ...MORE_RECIPES].map((r): [string, Recipe] => [r.name, r]);

test.each(SCHOOL_QUESTIONS)(
  '%s: every school has a name and a line that says what it means',
  (q) => {
    expect(Object.keys(SCHOOL_WORDS[q].options).sort()).toEqual([...SCHOOLS[q]].sort());
    for (const [name, means] of Object.values(SCHOOL_WORDS[q].options)) {
      expect(name.length).toBeGreaterThan(2);
      expect(means).toMatch(/\.$/);
    }
  },
);

test.each(RECIPES)(
  '%s: every step, ingredient, amount and finding is said in words',
  (_n, recipe) => {
    for (const { step } of runSheet(recipe)) expect(stepTask(step)).toMatch(/^[A-Z]/);
    for (const line of declareIngredients(recipe)) expect(declaredWords(line)).not.toBe('');
    for (const a of recipe.additions) expect(amountWords(a, metric)).toMatch(/(%|g\/kg|g per )/);
    const rules = testRules();
    for (const f of judgeFormula({ recipe, figures: recipeFigures(recipe), rules })) {
      expect(f.level).not.toBe('blocking');
      expect(findingValue(f, f.value, metric)).not.toMatch(/NaN|undefined/);
    }
  },
);

const finding = (code: FindingCode, value: number, min?: number, max?: number): Finding => ({
  code,
  level: 'fine',
  value,
  min,
  max,
  rule: null,
});

test.each<[Finding, Show, string, string]>([
  [finding('dose', 130, 120, 156), metric, '130 ppm', '120 ppm to 156 ppm'],
  [finding('salt', 0.018, 0.014, 0.025), metric, '1.8 %', '1.4 % to 2.5 %'],
  [finding('binder', 0.02, undefined, 0.035), metric, '2 %', 'at most 3.5 %'],
  [finding('hold_needed', 0, 28_800), metric, '0 s', 'at least 8 h 00'],
  [finding('low_end_point', 62, 71.1), metric, '62 °C', 'at least 71.1 °C'],
  [finding('low_end_point', 62, 71.1), us, '143.6 °F', 'at least 160 °F'],
  [finding('ph', 5.05, undefined, 5.3), metric, 'pH 5.05', 'at most pH 5.3'],
  [finding('casing_range', 38, 18, 26), us, '1.5 in', '0.71 in to 1.02 in'],
  [finding('casing_smoke', 38), metric, '', ''],
  [finding('blend_salt', 1), metric, '', ''],
])('%j', (f, show, value, limits) => {
  expect(findingValue(f, f.value, show)).toBe(value);
  expect(findingLimits(f, show)).toBe(limits);
});

test('what an over-poured line does; nothing where the recipe has no such line', () => {
  const line = { lineId: 'pepper', name: 'Black pepper' };
  expect(overpourSaid(testRecipe(), 10_000, line, 45, metric)).toMatch(
    /^Black pepper is 0.45 % of the meat in place of 0.3 %; salt 1.8 %, nitrite 120 ppm. To put it right: 5 kg of meat/,
  );
  expect(overpourSaid(testRecipe(), 10_000, { ...line, lineId: 'sage' }, 45, metric)).toBe('');
});

test('every preset cites a source that can be looked up', () => {
  for (const p of RULE_PRESETS) expect(p.source.length).toBeGreaterThan(40);
});

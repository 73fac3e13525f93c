import { testRecipe, testRules } from '../testing/recipe';
import { heatStage } from '../run/heat-stage';
import { recipeFigures } from '../formula/figures';
import { judgeFormula } from '../review/findings';
import type { ProgramStage } from './recipe';
import { coreTargetOf, endsOf, withCoreTarget } from './stage-ends';

const base: ProgramStage = {
  id: 'c',
  name: 'Cook',
  kind: 'cook',
  airC: 82,
  smoke: false,
  plannedS: 3600,
};

test.each<[string, Partial<ProgramStage>, ReturnType<typeof endsOf>]>([
  ['its planned length', {}, { join: 'any', afterS: 3600 }],
  ['a core in the old form', { endCoreC: 69 }, { join: 'any', coreC: 69 }],
  [
    'what it says',
    { ends: { join: 'all', coreC: 71, logs: 6.5 } },
    { join: 'all', coreC: 71, logs: 6.5 },
  ],
  [
    'the new form where both stand',
    { endCoreC: 69, ends: { join: 'any', coreC: 45 } },
    { join: 'any', coreC: 45 },
  ],
])('a stage ends by %s', (_, change, ends) => expect(endsOf({ ...base, ...change })).toEqual(ends));

test('both forms are one to the model', () => {
  const old = heatStage({ ...base, endCoreC: 69, maxS: 9000 });
  const now = heatStage({ ...base, ends: { join: 'any', coreC: 69 }, maxS: 9000 });
  expect({ ...now, join: undefined }).toEqual({ ...old, join: undefined });
});

test('another core is written in the form that the stage has, and back', () => {
  expect(withCoreTarget({ ...base, endCoreC: 69 }, 72)).toEqual({ ...base, endCoreC: 72 });
  expect(withCoreTarget({ ...base, ends: { join: 'any', coreC: 69 } }, 72).ends).toEqual({
    join: 'any',
    coreC: 72,
  });
  expect(withCoreTarget({ ...base, ends: { join: 'any', coreC: 69 } }, undefined)).toEqual(base);
  expect(coreTargetOf(withCoreTarget(base, 65))).toBe(65);
});

test.each([
  ['old', { endCoreC: 45 }],
  ['new', { ends: { join: 'any' as const, coreC: 45 } }],
])('an end of 45 °C in the %s form blocks approval', (_, end) => {
  const recipe = { ...testRecipe(), program: [{ ...base, ...end }] };
  const found = judgeFormula({ recipe, figures: recipeFigures(recipe), rules: testRules() });
  expect(found.find((f) => f.code === 'low_end_point')).toMatchObject({
    level: 'blocking',
    value: 45,
  });
});

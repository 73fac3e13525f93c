import { RULE_PRESETS, type RuleBody } from '@/core';
import { ruleBodySchema } from './contract';
import {
  figureName,
  figureText,
  figureUnit,
  readFigureText,
  ruleFigures,
  withFigures,
} from './rule-figures';

const PRESETS = RULE_PRESETS.map((p): [string, RuleBody] => [p.code, p.body]);
const SYSTEMS = ['metric', 'us'] as const;

describe.each(SYSTEMS)('in %s units', (system) => {
  test.each(PRESETS)('%s: read as it is shown, nothing changes', (_code, body) => {
    const texts = new Map(ruleFigures(body).map((f) => [f.path.join('.'), figureText(f, system)]));
    expect(withFigures(body, (path) => texts.get(path) ?? null, system)).toEqual(body);
  });
  test.each(PRESETS)('%s: every figure has a name and is taken by the contract', (_code, body) => {
    for (const f of ruleFigures(body)) expect(figureName(f.path)).toMatch(/^[A-Zp]/);
    expect(ruleBodySchema.safeParse(body).success).toBe(true);
  });
});

test.each([
  [['steps', '0', 'fromC'], 54.4, 'us', '129.92', '°F'],
  [['steps', '0', 'maxS'], 5400, 'us', '90', 'min'],
  [['model', 'zC'], 5.56, 'us', '10.008', '°F'],
  [['maxSaltFraction'], 0.025, 'metric', '2.5', '%'],
  [['bands', '0', 'degreeHours'], 500, 'us', '900', '°F·h'],
  [['endPointC', 'poultry'], 73.9, 'metric', '73.9', '°C'],
  [['minPpm'], 120, 'us', '120', 'ppm'],
  [['targetLogs', 'meat'], 6.5, 'us', '6.5', ''],
] as const)('%j of %d in %s units is %s %s', (path, value, system, text, unit) => {
  const figure = { path: [...path], value };
  expect(figureText(figure, system)).toBe(text);
  expect(figureUnit(path, system)).toBe(unit);
});

test('a changed figure is read in the unit shown; words and nothing are refused', () => {
  const figure = { path: ['maxCoolerC'], value: 4 };
  expect(readFigureText('41', figure, 'us')).toBeCloseTo(5, 9);
  expect(readFigureText('', figure, 'us')).toBeNaN();
  expect(readFigureText('cold', figure, 'us')).toBeNaN();
  const body = RULE_PRESETS.find((p) => p.code === 'dose-ca')!.body;
  const empty = withFigures(body, () => '', 'metric');
  expect(ruleBodySchema.safeParse(empty).success).toBe(false);
});

test('figures stand in the order in which they are said, however the database keeps them', () => {
  const kept = { kind: 'cooling', steps: [{ toC: 26.7, maxS: 5400, fromC: 54.4 }] };
  expect(ruleFigures(kept).map((f) => figureName(f.path))).toEqual([
    'Step 1 From',
    'Step 1 To',
    'Step 1 Within',
  ]);
});

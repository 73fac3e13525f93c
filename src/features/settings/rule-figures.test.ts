import { RULE_PRESETS, type RuleBody } from '@/core';
import { ruleBodySchema } from './contract';
import {
  entryText,
  entryUnit,
  entryWords,
  readEntry,
  ruleEntries,
  withEntries,
} from './rule-figures';

const PRESETS = RULE_PRESETS.map((p): [string, RuleBody] => [p.code, p.body]);
const SYSTEMS = ['metric', 'us'] as const;
const preset = (code: string) => RULE_PRESETS.find((p) => p.code === code)!.body;
const entry = (code: string, path: string) =>
  ruleEntries(preset(code)).find((e) => e.path.join('.') === path)!;

describe.each(SYSTEMS)('in %s units', (system) => {
  test.each(PRESETS)(
    '%s makes the round trip through form and contract unchanged',
    (_code, body) => {
      const texts = new Map(ruleEntries(body).map((e) => [e.path.join('.'), entryText(e, system)]));
      const back = withEntries(body, (path) => texts.get(path) ?? null, system);
      expect(back).toEqual(body);
      expect(ruleBodySchema.parse(back)).toEqual(body);
    },
  );
  test.each(PRESETS)('%s: every entry has a name and no figure reads NaN', (_code, body) => {
    for (const e of ruleEntries(body)) {
      expect(e.name).toMatch(/^[A-Zp]/);
      expect(`${e.name} ${entryText(e, system)} ${entryUnit(e, system)}`).not.toMatch(
        /NaN|undefined/,
      );
    }
  });
});

test.each(PRESETS)(
  '%s: a field that is not in its definition is refused, not dropped',
  (_code, body) => {
    expect(ruleBodySchema.safeParse({ ...body, extra: 1 }).success).toBe(false);
  },
);

test('own figures keep what the default probe rule looks for', () => {
  const body = preset('probe-crossed');
  const own = withEntries(body, (path) => (path === 'maxGapS' ? '8' : null), 'metric');
  expect(ruleBodySchema.parse(own)).toEqual({ ...body, maxGapS: 480 });
});

test.each([
  ['cooling-standard', 'steps.0.fromC', 'us', '129.92', '°F'],
  ['cooling-standard', 'steps.0.maxS', 'us', '90', 'min'],
  ['lethality-integrated', 'model.zC', 'us', '10.008', '°F'],
  ['probe-crossed', 'neighbourC', 'us', '14.4', '°F'],
  ['probe-crossed', 'maxCPerMin', 'us', '10.8', '°F/min'],
  ['formula-us-cooked', 'maxSaltFraction', 'metric', '2.5', '%'],
  ['fermentation-degree-hours', 'bands.2.degreeHours', 'us', '900', '°F·h'],
  ['lethality-integrated', 'endPointC.poultry', 'metric', '73.9', '°C'],
  ['dose-us-comminuted', 'minPpm', 'us', '120', 'ppm'],
  ['probe-crossed', 'slidOut', 'us', 'yes', ''],
] as const)('%s, %s in %s units is %s %s', (code, path, system, text, unit) => {
  expect(entryText(entry(code, path), system)).toBe(text);
  expect(entryUnit(entry(code, path), system)).toBe(unit);
});

test('a changed figure is read in the unit shown; words and nothing are refused', () => {
  const cooler = entry('cure-hold-8h', 'maxCoolerC');
  expect(readEntry('41', cooler, 'us')).toBeCloseTo(5, 9);
  expect(readEntry('', cooler, 'us')).toBeNaN();
  expect(readEntry('cold', cooler, 'us')).toBeNaN();
  expect(readEntry('30,000', cooler, 'metric')).toBeNaN();
  const empty = withEntries(preset('dose-ca'), () => '', 'metric');
  expect(ruleBodySchema.safeParse(empty).success).toBe(false);
});

test('an optional entry can be left out, switched and filled in', () => {
  const body = preset('probe-usual');
  const on = withEntries(body, (p) => (p === 'calibrationMaxAgeS' ? '30' : null), 'metric');
  expect(ruleBodySchema.parse(on)).toEqual({ ...body, calibrationMaxAgeS: 30 * 86_400 });
  const off = withEntries(on, (p) => (p === 'calibrationMaxAgeS' ? '' : null), 'metric');
  expect(off).toEqual(body);
});

test('what no judgement reads any more is shown where a rule has it, and asked for nowhere else', () => {
  const names = (code: string) =>
    ruleEntries(preset(code))
      .map((e) => e.name)
      .filter((n) => n.startsWith('No longer read'));
  expect(names('probe-crossed')).toHaveLength(3);
  expect(names('probe-physics')).toEqual([]);
  const crossed = preset('probe-crossed');
  const half = withEntries(crossed, (p) => (p === 'neighbourC' ? '' : null), 'metric');
  expect(ruleBodySchema.safeParse(half).success).toBe(false);
  const without = withEntries(crossed, (p) => (p.startsWith('neighbour') ? '' : null), 'metric');
  expect(ruleBodySchema.safeParse(without).success).toBe(true);
});

test('entries stand in the order of the definition, however the database keeps them', () => {
  const kept = { kind: 'cooling', steps: [{ toC: 26.7, maxS: 5400, fromC: 54.4 }] } as RuleBody;
  expect(ruleEntries(kept).map((e) => e.name)).toEqual([
    'Step 1 from',
    'Step 1 to',
    'Step 1 within',
  ]);
  expect(entryWords(ruleEntries(kept)[0]!, 'metric')).toBe('Step 1 from 54.4 °C');
});

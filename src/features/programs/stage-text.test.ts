import fc from 'fast-check';
import type { ProgramStage } from '@/core';
import { DEMO_PROGRAMS } from '../../../scripts/demo/programs';
import { saveProgramSchema, stageSchema } from './contract';
import { newStageText, readStage, stageText, type StageText } from './stage-text';

const all = DEMO_PROGRAMS.flatMap((p) => p.stages);

test.each(all.map((s) => [s.name, s] as const))(
  'a stage written and read back is the same: %s',
  (_, stage) => {
    for (const system of ['metric', 'us'] as const) {
      const { stage: back, problems } = readStage(stageText(stage, system), system);
      expect(problems).toEqual([]);
      expect(back!.airC).toBeCloseTo(stage.airC, 1);
      expect(back!.plannedS).toBeCloseTo(stage.plannedS, 0);
      expect(back!.ends?.coreC ?? back!.endCoreC).toEqual(
        stage.ends?.coreC === undefined && stage.endCoreC === undefined
          ? undefined
          : expect.closeTo((stage.ends?.coreC ?? stage.endCoreC)!, 1),
      );
      expect([back!.kind, back!.smoke, back!.wood]).toEqual([stage.kind, stage.smoke, stage.wood]);
      expect([back!.ends?.join, back!.ends?.dry, back!.ends?.logs]).toEqual(
        back!.ends
          ? [stage.ends!.join, stage.ends!.dry, stage.ends!.logs]
          : [undefined, undefined, undefined],
      );
    }
  },
);

const text = (change: Partial<StageText>) => ({ ...newStageText('x', 'metric'), ...change });

test.each([
  ['no number', { air: 'warm' }, 'air', /not a number/],
  ['no air at all', { air: '' }, 'air', /temperature/],
  ['hotter than a house', { air: '300' }, 'air', /hotter/],
  ['a humidity of 140 %', { humidity: '140' }, 'humidity', /100 %/],
  [
    'a wet bulb above the air',
    { humidityAs: 'wet_bulb', humidity: '80' },
    'humidity',
    /above the air/,
  ],
  ['no time', { minutes: '' }, 'minutes', /time/],
  ['a core of 120', { core: '120' }, 'core', /core|less|95/i],
  ['a pH of 45', { ph: '45' }, 'ph', /below/],
  ['a pH of 0.4', { ph: '0.4' }, 'ph', /sour/],
  ['a pH in words', { ph: 'sour' }, 'ph', /not a number/],
  ['at most less than the stage', { core: '60', most: '30' }, 'most', /shorter/],
] as [string, Partial<StageText>, string, RegExp][])(
  '%s is said at its field',
  (_, change, field, words) => {
    const { stage, problems } = readStage(text(change), 'metric');
    expect(stage).toBeNull();
    expect(problems.find((p) => p.field === field)?.message).toMatch(words);
  },
);

test('a ferment that ends with its pH is written and read back so', () => {
  const ferment: ProgramStage = {
    id: 'f',
    name: 'Ferment',
    kind: 'ferment',
    airC: 24,
    rh: 0.92,
    smoke: false,
    plannedS: 40 * 3600,
    maxS: 60 * 3600,
    ends: { join: 'any', ph: 5.1 },
  };
  const written = stageText(ferment, 'us');
  expect(written).toMatchObject({ ph: '5.1', byTime: false });
  const { stage } = readStage(written, 'us');
  expect(stage!.ends).toEqual({ join: 'any', ph: 5.1 });
  expect(readStage({ ...written, ph: '' }, 'us').stage!.ends).toBeUndefined();
});

test('in water there is no smoke and no humidity, whatever stood there before', () => {
  const { stage } = readStage(text({ place: 'water_bath', air: '76' }), 'metric');
  expect(stage).toMatchObject({ smoke: false, place: 'water_bath' });
  expect(stage).not.toHaveProperty('rh');
  expect(stageSchema.safeParse({ ...stage!, smoke: true }).success).toBe(false);
});

test('one end stays simple, several are written out', () => {
  const read = (change: Partial<StageText>) => readStage(text(change), 'metric').stage!;
  expect(read({})).not.toHaveProperty('ends');
  expect(read({ core: '70', byTime: false })).toMatchObject({ endCoreC: 70 });
  expect(read({ core: '70' }).ends).toEqual({ join: 'any', afterS: 3600, coreC: 70 });
  expect(read({ logs: '6.5', byTime: false, join: 'all', core: '68' }).ends).toEqual({
    join: 'all',
    coreC: 68,
    logs: 6.5,
  });
});

test('property: nonsense in any field never throws and never passes as a figure', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('air', 'minutes', 'core', 'humidity', 'fan', 'most'),
      fc.string(),
      (field, value) => {
        const { stage } = readStage(text({ [field]: value }), 'metric');
        if (stage)
          for (const v of Object.values(stage))
            if (typeof v === 'number') expect(Number.isFinite(v)).toBe(true);
      },
    ),
    { seed: 8 },
  );
});

const stage: ProgramStage = {
  id: 'a',
  name: 'A',
  kind: 'cook',
  airC: 80,
  smoke: false,
  plannedS: 3600,
};
test.each([
  ['a plain stage', {}, true],
  ['boiling water', { place: 'water_bath', airC: 120 }, false],
  ['ends that say nothing', { ends: { join: 'any' } }, false],
  ['ends that say dry: no', { ends: { join: 'any', dry: false } }, false],
  ['a kind that is none', { kind: 'fry' }, false],
  ['a minute of a second', { plannedS: 1 }, false],
])('stage contract: %s', (_, change, ok) =>
  expect(stageSchema.safeParse({ ...stage, ...change }).success).toBe(ok),
);

test.each([
  ['a whole program', {}, true],
  ['no name', { name: ' ' }, false],
  ['no reason', { reason: '' }, false],
  ['no stage', { stages: [] }, false],
  ['two stages of one id', { stages: [stage, stage] }, false],
])('program contract: %s', (_, change, ok) =>
  expect(
    saveProgramSchema.safeParse({
      basedOn: 0,
      name: 'P',
      reason: 'first',
      stages: [stage],
      ...change,
    }).success,
  ).toBe(ok),
);

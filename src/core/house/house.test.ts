import type { ProgramStage } from '../recipe/recipe';
import { simulateProgram } from '../heat/simulate-program';
import { foldBatch } from '../logbook/fold';
import type { EntryBody } from '../logbook/entry';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { testRecipe, testRules } from '../testing/recipe';
import type { Case } from '../verdict/check';
import { alarmsOf } from './alarms/alarms';
import { alarmChanges } from './alarms/changes';
import type { AlarmCode } from './alarms/alarm';
import { designProgram } from '../run/design-program';
import { chillStage, filmOf, heatProduct, heatStage } from '../run/heat-stage';
import { programTroubles, type TroubleCode } from '../run/program-troubles';
import { runStages, stageAt } from '../run/run-stage';
import { stageProgress, type StageEvidence } from '../run/stage-progress';

const HOUR = 3600;
const MIN = 60;
const recipe = testRecipe();
const NOTHING: StageEvidence = { coreC: null, logs: null, lossFraction: null, dry: false };

const stage = (s: Partial<ProgramStage> = {}): ProgramStage => ({
  id: s.name ?? 'x',
  name: 'Stage',
  kind: 'cook',
  airC: 80,
  rh: 0.8,
  smoke: false,
  plannedS: HOUR,
  ...s,
});
const ran = (stages: ProgramStage[], ...more: [number, EntryBody][]): Line[] => [
  started(20_000),
  ...recipe.meat.map((m): Line => [60, weighed(m.id, m.share * 20_000)]),
  [
    10 * HOUR,
    { kind: 'run_started', houseId: 'h', program: { name: 'P', versionId: null, stages } },
  ],
  [10 * HOUR, { kind: 'probe_placed', channelId: 1, what: 'core', thickest: true }],
  [10 * HOUR, { kind: 'probe_placed', channelId: 2, what: 'air', thickest: false }],
  ...more.map(([minutes, body]): Line => [10 * HOUR + minutes * MIN, body]),
];
const stateOf = (lines: Line[]) => foldBatch(recipe, entriesOf(lines));
const progress = (lines: Line[], minutes: number, e: Partial<StageEvidence> = {}) =>
  stageProgress(stateOf(lines), { ...NOTHING, ...e }, 10 * HOUR + minutes * MIN)!;

describe('stages of a run', () => {
  test('a stage of the recipe’s kind is what it was: planned length, or a core target', () => {
    expect(heatStage(recipe.program[0]!)).toMatchObject({ medium: 'air', endS: 3600 });
    expect(heatStage(recipe.program[2]!)).toMatchObject({ endCoreC: 69 });
    expect(heatStage(recipe.program[2]!).endS).toBeUndefined();
  });

  test('place decides the medium, the fan the film, a ramp its slope', () => {
    expect(heatStage(stage({ place: 'water_bath', airC: 76 })).medium).toBe('water');
    expect(heatStage(stage({ kind: 'bath', airC: 76 })).medium).toBe('water');
    expect(heatStage(chillStage('ice_bath', 900))).toMatchObject({
      medium: 'ice-water',
      endS: 900,
    });
    expect(filmOf(stage({ fan: 1 }))).toBeGreaterThan(filmOf(stage({ fan: 0 })));
    expect(heatStage(stage({ rampFromC: 60, plannedS: 1800 }))).toMatchObject({
      airFromC: 60,
      rampS: 1800,
    });
    expect(heatStage(stage({ place: 'cooler', airC: 2 }), 600)).toMatchObject({
      elsewhere: true,
      airLagS: 0,
    });
  });

  test('a recipe is a piece: diameter, composition, casing', () => {
    const p = heatProduct(recipe, 3);
    expect(p).toMatchObject({ diameterMm: 38, startC: 3 });
    const lean = { ...recipe, meat: recipe.meat.map((m) => ({ ...m, fatFraction: 0.2 })) };
    expect(heatProduct(lean, 3).fatFraction).toBeCloseTo(0.185, 2);
    const plastic = { ...recipe, casing: { ...recipe.casing, kind: 'plastic' as const } };
    expect(heatProduct(plastic, 3).casingPermeability).toBe(0);
  });

  test('a batch that left the load goes by its own stages; what was before stays', () => {
    const bath = stage({ name: 'Bath', place: 'water_bath', airC: 76 });
    const state = stateOf(
      ran(
        [stage({ name: 'Smoke' }), stage({ name: 'Cook' })],
        [60, { kind: 'moved', stage: bath, reason: 'thin' }],
      ),
    );
    expect(runStages(state).map((s) => s.stage.name)).toEqual(['Smoke', 'Bath']);
    expect(stageAt(state, 10 * HOUR + 30 * MIN)!.place).toBe('house');
    expect(stageAt(state, 10 * HOUR + 90 * MIN)).toMatchObject({
      place: 'water_bath',
      index: null,
    });
  });
});

describe('stageProgress', () => {
  test.each([
    ['time not up', {}, 59, {}, false],
    ['time up', {}, 60, {}, true],
    ['core not there', { endCoreC: 69 }, 600, { coreC: 68 }, false],
    ['core there', { endCoreC: 69 }, 5, { coreC: 69 }, true],
    [
      'a warm house below its target has not met it',
      { airC: 50, endCoreC: 69 },
      5,
      { coreC: 40 },
      false,
    ],
    ['nobody knows the core', { endCoreC: 69 }, 5, {}, false],
    ['logs', { ends: { join: 'any', logs: 6.5 } }, 5, { logs: 7 }, true],
    ['either', { ends: { join: 'any', logs: 6.5, afterS: 60 } }, 2, { logs: 0 }, true],
    [
      'both, one missing',
      { ends: { join: 'all', logs: 6.5, coreC: 68 } },
      5,
      { logs: 9, coreC: 60 },
      false,
    ],
    ['both', { ends: { join: 'all', logs: 6.5, coreC: 68 } }, 5, { logs: 9, coreC: 68 }, true],
    ['a dry surface', { ends: { join: 'any', dry: true } }, 5, { dry: true }, true],
    ['weight lost', { ends: { join: 'any', lossFraction: 0.1 } }, 5, { lossFraction: 0.11 }, true],
  ] as [string, Partial<ProgramStage>, number, Partial<StageEvidence>, boolean][])(
    '%s',
    (_, s, minutes, evidence, over) =>
      expect(progress(ran([stage(s)]), minutes, evidence).over).toBe(over),
  );

  test('a pause does not count, an extension does, too long is said', () => {
    const paused = ran(
      [stage({ maxS: 2 * HOUR })],
      [20, { kind: 'run_paused', reason: 'power' }],
      [50, { kind: 'run_resumed' }],
    );
    expect(progress(paused, 80).elapsedS).toBe(50 * MIN);
    expect(progress(paused, 80).over).toBe(false);
    const still = ran([stage()], [20, { kind: 'run_paused', reason: 'power' }]);
    expect(progress(still, 35).paused).toBe(true);
    const longer = ran(
      [stage({ maxS: 2 * HOUR })],
      [30, { kind: 'stage_extended', stageIndex: 0, byS: 1800, reason: 'cold day' }],
    );
    expect(progress(longer, 70).over).toBe(false);
    expect(progress(longer, 91).over).toBe(true);
    expect(progress(longer, 149).tooLong).toBe(false);
    expect(progress(longer, 151).tooLong).toBe(true);
    /* Smoke that went out makes a stage no cooler. */
    expect(progress(longer, 151, { smokelessS: 2 * HOUR })).toMatchObject({
      tooLong: true,
      over: false,
    });
    expect(
      stageProgress(stateOf(ran([stage()], [70, { kind: 'pulled' }])), NOTHING, 12 * HOUR),
    ).toBeNull();
  });
});

describe('alarmsOf', () => {
  type Log = (minutes: number) => number | null;
  const HELD: Line[] = [[11 * 0 + 600, weighed('cure', 38.4, { nitriteFraction: 0.0625 })]];
  const caseOf = (lines: Line[], minutes: number, core: Log, airLog: Log): Case => {
    const series = (log: Log) =>
      Array.from({ length: minutes * 2 }, (_, i) => i / 2).flatMap((m) => {
        const tempC = log(m);
        return tempC === null
          ? []
          : [{ tS: 10 * HOUR + m * MIN, tempC: tempC + (i3(m) ? 0.01 : 0) }];
      });
    return {
      recipe,
      rules: testRules(),
      state: stateOf([...lines, ...HELD].sort((a, b) => a[0] - b[0])),
      series: { 1: series(core), 2: series(airLog) },
      calibrations: { 1: [{ atS: 0, offsetC: 0 }] },
      nowS: 10 * HOUR + minutes * MIN,
    };
  };
  const i3 = (m: number) => Math.round(m * 2) % 2 === 0;
  const codes = (c: Case, over = false, readyS: number | null = null): AlarmCode[] =>
    alarmsOf({ c, nowS: c.nowS, stage: { over, tooLong: false }, readyS }).map((a) => a.code);
  const climbing: Log = (m) => 10 + m * 0.5;
  const steady: Log = () => 80;

  test.each([
    ['all is well', ran([stage({ endCoreC: 70 })]), 60, climbing, steady, []],
    [
      'the fire is out',
      ran([stage({ endCoreC: 70 })]),
      60,
      climbing,
      (m) => (m < 50 ? 80 : 80 - (m - 50) * 2),
      ['fire_out'],
    ],
    [
      'off its set point',
      ran([stage({ endCoreC: 70 })]),
      60,
      climbing,
      () => 68,
      ['air_out_of_band'],
    ],
    [
      'a stall',
      ran([stage({ endCoreC: 70 })]),
      90,
      (m) => 55 - 45 * Math.exp(-m / 10),
      steady,
      ['core_stall'],
    ],
    [
      'near fat-out',
      ran([stage({ endCoreC: 78 })]),
      120,
      (m) => 13 + m * 0.5,
      () => 85,
      ['too_hot'],
    ],
    [
      'silence',
      ran([stage({ endCoreC: 70 })]),
      60,
      (m) => (m < 50 ? climbing(m) : null),
      steady,
      ['no_readings'],
    ],
    [
      'a probe that slid out',
      ran([stage({ endCoreC: 70 })]),
      60,
      (m) => (m < 55 ? climbing(m) : 79.6),
      steady,
      ['probe_slid_out'],
    ],
    [
      'come-up',
      ran([stage({ endCoreC: 70, airC: 52 })]),
      300,
      (m) => Math.min(50, 8 + m * 0.2),
      () => 52,
      ['come_up_running_out'],
    ],
    [
      'cold smoke that is warm',
      ran(
        [stage({ smoke: true, airC: 24, plannedS: 20 * HOUR })],
        [25, { kind: 'smoke_seen', seen: 'thin' }],
      ),
      40,
      () => 20,
      () => 36,
      ['air_out_of_band', 'cold_smoke_warm'],
    ],
    [
      'pulled and left standing',
      ran([stage()], [60, { kind: 'pulled' }]),
      90,
      (m) => (m < 60 ? climbing(m) : 40),
      steady,
      ['cooling_not_started'],
    ],
    [
      'a chill that is too slow',
      ran([stage()], [120, { kind: 'pulled' }], [121, { kind: 'chill_started', medium: 'cooler' }]),
      260,
      (m) => (m < 120 ? 10 + m * 0.5 : 70 - (m - 120) * 0.25),
      steady,
      ['cooling_running_out'],
    ],
  ] as [string, Line[], number, Log, Log, AlarmCode[]][])(
    '%s',
    (_, lines, minutes, core, airLog, expected) =>
      expect(codes(caseOf(lines, minutes, core, airLog)).sort()).toEqual(expected),
  );

  test('a stage that is over and a time that will be missed are told', () => {
    const c = caseOf(ran([stage({ endCoreC: 40 })]), 60, climbing, steady);
    expect(codes(c, true)).toEqual(['target_reached']);
    expect(codes(c, false, 91 * HOUR)).toEqual(['misses_ready_by']);
    expect(codes(c, false, 89 * HOUR)).toEqual([]);
  });

  test('the record hears of an alarm once, of its end once, and of the next one anew', () => {
    const alarm = { code: 'fire_out' as const, rank: 1 as const, figures: {} };
    const first = alarmChanges([], [alarm]);
    expect(first.raise.map((a) => a.key)).toEqual(['fire_out:1']);
    const known = {
      key: 'fire_out:1',
      alarm: 'fire_out',
      figures: {},
      raisedS: 1,
      clearedS: null,
      told: [],
      acknowledged: null,
    };
    expect(alarmChanges([known], [alarm])).toEqual({ raise: [], clear: [] });
    expect(alarmChanges([known], [])).toEqual({ raise: [], clear: ['fire_out:1'] });
    expect(alarmChanges([{ ...known, clearedS: 5 }], [alarm]).raise[0]!.key).toBe('fire_out:2');
  });
});

describe('programTroubles', () => {
  const rules = testRules();
  const find = (stages: ProgramStage[], more: { diameterMm?: number; cured?: boolean } = {}) => {
    const product = {
      diameterMm: more.diameterMm ?? 38,
      startC: 4,
      fatFraction: 0.25,
      waterFraction: 0.57,
    };
    const heat = stages.map((s) => ({ ...heatStage(s), maxS: s.maxS ?? 10 * HOUR }));
    const run = simulateProgram({ product, stages: heat });
    return programTroubles({
      product,
      stages,
      heat,
      run,
      cured: more.cured ?? true,
      poultry: false,
      rules,
    }).map((t) => t.code);
  };
  const dry = stage({ name: 'Dry', kind: 'dry', airC: 55, rh: 0.25, plannedS: 5400 });
  const smoke = stage({
    name: 'Smoke',
    kind: 'smoke',
    smoke: true,
    airC: 65,
    rh: 0.45,
    plannedS: 5400,
  });
  const cook = stage({ name: 'Cook', airC: 82, rh: 0.85, endCoreC: 69 });
  const ice = chillStage('ice_bath', 1800);
  const cooler = chillStage('cooler', 5 * HOUR);

  test.each([
    ['a good program', [dry, smoke, cook, ice, cooler], {}, [], []],
    ['far too hot', [stage({ airC: 95, rh: 0.9, endCoreC: 80 })], {}, ['fat_out'], []],
    ['smoke on a wet skin', [smoke, cook], {}, ['wet_smoke'], []],
    [
      'a dry blast',
      [stage({ name: 'Blast', airC: 90, rh: 0.05, fan: 1, plannedS: 4 * HOUR })],
      { diameterMm: 100 },
      ['case_hardening'],
      [],
    ],
    [
      'a slow thick one',
      [stage({ airC: 52, rh: 0.9, plannedS: 12 * HOUR })],
      { diameterMm: 120 },
      ['come_up'],
      [],
    ],
    ['no cure in the warm', [dry, smoke, cook], { cured: false }, ['uncured_warm'], []],
    [
      'the thumb in the bath',
      [stage({ kind: 'bath', place: 'water_bath', airC: 76, endCoreC: 70 })],
      { diameterMm: 95 },
      ['bath_rule'],
      [],
    ],
    [
      'the thumb on a thin link',
      [stage({ kind: 'bath', place: 'water_bath', airC: 76, endCoreC: 70 })],
      { diameterMm: 24 },
      [],
      ['bath_rule'],
    ],
    [
      'a thick one in the cooler',
      [cook, chillStage('cooler', 20 * HOUR)],
      { diameterMm: 110 },
      ['cooling'],
      [],
    ],
    ['a chill cut short', [cook, chillStage('ice_bath', 300)], { diameterMm: 60 }, ['cooling'], []],
    ['pulled raw', [stage({ endCoreC: 50, airC: 60 })], {}, ['not_lethal'], []],
    [
      'a wet bulb under the target',
      [stage({ airC: 75, rh: 0.15, endCoreC: 72, maxS: 3 * HOUR })],
      {},
      ['stall'],
      ['not_reached'],
    ],
    [
      'not enough time',
      [stage({ airC: 75, rh: 0.9, endCoreC: 70, maxS: 600 })],
      {},
      ['not_reached', 'not_lethal'],
      ['stall'],
    ],
  ] as [string, ProgramStage[], object, TroubleCode[], TroubleCode[]][])(
    '%s',
    (name, stages, more, wanted, unwanted) => {
      const found = find(stages, more);
      for (const code of wanted) expect(found).toContain(code);
      for (const code of unwanted) expect(found).not.toContain(code);
      if (name === 'a good program') expect(found).toEqual([]);
    },
  );
});

describe('designProgram', () => {
  const product = { diameterMm: 38, startC: 4 };

  test('the question of the trade: 6.5 logs within 5 h, never above 74 °C', () => {
    const stages = designProgram(product, { logs: 6.5, withinS: 5 * HOUR, notAboveC: 74 });
    const run = simulateProgram({ product, stages });
    expect(run.stageEnds.at(-1)!.reason).toBe('logs');
    expect(run.samples.at(-1)!.tS).toBeLessThanOrEqual(5 * HOUR);
    expect(Math.max(...run.samples.map((s) => s.coreC))).toBeLessThan(74);
  });

  test('it is the gentlest: a degree less is too late', () => {
    const goal = { coreC: 68, withinS: 2 * HOUR, rh: 0.85 };
    const [cook] = designProgram(product, goal);
    const colder = simulateProgram({ product, stages: [{ ...cook!, airC: cook!.airC - 1.5 }] });
    expect(colder.stageEnds[0]!.reason).toBe('max');
  });

  test.each([
    ['too little time', { logs: 6.5, withinS: 600 }],
    ['a limit below what it takes', { coreC: 72, withinS: 3 * HOUR, notAboveC: 60 }],
    ['a fixed set point that is too low', { coreC: 72, withinS: 3 * HOUR, airC: 60 }],
  ])('%s: nothing does it', (_, goal) =>
    expect(designProgram({ ...product, diameterMm: 60 }, goal)).toEqual([]),
  );

  test('stages before it and a bath are taken as they are', () => {
    const before = [heatStage(stage({ name: 'Smoke', airC: 63, rh: 0.5, plannedS: 2 * HOUR }))];
    const stages = designProgram(product, {
      coreC: 70,
      withinS: 3 * HOUR,
      before,
      medium: 'water',
    });
    expect(stages.map((s) => s.name)).toEqual(['Smoke', 'Cook']);
    expect(stages[1]!.medium).toBe('water');
    const fixed = designProgram(product, { coreC: 60, withinS: 3 * HOUR, airC: 85 });
    expect(fixed[0]!.airC).toBe(85);
  });

  test.each([
    ['no goal', { withinS: HOUR }],
    ['two goals', { logs: 6, coreC: 70, withinS: HOUR }],
    ['no time', { logs: 6, withinS: 0 }],
    ['a core beyond cooking', { coreC: 120, withinS: HOUR }],
  ])('refuses %s', (_, goal) => expect(() => designProgram(product, goal)).toThrow(RangeError));
});

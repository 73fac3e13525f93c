import type { EntryBody } from '../logbook/entry';
import { foldBatch } from '../logbook/fold';
import type { Reading } from '../lethality/reading';
import { wetBulbFromRh } from '../heat/psychrometrics';
import { alarmsOf } from '../house/alarms/alarms';
import type { FermentKnown } from '../house/alarms/ferment-known';
import { stageProgress } from '../run/stage-progress';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { driedRecipe } from '../testing/outcomes';
import { testRules } from '../testing/recipe';
import type { Case } from '../verdict/check';
import { creditedPh } from '../verdict/ferment-view';
import { dryingOf } from './drying-of';
import { fermentOf, fermentTarget, tempoIn } from './ferment-of';

const HOUR = 3600;
const DAY = 24 * HOUR;
const RUN = 12 * HOUR;
const [AIR, WET] = [1, 2];
const recipe = { ...driedRecipe(), drying: { minLossFraction: 0.3 } };

const hourly = (toH: number, tempC: (h: number) => number): Reading[] =>
  Array.from({ length: toH + 1 }, (_, h) => ({ tS: RUN + h * HOUR, tempC: tempC(h) }));

function caseAt(hours: number, more: [number, EntryBody][], series: Case['series'] = {}): Case {
  const lines: Line[] = [
    started(30_000),
    ...recipe.meat.map((m): Line => [60, weighed(m.id, m.share * 30_000)]),
    [RUN, { kind: 'run_started', houseId: 'h' }],
    [RUN, { kind: 'probe_placed', channelId: AIR, what: 'air', thickest: false }],
    [RUN, { kind: 'probe_placed', channelId: WET, what: 'wet_bulb', thickest: false }],
    ...more.map(([h, body]): Line => [RUN + h * HOUR, body]),
  ].sort(([a], [b]) => Number(a) - Number(b)) as Line[];
  return {
    recipe,
    rules: testRules(),
    state: foldBatch(recipe, entriesOf(lines)),
    series,
    calibrations: {},
    nowS: RUN + hours * HOUR,
  };
}
const ph = (h: number, value: number, checked = true): [number, EntryBody] => [
  h,
  { kind: 'ph_logged', ph: value, ...(checked ? { meterCheckedS: RUN + (h - 1) * HOUR } : {}) },
];
const piece = (h: number, name: string, weightG: number): [number, EntryBody] => [
  h,
  { kind: 'piece_weighed', piece: name, weightG },
];

test.each([
  [20, 'slow'],
  [24, 'slow'],
  [27, 'medium'],
  [36, 'fast'],
] as const)('a chamber of %d °C goes with a %s culture', (airC, tempo) =>
  expect(tempoIn(airC)).toBe(tempo),
);

describe('a ferment as its forecast takes it', () => {
  test('nothing before it began; then its readings, its chamber, and the pH that ends it', () => {
    const raw = { ...caseAt(1, []), state: foldBatch(recipe, entriesOf([started(30_000)])) };
    expect(fermentOf(raw)).toBeNull();
    const c = caseAt(2, [ph(0.5, 5.7), ph(1.5, 5.65, false)], { [AIR]: hourly(2, () => 26) });
    const f = fermentOf(c)!;
    expect(f).toMatchObject({ tempo: 'slow', overS: null, ruleReachedS: null, rulePh: 5.3 });
    expect(f.targetPh).toBe(recipe.fermentation!.targetPh);
    expect(f.input.readings).toEqual([
      { tS: RUN + 0.5 * HOUR, ph: 5.7, checked: true },
      { tS: RUN + 1.5 * HOUR, ph: 5.65, checked: false },
    ]);
    expect(f.input.targets).toEqual([...f.input.targets].sort((a, b) => b - a));
    expect(f.input.ahead.tempC).toBe(24);
  });

  test('once it has settled the chamber is as it has been lately', () => {
    const c = caseAt(20, [], { [AIR]: hourly(20, (h) => (h < 12 ? 24 : 26)) });
    expect(fermentOf(c)!.input.ahead.tempC).toBeCloseTo(26, 6);
  });

  test('it is over when its pH is believed, or the next stage has begun; a doubtful meter ends nothing', () => {
    const target = fermentTarget(caseAt(1, []))!;
    expect(fermentOf(caseAt(30, [ph(29, target, false)]))!.overS).toBeNull();
    expect(fermentOf(caseAt(30, [ph(29, target)]))!.overS).toBe(RUN + 29 * HOUR);
    const gone = caseAt(40, [[35, { kind: 'stage_started', stageIndex: 1 }]]);
    expect(fermentOf(gone)!).toMatchObject({ overS: RUN + 35 * HOUR });
    expect(fermentOf(gone)!.input.nowS).toBe(RUN + 35 * HOUR);
  });

  test('what the readings show: the lowest that is believed, opened again by a later one above', () => {
    expect(creditedPh(caseAt(30, []))).toBeNull();
    expect(creditedPh(caseAt(30, [ph(20, 5.2), ph(25, 5.0, false)]))).toBe(5.2);
    expect(creditedPh(caseAt(30, [ph(20, 5.0, false), ph(21, 5.0, false)]))).toBe(5.0);
    expect(creditedPh(caseAt(30, [ph(20, 5.0), ph(21, 5.4)]))).toBe(5.4);
  });
});

test.each([
  [null, false],
  [5.3, false],
  [5.0, true],
  [4.9, true],
])('a stage until pH 5.0 with %p shown is over: %p', (shown, over) => {
  const stages = [
    {
      id: 'f',
      name: 'Ferment',
      kind: 'ferment' as const,
      airC: 24,
      smoke: false,
      plannedS: DAY,
      ends: { join: 'any' as const, ph: 5.0 },
    },
  ];
  const lines: Line[] = [
    started(30_000),
    [RUN, { kind: 'run_started', houseId: 'h', program: { name: 'P', versionId: null, stages } }],
  ];
  const state = foldBatch(recipe, entriesOf(lines));
  const evidence = { coreC: null, logs: null, lossFraction: null, dry: false, ph: shown };
  const progress = stageProgress(state, evidence, RUN + 2 * DAY)!;
  expect(progress.waits).toEqual([{ code: 'ph', target: 5.0, now: shown, met: over }]);
  expect(progress.over).toBe(over);
});

describe('pieces as their forecast takes them', () => {
  const pieces = [piece(0, 'A', 500), piece(0, 'B', 520), piece(72, 'A', 470)];

  test('nothing without a weight; each piece with its own weights', () => {
    expect(dryingOf(caseAt(10, []))).toBeNull();
    const d = dryingOf(caseAt(80, pieces))!;
    expect(d.targetLoss).toBe(0.3);
    expect(d.pieces.map((p) => [p.piece, p.input.weighings.length])).toEqual([
      ['B', 1],
      ['A', 2],
    ]);
    expect(d.humidity).toBe('set');
    expect(d.pieces[0]!.input.ahead).toEqual({ airC: 14, rh: 0.78 });
  });

  test('of many pieces those that lost least are forecast; what is packed dries no more', () => {
    const many = Array.from({ length: 11 }, (_, k) => [
      piece(0, `P${k}`, 500),
      piece(72, `P${k}`, 490 - k),
    ]).flat();
    const d = dryingOf(caseAt(200, [...many, [90, { kind: 'step_done', step: 'pack' }]]))!;
    expect(d.pieces.map((p) => p.piece)).toEqual(['P0', 'P1', 'P2', 'P3', 'P4', 'P5', 'P6', 'P7']);
    expect(d.others).toBe(3);
    expect(d.pieces[0]!.input.nowS).toBe(RUN + 90 * HOUR);
  });

  test('a room with a wet bulb is as it measures', () => {
    const d = dryingOf(
      caseAt(80, pieces, {
        [AIR]: hourly(80, () => 13),
        [WET]: hourly(80, () => wetBulbFromRh(13, 0.7)),
      }),
    )!;
    expect(d.humidity).toBe('measured');
    expect(d.pieces[0]!.input.ahead.rh).toBeCloseTo(0.7, 2);
    expect(d.pieces[0]!.input.air.length).toBeGreaterThan(70);
  });

  test('a night under film has been moist, and says nothing of the days to come', () => {
    const film: [number, EntryBody][] = [
      [20, { kind: 'event_logged', event: 'film_on' }],
      [32, { kind: 'event_logged', event: 'film_off' }],
    ];
    const { input } = dryingOf(caseAt(80, [...pieces, ...film]))!.pieces[0]!;
    const rhAt = (h: number) => input.air.findLast((a) => a.tS <= RUN + h * HOUR)!.rh;
    expect([rhAt(10), rhAt(25), rhAt(40)]).toEqual([0.78, 0.96, 0.78]);
    expect(input.ahead.rh).toBe(0.78);
  });

  test('a piece that is gone is forecast no more', () => {
    const gone: [number, EntryBody] = [75, { kind: 'piece_ended', piece: 'A', why: 'eaten' }];
    const d = dryingOf(caseAt(80, [...pieces, gone]))!;
    expect(d.pieces.map((p) => p.piece)).toEqual(['B']);
  });
});

describe('alarms of a ferment', () => {
  const known = (more: Partial<FermentKnown> = {}): FermentKnown => ({
    ph: 5.0,
    p10S: RUN + 20 * HOUR,
    p50S: RUN + 22 * HOUR,
    alone: false,
    cooled: null,
    degreeHours: { soFar: 100, limit: 667, limitS: RUN + 90 * HOUR, close: false },
    ...more,
  });
  const codes = (
    hours: number,
    ferment: FermentKnown | null,
    readings: [number, EntryBody][] = [],
  ) =>
    alarmsOf({
      c: caseAt(hours, readings, { [AIR]: hourly(hours, () => 24) }),
      nowS: RUN + hours * HOUR,
      stage: { over: false, tooLong: false },
      readyS: null,
      ferment,
    })
      .map((a) => a.code)
      .filter((c) => /ph_|degree/.test(c));

  test.each<[string, number, FermentKnown | null, [number, EntryBody][], string[]]>([
    ['nothing is known', 19, null, [], []],
    ['hours before it comes', 10, known(), [], []],
    ['two hours before it may come', 18, known(), [], ['ph_coming']],
    ['it comes in the night: twelve hours before', 9, known({ alone: true }), [], ['ph_coming']],
    ['it is most likely there', 23, known({ p10S: RUN + 22 * HOUR }), [], ['ph_coming']],
    ['it never comes', 19, known({ p10S: null, p50S: null }), [], []],
    ['sourer than asked', 23, known({ p50S: RUN + 21 * HOUR }), [ph(22.5, 4.8)], ['ph_past']],
    ['as asked', 23, null, [ph(22.5, 4.95)], []],
    [
      'degree-hours nearly gone',
      10,
      known({ degreeHours: { soFar: 520, limit: 667, limitS: null, close: false } }),
      [],
      ['degree_hours_close'],
    ],
    [
      'its late end is beyond them',
      10,
      known({ degreeHours: { soFar: 100, limit: 667, limitS: null, close: true } }),
      [],
      ['degree_hours_close'],
    ],
  ])('%s', (_, hours, ferment, readings, expected) =>
    expect(codes(hours, ferment, readings)).toEqual(expected),
  );

  test('the chamber to set stands in the figures', () => {
    const c = caseAt(18, [], { [AIR]: hourly(18, () => 24) });
    const [alarm] = alarmsOf({
      c,
      nowS: RUN + 18 * HOUR,
      stage: null,
      readyS: null,
      ferment: known({ alone: true, cooled: { tempC: 12, untilS: RUN + 30 * HOUR } }),
    }).filter((a) => a.code === 'ph_coming');
    expect(alarm!.figures).toMatchObject({ alone: 1, coolC: 12, untilS: RUN + 30 * HOUR });
  });
});

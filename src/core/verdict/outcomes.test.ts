import type { ParasiteControl } from '../logbook/kinds/finish';
import type { Recipe } from '../recipe/recipe';
import type { EntryBody } from '../logbook/entry';
import { foldBatch } from '../logbook/fold';
import { refuse } from '../logbook/accept';
import { started, entriesOf, weighed, type Line } from '../testing/batch';
import { driedRecipe, hotRecipe, rawRecipe } from '../testing/outcomes';
import { AIR, CORE, HOUR, MIN, caseOf, openChecks, play, weighing } from '../testing/played';
import { testRules } from '../testing/recipe';
import type { RuleSet } from '../rules/rule';
import type { Case, Series } from './check';
import { lossesOf } from './drying-check';
import { judge } from './judge';

const DAY = 24 * HOUR;
const frozen = (
  over: Partial<Extract<ParasiteControl, { way: 'frozen' }>> = {},
): ParasiteControl => ({
  way: 'frozen',
  thicknessMm: 100,
  atC: -20,
  forS: 25 * DAY,
  ...over,
});
const control = (lineId: string, c: ParasiteControl = frozen()): EntryBody => ({
  kind: 'parasites_controlled',
  lineId,
  lotId: null,
  control: c,
});

function caseIn(recipe: Recipe, lines: readonly Line[], nowS: number, series: Series = {}): Case {
  const inTime = [...lines].sort((a, b) => a[0] - b[0]);
  return {
    recipe,
    rules: testRules(),
    state: foldBatch(recipe, entriesOf(inTime)),
    series,
    calibrations: {},
    nowS,
  };
}
const refusedNow = (c: Case, body: EntryBody) =>
  refuse(c.recipe, c.state, new Map(), { body, happenedS: c.nowS, corrects: null }, c.nowS);

describe('dried, never cooked', () => {
  const recipe = driedRecipe();
  const runS = 12 * HOUR;
  const packS = runS + 22 * DAY;
  /* 30 h in the chamber at 24 °C: 252 of 667 °C·h until its pH, then cold smoke and 20 days at 14 °C. */
  const phS = runS + 30 * HOUR;
  const air = Array.from({ length: 23 * 24 }, (_, i) => {
    const tS = runS + i * HOUR;
    return { tS, tempC: tS <= phS ? 24 : 14 };
  });
  const pieces = ['A', 'B', 'C'];
  const weigh = (tS: number, share: number): Line[] =>
    pieces.map((piece, i): Line => [
      tS + i,
      { kind: 'piece_weighed', piece, weightG: 20 + 400 * share, tareG: 20 },
    ]);
  const good: Line[] = [
    ...weighing(recipe).filter(
      ([, b]) => b.kind !== 'weighed' || ['lean', 'fat', 'cure'].includes(b.lineId),
    ),
    [100, weighed('salt', 700)],
    [110, weighed('dex', 180)],
    [111, weighed('sugar', 120)],
    [112, weighed('culture', 7.5)],
    [120, control('lean')],
    [121, control('fat', { way: 'certified', certificate: 'Herd 12, certificate 881' })],
    [HOUR, { kind: 'cure_hold_started', coolerC: 2 }],
    [10 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }],
    [11 * HOUR, { kind: 'step_done', step: 'stuff', tempC: 3, weightG: 31_000 }],
    ...weigh(runS - 600, 1),
    [runS, { kind: 'run_started', houseId: 'h' }],
    [runS, { kind: 'probe_placed', channelId: AIR, what: 'air', thickest: false }],
    [phS, { kind: 'ph_logged', ph: 5.1, meterCheckedS: phS - HOUR }],
    [phS + 60, { kind: 'stage_started', stageIndex: 1 }],
    [phS + 9 * HOUR, { kind: 'stage_started', stageIndex: 2 }],
    ...weigh(runS + 15 * DAY, 0.75),
    ...weigh(packS - 2 * HOUR, 0.62),
    [packS - HOUR, { kind: 'plan_named', plan: 'Plan 4, 2025, dry stick 24 mm' }, 'Lea'],
    [packS - HOUR, { kind: 'pulled' }],
    [packS, { kind: 'step_done', step: 'pack' }],
  ];
  const of = (lines: readonly Line[], r: Recipe = recipe) =>
    caseIn(r, lines, packS, { [AIR]: air });
  const without = (drop: (b: EntryBody) => boolean) => good.filter(([, b]) => !drop(b));

  test('with its pH, its pork frozen or certified, its loss and its plan it may be signed', () => {
    const c = of(good);
    expect(openChecks(c)).toEqual([]);
    expect(c.state.phase).toBe('to_sign');
    expect(judge(c).checks.map((k) => k.code)).toEqual([
      'dose',
      'ingredients',
      'making',
      'cure_hold',
      'uncured_smoke',
      'fermentation',
      'parasites',
      'drying',
      'validated_plan',
    ]);
  });

  test.each<[string, Line[], string]>([
    [
      'no parasite control at all',
      without((b) => b.kind === 'parasites_controlled'),
      'parasites:not_recorded',
    ],
    [
      'one line of two',
      without((b) => b.kind === 'parasites_controlled' && b.lineId === 'fat'),
      'parasites:not_recorded',
    ],
    ['no plan', without((b) => b.kind === 'plan_named'), 'validated_plan:not_named'],
    ['no pH', without((b) => b.kind === 'ph_logged'), 'fermentation:no_ph'],
    [
      'weighed only once',
      good.filter(([t, b]) => b.kind !== 'piece_weighed' || t < runS),
      'drying:too_few_pieces',
    ],
    [
      'two pieces only',
      without((b) => b.kind === 'piece_weighed' && b.piece === 'C'),
      'drying:too_few_pieces',
    ],
    [
      'not dry yet',
      good.filter(([t, b]) => b.kind !== 'piece_weighed' || t < packS - DAY),
      'drying:not_dry',
    ],
    [
      'pieces mixed up',
      [...good, [packS - 90 * MIN, { kind: 'piece_weighed', piece: 'A', weightG: 400, tareG: 20 }]],
      'drying:piece_gained',
    ],
    [
      'another lot weighed in since',
      [...good, [packS - 60, weighed('lean', 24_000, { lotId: 'lot-2' })]],
      'parasites:another_lot',
    ],
  ])('%s: it stays open', (_name, lines, open) => expect(openChecks(of(lines))).toEqual([open]));

  /** A fourth piece that had come to a share of its weight after fifteen days, and was eaten then. */
  const eaten = (share: number | null): Line[] => [
    ...good,
    [runS - 600, { kind: 'piece_weighed', piece: 'D', weightG: 400 }],
    ...(share === null
      ? []
      : [[runS + 15 * DAY, { kind: 'piece_weighed', piece: 'D', weightG: 400 * share }] as Line]),
    [runS + 16 * DAY, { kind: 'piece_ended', piece: 'D', why: 'eaten' }],
  ];

  test.each<[string, number | null, string[], number]>([
    ['had dried as the others', 0.75, [], 0],
    ['was ahead of them', 0.7, [], 0],
    ['nobody had weighed again', null, [], 0],
    ['lagged far behind: its end makes the batch no drier', 0.97, ['drying:not_dry'], 22],
  ])('a marked piece was eaten that %s', (_what, share, open, lag) => {
    const c = of(eaten(share));
    expect(openChecks(c)).toEqual(open);
    const { figures } = judge(c).checks.find((k) => k.code === 'drying')!;
    expect(figures.find((f) => f.name === 'ended')!.value).toBe(1);
    expect(figures.find((f) => f.name === 'lag')!.value).toBeCloseTo(lag, 0);
  });

  test('a piece that was weighed once hides no lag, and one may be called like anything', () => {
    const fresh: Line = [
      runS + 2 * DAY,
      { kind: 'piece_weighed', piece: 'constructor', weightG: 400 },
    ];
    expect(openChecks(of([...eaten(0.97), fresh]))).toEqual(['drying:not_dry']);
    const { pieceWeights } = of([...good, fresh]).state;
    expect(pieceWeights.constructor).toHaveLength(1);
  });

  test('with a piece gone there must be enough left; what is gone is weighed no more', () => {
    const gone: Line = [packS - HOUR, { kind: 'piece_ended', piece: 'C', why: 'fallen' }];
    const c = of([...good, gone]);
    expect(openChecks(c)).toEqual(['drying:too_few_pieces']);
    const again = (piece: string): EntryBody => ({ kind: 'piece_weighed', piece, weightG: 100 });
    const end = (piece: string): EntryBody => ({ kind: 'piece_ended', piece, why: 'unmarked' });
    const at = of([...without((b) => b.kind === 'step_done' && b.step === 'pack'), gone]);
    expect([again('C'), end('C'), end('Z'), end('A')].map((b) => refusedNow(at, b))).toEqual([
      'piece_gone',
      'piece_gone',
      'no_such_piece',
      null,
    ]);
  });

  test.each<[string, Partial<Extract<ParasiteControl, { way: 'frozen' }>>, boolean]>([
    ['−15 °C for 20 days', { atC: -15, forS: 20 * DAY }, true],
    ['−15 °C for 19 days', { atC: -15, forS: 19 * DAY }, false],
    ['−14 °C for 40 days', { atC: -14, forS: 40 * DAY }, false],
    ['−23.3 °C for 10 days', { atC: -23.3, forS: 10 * DAY }, true],
    ['−28.9 °C for 6 days', { atC: -28.9, forS: 6 * DAY }, true],
    ['thick at −15 °C for 20 days', { atC: -15, forS: 20 * DAY, thicknessMm: 300 }, false],
    ['thick at −15 °C for 30 days', { atC: -15, forS: 30 * DAY, thicknessMm: 300 }, true],
    ['thicker than any row', { atC: -30, forS: 60 * DAY, thicknessMm: 700 }, false],
    ['the middle at −23.3 °C for 63 h', { atC: -23.3, forS: 63 * HOUR, thicknessMm: null }, true],
    ['the middle at −23.3 °C for 62 h', { atC: -23.3, forS: 62 * HOUR, thicknessMm: null }, false],
  ])('frozen at %s', (name, c, ok) => {
    const lines: Line[] = [...good, [130, control('lean', frozen(c))]];
    const refused = name === 'thicker than any row' ? 'too_thick' : 'too_short';
    expect(openChecks(of(lines))).toEqual(ok ? [] : [`parasites:${refused}`]);
  });

  test('game that is not cooked never passes, whatever was frozen', () => {
    const boar: Recipe = {
      ...recipe,
      meat: recipe.meat.map((m) => (m.id === 'lean' ? { ...m, species: 'game' } : m)),
    };
    expect(openChecks(of(good, boar))).toEqual(['parasites:game_needs_cook']);
  });

  test('lethality and cooling stand in for nothing here, and are not asked', () => {
    const c = of(without((b) => b.kind === 'parasites_controlled'));
    expect(judge(c).overall).toBe('missing');
    expect(judge(c).checks.some((k) => ['lethality', 'cooling'].includes(k.code))).toBe(false);
  });

  test.each<[string, EntryBody, string | null]>([
    ['a control of a line that nobody weighed', control('sugar2'), 'unknown_line'],
    ['a control of another lot', { ...control('lean'), lotId: 'x' } as EntryBody, 'other_lot'],
    ['a label', { kind: 'labelled', text: 'cook it' }, 'not_this_outcome'],
    ['served', { kind: 'served' }, 'not_this_outcome'],
    ['a weight of a piece', { kind: 'piece_weighed', piece: 'A', weightG: 100 }, null],
  ])('%s is taken or refused', (_name, body, code) =>
    expect(refusedNow(of(without((b) => b.kind === 'step_done' && b.step === 'pack')), body)).toBe(
      code,
    ),
  );

  test('water activity counts by a meter that was checked', () => {
    const wet: Recipe = { ...recipe, drying: { maxAw: 0.88 } };
    const aw = (value: number, checked: boolean): Line[] => [
      ...good,
      [
        packS - 60,
        { kind: 'aw_logged', aw: value, ...(checked ? { meterCheckedS: packS - HOUR } : {}) },
      ],
    ];
    expect(openChecks(of(good, wet))).toEqual(['drying:no_aw']);
    expect(openChecks(of(aw(0.91, true), wet))).toEqual(['drying:too_wet']);
    expect(openChecks(of(aw(0.87, false), wet))).toEqual(['drying:meter_not_checked']);
    expect(openChecks(of(aw(0.87, true), wet))).toEqual([]);
  });

  test('the piece that lost least stands first', () => {
    const { state } = of([
      ...good,
      [packS - 30, { kind: 'piece_weighed', piece: 'B', weightG: 265, tareG: 20 }],
    ]);
    expect(lossesOf(state).map((l) => [l.piece, Math.round(l.lossFraction * 1000)])).toEqual([
      ['A', 380],
      ['C', 380],
      ['B', 387],
    ]);
  });
});

describe('raw, cooked by who eats it', () => {
  const at = { stuff: 2 * HOUR, pack: 3 * HOUR, freeze: 20 * HOUR };
  const lines = (
    recipe: Recipe,
    o: { stuffC?: number; packC?: number; frozenC?: number; packS?: number; label?: boolean } = {},
  ): Line[] => [
    ...weighing(recipe),
    [
      at.stuff,
      {
        kind: 'step_done',
        step: 'stuff',
        weightG: 31_000,
        ...('stuffC' in o ? { tempC: o.stuffC } : { tempC: 4 }),
      },
    ],
    [
      o.packS ?? at.pack,
      { kind: 'step_done', step: 'pack', ...('packC' in o ? { tempC: o.packC } : { tempC: 3 }) },
    ],
    ...(recipe.name && routeHas(recipe, 'freeze')
      ? ([[at.freeze, { kind: 'step_done', step: 'freeze', tempC: o.frozenC ?? -20 }]] as Line[])
      : []),
    ...(o.label === false
      ? []
      : ([
          [at.pack + 60, { kind: 'labelled', text: 'Raw: cook to 72 °C before eating' }],
        ] as Line[])),
  ];
  const routeHas = (r: Recipe, kind: string) =>
    'route' in r && r.route.some((s) => s.kind === kind);
  const chilled = rawRecipe('chilled');
  const deep = rawRecipe('frozen');

  test.each<[string, Recipe, Parameters<typeof lines>[1], string[]]>([
    ['chilled, cold all the way', chilled, {}, []],
    ['frozen to its middle', deep, {}, []],
    ['too warm at the stuffer', chilled, { stuffC: 9 }, ['cold_chain:too_warm']],
    ['nobody measured it', chilled, { stuffC: undefined }, ['cold_chain:no_temperature']],
    [
      'not measured when packed',
      chilled,
      { packC: undefined, packS: 6 * HOUR },
      ['cold_chain:not_measured_at_pack'],
    ],
    ['raw for two days', chilled, { packS: 48 * HOUR }, ['cold_chain:too_old']],
    ['not frozen to its middle', deep, { frozenC: -9 }, ['cold_chain:not_frozen']],
    ['no label', chilled, { label: false }, ['label:not_labelled']],
  ])('%s', (_name, recipe, o, open) => {
    const c = caseIn(recipe, lines(recipe, o), Math.max(at.freeze, o?.packS ?? 0) + HOUR);
    expect(openChecks(c)).toEqual(open);
    expect(c.state.phase).toBe('to_sign');
  });

  test('a raw product that is to be frozen is not done before it is', () => {
    const c = caseIn(
      deep,
      lines(deep).filter(([, b]) => b.kind !== 'step_done' || b.step !== 'freeze'),
      10 * HOUR,
    );
    expect(c.state.phase).toBe('raw');
    expect(openChecks(c)).toEqual(['cold_chain:running']);
  });

  test('nothing is hung in a house', () => {
    const c = caseIn(chilled, weighing(chilled), HOUR);
    expect(refusedNow(c, { kind: 'run_started', houseId: 'h' })).toBe('nothing_hung');
  });
});

describe('eaten hot', () => {
  const recipe = hotRecipe();
  const p = play({ recipe, cookC: 110, pullC: 74 });
  const until = p.lines.filter(
    ([t, b]) => t <= p.pullS && b.kind !== 'chill_started' && b.kind !== 'step_done',
  );
  const stuffed: Line = [
    11 * HOUR,
    { kind: 'step_done', step: 'stuff', tempC: 4, weightG: 32_000 },
  ];
  const hot = (lines: Line[], nowS: number, series: Series = p.series) =>
    caseOf({ ...p, lines: [...until, stuffed, ...lines] }, { nowS, series: cutAt(series, nowS) });
  const cutAt = (series: Series, tS: number): Series =>
    Object.fromEntries(Object.entries(series).map(([k, l]) => [k, l.filter((r) => r.tS <= tS)]));
  const out: Line = [p.pullS + 60, { kind: 'probe_removed', channelId: CORE, reason: 'served' }];
  const look = (min: number, tempC: number): Line => [
    p.pullS + min * MIN,
    { kind: 'reading_logged', what: 'core', tempC, thickest: true },
  ];

  test('served within the time it may be signed, without any chill', () => {
    const c = hot([out, [p.pullS + HOUR, { kind: 'served' }]], p.pullS + 2 * HOUR);
    expect(openChecks(c)).toEqual([]);
    expect(c.state.phase).toBe('to_sign');
    expect(judge(c).checks.map((k) => k.code)).toContain('serving');
  });

  test('waiting it says until when', () => {
    const c = hot([out], p.pullS + HOUR);
    expect(c.state.phase).toBe('serving');
    expect(openChecks(c)).toEqual(['serving:not_served']);
    const due = judge(c)
      .checks.find((k) => k.code === 'serving')!
      .figures.find((f) => f.name === 'due')!;
    expect(due.value).toBe(p.pullS + 2 * HOUR);
  });

  test('left standing it fails, and is held for a decision: the chill, or the bin', () => {
    const c = hot([out], p.pullS + 3 * HOUR);
    expect(openChecks(c)).toEqual(['serving:left_standing']);
    expect(refusedNow(c, { kind: 'chill_started', medium: 'ice_bath' })).toBeNull();
  });

  test('served too late it cannot be signed', () => {
    const c = hot([out, [p.pullS + 3 * HOUR, { kind: 'served' }]], p.pullS + 4 * HOUR);
    expect(openChecks(c)).toEqual(['serving:served_late']);
  });

  test('kept hot and looked at it may stand longer; one cold look or one silence ends that', () => {
    const held = [60, 115, 170, 225].map((m) => look(m, 62));
    const late: Line = [p.pullS + 4 * HOUR, { kind: 'served' }];
    expect(openChecks(hot([out, ...held, late], p.pullS + 5 * HOUR))).toEqual([]);
    expect(
      openChecks(
        hot(
          [out, look(60, 62), look(115, 50), look(170, 62), look(225, 62), late],
          p.pullS + 5 * HOUR,
        ),
      ),
    ).toEqual(['serving:served_late']);
    expect(openChecks(hot([out, look(60, 62), look(225, 62), late], p.pullS + 5 * HOUR))).toEqual([
      'serving:served_late',
    ]);
  });

  test('once its chill has begun the cooling rule judges it, and serving is over', () => {
    const chilled: Line[] = [
      [p.pullS, { kind: 'chill_started', medium: 'ice_bath' }],
      [p.packS, { kind: 'step_done', step: 'pack' }],
    ];
    const c = hot(chilled, p.packS);
    expect(openChecks(c)).toEqual([]);
    expect(judge(c).checks.map((k) => k.code)).toContain('cooling');
    expect(judge(c).checks.map((k) => k.code)).not.toContain('serving');
    expect(refusedNow(hot(chilled.slice(0, 1), p.pullS + HOUR), { kind: 'served' })).toBe(
      'chill_began',
    );
  });

  test('undercooked it fails, however fast it is eaten', () => {
    const early = play({ recipe, cookC: 110, pullC: 52 });
    const c = caseOf(
      {
        ...early,
        lines: [
          ...early.lines.filter(([t, b]) => t <= early.pullS && b.kind !== 'chill_started'),
          [early.pullS + 600, { kind: 'served' }],
        ],
      },
      { nowS: early.pullS + HOUR, series: cutAt(early.series, early.pullS + 300) },
    );
    expect(openChecks(c)).toContain('lethality:not_reached');
  });
});

test('what a batch of the old kind is asked has not changed', () => {
  const p = play();
  /* It pinned no rule of its making: there was none. */
  const { making: _none, ...rules } = testRules();
  expect(judge(caseOf(p, { rules: rules as RuleSet })).checks.map((k) => k.code)).toEqual([
    'dose',
    'ingredients',
    'cure_hold',
    'uncured_smoke',
    'come_up',
    'lethality',
    'cooling',
    'probe_evidence',
  ]);
  expect(started(1)[0]).toBe(0);
});

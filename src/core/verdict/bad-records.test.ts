import type { Line } from '../testing/batch';
import { weighed } from '../testing/batch';
import {
  AIR,
  caseOf,
  CORE,
  HOUR,
  MIN,
  openChecks,
  play,
  type Played,
  type PlayOptions,
} from '../testing/played';
import {
  add,
  all,
  between,
  coolerLog,
  facts,
  readings,
  unweighed,
  weighedAs,
  without,
  type Spoil,
} from '../testing/spoil';
import { fermentedRecipe, testRecipe, testRules } from '../testing/recipe';
import type { Recipe } from '../recipe/recipe';
import type { EntryBody } from '../logbook/entry';
import { judge } from './judge';

const uncured: Recipe = { ...testRecipe(), cure: null };
const quick: Recipe = {
  ...testRecipe(),
  additions: [
    ...testRecipe().additions,
    { id: 'asc', name: 'Sodium ascorbate', kind: 'accelerator', fraction: 0.0005 },
  ],
};
const poultry = (over: Partial<Recipe>): Recipe => ({ ...testRecipe(), ...over });
const by = (kind: EntryBody['kind'], change: (l: Line, p: Played) => Line): Spoil =>
  facts((l, p) => (l[1].kind === kind ? change(l, p) : l));
const note = (hours: number, what: 'core' | 'air' | 'cooler', tempC: number): Spoil =>
  add(() => [[hours * HOUR, { kind: 'reading_logged', what, tempC, thickest: what === 'core' }]]);
const noHold = without('cure_hold_started', 'cure_hold_ended');
const cooler = (tempC: (h: number) => number): Spoil =>
  coolerLog(5 * MIN, (tS) => tempC(tS / HOUR));
/** After the pull the product goes on warming and cooling as these hours and temperatures say. */
const afterPull =
  (...points: [number, number][]): Spoil =>
  (p) => {
    const core = p.series[CORE]!.filter((r) => r.tS <= p.pullS);
    let [h0, t0] = [0, core.at(-1)!.tempC];
    for (const [h, t] of points) {
      const n = Math.round((h - h0) * 60);
      for (let i = 1; i <= n; i += 1)
        core.push({
          tS: p.pullS + (h0 + ((h - h0) * i) / n) * HOUR,
          tempC: t0 + ((t - t0) * i) / n,
        });
      [h0, t0] = [h, t];
    }
    const packS = p.pullS + h0 * HOUR;
    const lines = p.lines.map(([tS, b, w]): Line => [
      b.kind === 'step_done' && b.step === 'pack' ? packS : tS,
      b,
      w,
    ]);
    return { ...p, packS, lines, series: { ...p.series, [CORE]: core } };
  };
/** The fire goes out two hours into the run and the core stays at 40 °C for so long before it is cooked on. */
const fireOut =
  (hours: number): Spoil =>
  (p) => {
    const atS = p.runS + 3.2 * HOUR;
    const from = p.series[CORE]!.findLast((r) => r.tS <= atS)!.tempC;
    const n = hours * 60;
    const pause = Array.from({ length: n }, (_, i) => ({
      tS: atS + i * MIN,
      tempC:
        i < 60
          ? from + ((40 - from) * i) / 60
          : i > n - 60
            ? 40 + ((from - 40) * (i - n + 60)) / 60
            : 40 + 0.2 * Math.sin(i),
    }));
    const air = Array.from({ length: n }, (_, i) => ({
      tS: atS + i * MIN,
      tempC: i < n - 60 ? 41 : 80,
    }));
    const later = (r: { tS: number; tempC: number }) => ({ ...r, tS: r.tS + hours * HOUR });
    const split = (log: Played['series'][number], middle: typeof pause) => [
      ...log.filter((r) => r.tS < atS),
      ...middle,
      ...log.filter((r) => r.tS >= atS).map(later),
    ];
    return {
      ...p,
      pullS: p.pullS + hours * HOUR,
      packS: p.packS + hours * HOUR,
      lines: p.lines.map(([tS, b, w]): Line => [tS >= p.pullS ? tS + hours * HOUR : tS, b, w]),
      series: {
        ...p.series,
        [CORE]: split(p.series[CORE]!, pause),
        [AIR]: split(p.series[AIR]!, air),
      },
    };
  };
/** Pulled early, left on the table, then cooked on: one more hour at the temperature that it had. */
const secondCook =
  (tableHours: number): Spoil =>
  (p) => {
    const first = p.pullS;
    const again = first + tableHours * HOUR;
    const core = p.series[CORE]!.filter((r) => r.tS <= first);
    const peak = core.at(-1)!.tempC;
    const table = Array.from({ length: tableHours * 60 }, (_, i) => ({
      tS: first + (i + 1) * MIN,
      tempC: Math.max(30, peak - i * 0.4),
    }));
    const up = Array.from({ length: 120 }, (_, i) => ({
      tS: again + (i + 1) * MIN,
      tempC: Math.min(peak, 30 + i * 0.5),
    }));
    const pull2 = again + 2 * HOUR;
    const chill = p.series[CORE]!.filter((r) => r.tS > first).map((r) => ({
      ...r,
      tS: r.tS + pull2 - first,
    }));
    const moved = pull2 - first;
    return {
      ...p,
      pullS: pull2,
      packS: p.packS + moved,
      lines: [
        ...p.lines.map(([tS, b, w]): Line => [tS > first ? tS + moved : tS, b, w]),
        [first + MIN, { kind: 'held', source: 'rule', check: 'lethality', reason: 'x' }],
        [
          again,
          {
            kind: 'disposed',
            disposition: 'cook_on',
            reason: 'too few logs',
            checks: ['lethality'],
          },
        ],
        [pull2, { kind: 'pulled' }],
        [pull2, { kind: 'chill_started', medium: 'ice_bath' }],
      ],
      series: {
        ...p.series,
        [CORE]: [...core, ...table, ...up, ...chill],
        [AIR]: p.series[AIR]!.filter((r) => r.tS <= first),
      },
    };
  };

type Bad = [name: string, expected: string | RegExp, options: PlayOptions, spoil: Spoil];
const dose: Bad[] = [
  [
    'the top of the band is over the limit',
    'dose:band_over_limit',
    {},
    weighedAs('cure', { amountG: 74.4, scaleResolutionG: 2 }),
  ],
  [
    'a 1 g scale for a 3 g dose',
    'dose:scale_too_coarse',
    {},
    all(
      weighedAs('lean', { amountG: 1_200 }),
      weighedAs('fat', { amountG: 300 }),
      weighedAs('cure', { amountG: 3, scaleResolutionG: 1 }),
      by('cure_checked', ([t, b, w]) => [
        t,
        { ...(b as Extract<EntryBody, { kind: 'cure_checked' }>), readingG: 3 },
        w,
      ]),
    ),
  ],
  [
    'the second person is the first',
    'dose:same_person',
    {},
    by('cure_checked', ([t, b]) => [t, b]),
  ],
  [
    'the finer second scale disagrees',
    'dose:check_differs',
    {},
    all(
      weighedAs('cure', { scaleResolutionG: 5 }),
      by('cure_checked', ([t, b, w]) => [
        t,
        {
          ...(b as Extract<EntryBody, { kind: 'cure_checked' }>),
          readingG: 62,
          scaleResolutionG: 0.1,
        },
        w,
      ]),
    ),
  ],
  ['no second look', 'dose:not_checked', {}, without('cure_checked')],
  [
    'another strength of cure',
    'dose:under_limit',
    {},
    weighedAs('cure', { nitriteFraction: 0.006 }),
  ],
  ['salt was never weighed', 'ingredients:not_weighed', {}, unweighed('salt')],
  [
    'pepper and water were never weighed',
    'ingredients:not_weighed',
    {},
    unweighed('pepper', 'water'),
  ],
];
const holds: Bad[] = [
  ['never ended', 'cure_hold:not_ended', {}, without('cure_hold_ended')],
  [
    'a cooler at 9 °C for three hours',
    'cure_hold:too_warm',
    {},
    cooler((h) => (h > 4 && h < 7 ? 9 : 2)),
  ],
  ['a hand reading of 8 °C inside it', 'cure_hold:too_warm', {}, note(5, 'cooler', 8)],
  [
    'four minutes long',
    'cure_hold:too_short',
    {},
    by('cure_hold_ended', ([, b]) => [HOUR + 4 * MIN, b]),
  ],
  [
    'two stretches that are too short together',
    'cure_hold:too_short',
    {},
    all(
      by('cure_hold_ended', ([, b]) => [3 * HOUR, b]),
      add(() => [
        [8 * HOUR, { kind: 'cure_hold_started', coolerC: 2 }],
        [10 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }],
      ]),
    ),
  ],
  [
    'longer than the recipe allows',
    'cure_hold:too_long',
    { recipe: { ...testRecipe(), process: { ...testRecipe().process, cureHoldMaxS: 6 * HOUR } } },
    (p) => p,
  ],
  [
    'the accelerator that waives it was not weighed',
    'cure_hold:accelerator_not_weighed',
    { recipe: quick },
    noHold,
  ],
  [
    'too little of it was weighed',
    'cure_hold:not_started',
    { recipe: quick },
    all(
      noHold,
      add(() => [[130, weighed('asc', 3)]]),
    ),
  ],
];
const growth: Bad[] = [
  ['a fire that went out for five hours', 'come_up:too_slow', {}, fireOut(5)],
  [
    'logs before and after a stay at 40 °C',
    'lethality:not_reached',
    { pullC: 58.5, cookC: 82 },
    fireOut(3),
  ],
  [
    'four hours on the table between two cooks',
    /come_up:too_slow|lethality:/,
    { pullC: 58.5 },
    secondCook(5),
  ],
  [
    'a start that was moved to hide the come-up',
    'come_up:too_slow',
    {},
    all(
      (p) => ({
        ...p,
        series: {
          ...p.series,
          [CORE]: [
            ...Array.from({ length: 50 }, (_, i) => ({
              tS: p.runS - 5 * HOUR + i * 6 * MIN,
              tempC: 4 + i * 0.5,
            })),
            ...p.series[CORE]!.map((r) => ({
              ...r,
              tempC: r.tS < p.pullS ? Math.max(r.tempC, 29) : r.tempC,
            })),
          ],
        },
      }),
      facts((l, p) =>
        l[1].kind === 'probe_placed' && l[1].channelId === CORE ? [p.runS - 5 * HOUR, l[1]] : l,
      ),
    ),
  ],
  [
    'uncured, 18 °C at stuffing',
    'uncured_smoke:too_slow',
    { recipe: uncured },
    by('step_done', ([t, b, w]) =>
      b.kind === 'step_done' && b.step === 'stuff' ? [8 * HOUR, { ...b, tempC: 18 }, w] : [t, b, w],
    ),
  ],
  [
    'uncured, 15 °C by hand before the house',
    'uncured_smoke:too_slow',
    { recipe: uncured },
    all(note(8, 'core', 15), note(11.5, 'core', 15)),
  ],
  [
    'uncured, warm when it was hung and nobody knows since when',
    'uncured_smoke:too_slow',
    { recipe: uncured, startC: 14 },
    by('step_done', ([t, b, w]) =>
      b.kind === 'step_done' && b.step === 'stuff'
        ? [t, { kind: 'step_done', step: 'stuff' }, w]
        : [t, b, w],
    ),
  ],
  [
    'uncured, smoked in air that was measured at 24 °C',
    'uncured_smoke:cold_smoke',
    { recipe: uncured },
    all(
      readings(AIR, (r, p) => (r.tS < p.runS + HOUR ? { ...r, tempC: 24 } : r)),
      by('run_started', ([t, b, w]) => [
        t,
        {
          ...(b as Extract<EntryBody, { kind: 'run_started' }>),
          program: {
            name: 'Hot',
            versionId: null,
            stages: [
              { id: 's', name: 'Smoke', kind: 'smoke', airC: 82, smoke: true, plannedS: 7200 },
            ],
          },
        },
        w,
      ]),
    ),
  ],
];
const chill: Bad[] = [
  [
    'a re-warming that would restart the clock',
    /cooling:/,
    {},
    afterPull([0.5, 45], [1.4, 60], [2, 25], [4, 3], [5, 3]),
  ],
  ['a later maximum', /cooling:/, {}, afterPull([2, 40], [2.3, 75], [2.6, 20], [5, 3], [6, 3])],
  [
    'warm again for six hours after it was cold',
    'cooling:too_slow_2',
    {},
    afterPull([0.5, 20], [2, 3], [3, 15], [9, 15], [10, 3], [11, 3]),
  ],
  ['warm again at the end', 'cooling:incomplete', {}, afterPull([0.5, 20], [2, 3], [3, 12])],
  ['never cold', 'cooling:incomplete', {}, afterPull([0.5, 20], [3, 9])],
  ['slow at first', 'cooling:too_slow_1', {}, afterPull([2.5, 30], [5, 3], [6, 3])],
];
const birds: Bad[] = [
  [
    'chicken skin as an addition',
    'lethality:not_reached',
    {
      recipe: poultry({
        additions: [
          ...testRecipe().additions,
          { id: 's', name: 'Chicken skin', kind: 'inclusion', fraction: 0.1 },
        ],
      }),
    },
    add(() => [[130, weighed('s', 3_000)]]),
  ],
  [
    'duck fat in the block',
    'lethality:not_reached',
    {
      recipe: poultry({
        meat: [testRecipe().meat[0]!, { id: 'fat', name: 'Duck fat', species: 'pork', share: 0.2 }],
      }),
    },
    (p) => p,
  ],
  [
    'an inclusion of poultry by its species',
    'lethality:not_reached',
    {
      recipe: poultry({
        additions: [
          ...testRecipe().additions,
          { id: 's', name: 'Smoked bits', kind: 'inclusion', species: 'poultry', fraction: 0.1 },
        ],
      }),
    },
    add(() => [[130, weighed('s', 3_000)]]),
  ],
];

test.each([...dose, ...holds, ...growth, ...chill])('%s: %s', (_, expected, options, spoil) => {
  const c = caseOf(spoil(play(options)));
  const open = openChecks(c);
  expect(open.some((k) => (typeof expected === 'string' ? k === expected : expected.test(k)))).toBe(
    true,
  );
  expect(judge(c).overall).not.toBe('pass');
});

test.each(birds)(
  'poultry anywhere asks for its own end point: %s',
  (_, expected, options, spoil) => {
    const rules = testRules({ lethality: 'lethality-end-point' });
    const at72: PlayOptions = { pullC: 72.5, keepS: 600, ...options };
    expect(openChecks(caseOf(spoil(play(at72)), { rules }))).toContain(expected);
    expect(openChecks(caseOf(play({ ...at72, recipe: testRecipe() }), { rules }))).toEqual([]);
  },
);

test('the cured cooling rule asks for the accelerator that was weighed', () => {
  const rules = testRules({ cooling: 'cooling-cured' });
  const p = play({ recipe: quick, cooled: 'air' });
  const withIt = add(() => [[130, weighed('asc', 15)]])(p);
  expect(openChecks(caseOf(p, { rules }))).toContain('cooling:rule_not_allowed');
  expect(openChecks(caseOf(withIt, { rules }))).toEqual([]);
});

describe('a dose on the whole batch', () => {
  const rules = testRules({ dose: 'dose-eu-2025' });
  const whole = {
    ...rules,
    dose: { ...rules.dose, body: { ...rules.dose.body, basis: 'whole_batch' as const } },
  };
  test('is not diluted by a line that was weighed far from its target', () => {
    const c = caseOf(weighedAs('water', { amountG: 6_000 })(play()), { rules: whole });
    expect(openChecks(c)).toContain('dose:line_far_off');
    const sure = caseOf(weighedAs('water', { amountG: 6_000, confirmed: true })(play()), {
      rules: whole,
    });
    expect(openChecks(sure)).toEqual([]);
  });
});

describe('fermentation', () => {
  const START = 1_800_000_000;
  const facts_ = (lines: Line[], nowH: number) => {
    const p: Played = {
      ...play(),
      recipe: fermentedRecipe(),
      series: {},
      lines: [
        [START, { kind: 'run_started', houseId: 'h' }],
        ...lines.map(([h, b]): Line => [START + h * HOUR, b]),
      ],
    };
    return openChecks(caseOf(p, { nowS: START + nowH * HOUR })).filter((k) =>
      k.startsWith('fermentation'),
    );
  };
  const air = (toH: number, tempC: number) =>
    Array.from({ length: toH + 1 }, (_, i): Line => [
      i,
      { kind: 'reading_logged', what: 'air', tempC, thickest: false },
    ]);
  const ph = (h: number, value: number, meterCheckedS?: number): Line => [
    h,
    { kind: 'ph_logged', ph: value, ...(meterCheckedS ? { meterCheckedS } : {}) },
  ];

  test.each<[string, Line[], number, string[]]>([
    ['one reading proves no pH', [...air(20, 30), ph(18, 5.1)], 20, ['fermentation:shown_once']],
    [
      'two within five minutes are one',
      [...air(20, 30), ph(18, 5.1), ph(18.05, 5.1)],
      20,
      ['fermentation:shown_once'],
    ],
    [
      'a later higher one opens it again',
      [...air(20, 30), ph(17, 5.2), ph(17.5, 5.2), ph(19, 5.5)],
      20,
      ['fermentation:running'],
    ],
    [
      'warm for three days after the pH',
      [...air(90, 24), ph(14, 5.2), ph(14.5, 5.2)],
      90,
      ['fermentation:warm_too_long'],
    ],
    ['two some time apart count', [...air(20, 30), ph(17.7, 5.2), ph(18, 5.1)], 20, []],
    [
      'one of a meter that was checked today counts',
      [...air(20, 30), ph(18, 5.1, START + 10 * HOUR)],
      20,
      [],
    ],
    [
      'one of a meter that was checked last week does not',
      [...air(20, 30), ph(18, 5.1, START - 150 * HOUR)],
      20,
      ['fermentation:shown_once'],
    ],
  ])('%s', (_, lines, nowH, expected) => expect(facts_(lines, nowH)).toEqual(expected));

  test('the chamber is its warmest channel, never the mean of two', () => {
    const recipe = fermentedRecipe();
    const log = (tempC: number) =>
      Array.from({ length: 33 }, (_, i) => ({ tS: START + i * HOUR, tempC }));
    const p: Played = {
      ...play(),
      recipe,
      series: { 1: log(20), 2: log(38) },
      lines: [
        [START, { kind: 'run_started', houseId: 'h' }],
        ...[1, 2].map((channelId): Line => [
          START,
          { kind: 'probe_placed', channelId, what: 'air', thickest: false },
        ]),
        [START + 31 * HOUR, { kind: 'ph_logged', ph: 5.2 }],
        [START + 31.5 * HOUR, { kind: 'ph_logged', ph: 5.2 }],
      ],
    };
    expect(openChecks(caseOf(p, { nowS: START + 32 * HOUR }))).toContain('fermentation:over_limit');
  });
});

test('what is read between two logs of a probe is not filled in', () => {
  const c = caseOf(
    between(
      CORE,
      (p) => [p.pullS - 50 * MIN, p.pullS - 30 * MIN],
      () => null,
    )(play()),
  );
  expect(openChecks(c)).toEqual(['probe_evidence:gaps']);
});

import type { Recipe } from '../recipe/recipe';
import type { EntryBody } from '../logbook/entry';
import { routeOf, withRoute } from '../route/adapter';
import { refuse } from '../logbook/accept';
import { foldBatch } from '../logbook/fold';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { HOUR, MIN } from '../testing/played';
import { testRecipe, testRules } from '../testing/recipe';
import type { Case } from './check';
import { judge } from './judge';
import { checkMaking } from './making-check';

/** The test recipe with a grinder pass that asks for its temperature. */
const recipe: Recipe = (() => {
  const plain = testRecipe();
  return withRoute(
    plain,
    routeOf(plain).map((s) => (s.kind === 'grind' ? { ...s, measured: true as const } : s)),
  );
})();
const idOf = (kind: string) => routeOf(recipe).find((s) => s.kind === kind)!.id;
const [GRIND, MIX] = ['grind', 'mix'].map(idOf) as [string, string];
const MEAT: Line[] = [started(10_000), [0, weighed('lean', 8_000)], [1, weighed('fat', 2_000)]];
const REST: Line[] = [
  [2, weighed('cure', 20, { nitriteFraction: 0.0625 })],
  [4, weighed('salt', 161)],
  [5, weighed('pepper', 30)],
  [6, weighed('water', 500)],
];
const stuffed: Line = [90 * MIN, { kind: 'step_done', step: 'stuff', tempC: 4 }];
const tick = (stepId: string, more: object = {}): EntryBody => ({
  kind: 'step_ticked',
  stepId,
  ...more,
});

const caseOf = (lines: Line[], nowS = 2 * HOUR, of: Recipe = recipe): Case => ({
  recipe: of,
  rules: testRules(),
  state: foldBatch(of, entriesOf([...MEAT, ...REST, ...lines])),
  series: {},
  calibrations: {},
  nowS,
});
const found = (lines: Line[], nowS?: number, of?: Recipe) => {
  const k = checkMaking(caseOf(lines, nowS, of))!;
  return `${k.status}:${k.because}`;
};

test('made cold, measured where the way asks, stuffed', () =>
  expect(found([[20 * MIN, tick(GRIND, { beforeC: 0, tempC: 3 })], stuffed])).toBe('pass:made'));

test.each<[string, Line[], string]>([
  [
    'a pass that asks for a temperature has none',
    [[MIN, tick(GRIND)], stuffed],
    'missing:not_measured',
  ],
  ['it was never ticked', [stuffed], 'missing:not_measured'],
  [
    'somebody says why',
    [
      [MIN, tick(GRIND)],
      [2 * MIN, { kind: 'reminder_answered', key: `measure:${GRIND}:0:e7`, text: 'probe broke' }],
      stuffed,
    ],
    'pass:made',
  ],
  [
    'a pass that was skipped asks for none',
    [[MIN, tick(GRIND, { skipped: 'bought ground' })], stuffed],
    'pass:made_with_deviations',
  ],
  [
    'over the usual: said, and it passes',
    [[MIN, tick(GRIND, { tempC: 5 })], stuffed],
    'pass:made_with_deviations',
  ],
  ['over the stop: a person decides', [[MIN, tick(GRIND, { tempC: 9 })], stuffed], 'fail:too_warm'],
  [
    'over the stop, chilled before it went on',
    [[MIN, tick(GRIND, { tempC: 9 })], [20 * MIN, tick(MIX, { beforeC: 2, tempC: 3.5 })], stuffed],
    'pass:made_with_deviations',
  ],
  [
    'over the stop, and on as it was',
    [[MIN, tick(GRIND, { tempC: 9 })], [20 * MIN, tick(MIX, { beforeC: 8, tempC: 9 })], stuffed],
    'fail:too_warm',
  ],
  [
    'two hours out are no matter, five are',
    [
      [MIN, tick(GRIND, { tempC: 3 })],
      [5 * HOUR, { kind: 'step_done', step: 'stuff' }],
    ],
    'fail:raw_too_long',
  ],
  [
    'five hours with a cold reading between',
    [
      [MIN, tick(GRIND, { tempC: 3 })],
      [3 * HOUR, tick(MIX, { tempC: 3 })],
      [5 * HOUR, { kind: 'step_done', step: 'stuff' }],
    ],
    'pass:made',
  ],
  [
    'a spoonful broke',
    [
      [MIN, tick(GRIND, { tempC: 3 })],
      [
        30 * MIN,
        { kind: 'trial_cooked', beforeG: 25, afterG: 20, salt: 3, heat: 3, bind: 'broken' },
      ],
      stuffed,
    ],
    'fail:broken',
  ],
  [
    'it broke, was mended, and the next one holds',
    [
      [MIN, tick(GRIND, { tempC: 3 })],
      [
        30 * MIN,
        { kind: 'trial_cooked', beforeG: 25, afterG: 20, salt: 3, heat: 3, bind: 'broken' },
      ],
      [
        40 * MIN,
        { kind: 'trial_cooked', beforeG: 25, afterG: 24, salt: 3, heat: 3, bind: 'holds' },
      ],
      stuffed,
    ],
    'pass:made',
  ],
  [
    'a bowl without its water',
    [
      [MIN, tick(GRIND, { tempC: 3 })],
      [30 * MIN, { kind: 'bowl_weighed', grossG: 12_200, tareG: 2_000, scaleResolutionG: 10 }],
      stuffed,
    ],
    'missing:bowl_light',
  ],
  [
    'a bowl with all of it',
    [
      [MIN, tick(GRIND, { tempC: 3 })],
      [30 * MIN, { kind: 'bowl_weighed', grossG: 12_650, tareG: 2_000, scaleResolutionG: 10 }],
      stuffed,
    ],
    'pass:made',
  ],
  [
    'a bowl without its water, and why',
    [
      [MIN, tick(GRIND, { tempC: 3 })],
      [30 * MIN, { kind: 'bowl_weighed', grossG: 12_200, tareG: 2_000, scaleResolutionG: 10 }],
      [31 * MIN, { kind: 'reminder_answered', key: `bowl:0:${30 * MIN}`, text: 'water spilled' }],
      stuffed,
    ],
    'pass:made_with_deviations',
  ],
])('%s', (_, lines, wanted) => expect(found(lines, 6 * HOUR)).toBe(wanted));

test('too warm out of a pass: it waits for the cold, and nobody is asked to decide yet', () => {
  expect(found([[MIN, tick(GRIND, { tempC: 9 })]], HOUR)).toBe('missing:chill_first');
  expect(
    found(
      [
        [MIN, tick(GRIND, { tempC: 9 })],
        [20 * MIN, tick(MIX, { beforeC: 9 })],
      ],
      HOUR,
    ),
  ).toBe('fail:too_warm');
});
test('a spoonful that lost much is asked about, whatever it was called', () => {
  const trial = (at: number, afterG: number): Line => [
    at,
    { kind: 'trial_cooked', beforeG: 25, afterG, salt: 3, heat: 3, bind: 'holds' },
  ];
  const made: Line[] = [[MIN, tick(GRIND, { tempC: 3 })], stuffed];
  expect(found([...made, trial(30 * MIN, 21)])).toBe('missing:trial_lost');
  expect(found([...made, trial(30 * MIN, 21), trial(40 * MIN, 24)])).toBe('pass:made');
  const [first] = caseOf([...made, trial(30 * MIN, 21)]).state.trials;
  const said: Line = [
    41 * MIN,
    { kind: 'reminder_answered', key: `trial:${first!.entryId}`, text: 'fell apart in the pan' },
  ];
  expect(found([...made, trial(30 * MIN, 21), said])).toBe('pass:made');
});
test('not made yet', () => expect(found([], HOUR)).toBe('missing:running'));

test('while it is being made and out for too long it asks to be chilled, and blocks nothing yet', () =>
  expect(found([[MIN, tick(GRIND, { tempC: 9 })]], 5 * HOUR)).toBe('missing:out_too_long'));

test('not cured, two hours are the most', () => {
  const fresh: Recipe = { ...recipe, cure: null };
  const late: Line = [2.5 * HOUR, { kind: 'step_done', step: 'stuff' }];
  expect(found([[MIN, tick(GRIND, { tempC: 3 })], late], 3 * HOUR, fresh)).toBe(
    'fail:raw_too_long',
  );
});

test('a batch that pinned no such rule is not asked', () => {
  const c = caseOf([stuffed]);
  const { making: _none, ...rules } = c.rules;
  expect(checkMaking({ ...c, rules: rules as Case['rules'] })).toBeNull();
});

test('what a release lead decides about it settles it, until it gets worse', () => {
  const warm: Line[] = [[MIN, tick(GRIND, { tempC: 9 })], stuffed];
  const decided: Line[] = [
    [95 * MIN, { kind: 'held', source: 'rule', check: 'making', reason: 'too warm' }],
    [
      96 * MIN,
      {
        kind: 'disposed',
        disposition: 'continue',
        reason: 'no smear in the trial',
        checks: ['making'],
      },
    ],
  ];
  const open = (lines: Line[]) => {
    const v = judge(caseOf(lines));
    return (
      v.checks.find((k) => k.code === 'making')!.status === 'fail' && !v.decided.includes('making')
    );
  };
  expect(open(warm)).toBe(true);
  expect(open([...warm, ...decided])).toBe(false);
  expect(open([...warm, ...decided, [97 * MIN, tick(MIX, { tempC: 12 })]])).toBe(true);
});

describe('what the logbook refuses', () => {
  const refused = (lines: Line[], body: EntryBody) =>
    refuse(
      recipe,
      foldBatch(recipe, entriesOf([...MEAT, ...lines])),
      new Map(),
      { body, happenedS: HOUR, corrects: null },
      HOUR,
    );
  const inTwo: Line = [3, { kind: 'loads_set', loads: 2 }];
  test.each<[string, Line[], EntryBody, string | null]>([
    ['a step twice', [[5, tick(GRIND)]], tick(GRIND), 'already_ticked'],
    ['another pass of it', [[5, tick(GRIND)]], tick(GRIND, { pass: 1 }), null],
    ['one load after the whole', [inTwo, [5, tick(MIX)]], tick(MIX, { load: 1 }), 'already_ticked'],
    ['the other load', [inTwo, [5, tick(MIX, { load: 1 })]], tick(MIX, { load: 2 }), null],
    ['a load that there is not', [inTwo], tick(MIX, { load: 3 }), 'unknown_load'],
    [
      'the same addition from two tablets',
      [[5, { kind: 'addition_ticked', lineId: 'pepper' }]],
      { kind: 'addition_ticked', lineId: 'pepper' },
      'already_added',
    ],
    [
      'another portion',
      [[5, { kind: 'addition_ticked', lineId: 'water', portion: 1 }]],
      { kind: 'addition_ticked', lineId: 'water', portion: 2 },
      null,
    ],
    [
      'all of it after a portion',
      [[5, { kind: 'addition_ticked', lineId: 'water', portion: 1 }]],
      { kind: 'addition_ticked', lineId: 'water' },
      'already_added',
    ],
    ['a line of another recipe', [], { kind: 'addition_ticked', lineId: 'sage' }, 'unknown_line'],
    [
      'loads after a dose was weighed',
      [[5, weighed('pepper', 30)]],
      { kind: 'loads_set', loads: 2 },
      'loads_late',
    ],
    ['a share without its load', [inTwo], weighed('pepper', 15), 'load_first'],
    ['meat by the load at first', [inTwo], weighed('lean', 15, { load: 1 }), 'unknown_load'],
    ['more meat for one load', [inTwo], weighed('lean', 15, { load: 1, more: true }), null],
    ['a line twice', [[5, weighed('pepper', 30)]], weighed('pepper', 30), 'already_weighed'],
    ['more of a line', [[5, weighed('pepper', 30)]], weighed('pepper', 3, { more: true }), null],
    ['another pepper', [], weighed('pepper', 30, { standIn: 'White pepper, coarse' }), null],
    ['marjoram for pepper', [], weighed('pepper', 30, { standIn: 'Marjoram' }), 'other_ingredient'],
    ['salt by another name', [], weighed('salt', 30, { standIn: 'Sea salt' }), 'other_ingredient'],
    [
      'a trial of a load that there is not',
      [],
      { kind: 'trial_cooked', load: 2, beforeG: 25, afterG: 24, salt: 3, heat: 3, bind: 'holds' },
      'unknown_load',
    ],
    [
      'a culture that the recipe has not',
      [],
      { kind: 'culture_started', lineId: 'pepper' },
      'unknown_line',
    ],
    [
      'an answer twice',
      [[5, { kind: 'reminder_answered', key: 'turn:5', text: 'done' }]],
      { kind: 'reminder_answered', key: 'turn:5', text: 'done' },
      'already_answered',
    ],
  ])('%s', (_, lines, body, why) => expect(refused(lines, body)).toBe(why));
});

describe('the dose of a batch that is made in loads', () => {
  const inLoads = (first: number, second: number, looks = true): Line[] => [
    [3, { kind: 'loads_set', loads: 2 }],
    [4, weighed('cure', first, { nitriteFraction: 0.0625, load: 1 })],
    [5, weighed('cure', second, { nitriteFraction: 0.0625, load: 2 })],
    ...(looks
      ? ([
          [
            6,
            { kind: 'cure_checked', weighedId: 'e4', readingG: first, method: 'second_person' },
            'Ben',
          ],
          [
            7,
            { kind: 'cure_checked', weighedId: 'e5', readingG: second, method: 'second_person' },
            'Ben',
          ],
        ] as Line[])
      : []),
  ];
  const dose = (lines: Line[]) => {
    const c = { ...caseOf([]), state: foldBatch(recipe, entriesOf([...MEAT, ...lines])) };
    const k = judge(c).checks.find((x) => x.code === 'dose')!;
    return `${k.status}:${k.because}`;
  };
  test('each its share: passes once both were looked at', () => {
    expect(dose(inLoads(10, 10))).toBe('pass:second_person');
    expect(dose(inLoads(10, 10, false))).toBe('missing:not_checked');
    expect(dose(inLoads(10, 10).slice(0, -1))).toBe('missing:not_checked');
  });
  test('right in the sum, and wrong in each: fails', () =>
    expect(dose(inLoads(14, 6))).toMatch(/^fail:/));
  test('a load with more meat than the other is judged by its own', () => {
    const heavier: Line = [8, weighed('lean', 1_500, { more: true, load: 2 })];
    expect(dose([...inLoads(10, 10), heavier])).toMatch(/^fail:under_limit/);
    expect(dose([...inLoads(10, 13), heavier])).toBe('pass:second_person');
  });
  test('the second load is not weighed yet: the cure is missing, not too little', () =>
    expect(dose(inLoads(10, 10, false).slice(0, -1))).toBe('missing:cure_not_weighed'));
  test('two lots of different strength count by what each brought', () => {
    const lots: Line[] = [
      [4, weighed('cure', 10, { nitriteFraction: 0.0625 })],
      [5, weighed('cure', 10, { nitriteFraction: 0.05, more: true })],
    ];
    const c = { ...caseOf([]), state: foldBatch(recipe, entriesOf([...MEAT, ...lots])) };
    const ppm = judge(c)
      .checks.find((x) => x.code === 'dose')!
      .figures.find((f) => f.name === 'ppm')!;
    expect(ppm.value).toBeCloseTo(112.5, 6);
  });
});

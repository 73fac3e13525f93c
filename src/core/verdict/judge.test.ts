import type { CheckCode } from '../logbook/check-code';
import { foldBatch } from '../logbook/fold';
import type { Reading } from '../lethality/reading';
import type { RuleSet } from '../rules/rule';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { testRecipe, testRules } from '../testing/recipe';
import type { CheckStatus } from './check';
import { holdsDue, judge } from './judge';

const HOUR = 3600;
const START = started(30_000);
const DOSE: Line[] = [
  [60, weighed('lean', 24_000)],
  [70, weighed('fat', 6_000)],
  [80, weighed('cure', 60, { nitriteFraction: 0.0625 })],
  [90, { kind: 'cure_checked', weighedId: 'e3', readingG: 60, method: 'second_person' }, 'Ben'],
];
const HOLD: Line[] = [
  [HOUR, { kind: 'cure_hold_started', coolerC: 2 }],
  [10 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }],
];
const RUN: Line[] = [
  [12 * HOUR, { kind: 'run_started', houseId: 'h' }],
  [12 * HOUR, { kind: 'probe_placed', channelId: 1, what: 'core', thickest: true }],
];
const PULL: Line[] = [
  [16 * HOUR, { kind: 'pulled' }],
  [16 * HOUR, { kind: 'chill_started', medium: 'ice_bath' }],
];
const PACK: Line = [24 * HOUR, { kind: 'step_done', step: 'pack' }];
const WHOLE = [START, ...DOSE, ...HOLD, ...RUN, ...PULL, PACK];

/** Straight lines through points given in hours, a reading a minute. */
function curve(...points: [number, number][]): Reading[] {
  const out: Reading[] = [];
  for (let i = 1; i < points.length; i += 1) {
    const [h0, a] = points[i - 1]!;
    const [h1, b] = points[i]!;
    const n = Math.round((h1 - h0) * 60);
    for (let k = i === 1 ? 0 : 1; k <= n; k += 1)
      out.push({ tS: (h0 + ((h1 - h0) * k) / n) * HOUR, tempC: a + ((b - a) * k) / n });
  }
  return out;
}
const GOOD = curve([12, 4], [15.5, 66], [16, 69], [16.5, 30], [18, 12], [20, 3], [24, 3]);

type Options = {
  lines?: Line[];
  series?: Reading[];
  rules?: RuleSet;
  cured?: boolean;
  nowS?: number;
};
function judged({
  lines = WHOLE,
  series = GOOD,
  rules = testRules(),
  cured = true,
  nowS = 24 * HOUR,
}: Options = {}) {
  const recipe = cured ? testRecipe() : { ...testRecipe(), cure: null };
  const entries = entriesOf(lines);
  const state = foldBatch(recipe, entries);
  const verdict = judge({ recipe, rules, state, series: { 1: series }, calibrations: {}, nowS });
  return { state, verdict, of: (code: CheckCode) => verdict.checks.find((k) => k.code === code)! };
}
const without = (kind: string) => WHOLE.filter(([, b]) => b.kind !== kind);
const swap = (from: Line[], to: Line[]) =>
  WHOLE.flatMap((l) => (l === from[0] ? to : from.includes(l) ? [] : [l]));

test('a good batch passes every check and calls for no hold', () => {
  const { verdict, state } = judged();
  expect(verdict.checks.map((k) => [k.code, k.status])).toEqual(
    [
      'dose',
      'making',
      'cure_hold',
      'uncured_smoke',
      'come_up',
      'lethality',
      'cooling',
      'probe_evidence',
    ].map((c) => [c, 'pass']),
  );
  expect(verdict.overall).toBe('pass');
  expect(holdsDue(state, verdict)).toEqual([]);
  expect(state.phase).toBe('to_sign');
});

const strong: Line = [80, weighed('cure', 76, { nitriteFraction: 0.0625 })];
const weak: Line = [80, weighed('cure', 50, { nitriteFraction: 0.0625 })];
const wrongCure: Line = [80, weighed('cure', 60, { nitriteFraction: 0.006 })];
const cases: [string, CheckCode, CheckStatus, string, Options][] = [
  ['dose over the limit', 'dose', 'fail', 'over_limit', { lines: swap([DOSE[2]!], [strong]) }],
  ['dose under the limit', 'dose', 'fail', 'under_limit', { lines: swap([DOSE[2]!], [weak]) }],
  [
    'cure of another strength',
    'dose',
    'fail',
    'under_limit',
    { lines: swap([DOSE[2]!], [wrongCure]) },
  ],
  [
    'no cure entry in a cured recipe',
    'dose',
    'missing',
    'cure_not_weighed',
    { lines: WHOLE.filter(([, b]) => !(b.kind === 'weighed' && b.lineId === 'cure')) },
  ],
  ['no second look', 'dose', 'missing', 'not_checked', { lines: without('cure_checked') }],
  [
    'second look differs',
    'dose',
    'missing',
    'check_differs',
    {
      lines: swap(
        [DOSE[3]!],
        [
          [
            90,
            { kind: 'cure_checked', weighedId: 'e3', readingG: 62, method: 'second_person' },
            'Ben',
          ],
        ],
      ),
    },
  ],
  [
    'meat not weighed',
    'dose',
    'missing',
    'meat_not_weighed',
    { lines: WHOLE.filter((l) => l !== DOSE[0]) },
  ],
  [
    'no hold before the house',
    'cure_hold',
    'fail',
    'not_started',
    { lines: WHOLE.filter((l) => !HOLD.includes(l)) },
  ],
  ['hold not started yet', 'cure_hold', 'missing', 'not_started', { lines: [START, ...DOSE] }],
  [
    'hold too short',
    'cure_hold',
    'fail',
    'too_short',
    { lines: swap([HOLD[1]!], [[5 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }]]) },
  ],
  [
    'cooler too warm',
    'cure_hold',
    'fail',
    'too_warm',
    { lines: swap([HOLD[1]!], [[10 * HOUR, { kind: 'cure_hold_ended', coolerC: 7 }]]) },
  ],
  [
    'hold running',
    'cure_hold',
    'missing',
    'running',
    { lines: [START, ...DOSE, HOLD[0]!], nowS: 3 * HOUR },
  ],
  [
    'come-up too slow',
    'come_up',
    'fail',
    'too_slow',
    { series: curve([12, 4], [20, 40]), lines: [START, ...DOSE, ...HOLD, ...RUN], nowS: 20 * HOUR },
  ],
  [
    'come-up not finished',
    'come_up',
    'missing',
    'incomplete',
    { series: curve([12, 4], [14, 40]), lines: [START, ...DOSE, ...HOLD, ...RUN], nowS: 14 * HOUR },
  ],
  [
    'warm meat counts from the last cold moment',
    'come_up',
    'fail',
    'too_slow',
    {
      series: curve([16.5, 20], [17, 60]),
      lines: [START, ...DOSE, ...HOLD, [16.5 * HOUR, RUN[0]![1]], [16.5 * HOUR, RUN[1]![1]]],
      nowS: 17 * HOUR,
    },
  ],
  [
    'lethality running',
    'lethality',
    'missing',
    'keep_cooking',
    { series: curve([12, 4], [14, 40]), lines: [START, ...DOSE, ...HOLD, ...RUN], nowS: 14 * HOUR },
  ],
  [
    'pulled too early',
    'lethality',
    'fail',
    'not_reached',
    { series: curve([12, 4], [16, 57], [16.5, 20], [20, 3], [24, 3]) },
  ],
  ['no core log', 'lethality', 'missing', 'no_core_log', { series: [] }],
  [
    'cooled too slowly',
    'cooling',
    'fail',
    'too_slow_1',
    { series: curve([12, 4], [15.5, 66], [16, 69], [19, 30], [24, 3]) },
  ],
  [
    'cooling not finished',
    'cooling',
    'missing',
    'incomplete',
    {
      series: curve([12, 4], [15.5, 66], [16, 69], [16.5, 30]),
      nowS: 16.5 * HOUR,
      lines: WHOLE.slice(0, -1),
    },
  ],
  [
    'cooling rule not allowed without accelerator',
    'cooling',
    'fail',
    'rule_not_allowed',
    { rules: testRules({ cooling: 'cooling-cured' }) },
  ],
  [
    'no probe in a thickest piece',
    'probe_evidence',
    'missing',
    'no_thickest_probe',
    {
      lines: swap(
        [RUN[1]!],
        [[12 * HOUR, { kind: 'probe_placed', channelId: 1, what: 'core', thickest: false }]],
      ),
    },
  ],
  [
    'a gap in the log',
    'probe_evidence',
    'missing',
    'gaps',
    { series: GOOD.filter((r) => r.tS < 14 * HOUR || r.tS > 14.5 * HOUR) },
  ],
  [
    'uncured in time',
    'uncured_smoke',
    'pass',
    'pass',
    { cured: false, series: curve([12, 4], [13.5, 72], [16, 72], [16.5, 30], [20, 3], [24, 3]) },
  ],
  ['uncured too slow', 'uncured_smoke', 'fail', 'too_slow', { cured: false }],
  [
    'uncured without a log',
    'uncured_smoke',
    'missing',
    'no_core_log',
    { cured: false, series: [] },
  ],
];
test.each(cases)('%s: %s is %s (%s)', (_, code, status, because, options) => {
  const { of, verdict } = judged(options);
  expect(of(code)).toMatchObject({ status, because });
  if (status !== 'pass') expect(verdict.overall).not.toBe('pass');
});

test('a failure calls for a hold once, and a decision settles it', () => {
  const lines = swap([DOSE[2]!], [strong]);
  const first = judged({ lines });
  expect(holdsDue(first.state, first.verdict)).toEqual(['dose']);
  const held: Line[] = [
    ...lines,
    [25 * HOUR, { kind: 'held', source: 'rule', check: 'dose', reason: 'dose' }],
  ];
  expect(holdsDue(judged({ lines: held }).state, judged({ lines: held }).verdict)).toEqual([]);
  const decide = (disposition: 'continue' | 'release_on_authority'): Line[] => [
    ...held,
    [
      26 * HOUR,
      { kind: 'disposed', disposition, reason: 'seen', checks: ['dose'], authority: 'letter 7' },
    ],
  ];
  expect(judged({ lines: decide('continue') }).verdict.overall).toBe('fail');
  expect(
    holdsDue(
      judged({ lines: decide('continue') }).state,
      judged({ lines: decide('continue') }).verdict,
    ),
  ).toEqual([]);
  expect(judged({ lines: decide('release_on_authority') }).verdict.overall).toBe('pass');
});

test('nothing stands in for what is missing', () => {
  const lines: Line[] = [
    ...without('cure_checked'),
    [
      26 * HOUR,
      {
        kind: 'disposed',
        disposition: 'release_on_authority',
        reason: 'seen',
        checks: ['dose'],
        authority: 'letter 7',
      },
    ],
  ];
  expect(judged({ lines }).verdict.overall).toBe('missing');
});

test('cook on opens the house again and the next pull is judged anew', () => {
  const early = curve(
    [12, 4],
    [16, 57],
    [17, 57],
    [17.5, 68],
    [18, 68],
    [18.5, 20],
    [22, 3],
    [30, 3],
  );
  const lines: Line[] = [
    ...WHOLE.slice(0, -1),
    [16.2 * HOUR, { kind: 'held', source: 'rule', check: 'lethality', reason: 'x' }],
    [
      16.5 * HOUR,
      { kind: 'disposed', disposition: 'cook_on', reason: 'too few logs', checks: ['lethality'] },
    ],
  ];
  expect(judged({ lines, series: early, nowS: 17 * HOUR }).state.phase).toBe('in_house');
  const again: Line[] = [
    ...lines,
    [18 * HOUR, { kind: 'pulled' }],
    [18 * HOUR, { kind: 'chill_started', medium: 'ice_bath' }],
  ];
  expect(judged({ lines: again, series: early, nowS: 30 * HOUR }).of('lethality').status).toBe(
    'pass',
  );
});

test.each([
  ['end point met', 'lethality-end-point', 71.2, 'pass'],
  ['end point a hair short', 'lethality-end-point', 71.05, 'fail'],
  ['table met', 'lethality-table', 69, 'pass'],
  ['table never reached', 'lethality-table', 54, 'fail'],
])('%s', (_, code, peak, status) => {
  const series = curve([12, 4], [15.5, peak], [16, peak], [16.5, 20], [20, 3], [24, 3]);
  expect(judged({ rules: testRules({ lethality: code }), series }).of('lethality').status).toBe(
    status,
  );
});

test('hand readings count where no probe sits in a thickest piece', () => {
  const hand = (h: number, tempC: number): Line => [
    h * HOUR,
    { kind: 'reading_logged', what: 'core', tempC, thickest: true },
  ];
  const byHand: Line[] = Array.from({ length: 9 }, (_, i) =>
    hand(12 + i * 0.5, Math.min(72, 4 + i * 10)),
  );
  const lines: Line[] = [
    ...WHOLE.filter((l) => l !== RUN[1]),
    ...byHand,
    hand(16.5, 40),
    hand(17, 20),
    hand(17.9, 9),
    hand(18.8, 3),
  ];
  const { of } = judged({ lines, series: [] });
  expect(of('lethality').status).toBe('pass');
  expect(of('probe_evidence').status).toBe('pass');
});

describe('a dose limit on another basis than the meat block', () => {
  const additions: Line[] = [
    [95, weighed('pepper', 100)],
    [96, weighed('water', 1_600)],
  ];
  const batch = (rule: string, lines: Line[] = [START, ...DOSE, ...additions]) =>
    judged({ lines, rules: testRules({ dose: rule }) }).of('dose');
  const figure = (c: ReturnType<typeof batch>, name: string) =>
    c.figures.find((f) => f.name === name)?.value;

  test('whole batch as nitrite ion: what was weighed counts, the rest as planned', () => {
    const c = batch('dose-eu-2025-ion');
    const saltG = 0.018 * 30_000 - 60 * 0.9375;
    expect(figure(c, 'basisG')).toBeCloseTo(30_000 + 60 + saltG + 100 + 1_600, 6);
    expect(figure(c, 'ppm')).toBeCloseTo((60 * 62_500) / figure(c, 'basisG')!, 9);
    expect(figure(c, 'maxPpm')).toBeCloseTo(119.98, 2);
    expect(c.status).toBe('pass');
  });

  test('the same grams on the meat block stay judged on the meat block', () => {
    const c = batch('dose-us-comminuted');
    expect(figure(c, 'basisG')).toBeUndefined();
    expect(figure(c, 'ppm')).toBeCloseTo(125, 9);
  });
});

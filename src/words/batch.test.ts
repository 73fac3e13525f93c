import { standWords } from './batch';
import type { AlarmCode, Check, EntryBody, FigureName } from '@/core';
import { testRecipe, testRules } from '@/core/testing/recipe';
import { Show } from './show';
import { entryWords } from './entry';
import { ALARM_WORDS, alarmWords } from './house';
import { checkWords } from './verdict';
import { nextWords } from './next';
import { problemWords } from './problems';

const show = new Show({ system: 'metric', locale: 'en-US', timeZone: 'UTC' });
const us = new Show({ system: 'us', locale: 'en-US', timeZone: 'UTC' });
const recipe = testRecipe();
const SALT: EntryBody = {
  kind: 'weighed',
  lineId: 'salt',
  amountG: 500,
  targetG: 503.24,
  scaleId: 's',
  scaleResolutionG: 5,
};

test.each<[EntryBody, string]>([
  [
    {
      kind: 'weighed',
      lineId: 'cure',
      amountG: 19.2,
      targetG: 19.2,
      scaleId: 's',
      scaleResolutionG: 0.1,
      nitriteFraction: 0.0625,
    },
    'Cure #1: 19.2 g weighed (wanted 19.2 g), 6.25 % nitrite',
  ],
  [SALT, 'Salt: 500 g weighed (wanted 503.2 g)'],
  [
    { ...SALT, shownBy: 'Hall scale' },
    'Salt: 500 g weighed (wanted 503.2 g), as Hall scale showed it',
  ],
  [
    { kind: 'piece_weighed', piece: 'Red', weightG: 812, tareG: 12, shownBy: 'Hall scale' },
    'Piece Red: 812.0 g, 12.0 g of it tare, as Hall scale showed it',
  ],
  [
    { kind: 'cure_checked', weighedId: 'x', readingG: 19.2, method: 'reentered_alone' },
    'Second look at the cure: 19.2 g, re-entered alone',
  ],
  [{ kind: 'cure_hold_started', coolerC: 2.5 }, 'Cure hold started, cooler 2.5 °C'],
  [{ kind: 'cure_hold_ended' }, 'Cure hold ended'],
  [{ kind: 'step_done', step: 'pack', weightG: 16_800 }, 'Pack done, 16.8 kg'],
  [{ kind: 'run_started', houseId: 'h' }, 'Program started: Dry'],
  [{ kind: 'stage_started', stageIndex: 2 }, 'Stage: Cook'],
  [
    { kind: 'probe_placed', channelId: 1, what: 'core', thickest: true },
    'Probe placed: core, thickest piece',
  ],
  [{ kind: 'probe_removed', channelId: 1, reason: 'slid out' }, 'Probe removed: slid out'],
  [{ kind: 'reading_logged', what: 'core', tempC: 66, thickest: true }, 'Core 66 °C by hand'],
  [
    {
      kind: 'readings_imported',
      fileName: 'a.csv',
      sha256: '',
      channels: [{ channelId: 1, name: 'Core', what: 'core', thickest: true }],
    },
    'Logger file a.csv imported: Core',
  ],
  [{ kind: 'pulled' }, 'Pulled'],
  [{ kind: 'chill_started', medium: 'ice_bath' }, 'Ice bath began'],
  [{ kind: 'noted', text: 'fed the fire' }, 'Note: fed the fire'],
  [{ kind: 'held', source: 'rule', check: 'cooling', reason: 'cooling' }, 'On hold: Cooling'],
  [{ kind: 'held', source: 'person', reason: 'smells odd' }, 'On hold: smells odd'],
  [
    {
      kind: 'disposed',
      disposition: 'release_on_authority',
      reason: 'assessed',
      authority: 'letter 7',
      checks: [],
    },
    'Decision, release on an authority’s decision: assessed (letter 7)',
  ],
  [
    { kind: 'corrected', reason: 'misread', replacement: { kind: 'noted', text: 'new' } },
    'Correction: Note: new. Reason: misread',
  ],
  [
    { kind: 'corrected', reason: 'never happened', replacement: null },
    'Correction: struck out. Reason: never happened',
  ],
  [{ kind: 'signed', verdictSha256: '', evidenceSha256: '', statement: '' }, 'Signed for release'],
])('an entry reads in plain words: $kind', (body, expected) =>
  expect(entryWords(body, recipe, show)).toBe(expected),
);

const rule = { id: 'r', title: 'Rule', source: 'Source', version: 1 };
const check = (
  code: Check['code'],
  because: Check['because'],
  figures: [FigureName, number, Check['figures'][number]['unit']][] = [],
): Check => ({
  code,
  because,
  status: 'fail',
  rule,
  figures: figures.map(([name, value, unit]) => ({ name, value, unit })),
});
const steps: [FigureName, number, 'C' | 's'][] = [
  ['from1', 54.4, 'C'],
  ['to1', 26.7, 'C'],
  ['elapsed1', 7800, 's'],
  ['max1', 5400, 's'],
];

test.each<[Check, string]>([
  [
    check('cooling', 'too_slow_1', steps),
    'Cooled too slowly. 54.4 °C to 26.7 °C: 2 h 10, limit 1 h 30.',
  ],
  [
    check('come_up', 'too_slow', [
      ['fromC', 10, 'C'],
      ['toC', 54.4, 'C'],
      ['elapsedS', 23_400, 's'],
      ['maxS', 21_600, 's'],
    ]),
    'Too slow. 10 °C to 54.4 °C in 6 h 30, limit 6 h 00.',
  ],
  [check('lethality', 'no_core_log'), 'No core temperature is recorded.'],
  [check('dose', 'cure_not_weighed'), 'No cure is recorded.'],
])('a check says its numbers', (c, expected) => expect(checkWords(c, show)).toBe(expected));

test('a check speaks the reader’s units', () => {
  expect(checkWords(check('cooling', 'pass', steps), us)).toBe(
    '129.9 °F to 80.1 °F: 2 h 10, limit 1 h 30.',
  );
});

/** Each reason that a check can give has words of its own. */
test.each([
  [
    'dose',
    [
      'no_cure_in_recipe',
      'meat_not_weighed',
      'cure_not_weighed',
      'over_limit',
      'under_limit',
      'not_checked',
      'check_differs',
      'second_person',
      'reentered_alone',
    ],
  ],
  [
    'cure_hold',
    [
      'no_cure_in_recipe',
      'accelerator',
      'not_started',
      'running',
      'too_warm',
      'too_short',
      'no_cooler_temp',
      'held',
    ],
  ],
  ['uncured_smoke', ['cured', 'cold_smoke', 'no_core_log', 'too_slow', 'pass', 'incomplete']],
  ['come_up', ['no_core_log', 'too_slow', 'pass', 'incomplete']],
  ['lethality', ['no_core_log', 'keep_cooking', 'not_reached', 'integrated', 'table', 'end_point']],
  [
    'cooling',
    [
      'not_pulled',
      'rule_not_allowed',
      'no_core_log',
      'pass',
      'incomplete',
      'too_slow_1',
      'too_slow_2',
    ],
  ],
  ['probe_evidence', ['no_run', 'no_thickest_probe', 'gaps', 'running', 'covered']],
] as const)('every reason of %s has words', (code, reasons) => {
  for (const because of reasons) {
    const said = checkWords(check(code, because, steps), show);
    expect(said).not.toBe(because);
    expect(said).toMatch(/[.:]/);
  }
});

test('every rule kind of a new site is a check with a source', () => {
  for (const r of Object.values(testRules())) expect(r.source.length).toBeGreaterThan(20);
});

test('problems and next steps have words; an unknown code is at least named', () => {
  expect(problemWords('already_weighed')).toMatch(/another screen/);
  expect(problemWords('bad_entry', { 'body.amountG': 'must be more than 0' })).toMatch(
    /must be more than 0/,
  );
  expect(problemWords('who_knows')).toMatch(/who_knows/);
  expect(nextWords({ code: 'cool', dueS: 1, toC: 26.7 }, us)).toBe('Cool the core to 80.1 °F');
  expect(nextWords({ code: 'next_stage', dueS: 1, detail: 'Cook' }, show)).toBe('Next stage: Cook');
});

test('what a probe was not credited for is named with its time', () => {
  const check = {
    code: 'probe_evidence' as const,
    status: 'pass' as const,
    because: 'covered' as const,
    rule,
    figures: [
      { name: 'gaps' as const, value: 0, unit: 'count' as const },
      { name: 'reads_air' as const, value: 720, unit: 's' as const },
      { name: 'flat_line' as const, value: 0, unit: 's' as const },
    ],
  };
  expect(checkWords(check, show)).toMatch(/Not credited where a probe shows the air \(12 min\)\.$/);
});

test.each(Object.keys(ALARM_WORDS) as AlarmCode[])('an alarm says what to do: %s', (code) => {
  const figures = Object.fromEntries(
    [
      'fellC',
      'rh',
      'setRh',
      'dry',
      'airC',
      'setC',
      'silentS',
      'limitS',
      'fromS',
      'coreC',
      'leftS',
      'dueS',
      'toC',
      'waitedS',
      'limitC',
      'roseC',
      'targetC',
      'forS',
      'maxS',
      'readyS',
      'lateS',
      'sinceS',
      'countsS',
      'lastS',
      'everyS',
      'untilC',
      'spreadC',
      'coldC',
      'hotC',
      'ph',
      'targetPh',
      'atS',
      'coolC',
      'untilS',
      'degreeHours',
      'limit',
    ].map((k) => [k, 1800]),
  );
  const words = alarmWords(code, figures, show);
  expect(words).not.toMatch(/undefined|NaN/);
  expect(words.length).toBeGreaterThan(20);
});

test.each([
  ['in_house', false, 'In the house'],
  ['in_house', true, 'In the house, on hold'],
  ['to_sign', true, 'On hold'],
  ['to_sign', false, 'Waiting for signature'],
  ['destroyed', true, 'Destroyed'],
] as const)('a batch in %s, on hold: %s, stands as %s', (phase, open, words) =>
  expect(standWords({ phase, holds: [{ open } as never] })).toBe(words),
);

test.each([
  ['in_house', false, 'In Copper bath'],
  ['in_house', true, 'In Copper bath, on hold'],
  ['chilling', false, 'Chilling'],
] as const)(
  'a batch in %s of a place with a name, on hold: %s, stands as %s',
  (phase, open, words) =>
    expect(standWords({ phase, holds: [{ open } as never] }, 'Copper bath')).toBe(words),
);

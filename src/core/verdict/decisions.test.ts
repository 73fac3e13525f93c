import { refuse } from '../logbook/accept';
import type { DispositionKind } from '../logbook/kinds/holds';
import { foldBatch } from '../logbook/fold';
import { entriesOf, weighed, type Line } from '../testing/batch';
import { caseOf, CORE, HOUR, MIN, openChecks, play, type Played } from '../testing/played';
import { add, all, between, without, type Spoil } from '../testing/spoil';
import { testRecipe } from '../testing/recipe';
import { holdsDue, holdsToLift, judge } from './judge';

const strong: Spoil = (p) => ({
  ...p,
  lines: p.lines.map((l): Line =>
    l[1].kind === 'weighed' && l[1].lineId === 'cure'
      ? [l[0], { ...l[1], amountG: 76 }, l[2]]
      : l[1].kind === 'cure_checked'
        ? [l[0], { ...l[1], readingG: 76 }, l[2]]
        : l,
  ),
});
const held = (check: string, when: (p: Played) => number): Spoil =>
  add((p) => [[when(p), { kind: 'held', source: 'rule', check, reason: check }]]);
const decided = (kind: DispositionKind, checks: string[], when: (p: Played) => number): Spoil =>
  add((p) => [
    [
      when(p),
      { kind: 'disposed', disposition: kind, reason: 'seen', authority: 'letter 7', checks },
    ],
  ]);
const late = (p: Played) => p.packS;

const released = all(strong, held('dose', late), decided('release_on_authority', ['dose'], late));

test('a decision of an authority settles what it was made on', () => {
  const c = caseOf(released(play()));
  expect(judge(c)).toMatchObject({ overall: 'pass', decided: ['dose'] });
  expect(holdsDue(c.state, judge(c))).toEqual([]);
});

test.each<[string, Spoil]>([
  [
    'it names a check that is not on hold',
    all(strong, held('cooling', late), decided('release_on_authority', ['dose'], late)),
  ],
  [
    'it was made before the hold',
    all(
      strong,
      decided('release_on_authority', ['dose'], (p) => p.pullS),
      held('dose', late),
    ),
  ],
  [
    'another amount was weighed since',
    all(
      released,
      add((p) => [[p.packS, weighed('cure', 90, { nitriteFraction: 0.0625 })]]),
    ),
  ],
  [
    'a later decision took it back',
    all(released, held('dose', late), decided('continue', ['dose'], late)),
  ],
])('a decision does not count when %s', (_, spoil) => {
  const c = caseOf(spoil(play()));
  expect(judge(c).overall).not.toBe('pass');
});

test('a correction after the decision opens it again, and calls for a hold again', () => {
  const p = released(play());
  const entries = entriesOf([...p.lines].sort((a, b) => a[0] - b[0]));
  const cure = entries.find((e) => e.body.kind === 'weighed' && e.body.lineId === 'cure')!;
  const fix = {
    ...cure,
    id: 'fix',
    seq: 99,
    happenedS: p.packS,
    recordedS: p.packS,
    corrects: cure.id,
    body: {
      kind: 'corrected' as const,
      reason: 'misread',
      replacement: weighed('cure', 120, { nitriteFraction: 0.0625 }),
    },
  };
  const state = foldBatch(p.recipe, [...entries, fix]);
  const verdict = judge({ ...caseOf(p), state });
  expect(verdict.overall).not.toBe('pass');
  expect(verdict.decided).toEqual([]);
  expect(holdsDue(state, verdict)).toContain('dose');
});

test('a decision on a chill does not cover what got worse after it', () => {
  const slow = between(
    CORE,
    (p) => [p.pullS + 10 * MIN, p.packS],
    (r, p) => Math.max(3.5, 66 - (r.tS - p.pullS) / 250),
  );
  const longer: Spoil = (p) => ({
    ...p,
    packS: p.pullS + 8 * HOUR,
    series: {
      ...p.series,
      [CORE]: [
        ...p.series[CORE]!.filter((r) => r.tS <= p.pullS + 10 * MIN),
        ...Array.from({ length: 470 }, (_, i) => ({ tS: p.pullS + (11 + i) * MIN, tempC: 0 })),
      ],
    },
  });
  const at = (h: number) => (p: Played) => p.pullS + h * HOUR;
  const spoil = (h: number) =>
    all(
      longer,
      slow,
      held('cooling', at(h)),
      decided('release_on_authority', ['cooling'], at(h)),
      without('step_done'),
    );
  expect(judge(caseOf(spoil(2)(play({ cooled: 'air' })))).decided).toEqual([]);
  expect(judge(caseOf(spoil(7.9)(play({ cooled: 'air' })))).decided).toEqual(['cooling']);
});

test('"go on" for a slip lets nothing pass later: the next failure is another one', () => {
  const p = play();
  const lines: Line[] = [
    ...p.lines.filter(([tS]) => tS < HOUR),
    [HOUR, { kind: 'cure_hold_started', coolerC: 25 }],
    [HOUR + MIN, { kind: 'held', source: 'rule', check: 'cure_hold', reason: 'cure_hold' }],
    [
      HOUR + 2 * MIN,
      { kind: 'disposed', disposition: 'continue', reason: 'a slip', checks: ['cure_hold'] },
    ],
    [HOUR + 4 * MIN, { kind: 'cure_hold_ended', coolerC: 2.5 }],
  ];
  const c = caseOf({ ...p, lines }, { nowS: HOUR + 5 * MIN, series: {} });
  expect(judge(c).decided).toEqual([]);
  expect(holdsDue(c.state, judge(c))).toEqual(['cure_hold']);
});

test('rework blocks the release until it is recorded', () => {
  const asked = all(
    held('dose', (p) => p.runS - HOUR),
    decided('rework', ['dose'], (p) => p.runS - HOUR),
  );
  expect(openChecks(caseOf(asked(play())))).toEqual(['rework:not_recorded']);
  const done = all(
    asked,
    add((p) => [[p.runS - HOUR, { kind: 'rework_done', text: 'mixed in 3 kg of lean' }]]),
  );
  expect(openChecks(caseOf(done(play())))).toEqual([]);
});

describe('a hold that came from a slip', () => {
  const recipe = testRecipe();
  const slip: Line[] = [
    [
      0,
      {
        kind: 'batch_started',
        plannedMeatG: 30_000,
        readyByS: 1e6,
        recipeVersionId: 'v',
        recipeSha256: '',
        rules: [],
      },
    ],
    [10, weighed('lean', 24_000)],
    [11, weighed('fat', 6_000)],
    [12, weighed('cure', 600, { nitriteFraction: 0.0625 })],
    [13, { kind: 'held', source: 'rule', check: 'dose', reason: 'dose' }],
  ];
  const fixed = () => {
    const entries = entriesOf(slip);
    return [
      ...entries,
      {
        ...entries[3]!,
        id: 'fix',
        seq: 6,
        recordedS: 20,
        corrects: 'e3',
        body: {
          kind: 'corrected' as const,
          reason: 'a zero too many',
          replacement: weighed('cure', 60, { nitriteFraction: 0.0625 }),
        },
      },
    ];
  };
  const stateOf = (entries: ReturnType<typeof fixed>) => foldBatch(recipe, entries);
  const verdictOf = (state: ReturnType<typeof stateOf>) =>
    judge({ ...caseOf({ ...play(), lines: slip }, { nowS: 30, series: {} }), state });

  test('may be lifted once it is corrected, and not before', () => {
    const before = stateOf(entriesOf(slip));
    expect(holdsToLift(before, verdictOf(before))).toEqual([]);
    const after = stateOf(fixed());
    expect(holdsToLift(after, verdictOf(after))).toEqual([{ id: 'e4', check: 'dose' }]);
  });

  test('stays where somebody has decided on it', () => {
    const entries = fixed();
    const made = {
      ...entries[4]!,
      id: 'd',
      seq: 7,
      body: {
        kind: 'disposed' as const,
        disposition: 'rework' as const,
        reason: 'x',
        checks: ['dose'],
      },
    };
    const state = stateOf([...entries, made]);
    expect(holdsToLift(state, verdictOf(state))).toEqual([]);
  });

  test('is closed by its lifting', () => {
    const entries = fixed();
    const lifted = {
      ...entries[4]!,
      id: 'l',
      seq: 7,
      body: { kind: 'hold_lifted' as const, holdId: 'e4', reason: 'corrected' },
    };
    expect(stateOf([...entries, lifted]).holds.every((h) => !h.open)).toBe(true);
  });

  test('a decision may name only what is on hold', () => {
    const ask = (checks: string[]) =>
      refuse(
        recipe,
        stateOf(entriesOf(slip)),
        new Map(),
        {
          body: { kind: 'disposed', disposition: 'continue', reason: 'x y z', checks },
          happenedS: 20,
          corrects: null,
        },
        30,
      );
    expect(ask(['dose'])).toBeNull();
    expect(ask(['dose', 'lethality'])).toBe('not_on_hold');
  });
});

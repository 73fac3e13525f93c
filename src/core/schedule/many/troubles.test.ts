import fc from 'fast-check';
import { smokehouse } from '../../testing/plan-instances';
import { planBatches, planTroubles, type PlacedStep, type PlanInput } from './index';

const SLOT = 300;
const T0 = 1_800_000_000;

/** Two batches that are mixed, smoked and packed; they may hang together, a third may not. */
const input = (more: Partial<PlanInput> = {}): PlanInput => ({
  nowS: T0,
  horizonS: 40 * SLOT,
  spans: [
    { startS: T0, endS: T0 + 20 * SLOT, people: 2 },
    { startS: T0 + 20 * SLOT, endS: T0 + 30 * SLOT, people: 1 },
  ],
  resources: [
    { id: 'house', capacity: 80, shared: 'same_run' },
    { id: 'little', capacity: 30, shared: 'same_run' },
    { id: 'cooler', capacity: 100, shared: 'sum' },
  ],
  batches: ['a', 'b', 'other'].map((id) => ({
    id,
    readyByS: T0 + 20 * SLOT,
    weight: 1,
    ...(id === 'a' ? { releaseS: T0 + SLOT } : {}),
    steps: [
      { id: 'mix', durationS: 2 * SLOT, people: 1, uses: [], maxWaitAfterS: 4 * SLOT },
      {
        id: 'smoke',
        durationS: 4 * SLOT,
        people: 0,
        visits: [{ fromS: 0, toS: SLOT, people: 1 }],
        uses: [
          {
            anyOf: ['house', 'little'],
            amount: 40,
            amounts: { house: 40, little: 20 },
            together: id === 'other' ? 'hot' : 'plain',
          },
        ],
        maxWaitAfterS: 0,
      },
      {
        id: 'chill',
        durationS: 3 * SLOT,
        people: 0,
        uses: [{ anyOf: ['cooler'], amount: 40 }],
        maxWaitAfterS: Infinity,
      },
    ],
  })),
  limits: { timeMs: 1 },
  ...more,
});

type At = { mix: number; smoke: number; chill: number; place?: string; amount?: number };
/** A batch with its steps at these slots. */
const at = (
  batch: string,
  { mix, smoke, chill, place = 'house', amount = 40 }: At,
): PlacedStep[] => {
  const step = (id: string, from: number, slots: number, uses: PlacedStep['uses']) => ({
    batch,
    step: id,
    startS: T0 + from * SLOT,
    endS: T0 + (from + slots) * SLOT,
    uses,
  });
  return [
    step('mix', mix, 2, []),
    step('smoke', smoke, 4, [{ resource: place, amount }]),
    step('chill', chill, 3, [{ resource: 'cooler', amount: 40 }]),
  ];
};
const GOOD = at('a', { mix: 1, smoke: 4, chill: 8 });
const change = (steps: PlacedStep[], i: number, more: Partial<PlacedStep>): PlacedStep[] =>
  steps.map((s, k) => (k === i ? { ...s, ...more } : s));
const said = (steps: PlacedStep[], more: Partial<PlanInput> = {}) =>
  planTroubles(input(more), steps).map((t) => `${t.code} ${t.batch}/${t.step}`);

test('a plan that keeps every rule breaks none; a batch without a place breaks none either', () => {
  expect(said(GOOD)).toEqual([]);
  expect(said([])).toEqual([]);
  expect(said([...GOOD, ...at('b', { mix: 1, smoke: 4, chill: 8 })])).toEqual([]);
});

test.each<[string, PlacedStep[], Partial<PlanInput>]>([
  ['nowS', GOOD, { nowS: NaN }],
  ['horizonS', GOOD, { horizonS: 0 }],
  ['startS', change(GOOD, 1, { startS: NaN }), {}],
  ['endS', change(GOOD, 2, { endS: Infinity }), {}],
])('%s that is no time is refused: it would break nothing', (what, steps, more) =>
  expect(() => said(steps, more)).toThrow(what),
);

describe('its own way', () => {
  test.each([
    ['a step is missing', GOOD.slice(0, 2), ['not_its_steps a/mix']],
    ['another order', [GOOD[1]!, GOOD[0]!, GOOD[2]!], ['not_its_steps a/smoke']],
    [
      'shorter than it takes',
      change(GOOD, 2, { endS: GOOD[2]!.endS - SLOT }),
      ['not_its_length a/chill'],
    ],
    [
      'between two five minutes',
      change(GOOD, 2, { startS: GOOD[2]!.startS + 60, endS: GOOD[2]!.endS + 60 }),
      ['off_the_grid a/chill', 'waits_too_long a/smoke'],
    ],
    [
      'before now',
      at('b', { mix: -1, smoke: 4, chill: 8 }),
      ['in_the_past b/mix', 'nobody_there b/mix'],
    ],
    ['before its meat is there', at('a', { mix: 0, smoke: 4, chill: 8 }), ['before_release a/mix']],
    [
      'beyond what is planned',
      at('a', { mix: 26, smoke: 29, chill: 38 }),
      ['waits_too_long a/smoke', 'after_horizon a/chill'],
    ],
    [
      'before the one before is over',
      at('a', { mix: 1, smoke: 2, chill: 6 }),
      ['before_the_one_before a/smoke'],
    ],
    [
      'what must follow at once does not',
      at('a', { mix: 1, smoke: 4, chill: 9 }),
      ['waits_too_long a/smoke'],
    ],
    ['waits too long', at('a', { mix: 1, smoke: 8, chill: 12 }), ['waits_too_long a/mix']],
  ])('%s', (_, steps, expected) => expect(said(steps).sort()).toEqual([...expected].sort()));
  test('a place that is none of its own, less room than it takes, no place at all', () => {
    const [mix, smoke, chill] = GOOD as [PlacedStep, PlacedStep, PlacedStep];
    const of = (uses: PlacedStep['uses']) => said([mix, { ...smoke, uses }, chill]);
    expect(of([{ resource: 'cooler', amount: 40 }])).toEqual([
      'wrong_place a/smoke',
      'wrong_place a/smoke',
    ]);
    expect(of([{ resource: 'house', amount: 10 }])).toEqual(['wrong_place a/smoke']);
    expect(of([])).toEqual(['wrong_place a/smoke']);
    expect(of([{ resource: 'little', amount: 20 }])).toEqual([]);
  });
});

describe('what others have', () => {
  test.each([
    [
      'hung later in a run that goes',
      at('b', { mix: 1, smoke: 5, chill: 9 }),
      'place_taken b/smoke',
    ],
    ['another program', at('other', { mix: 3, smoke: 6, chill: 10 }), 'place_taken other/smoke'],
    [
      'together, and too heavy',
      at('b', { mix: 1, smoke: 4, chill: 8, amount: 50 }),
      'too_full b/smoke',
    ],
  ])('%s', (_, steps, expected) => {
    const found = said([...GOOD, ...steps]);
    expect(found).toContain(expected);
    expect(found.length).toBeGreaterThanOrEqual(2);
  });
  test('after the last of a run is out, anybody may enter', () =>
    expect(said([...GOOD, ...at('other', { mix: 5, smoke: 8, chill: 12 })])).toEqual([]));
  test('the cooler in kilograms: what lies there at one time', () => {
    const cold = {
      resources: input().resources.map((r) => (r.id === 'cooler' ? { ...r, capacity: 60 } : r)),
    };
    const [first, second] = [GOOD, at('b', { mix: 1, smoke: 4, chill: 8 })];
    expect(said([...first, ...second], cold)).toEqual(['too_full a/chill', 'too_full b/chill']);
    const t = planTroubles(input(cold), [...first, ...second])[0]!;
    expect([t.asks, t.limit, t.resource]).toEqual([80, 60, 'cooler']);
  });
  test('people: those all along and those who come, and only as many as are there', () => {
    /* Two are there until slot 20, one after: two cannot mix at once then. */
    const later = (batch: string) => at(batch, { mix: 22, smoke: 24, chill: 28 });
    const found = planTroubles(input(), [...later('a'), ...later('b')]);
    expect(found.map((t) => `${t.code} ${t.batch}/${t.step}`)).toEqual([
      'nobody_there a/mix',
      'nobody_there a/smoke',
      'nobody_there b/mix',
      'nobody_there b/smoke',
    ]);
    expect(found[0]).toMatchObject({ asks: 2, limit: 1 });
    expect(said(at('a', { mix: 31, smoke: 33, chill: 37 }))).toEqual([
      'nobody_there a/mix',
      'nobody_there a/smoke',
    ]);
  });
});

describe('what is fixed', () => {
  const fixed = [{ batch: 'a', step: 'smoke', startS: T0 + 4 * SLOT }];
  test('is asked nothing where it was fixed, and told where it was not', () => {
    const nobody = { fixed, spans: [] };
    expect(said(GOOD, nobody)).toEqual(['nobody_there a/mix']);
    expect(said(at('a', { mix: 1, smoke: 5, chill: 9 }), { fixed })).toEqual([
      'moved_though_fixed a/smoke',
    ]);
  });
  test('others go round it', () =>
    expect(said([...GOOD, ...at('other', { mix: 3, smoke: 6, chill: 10 })], { fixed })).toEqual([
      'place_taken other/smoke',
    ]));
});

test('property: a plan of the planner breaks nothing; one step moved by hand is noticed or allowed, never a crash', () => {
  const task = smokehouse(3, { batches: 5, days: 4, people: 2 });
  const { steps } = planBatches({ ...task, limits: { timeMs: 1e9, rounds: 10 } });
  expect(planTroubles(task, steps)).toEqual([]);
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: steps.length - 1 }),
      fc.integer({ min: -600, max: 600 }),
      (i, slots) => {
        const moved = steps.map((s, k) =>
          k === i ? { ...s, startS: s.startS + slots * SLOT, endS: s.endS + slots * SLOT } : s,
        );
        const found = planTroubles(task, moved);
        const before = steps[i - 1]?.batch === steps[i]!.batch ? steps[i - 1] : undefined;
        if (before && moved[i]!.startS < before.endS)
          expect(found.map((t) => t.code)).toContain('before_the_one_before');
        if (moved[i]!.startS < task.nowS) expect(found.length).toBeGreaterThan(0);
        for (const t of found) expect(task.batches.some((b) => b.id === t.batch)).toBe(true);
      },
    ),
    { seed: 27, numRuns: 200 },
  );
});

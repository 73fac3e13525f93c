import fc from 'fast-check';
import { bestByTrying } from '../../testing/plan-brute';
import { smokehouse } from '../../testing/plan-instances';
import { littleTask } from '../../testing/plan-little';
import {
  bestPlan,
  planBatches,
  planTroubles,
  whyLate,
  type PlanBatch,
  type PlanInput,
  type PlanStep,
} from './index';
import { runs } from '../../testing/thorough';

const SLOT = 300;
const T0 = 1_800_000_000;
const HOUR = 3600;

const step = (id: string, slots: number, more: Partial<PlanStep> = {}): PlanStep => ({
  id,
  durationS: slots * SLOT,
  people: 0,
  uses: [],
  maxWaitAfterS: Infinity,
  ...more,
});
const house = (amount: number, together?: string, anyOf = ['house']) => ({
  uses: [{ anyOf, amount, ...(together ? { together } : {}) }],
});
const batch = (id: string, dueSlots: number, steps: PlanStep[], weight = 1): PlanBatch => ({
  id,
  readyByS: T0 + dueSlots * SLOT,
  weight,
  steps,
});
const input = (batches: PlanBatch[], more: Partial<PlanInput> = {}): PlanInput => ({
  nowS: T0,
  horizonS: 60 * SLOT,
  spans: [{ startS: T0, endS: T0 + 60 * SLOT, people: 2 }],
  resources: [
    { id: 'house', capacity: 100, shared: 'same_run' },
    { id: 'cooler', capacity: 50, shared: 'sum' },
  ],
  batches,
  limits: { timeMs: 1e9, rounds: 150, seed: 1 },
  ...more,
});
const at = (p: ReturnType<typeof planBatches>, id: string, name: string) =>
  (p.steps.find((s) => s.batch === id && s.step === name)!.startS - T0) / SLOT;

describe('planBatches', () => {
  test('two that may hang together share a run; two that may not go one after the other', () => {
    const two = (a: string, b: string) => [
      batch('a', 6, [step('smoke', 6, house(40, a))]),
      batch('b', 6, [step('smoke', 6, house(50, b))]),
    ];
    const shared = planBatches(input(two('plain', 'plain')));
    expect(shared).toMatchObject({ status: 'ok', weightedLatenessS: 0, proven: true });
    expect(at(shared, 'a', 'smoke')).toBe(at(shared, 'b', 'smoke'));
    const apart = planBatches(input(two('plain', 'hot')));
    expect(apart.weightedLatenessS).toBe(6 * SLOT);
    expect(apart.lowerBoundS).toBe(6 * SLOT);
    expect(apart.proven).toBe(true);
    expect(apart.because).toEqual([
      { batch: expect.any(String), lateS: 6 * SLOT, waitsFor: { kind: 'resource', id: 'house' } },
    ]);
  });

  test('no room for both: together only as far as the house holds', () => {
    const p = planBatches(
      input(['a', 'b', 'c'].map((id) => batch(id, 4, [step('smoke', 4, house(50, 'plain'))]))),
    );
    expect(p.weightedLatenessS).toBe(4 * SLOT);
  });

  test('nobody enters before the last is out, also when who left first was short', () => {
    const p = planBatches(
      input([
        batch('long', 8, [step('smoke', 8, house(20, 'plain'))], 9),
        batch('short', 3, [step('smoke', 3, house(20, 'plain'))], 9),
        batch('other', 3, [step('smoke', 2, house(20, 'hot'))]),
      ]),
    );
    expect(at(p, 'other', 'smoke')).toBe(8);
  });

  test('a wait that is too long is none; a step that must follow at once does', () => {
    const closed = [{ startS: T0 + 20 * SLOT, endS: T0 + 30 * SLOT, people: 1 }];
    const p = planBatches(
      input(
        [
          batch('a', 30, [
            step('smoke', 4, { ...house(10), maxWaitAfterS: 0 }),
            step('pull', 1, { people: 1 }),
          ]),
        ],
        { spans: closed },
      ),
    );
    expect(at(p, 'a', 'smoke')).toBe(at(p, 'a', 'pull') - 4);
    expect(at(p, 'a', 'pull')).toBeGreaterThanOrEqual(20);
  });

  test('the cooler in kilograms, people in heads', () => {
    const cold = (id: string, amount: number) =>
      batch(id, 5, [step('chill', 5, { uses: [{ anyOf: ['cooler'], amount }] })]);
    expect(planBatches(input([cold('a', 20), cold('b', 30)])).weightedLatenessS).toBe(0);
    expect(planBatches(input([cold('a', 20), cold('b', 31)])).weightedLatenessS).toBe(5 * SLOT);
    const stuff = (id: string, people: number) => batch(id, 3, [step('stuff', 3, { people })]);
    const busy = planBatches(input([stuff('a', 1), stuff('b', 2)]));
    expect(busy.weightedLatenessS).toBe(3 * SLOT);
    expect(busy.because[0]!.waitsFor).toEqual({ kind: 'people' });
  });

  test('another house is taken where it helps', () => {
    const p = planBatches(
      input(
        ['a', 'b'].map((id) =>
          batch(id, 6, [step('smoke', 6, house(90, 'x', ['house', 'little']))]),
        ),
        {
          resources: [
            { id: 'house', capacity: 100, shared: 'same_run' },
            { id: 'little', capacity: 90, shared: 'same_run' },
          ],
        },
      ),
    );
    expect(p.weightedLatenessS).toBe(0);
    expect(new Set(p.steps.map((s) => s.uses[0]!.resource)).size).toBe(2);
  });

  test('what runs and what is pinned stays; the others go round it', () => {
    const running = { batch: 'a', step: 'smoke', startS: T0 - 3 * SLOT };
    const pinned = { batch: 'c', step: 'smoke', startS: T0 + 20 * SLOT };
    const p = planBatches(
      input(
        [
          batch('a', 5, [step('smoke', 8, house(10)), step('chill', 2)]),
          batch('b', 0, [step('smoke', 12, house(10))]),
          batch('c', 40, [step('smoke', 4, house(10))]),
        ],
        { fixed: [running, pinned] },
      ),
    );
    expect(at(p, 'a', 'smoke')).toBe(-3);
    expect(at(p, 'c', 'smoke')).toBe(20);
    expect(at(p, 'b', 'smoke')).toBe(5);
  });

  test('what was planned stays where lateness allows it', () => {
    const batches = [
      batch('a', 40, [step('smoke', 6, house(90))]),
      batch('b', 40, [step('smoke', 6, house(90))]),
    ];
    const previous = planBatches(input(batches)).steps;
    const moved = planBatches(
      input(batches, { previous, limits: { timeMs: 1e9, rounds: 100, moveCostS: 600 } }),
    );
    expect(moved).toMatchObject({ moved: 0 });
    expect(moved.steps).toEqual(previous);
  });

  test('a batch that fits nowhere is named, and hides no other', () => {
    const p = planBatches(
      input([
        batch('fits', 10, [step('smoke', 4, house(10))]),
        batch('too-heavy', 10, [step('smoke', 4, house(101))]),
        batch('too-long', 10, [step('cure', 61)]),
      ]),
    );
    expect(p).toMatchObject({ status: 'infeasible', unplaced: ['too-heavy', 'too-long'] });
    expect(p.steps).toHaveLength(1);
  });

  test('who has no place, and why; who is only not planned yet is told nothing', () => {
    const task = input([batch('a', 9, [step('pack', 2, { people: 1 })])], { spans: [] });
    expect(planBatches(task).because).toEqual([
      { batch: 'a', lateS: Infinity, waitsFor: { kind: 'people' } },
    ]);
    expect(whyLate(task, [])).toEqual(planBatches(task).because);
    const free = input([batch('a', 9, [step('pack', 2, { people: 1 })])]);
    expect(whyLate(free, [])).toEqual([]);
  });

  test.each<[string, Partial<PlanInput>]>([
    ['nowS', { nowS: Number.NaN }],
    ['horizonS', { horizonS: 0 }],
    ['capacity', { resources: [{ id: 'house', capacity: -1, shared: 'sum' }] }],
    [
      'resources',
      { resources: [1, 2].map(() => ({ id: 'house', capacity: 1, shared: 'sum' as const })) },
    ],
    ['anyOf', { resources: [] }],
    ['durationS', { batches: [batch('a', 1, [step('x', 0)])] }],
    ['batches', { batches: [batch('a', 1, [step('x', 1)]), batch('a', 1, [step('x', 1)])] }],
    ['steps', { batches: [batch('a', 1, [])] }],
    ['maxWaitAfterS', { batches: [batch('a', 1, [step('x', 1, { maxWaitAfterS: -1 })])] }],
  ])('refuses %s by name', (field, more) => {
    const one = [batch('a', 9, [step('smoke', 2, house(5))])];
    expect(() => planBatches(input(one, more))).toThrow(field);
  });
});

describe('against an independent look at the rules', () => {
  test('property: as good as trying everything, and never below the bound', () => {
    fc.assert(
      fc.property(littleTask, (task) => {
        const p = planBatches(task);
        expect(planTroubles(task, p.steps)).toEqual([]);
        const best = bestByTrying(task);
        if (!best) return void expect(p.status).toBe('infeasible');
        expect(p.status).toBe('ok');
        expect([p.weightedLatenessS, p.spanS]).toEqual([best.lateS, best.spanS]);
        expect([p.lowerBoundS, p.proven]).toEqual([best.lateS, true]);
      }),
      { seed: 14, numRuns: runs(500) },
    );
  });

  test('property: the order of what is given changes nothing; a pin to the found place changes nothing', () => {
    fc.assert(
      fc.property(littleTask, (task) => {
        const p = planBatches(task);
        const turned = planBatches({
          ...task,
          batches: [...task.batches].reverse(),
          resources: [...task.resources].reverse(),
        });
        expect(turned).toEqual(p);
        const first = p.steps[0];
        if (!first) return;
        const pin = {
          batch: first.batch,
          step: first.step,
          startS: first.startS,
          uses: first.uses.map((u) => u.resource),
        };
        const pinned = planBatches({ ...task, fixed: [pin] });
        expect([pinned.status, pinned.weightedLatenessS]).toEqual([p.status, p.weightedLatenessS]);
      }),
      { seed: 15, numRuns: runs(250) },
    );
  });

  test('property: one more person or house makes it no worse', () => {
    fc.assert(
      fc.property(littleTask, (task) => {
        const p = planBatches(task);
        const more = planBatches({
          ...task,
          spans: task.spans.map((s) => ({ ...s, people: s.people + 1 })),
        });
        const house = planBatches({
          ...task,
          resources: task.resources.map((r) => ({ ...r, capacity: r.capacity + 40 })),
        });
        for (const better of [more, house]) {
          if (p.status === 'ok') expect(better.status).toBe('ok');
          if (p.status === 'ok')
            expect(better.weightedLatenessS).toBeLessThanOrEqual(p.weightedLatenessS);
        }
      }),
      { seed: 16, numRuns: runs(250) },
    );
  });

  test.each([1, 2, 3])('a smokehouse of eight batches keeps every rule, seed %d', (seed) => {
    const task = smokehouse(seed, { batches: 8, days: 4, people: 3 });
    const one = planBatches({ ...task, limits: { timeMs: 1e9, rounds: 0 } });
    const p = planBatches({ ...task, limits: { timeMs: 1e9, rounds: 40, seed } });
    expect(planTroubles(task, p.steps)).toEqual([]);
    expect(p.unplaced.length).toBeLessThanOrEqual(one.unplaced.length);
    if (p.unplaced.length === one.unplaced.length)
      expect(p.weightedLatenessS).toBeLessThanOrEqual(one.weightedLatenessS);
    expect(p.weightedLatenessS).toBeGreaterThanOrEqual(p.lowerBoundS);
    /* A seed and a number of rounds give the same plan always. */
    expect(planBatches({ ...task, limits: { timeMs: 1e9, rounds: 40, seed } })).toEqual(p);
  });

  test('somebody stops it, and time does', () => {
    const task = smokehouse(5, { batches: 8, days: 5, people: 3 });
    const seen: number[] = [];
    planBatches({
      ...task,
      limits: { timeMs: 1e9, onProgress: ({ round }) => seen.push(round) >= 2 },
    });
    expect(seen).toHaveLength(2);
    let ms = 0;
    const p = planBatches({ ...task, limits: { timeMs: 50, clock: () => (ms += 10) } });
    expect(planTroubles(task, p.steps)).toEqual([]);
    expect(ms).toBeLessThan(50 + 30);
  });

  test('people by overlapping spans are not added up, and a gap of a minute is one', () => {
    const [from, to] = [T0, T0 + 12 * SLOT];
    const stuff = [batch('a', 12, [step('stuff', 4, { people: 2 })])];
    const two = [
      { startS: from, endS: to, people: 1 },
      { startS: from, endS: to, people: 1 },
    ];
    expect(planBatches(input(stuff, { spans: two })).status).toBe('infeasible');
    const gap = [
      { startS: from, endS: T0 + 3 * SLOT + 60, people: 2 },
      { startS: T0 + 3 * SLOT + 120, endS: T0 + 3 * HOUR, people: 2 },
    ];
    expect(at(planBatches(input(stuff, { spans: gap })), 'a', 'stuff')).toBeGreaterThanOrEqual(4);
  });
});

describe('bestPlan', () => {
  const empty = { status: 'ok' as const, steps: [], unplaced: [], because: [], moved: 0, runs: 3 };
  const plan = (lateH: number, spanH: number, more: object = {}) => ({
    ...empty,
    weightedLatenessS: lateH * HOUR,
    spanS: spanH * HOUR,
    lowerBoundS: 0,
    proven: false,
    ...more,
  });
  test.each<[string, ReturnType<typeof plan>[], number, number]>([
    ['less late', [plan(3, 9), plan(2, 20)], 0, 1],
    ['then shorter', [plan(2, 9), plan(2, 8)], 0, 1],
    ['then fewer fires', [plan(2, 8), plan(2, 8, { runs: 2 })], 0, 1],
    ['the first of those that are alike', [plan(2, 8), plan(2, 8)], 0, 0],
    ['nobody without a place', [plan(0, 1, { unplaced: ['a'] }), plan(9, 9)], 0, 1],
    ['moves weigh as they did', [plan(2, 8, { moved: 9 }), plan(3, 8)], HOUR, 1],
    ['and nothing where they did not', [plan(2, 8, { moved: 9 }), plan(3, 8)], 0, 0],
  ])('%s', (_, plans, moveCostS, which) =>
    expect(bestPlan(plans, moveCostS)).toEqual(plans[which]),
  );
  test('what one has proven holds for all that are as good, and its bound for every one', () => {
    const both = bestPlan([plan(2, 8), plan(2, 8, { proven: true, lowerBoundS: 2 * HOUR })]);
    expect([both.proven, both.lowerBoundS]).toEqual([true, 2 * HOUR]);
    const better = bestPlan([plan(1, 8), plan(2, 8, { proven: true, lowerBoundS: HOUR })]);
    expect([better.proven, better.lowerBoundS]).toEqual([false, HOUR]);
    expect(() => bestPlan([])).toThrow('plans');
  });
});

import fc from 'fast-check';
import { bestByTrying, waysOf } from '../../testing/plan-brute';
import { asFixed } from '../../testing/plan-instances';
import { waitingTask } from '../../testing/plan-little';
import { planBatches, planTroubles, whyLate, type PlanInput, type PlanStep } from './index';
import { Insertion } from './insertion';
import { Occupancy } from './occupancy';
import { makeProblem, SLOT_S } from './problem';
import { runs } from '../../testing/thorough';

const T0 = 1_800_000_000;
const HOUR = 3600;
const cold = (amount: number, freeS = 0) => ({ anyOf: ['cooler'], amount, freeS });
const step = (id: string, hours: number, more: Partial<PlanStep> = {}): PlanStep => ({
  id,
  durationS: hours * HOUR,
  people: 0,
  uses: [],
  maxWaitAfterS: Infinity,
  ...more,
});
/** Two batches that are ground at once and packed by the one person who comes after ten hours. */
const overNight = (capacity: number, waits: PlanStep['waits']): PlanInput => ({
  nowS: T0,
  horizonS: 40 * HOUR,
  spans: [{ startS: T0 + 10 * HOUR, endS: T0 + 40 * HOUR, people: 2 }],
  resources: [
    { id: 'cooler', capacity, shared: 'sum' },
    { id: 'bench', capacity: 1, shared: 'sum' },
  ],
  batches: ['a', 'b'].map((id) => ({
    id,
    readyByS: T0 + 11 * HOUR,
    weight: 1,
    steps: [
      step('chill', 8, { uses: [{ anyOf: ['cooler'], amount: 30 }], ...(waits ? { waits } : {}) }),
      step('pack', 1, { people: 1 }),
    ],
  })),
  limits: { timeMs: 1e9, rounds: 60, seed: 1 },
});
const startOf = (p: ReturnType<typeof planBatches>, batch: string, id: string) =>
  (p.steps.find((s) => s.batch === batch && s.step === id)!.startS - T0) / HOUR;

describe('what waits takes room', () => {
  test.each<[string, number, PlanStep['waits'], number]>([
    ['room for both', 60, cold(30), 0],
    ['what waits is left out where nothing is said', 60, undefined, 0],
    ['no room for a second until the first is out', 50, cold(30), 8],
  ])('%s', (_, capacity, waits, lateH) => {
    const task = overNight(capacity, waits);
    const p = planBatches(task);
    expect(planTroubles(task, p.steps)).toEqual([]);
    expect(p.weightedLatenessS / HOUR).toBe(lateH);
  });

  test('a second place is waited in where the first is full, and is named', () => {
    const task = overNight(60, { anyOf: ['cooler', 'shelf'], amount: 30, freeS: 0 });
    task.spans = [{ startS: T0 + 12 * HOUR, endS: T0 + 40 * HOUR, people: 2 }];
    task.resources.push({ id: 'shelf', capacity: 30, shared: 'sum' });
    /* From nine to eleven one of the two must be out of the cooler: packed it is not before twelve. */
    task.batches.push({
      id: 'c',
      readyByS: T0 + 11 * HOUR,
      weight: 9,
      releaseS: T0 + 9 * HOUR,
      steps: [step('cold', 2, { uses: [{ anyOf: ['cooler'], amount: 30 }] })],
    });
    const p = planBatches({ ...task, limits: { ...task.limits, rounds: 300 } });
    expect(planTroubles(task, p.steps)).toEqual([]);
    expect(p.weightedLatenessS).toBe(2 * 2 * HOUR);
    expect(p.steps.flatMap((s) => s.waitsIn ?? [])).toEqual(['shelf']);
  });

  test('a short wait stands about; one slot longer does not', () => {
    const one = (freeS: number): PlanInput => ({
      ...overNight(20, undefined),
      batches: [
        {
          id: 'a',
          readyByS: T0 + 12 * HOUR,
          weight: 1,
          steps: [step('grind', 1, { waits: cold(30, freeS) }), step('stuff', 1, { people: 1 })],
          releaseS: T0,
        },
      ],
    });
    const fixed = [{ batch: 'a', step: 'grind', startS: T0 + 7 * HOUR }];
    const short = planBatches({ ...one(2 * HOUR), fixed });
    expect(startOf(short, 'a', 'stuff')).toBe(10);
    expect(short.steps[0]!.waitsIn).toBeUndefined();
    expect(planBatches({ ...one(2 * HOUR - SLOT_S), fixed }).status).toBe('infeasible');
    expect(planBatches(one(0)).status).toBe('ok');
  });

  test('who is late for want of room to wait is told so', () => {
    const task = overNight(50, cold(30));
    const p = planBatches(task);
    expect(p.because).toEqual([
      { batch: expect.any(String), lateS: 8 * HOUR, waitsFor: { kind: 'resource', id: 'cooler' } },
    ]);
    expect(whyLate(task, p.steps)).toEqual(p.because);
  });

  test('by hand: what waits on a full cooler is too full, at the step before; between two that stay nothing is asked', () => {
    const task = overNight(50, cold(30));
    const at = (batch: string, chillH: number, packH: number) => [
      {
        batch,
        step: 'chill',
        startS: T0 + chillH * HOUR,
        endS: T0 + (chillH + 8) * HOUR,
        uses: [{ resource: 'cooler', amount: 30 }],
      },
      { batch, step: 'pack', startS: T0 + packH * HOUR, endS: T0 + (packH + 1) * HOUR, uses: [] },
    ];
    const steps = [...at('a', 0, 20), ...at('b', 10, 20)];
    expect(
      planTroubles(task, steps).map((t) => [t.code, t.batch, t.step, t.asks, t.limit]),
    ).toEqual([
      ['no_room_to_wait', 'a', 'chill', 60, 50],
      ['too_full', 'b', 'chill', 60, 50],
    ]);
    expect(planTroubles({ ...task, fixed: asFixed(steps) }, steps)).toEqual([]);
    expect(planTroubles(task, [...at('a', 0, 10), ...at('b', 10, 20)])).toEqual([]);
    const astray = steps.map((s) => (s.step === 'chill' ? { ...s, waitsIn: 'bench' } : s));
    expect(planTroubles(task, astray)).toContainEqual(
      expect.objectContaining({ code: 'wrong_place', resource: 'bench' }),
    );
  });

  test.each<[string, PlanStep['waits']]>([
    ['a place that runs one load at a time', { anyOf: ['house'], amount: 1, freeS: 0 }],
    ['a place that there is not', { anyOf: ['ghost'], amount: 1, freeS: 0 }],
    ['less than nothing', { anyOf: ['cooler'], amount: -1, freeS: 0 }],
    ['a time that is none', { anyOf: ['cooler'], amount: 1, freeS: -1 }],
  ])('refuses %s', (_, waits) => {
    const task = overNight(50, waits);
    task.resources.push({ id: 'house', capacity: 9, shared: 'same_run' });
    expect(() => planBatches(task)).toThrow();
  });
});

describe('against an independent look at the rules', () => {
  test('property: as good as trying everything, and never below the bound', () => {
    let waits = 0;
    fc.assert(
      fc.property(waitingTask, (task) => {
        const p = planBatches(task);
        expect(planTroubles(task, p.steps)).toEqual([]);
        if (p.steps.some((s) => s.waitsIn)) waits += 1;
        const best = bestByTrying(task);
        if (!best) return void expect(p.status).toBe('infeasible');
        expect(p.status).toBe('ok');
        expect([p.weightedLatenessS, p.spanS]).toEqual([best.lateS, best.spanS]);
        expect(p.lowerBoundS).toBeLessThanOrEqual(best.lateS);
      }),
      { seed: 51, numRuns: runs(1_500) },
    );
    expect(waits).toBeGreaterThan(5);
  });

  test('property: one batch alone goes as well as trying every way of it, whatever is preferred', () => {
    fc.assert(
      fc.property(waitingTask, fc.double({ min: 0, max: 0.999, noNaN: true }), (drawn, tie) => {
        const task = { ...drawn, batches: drawn.batches.slice(0, 1) };
        const problem = makeProblem(task);
        const insertion = new Insertion(problem, new Occupancy(problem));
        const found = insertion.insert(0, { tie: () => tie });
        const best = waysOf(task, task.batches[0]!)[0];
        expect(found && [found.cost, found.spanSlots * SLOT_S]).toEqual(
          best ? [best.lateS, best.spanS] : null,
        );
      }),
      { seed: 52, numRuns: runs(2_000) },
    );
  });

  test('property: planned again it stays, and all that stays asks nothing', () => {
    fc.assert(
      fc.property(waitingTask, (task) => {
        const p = planBatches(task);
        if (p.status !== 'ok') return;
        const again = planBatches({
          ...task,
          previous: p.steps,
          limits: { timeMs: 1e9, rounds: 20, moveCostS: 600 },
        });
        expect([again.moved, again.steps]).toEqual([0, p.steps]);
        const stays = planBatches({ ...task, fixed: asFixed(p.steps) });
        expect(stays.steps).toEqual(p.steps);
        /* One of them free again: it finds its place, and takes no more than is left. */
        const own = task.batches[0]!.id;
        const fixed = asFixed(p.steps.filter((s) => s.batch !== own));
        const free = planBatches({ ...task, fixed });
        expect(planTroubles({ ...task, fixed }, free.steps)).toEqual([]);
        expect(free.weightedLatenessS).toBe(p.weightedLatenessS);
      }),
      { seed: 53, numRuns: 80 },
    );
  });
});

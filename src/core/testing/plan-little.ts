import fc from 'fast-check';
import type { PlanInput } from '../schedule/many';

const SLOT_S = 300;
const T0 = 1_800_000_000;
const PLACES = { none: [], house: ['house'], either: ['house', 'little'], cooler: ['cooler'] };

const drawnStep = fc.record({
  slots: fc.integer({ min: 1, max: 3 }),
  people: fc.integer({ min: 0, max: 2 }),
  /** Somebody comes besides, at one end or both. */
  comes: fc.constantFrom('never', 'never', 'first', 'last', 'both'),
  use: fc.constantFrom('none' as const, 'house' as const, 'either' as const, 'cooler' as const),
  amount: fc.constantFrom(20, 50, 60),
  together: fc.constantFrom(undefined, 'plain'),
  wait: fc.constantFrom(0, SLOT_S, Infinity),
});
const visit = (slot: number) => ({
  fromS: slot * SLOT_S + 60,
  toS: slot * SLOT_S + 240,
  people: 1,
});

const drawnBatch = fc.record({
  due: fc.integer({ min: 1, max: 8 }),
  weight: fc.integer({ min: 1, max: 3 }),
  steps: fc.array(drawnStep, { minLength: 1, maxLength: 2 }),
});

type Step = (typeof drawnStep extends fc.Arbitrary<infer T> ? T : never) & object;

const usesOf = (s: Step) =>
  s.use === 'none'
    ? []
    : [
        {
          anyOf: PLACES[s.use],
          amount: s.amount,
          ...(s.use === 'either' ? { amounts: { little: s.amount - 10 } } : {}),
          ...(s.together ? { together: s.together } : {}),
        },
      ];

/** Tasks that can be tried through: up to three batches of up to two steps on ten slots, two houses, a cooler, few people. */
export const littleTask: fc.Arbitrary<PlanInput> = fc
  .record({
    people: fc.integer({ min: 1, max: 2 }),
    late: fc.integer({ min: 0, max: 4 }),
    batches: fc.array(drawnBatch, { minLength: 1, maxLength: 3 }),
  })
  .map(({ people, late, batches }) => ({
    nowS: T0,
    horizonS: 10 * SLOT_S,
    spans: [{ startS: T0 + late * SLOT_S, endS: T0 + 10 * SLOT_S, people }],
    resources: [
      { id: 'house', capacity: 100, shared: 'same_run' as const },
      { id: 'little', capacity: 50, shared: 'same_run' as const },
      { id: 'cooler', capacity: 100, shared: 'sum' as const },
    ],
    batches: batches.map((b, i) => ({
      id: `b${i}`,
      readyByS: T0 + b.due * SLOT_S,
      weight: b.weight,
      steps: b.steps.map((s, k) => ({
        id: `s${k}`,
        durationS: s.slots * SLOT_S,
        people: s.people,
        maxWaitAfterS: s.wait,
        visits: [
          ...(s.comes === 'first' || s.comes === 'both' ? [visit(0)] : []),
          ...(s.comes === 'last' || s.comes === 'both' ? [visit(s.slots - 1)] : []),
        ],
        uses: usesOf(s),
      })),
    })),
    limits: { timeMs: 1e9, rounds: 150, seed: 1 },
  }));

const drawnWait = fc.record({
  anyOf: fc.constantFrom<string[]>(['cooler'], ['cooler', 'shelf']),
  amount: fc.constantFrom(40, 60),
  freeS: fc.constantFrom(0, SLOT_S),
});

/**
 * The same where whoever waits takes room of a cooler, or of a shelf besides: nobody is there for some slots in the middle, and
 * both ends of a batch ask for somebody.
 */
export const waitingTask: fc.Arbitrary<PlanInput> = fc
  .tuple(
    littleTask,
    fc.array(drawnWait, { minLength: 6, maxLength: 6 }),
    fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
  )
  .map(([task, waits, more]) => ({
    ...task,
    spans: task.spans.flatMap((s) => [
      { ...s, endS: T0 + 4 * SLOT_S },
      { ...s, startS: T0 + 7 * SLOT_S },
    ]),
    resources: [...task.resources, { id: 'shelf', capacity: 60, shared: 'sum' as const }],
    batches: task.batches.map((b, i) => {
      const steps = b.steps.map((s, k) => ({
        ...s,
        ...(k === 0 ? { people: 1, visits: [] } : {}),
        waits: waits[2 * i + k]!,
      }));
      const packs = { id: 'pack', durationS: SLOT_S, people: 1, uses: [], maxWaitAfterS: 0 };
      return { ...b, steps: more[i] ? [...steps, packs] : steps };
    }),
  }));

import { planBatches, type PlacedStep } from '../many';
import { taskOf } from '../../testing/plan-task';
import {
  batchEnds,
  halvesOf,
  planFigures,
  planNow,
  pullLevers,
  remediesFor,
  shortages,
  withPins,
  type Lever,
  type Task,
} from './index';

const H = 3600;
const T0 = 1_800_000_000 - (1_800_000_000 % H);
const step = (id: string, hours: number, more: object = {}) => ({
  id,
  durationS: hours * H,
  people: 0,
  uses: [],
  maxWaitAfterS: Infinity,
  ...more,
});
const inHouse = (amount: number, together?: string) => ({
  uses: [
    {
      anyOf: ['big', 'little'],
      amount,
      amounts: { big: amount, little: amount },
      ...(together ? { together } : {}),
    },
  ],
});
const batch = (id: string, dueH: number, steps: object[]) => ({
  id,
  readyByS: T0 + dueH * H,
  weight: 1,
  steps,
});
const task = (batches: object[], more: Partial<Task> = {}): Task =>
  taskOf(batches, {
    nowS: T0,
    spans: [{ startS: T0, endS: T0 + 10 * H, people: 1 }],
    resources: [
      { id: 'big', capacity: 80, shared: 'same_run' },
      { id: 'little', capacity: 20, shared: 'same_run' },
    ],
    ...more,
  });
const planOf = (t: Task) => planBatches({ ...t, limits: { timeMs: 1e9, rounds: 20 } }).steps;
const remedies = (t: Task, steps: PlacedStep[], id: string) => {
  const going = remediesFor({ task: t, steps, pins: [], batch: id, stays: () => 'ada' });
  for (;;) {
    const { value, done } = going.next();
    if (done) return value;
  }
};

describe('the plan as it stands', () => {
  const two = task([
    batch('a', 4, [step('run', 4, inHouse(50)), step('pack', 1)]),
    batch('b', 9, [step('run', 4, inHouse(50)), step('pack', 1)]),
  ]);
  const steps = planOf(two);

  test('what a record has settled is where it is, the rest where it was planned', () => {
    const late: Task = {
      ...two,
      batches: two.batches.map((b) =>
        b.id === 'a' ? { ...b, steps: [step('run', 6, inHouse(50)), step('pack', 1)] } : b,
      ),
      fixed: [{ batch: 'a', step: 'run', startS: T0, uses: ['big'] }],
    };
    const now = planNow(late, steps);
    expect(now.unplanned).toEqual([]);
    const run = now.steps.find((s) => s.batch === 'a' && s.step === 'run')!;
    expect([run.startS, run.endS, run.uses[0]!.resource]).toEqual([T0, T0 + 6 * H, 'big']);
    /* Two hours late: a changed plan moves what has to move, and nothing else. */
    const again = planBatches({
      ...late,
      previous: now.steps,
      limits: { timeMs: 1e9, rounds: 20, moveCostS: 600 },
    });
    expect(again.status).toBe('ok');
    expect(again.moved).toBeLessThanOrEqual(3);
  });
  test('where it was to wait it waits only as long as it may; what runs too', () => {
    const waits = { anyOf: ['cold'], amount: 50, freeS: 0 };
    const run = (more: object) => batch('a', 9, [step('run', 4, more), step('pack', 1)]);
    const was = (id: string, fromH: number, more: object = {}) => ({
      batch: 'a',
      step: id,
      startS: T0 + fromH * H,
      endS: T0 + (fromH + (id === 'run' ? 4 : 1)) * H,
      uses: [],
      ...more,
    });
    const before = [was('run', 0, { waitsIn: 'cold' }), was('pack', 6)];
    const waitsIn = (more: object, fixed: Task['fixed'] = []) =>
      planNow(task([run(more)], { fixed }), before).steps[0]!.waitsIn;
    const runs = [{ batch: 'a', step: 'run', startS: T0 }];
    expect([waitsIn({ waits }), waitsIn({ waits }, runs)]).toEqual(['cold', 'cold']);
    expect([waitsIn({}), waitsIn({}, runs)]).toEqual([undefined, undefined]);
    expect(waitsIn({ waits: { ...waits, anyOf: ['other'] } })).toBeUndefined();
  });
  test('a batch of which a step was never planned has no place', () => {
    const more = task([...two.batches, batch('c', 9, [step('run', 1)])]);
    expect(planNow(more, steps).unplanned).toEqual(['c']);
    expect(planNow(two, []).steps).toEqual([]);
  });
  test('pins are what stays; of what is not planned they say nothing', () => {
    const pins = [
      { batch: 'b', step: 'run' },
      { batch: 'ghost', step: 'run' },
    ];
    const fixed = withPins(two, steps, pins);
    expect(fixed).toEqual([
      expect.objectContaining({ batch: 'b', step: 'run', uses: [expect.any(String)] }),
    ]);
  });
  test('its figures: who is late, and for how long which house burns', () => {
    expect(batchEnds(two, steps).find((e) => e.batch === 'a')!.lateS).toBe(H);
    const f = planFigures(two, steps);
    expect(f.late).toBe(1);
    expect(f.places.find((p) => p.id === 'big')).toEqual({ id: 'big', runsS: 8 * H, runs: 2 });
  });
});

describe('levers', () => {
  const one = task([batch('a', 5, [step('run', 4, inHouse(60)), step('pack', 1, { people: 1 })])]);
  test.each<[string, Lever, (t: Task) => unknown, unknown]>([
    [
      'overtime adds one to those who are there',
      { kind: 'overtime', personId: 'x', startS: T0 + 9 * H, endS: T0 + 12 * H },
      (t) => t.spans.map((s) => [(s.startS - T0) / H, (s.endS - T0) / H, s.people]),
      [
        [0, 9, 1],
        [9, 10, 2],
        [10, 12, 1],
      ],
    ],
    ['early', { kind: 'early', batch: 'a' }, (t) => t.batches[0]!.releaseS, T0],
    ['split', { kind: 'split', batch: 'a' }, (t) => t.batches.map((b) => b.id), halvesOf('a')],
    ['ready by', { kind: 'ready_by', batch: 'a', readyByS: 7 }, (t) => t.batches[0]!.readyByS, 7],
    ['weight', { kind: 'weight', batch: 'a', weight: 4 }, (t) => t.batches[0]!.weight, 4],
    ['without', { kind: 'without', batch: 'a' }, (t) => t.batches, []],
    [
      'in one place',
      { kind: 'place', batch: 'a', placeId: 'little' },
      (t) => t.batches[0]!.steps[0]!.uses[0]!.anyOf,
      ['little'],
    ],
    [
      'shut in the past',
      { kind: 'closed', placeId: 'big', startS: 0, endS: 5 },
      (t) => t.batches.length,
      1,
    ],
    ['of what there is none', { kind: 'split', batch: 'ghost' }, (t) => t.batches.length, 1],
  ])('%s', (_, lever, read, expected) => expect(read(pullLevers(one, [lever]))).toEqual(expected));
  test('a place that is shut is gone round', () => {
    const shut = pullLevers(one, [
      { kind: 'closed', placeId: 'big', startS: T0, endS: T0 + 3 * H },
    ]);
    const run = planOf(shut).find((s) => s.step === 'run')!;
    expect(run.startS).toBe(T0 + 3 * H);
  });
  test('refuses a weight of nothing', () =>
    expect(() => pullLevers(one, [{ kind: 'weight', batch: 'a', weight: 0 }])).toThrow('weight'));
});

describe('remediesFor', () => {
  test('too heavy for the house that is free: halves, or somebody stays; the best first', () => {
    const t = task(
      [
        batch('a', 8, [step('run', 8, inHouse(70))]),
        batch('b', 9, [step('run', 4, inHouse(40)), step('pack', 1, { people: 1 })]),
      ],
      {
        fixed: [{ batch: 'a', step: 'run', startS: T0, uses: ['big'] }],
        spans: [
          { startS: T0, endS: T0 + 10 * H, people: 1 },
          { startS: T0 + 24 * H, endS: T0 + 34 * H, people: 1 },
        ],
      },
    );
    const steps = planOf(t);
    const found = remedies(t, steps, 'b');
    expect(found.map((r) => r.lever.kind)).toContain('split');
    /* What has a record is made in one. */
    const ground = { ...t, behind: [{ batch: 'b' }] as Task['behind'] };
    expect(remedies(ground, steps, 'b').map((r) => r.lever.kind)).not.toContain('split');
    const late = found.map((r) => r.lateS + r.othersS);
    expect(late).toEqual([...late].sort((x, y) => x - y));
    const now = batchEnds(t, steps).find((e) => e.batch === 'b')!.lateS;
    for (const r of found) expect(r.lateS).toBeLessThan(now);
  });
  test('where nothing helps there is none', () => {
    const t = task([batch('a', 1, [step('run', 8, inHouse(70))])]);
    expect(remedies(t, planOf(t), 'a')).toEqual([]);
    expect(remedies(t, [], 'ghost')).toEqual([]);
  });
});

describe('shortages', () => {
  const need = (name: string, atS: number, amount: number) => ({
    batch: `b${atS}`,
    name,
    atS,
    amount,
  });
  test.each([
    ['enough', [need('salt', 1, 5)], [{ name: 'salt', amount: 5, untilS: null }], []],
    ['none', [need('salt', 1, 5)], [], [['salt', 5, 1]]],
    [
      'the second is missing',
      [need('salt', 9, 5), need('salt', 1, 5)],
      [{ name: 'salt', amount: 7, untilS: null }],
      [['salt', 3, 9]],
    ],
    [
      'over before it is needed',
      [need('meat', 9, 5)],
      [{ name: 'meat', amount: 9, untilS: 8 }],
      [['meat', 5, 9]],
    ],
    [
      'the one that ends first is used first',
      [need('meat', 1, 5), need('meat', 9, 5)],
      [
        { name: 'meat', amount: 5, untilS: null },
        { name: 'meat', amount: 5, untilS: 5 },
      ],
      [],
    ],
  ])('%s', (_, needs, stock, expected) =>
    expect(shortages(needs, stock).map((s) => [s.name, s.short, s.byS])).toEqual(expected),
  );
});

import { taskOf } from '../../testing/plan-task';
import { planBatches } from '../many';
import {
  couldHangWith,
  isOneRunOf,
  remediesFor,
  withSameProgram,
  type Remedy,
  type Task,
} from './index';

const H = 3600;
const T0 = 1_800_000_000 - (1_800_000_000 % H);
const run = (hours: number, together: string | null, more: object = {}) => ({
  id: 'run',
  durationS: hours * H,
  people: 0,
  uses: [
    {
      anyOf: ['house'],
      amount: 30,
      amounts: { house: 30 },
      ...(together === null ? {} : { together }),
    },
  ],
  maxWaitAfterS: Infinity,
  ...more,
});
const batch = (id: string, dueH: number, step: object) => ({
  id,
  readyByS: T0 + dueH * H,
  weight: 1,
  steps: [step],
});
const task = (batches: object[]): Task =>
  taskOf(batches, {
    nowS: T0,
    spans: [{ startS: T0, endS: T0 + 50 * H, people: 1 }],
    resources: [{ id: 'house', capacity: 80, shared: 'same_run' }],
  });
const planOf = (t: Task) => planBatches({ ...t, limits: { timeMs: 1e9, rounds: 20 } }).steps;

function remedies(t: Task, id: string): Remedy[] {
  const going = remediesFor({
    task: t,
    steps: planOf(t),
    pins: [],
    batch: id,
    stays: () => null,
  });
  for (;;) {
    const { value, done } = going.next();
    if (done) return value;
  }
}

/* Both are due when the first run is over: one of them waits for the house. */
const two = task([batch('a', 4, run(4, 'mild')), batch('b', 5, run(5, 'hot'))]);

test('two programs of which one waits for the house: by one program both hang in it at once', () => {
  const late = planOf(two).reduce((last, s) => (s.endS > last.endS ? s : last)).batch;
  const other = late === 'a' ? 'b' : 'a';
  const way = remedies(two, late).find((r) => r.lever.kind === 'same_program');
  expect(way!.lever).toEqual({ kind: 'same_program', batch: late, with: other });
  expect(way!.lateS).toBe(0);
  expect(way!.othersS).toBe(0);
});

test('it runs as long and under the key of the other, with as many people', () => {
  const visits = [{ fromS: 0, toS: H, people: 1 }];
  const t = task([
    batch('a', 9, run(4, 'mild')),
    batch('b', 9, run(5, 'hot', { people: 2, visits })),
  ]);
  const a = (of: Task) => of.batches[0]!.steps[0]!;
  const then = a(withSameProgram(t, { kind: 'same_program', batch: 'a', with: 'b' }));
  expect([then.durationS, then.people, then.visits]).toEqual([5 * H, 2, visits]);
  expect(then.uses[0]).toMatchObject({ together: 'hot', amount: 30 });
  const back = withSameProgram(t, { kind: 'same_program', batch: 'b', with: 'a' });
  expect(back.batches[1]!.steps[0]).toMatchObject({ durationS: 4 * H, people: 0, visits: [] });
});

test('one of each other program is asked, the nearest first, and of those no more than asked for', () => {
  const t = task([
    batch('a', 40, run(2, 'mild')),
    batch('b', 40, run(2, 'hot')),
    batch('c', 40, run(2, 'hot')),
    batch('d', 40, run(2, 'cold')),
    batch('e', 40, run(2, 'mild')),
    batch('f', 40, run(2, null)),
  ]);
  const at = (id: string, h: number) => ({
    batch: id,
    step: 'run',
    startS: T0 + h * H,
    endS: T0 + (h + 2) * H,
    uses: [],
  });
  const steps = [at('a', 10), at('b', 2), at('c', 14), at('d', 9), at('e', 10), at('f', 10)];
  const withs = (most: number, of = t) => couldHangWith(of, steps, 'a', most).map((w) => w.with);
  expect(withs(3)).toEqual(['d', 'c']);
  expect(withs(1)).toEqual(['d']);
  const fixed = (id: string) => ({ ...t, fixed: [{ batch: id, step: 'run', startS: T0 }] });
  expect([withs(3, fixed('a')), withs(3, fixed('d'))]).toEqual([[], ['c']]);
  expect(couldHangWith(t, steps, 'f', 3)).toEqual([]);
  expect(couldHangWith(t, steps, 'ghost', 3)).toEqual([]);
});

test('who has begun hanging, or is in another place, is not hung together with', () => {
  const way = { kind: 'same_program', batch: 'a', with: 'b' } as const;
  const begun = { ...two, fixed: [{ batch: 'b', step: 'run', startS: T0 }] };
  expect(withSameProgram(begun, way)).toBe(begun);
  const apart = task([
    batch('a', 4, run(4, 'mild')),
    batch('b', 4, {
      ...run(4, 'hot'),
      uses: [{ anyOf: ['other'], amount: 30, amounts: { other: 30 }, together: 'hot' }],
    }),
  ]);
  const b = { batch: 'b', step: 'run', startS: T0, endS: T0 + 4 * H, uses: [] };
  expect(couldHangWith(apart, [b], 'a', 3)).toEqual([]);
});

test('a shorter program helps by itself where both are too heavy for one run: that is not together', () => {
  const heavy = (hours: number, together: string) =>
    run(hours, together, {
      uses: [{ anyOf: ['house'], amount: 50, amounts: { house: 50 }, together }],
    });
  const t = task([batch('a', 5, heavy(4, 'mild')), batch('b', 2, heavy(2, 'hot'))]);
  expect(remedies(t, 'a').map((r) => r.lever.kind)).not.toContain('same_program');
  const way = { kind: 'same_program', batch: 'a', with: 'b' } as const;
  const at = (id: string, h: number, house = 'house') => ({
    batch: id,
    step: 'run',
    startS: T0 + h * H,
    endS: T0 + (h + 2) * H,
    uses: [{ resource: house, amount: 50 }],
  });
  expect(isOneRunOf(t, [at('a', 0), at('b', 0)], way)).toBe(true);
  expect(isOneRunOf(t, [at('a', 0), at('b', 2)], way)).toBe(false);
  expect(isOneRunOf(t, [at('a', 0), at('b', 0, 'other')], way)).toBe(false);
  expect(isOneRunOf(t, [at('a', 0)], way)).toBe(false);
});

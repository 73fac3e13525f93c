import { smokehouse } from '../../testing/plan-instances';
import { inOrder } from './draft';
import { Occupancy } from './occupancy';
import { makeProblem, type Problem } from './problem';
import { SlotSpans } from './slot-spans';

const problem = makeProblem(smokehouse(3, { batches: 12, days: 6, people: 3 }));
const { placements } = inOrder(problem, [...problem.jobs.keys()]);
const placeAll = (taken: Occupancy, which: readonly number[]) =>
  which.forEach((i) => taken.place(i, placements[i]!));

/** All that there is to see of it: when people are idle, when there is room, and who hangs where. */
function seen({ slots, resources }: Problem, taken: Occupancy) {
  const listed = (set: SlotSpans) => {
    const out = new Int32Array(slots);
    return [...out.subarray(0, set.listInto(out))].join();
  };
  const room = resources.flatMap(({ shared, capacity }, resource) =>
    shared === 'same_run'
      ? []
      : [capacity, capacity / 2].map((amount) => {
          const out = new SlotSpans(slots);
          taken.roomInto(out, { resource, amount, key: null }, 0, slots);
          return listed(out);
        }),
  );
  const runs = taken.runs.map((of) =>
    of.map(({ members, ...run }) => ({ ...run, who: members.map((m) => m.job).sort() })),
  );
  return { idle: [1, 2, 3].map((n) => listed(taken.idleSpans(n))), room, runs };
}

describe('what is taken', () => {
  test('it goes back to what it was when it was last kept', () => {
    const taken = new Occupancy(problem);
    placeAll(taken, [0, 1, 2, 3, 4, 5]);
    taken.keep();
    const kept = seen(problem, taken);
    for (const i of [1, 4]) taken.remove(i, placements[i]!);
    placeAll(taken, [6, 7, 8]);
    expect(seen(problem, taken)).not.toEqual(kept);
    taken.undo();
    expect(seen(problem, taken)).toEqual(kept);
    placeAll(taken, [9, 10]);
    taken.undo();
    expect(seen(problem, taken)).toEqual(kept);
  });

  test('whoever is placed and removed again leaves nothing behind', () => {
    const taken = new Occupancy(problem);
    placeAll(taken, [0, 1, 2]);
    const before = seen(problem, taken);
    placeAll(taken, [5, 3, 11]);
    for (const i of [11, 5, 3]) taken.remove(i, placements[i]!);
    expect(seen(problem, taken)).toEqual(before);
  });
});

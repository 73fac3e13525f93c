import fc from 'fast-check';
import { littleTask } from '../../testing/plan-little';
import { eachAlone } from './bounds';
import { conflictIn } from './conflicts';
import { planTroubles, type PlacedStep } from './index';
import { Occupancy, type Placement } from './occupancy';
import { makeProblem, SLOT_S, type Problem } from './problem';

const stepsOf = (problem: Problem, placed: readonly Placement[]): PlacedStep[] =>
  problem.jobs.flatMap((j, i) =>
    j.steps.map((s, k) => {
      const startS = problem.baseS + placed[i]!.starts[k]! * SLOT_S;
      const takes = s.choices[placed[i]!.choices[k]!]!.takes;
      return {
        batch: j.id,
        step: s.id,
        startS,
        endS: startS + s.slots * SLOT_S,
        uses: takes.map((t) => ({ resource: problem.resources[t.resource]!.id, amount: t.amount })),
      };
    }),
  );

describe('conflicts of those who were placed as if alone', () => {
  test('property: there is one exactly where a rule is broken, and it names those who are there then', () => {
    let some = 0;
    fc.assert(
      fc.property(littleTask, (task) => {
        const problem = makeProblem(task);
        const alone = eachAlone(problem);
        if (alone.some((a) => !a)) return;
        const placed = alone.map((a) => a!.placement);
        const taken = new Occupancy(problem);
        placed.forEach((p, i) => taken.place(i, p));
        const conflict = conflictIn(problem, placed, taken);
        const isBroken = planTroubles(task, stepsOf(problem, placed)).length > 0;
        expect(conflict !== null).toBe(isBroken);
        if (!conflict) return;
        some += 1;
        expect(new Set(conflict.parties.map((p) => p.job)).size).toBeGreaterThan(1);
        for (const p of conflict.parties) {
          expect(p.start).toBeLessThanOrEqual(conflict.slot);
          expect(p.end).toBeGreaterThan(conflict.slot);
        }
      }),
      { seed: 51, numRuns: 600 },
    );
    expect(some).toBeGreaterThan(50);
  });
});

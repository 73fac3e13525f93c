import fc from 'fast-check';
import { littleTask } from '../../testing/plan-little';
import { eachAlone } from './bounds';
import { conflictIn } from './conflicts';
import { placedSteps } from './draft';
import { planTroubles } from './index';
import { Occupancy } from './occupancy';
import { makeProblem } from './problem';

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
        const isBroken =
          planTroubles(
            task,
            placed.flatMap((p, i) => placedSteps(problem, i, p)),
          ).length > 0;
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

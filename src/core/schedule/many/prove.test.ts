import fc from 'fast-check';
import { bestByTrying } from '../../testing/plan-brute';
import { smokehouse } from '../../testing/plan-instances';
import { littleTask } from '../../testing/plan-little';
import { eachAlone } from './bounds';
import type { Found } from './draft';
import { planBatches, type PlanInput } from './index';
import { makeProblem, SLOT_S } from './problem';
import { Proof } from './prove';
import { runs } from '../../testing/thorough';

/** As if nothing were known yet. */
const NOTHING: Found = { placements: [], cost: 0, span: 0, fires: 0, missing: 1 };

/** Looks until there is nothing left to look at. */
function proven(proof: Proof, known: Found): Found {
  let best = known;
  while (proof.goesOn) best = proof.look(best) ?? best;
  expect(proof.isDone).toBe(true);
  return best;
}

/** The same with the first step of the first batch somewhere for good. */
const pinnedTask = fc
  .tuple(littleTask, fc.integer({ min: 0, max: 4 }))
  .map(([task, slot]): PlanInput => {
    const { id, steps } = task.batches[0]!;
    const uses = steps[0]!.uses.map((u) => u.anyOf[0]!);
    const startS = task.nowS + slot * SLOT_S;
    return { ...task, fixed: [{ batch: id, step: steps[0]!.id, startS, uses }] };
  });

describe('a proof', () => {
  test.each([
    ['free to plan', littleTask],
    ['one step pinned', pinnedTask],
  ])(
    'property: by itself, with nothing known, it finds what trying everything finds, %s',
    (_, tasks) => {
      fc.assert(
        fc.property(tasks, (task) => {
          const problem = makeProblem(task);
          const proof = Proof.of(problem, eachAlone(problem));
          const best = bestByTrying(task);
          if (!proof) return void expect(best).toBeNull();
          const found = proven(proof, NOTHING);
          if (!best) return void expect(found.missing).toBe(1);
          expect([found.cost, found.span * SLOT_S]).toEqual([best.lateS, best.spanS]);
        }),
        { seed: 21, numRuns: runs(2_000) },
      );
    },
  );

  test('what is known and cannot be bettered stays, and the least cost is never above it', () => {
    const task = smokehouse(2, { batches: 4, days: 4, people: 3 });
    const problem = makeProblem(task);
    const found = proven(Proof.of(problem, eachAlone(problem))!, NOTHING);
    const again = Proof.of(problem, eachAlone(problem))!;
    expect(again.leastCost(found)).toBeLessThanOrEqual(found.cost);
    expect(proven(again, found)).toBe(found);
    expect(again.leastCost(found)).toBe(found.cost);
  });

  test.each([1, 2, 3, 4])('six batches are proven the best in a few rounds, seed %d', (seed) => {
    const task = smokehouse(seed, { batches: 6, days: 5, people: 3 });
    const p = planBatches({ ...task, limits: { timeMs: 1e9, rounds: 300, seed } });
    expect([p.proven, p.weightedLatenessS]).toEqual([true, p.lowerBoundS]);
  });

  test('who has no place has none proven; too many, or a plan that was there before, are not tried', () => {
    const problem = (batches: number) =>
      makeProblem(smokehouse(1, { batches, days: 4, people: 3 }));
    const many = problem(13);
    expect(Proof.of(many, eachAlone(many))).toBeNull();
    const few = problem(3);
    expect(Proof.of(few, [...eachAlone(few).slice(1), null])).toBeNull();
    const task = smokehouse(1, { batches: 3, days: 4, people: 3 });
    const again = makeProblem({ ...task, previous: planBatches(task).steps });
    expect(Proof.of(again, eachAlone(again))).toBeNull();
  });

  test('what only fits alone is not called proven when one is left out', () => {
    const task = smokehouse(1, { batches: 2, days: 4, people: 3 });
    const [one, two] = task.batches.map((b) => ({
      ...b,
      steps: [
        {
          id: 'smoke',
          durationS: 10 * SLOT_S,
          people: 0,
          uses: [{ anyOf: ['house-1'], amount: 80 }],
          maxWaitAfterS: 0,
        },
      ],
    }));
    const p = planBatches({
      ...task,
      horizonS: 15 * SLOT_S,
      batches: [one!, two!],
      limits: { timeMs: 1e9, rounds: 30, seed: 1 },
    });
    expect([p.status, p.unplaced.length, p.proven]).toEqual(['infeasible', 1, false]);
  });
});

import fc from 'fast-check';
import { asFixed } from '../../testing/plan-instances';
import { bestByTrying, waysOf, type Way } from '../../testing/plan-brute';
import { littleTask } from '../../testing/plan-little';
import { planBatches, planTroubles, type PlacedStep, type PlanInput } from './index';
import { placedSteps } from './draft';
import { Insertion } from './insertion';
import type { Inserted } from './ways';
import { Occupancy } from './occupancy';
import { makeProblem, SLOT_S, type Problem } from './problem';
import type { Limit } from './starts';

/** A task in which all but one batch stay where a plan has them, and that one's number; null where it has none planned. */
function allButOne(task: PlanInput, which: number): { task: PlanInput; i: number } | null {
  const plan = planBatches({ ...task, limits: { timeMs: 1e9, rounds: 5, seed: 3 } });
  if (plan.unplaced.length > 0) return null;
  const i = which % task.batches.length;
  const others = plan.steps.filter((s) => s.batch !== task.batches[i]!.id);
  return { task: { ...task, fixed: asFixed(others) }, i };
}

const stepsOf = (problem: Problem, i: number, { placement }: Inserted) =>
  placedSteps(problem, i, placement);

const put = (problem: Problem, i: number, ask = {}) =>
  new Insertion(problem, new Occupancy(problem)).insert(i, ask);

/** The same with half an hour more for everybody: there are several ends in time. */
const unhurried = (task: PlanInput): PlanInput => ({
  ...task,
  batches: task.batches.map((b) => ({ ...b, readyByS: b.readyByS + 6 * SLOT_S })),
});

describe('one batch is put in', () => {
  test('property: as well as trying every way of it, with the others where they are', () => {
    fc.assert(
      fc.property(littleTask, fc.nat(2), (drawn, which) => {
        const made = allButOne(drawn, which);
        if (!made) return;
        const { task, i } = made;
        const problem = makeProblem(task);
        const found = put(problem, i)!;
        const best = bestByTrying(task)!;
        const others = task.batches
          .filter((_, k) => k !== i)
          .map((b) => task.fixed!.filter((f) => f.batch === b.id));
        const own = stepsOf(problem, i, found);
        const lateS = Math.max(0, own.at(-1)!.endS - task.batches[i]!.readyByS);
        expect(found.cost).toBe(lateS * task.batches[i]!.weight);
        expect(own.at(-1)!.endS - own[0]!.startS).toBe(found.spanSlots * SLOT_S);
        const rest = bestByTrying({
          ...task,
          batches: task.batches.filter((_, k) => k !== i),
          fixed: others.flat(),
        })!;
        expect([rest.lateS + found.cost, rest.spanS + found.spanSlots * SLOT_S]).toEqual([
          best.lateS,
          best.spanS,
        ]);
      }),
      { seed: 41, numRuns: 120 },
    );
  });

  test('property: what costs more than is of use is not found, and all else as before', () => {
    let useless = 0;
    fc.assert(
      fc.property(littleTask, fc.nat(2), fc.nat(5), (drawn, which, more) => {
        const made = allButOne(drawn, which);
        if (!made) return;
        const problem = makeProblem(made.task);
        const found = put(problem, made.i)!;
        const { weight } = made.task.batches[made.i]!;
        const upTo = found.cost + more * SLOT_S;
        expect(put(problem, made.i, { upTo })).toEqual(found);
        if (found.cost === 0 || weight === 0) return;
        useless += 1;
        expect(put(problem, made.i, { upTo: found.cost - SLOT_S * weight })).toBeNull();
      }),
      { seed: 43, numRuns: 120 },
    );
    expect(useless).toBeGreaterThan(10);
  });

  test('property: loosely it is no later, keeps every rule, and may end elsewhere', () => {
    let elsewhere = 0;
    fc.assert(
      fc.property(
        littleTask,
        fc.nat(2),
        fc.double({ min: 0, max: 0.999, noNaN: true }),
        (drawn, which, tie) => {
          const made = allButOne(unhurried(drawn), which);
          if (!made) return;
          const { task, i } = made;
          const problem = makeProblem(task);
          const [exact, loose] = [
            put(problem, i)!,
            put(problem, i, { loose: true, tie: () => tie })!,
          ];
          expect(loose.cost).toBe(exact.cost);
          expect(loose.spanSlots).toBeGreaterThanOrEqual(exact.spanSlots);
          if (loose.placement.starts.at(-1) !== exact.placement.starts.at(-1)) elsewhere += 1;
          const others = task.fixed!.map((f): PlacedStep => {
            const step = task.batches
              .find((b) => b.id === f.batch)!
              .steps.find((s) => s.id === f.step)!;
            const uses = step.uses.map((u) => ({
              resource: f.uses![0]!,
              amount: u.amounts?.[f.uses![0]!] ?? u.amount,
            }));
            const endS = f.startS + Math.ceil(step.durationS / SLOT_S) * SLOT_S;
            return { batch: f.batch, step: f.step, startS: f.startS, endS, uses };
          });
          expect(planTroubles(task, [...others, ...stepsOf(problem, i, loose)])).toEqual([]);
        },
      ),
      { seed: 42, numRuns: 400 },
    );
    expect(elsewhere).toBeGreaterThan(5);
  });

  const drawnLimit = fc.record({
    kind: fc.constantFrom('covers' as const, 'avoids' as const, 'in' as const),
    resource: fc.constantFrom('house', 'little', 'cooler', null),
    slot: fc.integer({ min: 0, max: 9 }),
    amount: fc.integer({ min: 1, max: 2 }),
    length: fc.integer({ min: 0, max: 4 }),
  });

  test('property: what is asked besides is kept, and nothing better keeps it', () => {
    fc.assert(
      fc.property(littleTask, drawnLimit, (drawn, asked) => {
        const task = { ...drawn, batches: drawn.batches.slice(0, 1) };
        const problem = makeProblem(task);
        const { slot, amount } = asked;
        const resource = problem.resources.findIndex((r) => r.id === asked.resource);
        if (asked.kind === 'in' && resource < 0) return;
        const limit: Limit =
          asked.kind === 'in'
            ? { kind: 'in', step: 0, resource, from: slot, to: slot + asked.length }
            : { kind: asked.kind, step: 0, slot, amount, resource: resource < 0 ? null : resource };
        const keeps = ({ steps: [first] }: Way) => {
          const start = (first!.startS - problem.baseS) / SLOT_S;
          const step = problem.jobs[0]!.steps[0]!;
          const uses = first!.uses.some((u) => u.resource === asked.resource);
          if (limit.kind === 'in') return uses && start >= limit.from && start <= limit.to;
          const at = slot - start;
          const visiting = step.visits
            .filter((v) => at >= v.from && at < v.to)
            .reduce((sum, v) => sum + v.people, 0);
          const isThere = at >= 0 && at < step.slots;
          const takes = resource < 0 ? step.people + visiting >= amount : uses;
          return (isThere && takes) === (limit.kind === 'covers');
        };
        const best = waysOf(task, task.batches[0]!).find(keeps);
        const found = put(problem, 0, { limits: [limit] });
        expect(found && [found.cost, found.spanSlots * SLOT_S]).toEqual(
          best ? [best.lateS, best.spanS] : null,
        );
      }),
      { seed: 43, numRuns: 600 },
    );
  });
});

import { randomFrom } from '../../random';
import { asFixed, smokehouse } from '../../testing/plan-instances';
import { eachAlone } from './bounds';
import { Draft, inOrder, isBetter, placedSteps, type Found } from './draft';
import { Ejection } from './ejection';
import { planBatches } from './plan-batches';
import { makeProblem, type Problem } from './problem';
import { planTroubles } from './troubles';
import type { PlanInput } from './types';

const input = smokehouse(2, { batches: 9, days: 3, people: 2 });

function began(of: PlanInput, seed: number) {
  const problem = makeProblem(of);
  const alone = eachAlone(problem);
  const all = [...problem.jobs.keys()];
  const able = all.filter((i) => alone[i] && problem.jobs[i]!.steps.some((s) => !s.fixed));
  const begin = inOrder(problem, all);
  const ejection = new Ejection(problem, begin, able, alone, randomFrom(seed));
  for (const i of able) ejection.most[i] = alone[i]!.cost;
  return { problem, all, begin, ejection };
}

const stepsOf = (problem: Problem, placements: Found['placements']) =>
  placements.flatMap((p, i) => (p ? placedSteps(problem, i, p) : []));

const costsOf = (problem: Problem, placements: Found['placements']) => {
  const draft = new Draft(problem);
  draft.become(placements, [...problem.jobs.keys()]);
  return draft.costs;
};

describe('guided ejection', () => {
  test('whoever has a place costs no more than it may, and no rule is broken', () => {
    const { problem, all, begin, ejection } = began(input, 3);
    ejection.begin(begin.placements);
    expect(ejection.isDone).toBe(false);
    for (let n = 0; n < 150 && !ejection.isDone; n += 1) {
      ejection.round();
      const { placements } = ejection;
      const costs = costsOf(problem, placements);
      for (const i of all) expect(costs[i]).toBeLessThanOrEqual(ejection.most[i]! + 1);
      expect(ejection.fewest).toBeLessThanOrEqual(placements.filter((p) => !p).length);
      const there = all.filter((i) => placements[i]).map((i) => problem.jobs[i]!.id);
      const batches = input.batches.filter((b) => there.includes(b.id));
      expect(planTroubles({ ...input, batches }, stepsOf(problem, placements))).toEqual([]);
    }
  });

  test('the best that is known has everybody in it, never gets worse, and breaks no rule', () => {
    const { problem, begin, ejection } = began(input, 4);
    ejection.begin(begin.placements);
    let known = begin;
    for (let n = 0; n < 300 && !ejection.isDone; n += 1) {
      ejection.round();
      expect(isBetter(known, ejection.best)).toBe(false);
      known = ejection.best;
    }
    expect(known.cost).toBeLessThan(begin.cost);
    expect(known.missing).toBe(0);
    expect(planTroubles(input, stepsOf(problem, known.placements))).toEqual([]);
  });

  test('of thirty batches over two weeks, of which ten are late one after the other, all are in time', () => {
    const { begin, ejection } = began(smokehouse(20, { batches: 30, days: 14, people: 3 }), 1);
    ejection.begin(begin.placements);
    for (let n = 0; n < 6000 && !ejection.isDone; n += 1) ejection.round();
    expect(begin.cost).toBeGreaterThan(100 * 3600);
    expect(ejection.isDone).toBe(true);
    expect(ejection.best.cost).toBe(0);
  });

  test('who is fixed stays, and who fits nowhere is not sought', () => {
    const plan = planBatches({ ...input, limits: { timeMs: 1e9, rounds: 0 } });
    const [one, other] = input.batches;
    const own = plan.steps.filter((s) => s.batch === one!.id);
    const house = { anyOf: ['house-1', 'house-2'], amount: 500 };
    const big = other!.steps.map((s) => (s.id === 'house' ? { ...s, uses: [house] } : s));
    const batches = input.batches.map((b) => (b === other ? { ...b, steps: big } : b));
    const { problem, begin, ejection } = began({ ...input, batches, fixed: asFixed(own) }, 5);
    ejection.begin(begin.placements);
    for (let n = 0; n < 100 && !ejection.isDone; n += 1) ejection.round();
    const at = (id: string) => problem.jobs.findIndex((j) => j.id === id);
    const { placements } = ejection.best;
    expect(placements[at(other!.id)]).toBeNull();
    expect(ejection.best.missing).toBe(1);
    const kept = placedSteps(problem, at(one!.id), placements[at(one!.id)]!);
    expect(kept.map((s) => s.startS)).toEqual(own.map((s) => s.startS));
  });
});

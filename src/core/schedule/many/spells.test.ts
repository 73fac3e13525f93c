import { randomFrom } from '../../random';
import { smokehouse } from '../../testing/plan-instances';
import { eachAlone } from './bounds';
import { inOrder, isBetter, movesOf, type Found } from './draft';
import { planBatches } from './plan-batches';
import { makeProblem } from './problem';
import { Spells } from './spells';
import type { PlanInput } from './types';

function began(of: PlanInput) {
  const problem = makeProblem(of);
  const alone = eachAlone(problem);
  const all = [...problem.jobs.keys()];
  const begin = inOrder(problem, all);
  const spells = new Spells(problem, begin, all, alone, randomFrom(7));
  return { problem, all, begin, spells };
}

const lastOf = (some: Iterable<Found>, begin: Found) => [...some].at(-1) ?? begin;

describe('spells of ejection', () => {
  const tight = smokehouse(2, { batches: 9, days: 3, people: 2 });

  test('all in time are sought until they are, and then no more', () => {
    const { begin, spells } = began(smokehouse(11, { batches: 14, days: 7, people: 3 }));
    expect(spells.isInTime(begin)).toBe(false);
    const best = lastOf(spells.allInTime(begin), begin);
    expect(spells.isInTime(best)).toBe(true);
    expect([...spells.allInTime(best)]).toEqual([]);
    expect([...spells.lessLate(best)]).toEqual([]);
  });

  test('where not all can be in time it ends by itself, and goes on where it was', () => {
    const { begin, spells } = began(tight);
    const first = [...spells.allInTime(begin)];
    expect(first).toHaveLength(spells.isNear ? 5000 : 1000);
    const best = first.at(-1)!;
    expect(spells.isInTime(best)).toBe(false);
    expect(lastOf(spells.allInTime(best), best).cost).toBeLessThanOrEqual(best.cost);
  });

  test('less lateness is sought until none is found: the plan gets better, and who is late may change', () => {
    const { begin, spells } = began(tight);
    let [best, rounds] = [begin, 0];
    for (const found of spells.lessLate(begin)) {
      if (found !== best) expect(isBetter(found, best)).toBe(true);
      [best, rounds] = [found, rounds + 1];
    }
    expect(rounds).toBe(5000);
    expect(best.cost).toBeLessThan(begin.cost);
    expect(best.missing).toBe(0);
  });

  test('who has no place yet is sought one, however late', () => {
    const { begin, spells } = began(tight);
    const placements = begin.placements.map((p, i) => (i < 2 ? null : p));
    const best = lastOf(spells.lessLate({ ...begin, placements, missing: 2 }), begin);
    expect(best.missing).toBe(0);
  });

  test('where there was a plan before, what moves is counted', () => {
    const { steps } = planBatches({ ...tight, limits: { timeMs: 1e9, rounds: 0 } });
    const limits = { timeMs: 1e9, moveCostS: 900 };
    const { problem, all, begin, spells } = began({ ...tight, previous: steps, limits });
    const best = lastOf(spells.allInTime(begin), begin);
    expect(best.cost).toBeLessThan(begin.cost);
    const moved = all.reduce((sum, i) => sum + movesOf(problem, i, best.placements[i]!), 0);
    expect(moved).toBeGreaterThan(0);
    const again = lastOf(spells.lessLate(best), best);
    expect(again.cost).toBeLessThanOrEqual(best.cost);
  });
});

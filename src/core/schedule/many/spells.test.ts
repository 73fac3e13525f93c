import { randomFrom } from '../../random';
import { smokehouse } from '../../testing/plan-instances';
import { eachAlone } from './bounds';
import { inOrder, isBetter, latenessOf, movesOf, type Found } from './draft';
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

  test('of a few that are late one is less so, and no other later, where all together were not', () => {
    const { problem, all, begin, spells } = began(
      smokehouse(2, { batches: 14, days: 6, people: 2 }),
    );
    const late = (found: Found) => all.map((i) => latenessOf(problem, i, found.placements[i]!));
    expect(spells.isStuckAt(begin)).toBe(false);
    const less = lastOf(spells.lessLate(begin), begin);
    expect(late(less).filter((s) => s > 0)).toHaveLength(2);
    expect(spells.isStuckAt(less)).toBe(true);
    let one = less;
    for (const found of spells.oneLess(less)) {
      one = found;
      if (one.cost < less.cost) break;
    }
    expect(one.cost).toBeLessThan(less.cost);
    const [before, after] = [late(less), late(one)];
    const most = Math.max(...before);
    expect(after[before.indexOf(most)]).toBeLessThanOrEqual(most);
    expect(spells.isStuckAt(one)).toBe(false);
  });

  test('that one is less late is not sought where nobody is late, or somebody has no place', () => {
    const { begin, spells } = began(tight);
    const placements = begin.placements.map((p, i) => (i < 1 ? null : p));
    expect([...spells.oneLess({ ...begin, placements, missing: 1 })]).toEqual([]);
    const easy = began(smokehouse(11, { batches: 14, days: 7, people: 3 }));
    const best = lastOf(easy.spells.allInTime(easy.begin), easy.begin);
    expect([...easy.spells.oneLess(best)]).toEqual([]);
    expect(easy.spells.isStuckAt(best)).toBe(false);
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

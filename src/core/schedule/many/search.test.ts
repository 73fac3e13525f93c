import { smokehouse } from '../../testing/plan-instances';
import { randomFrom } from '../../random';
import { eachAlone } from './bounds';
import { inOrder, isBetter } from './draft';
import { makeProblem } from './problem';
import { CYCLE, CYCLES } from './annealing';
import { search } from './search';

describe('the search for a better plan', () => {
  const problem = makeProblem(smokehouse(2, { batches: 7, days: 4, people: 2 }));
  const alone = eachAlone(problem);
  const begin = inOrder(problem, [...problem.jobs.keys()]);

  test('it begins anew after some cycles, and what it says is the best so far never gets worse', () => {
    let known = begin;
    let [rounds, better] = [0, 0];
    for (const { round, best } of search(problem, begin, alone, randomFrom(5))) {
      expect(isBetter(known, best)).toBe(false);
      if (isBetter(best, known)) better += 1;
      [known, rounds] = [best, round];
      if (round > CYCLES * CYCLE + 200) break;
    }
    expect(rounds).toBeGreaterThan(CYCLES * CYCLE);
    expect(better).toBeGreaterThan(0);
  });

  test('nothing is searched where every step stays', () => {
    const fixed = smokehouse(2, { batches: 1, days: 4, people: 2 });
    const stays = makeProblem({
      ...fixed,
      fixed: fixed.batches[0]!.steps.map((s, i) => ({
        batch: fixed.batches[0]!.id,
        step: s.id,
        startS: fixed.nowS + i * 86_400,
      })),
    });
    expect([...search(stays, inOrder(stays, [0]), eachAlone(stays), randomFrom(1))]).toEqual([]);
  });
});

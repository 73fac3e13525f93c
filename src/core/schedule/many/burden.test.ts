import { smokehouse } from '../../testing/plan-instances';
import { eachAlone } from './bounds';
import { Burden } from './burden';
import { Draft, inOrder } from './draft';
import { makeProblem, SLOT_S } from './problem';

const problem = makeProblem(smokehouse(2, { batches: 9, days: 3, people: 2 }));
const alone = eachAlone(problem);
const all = [...problem.jobs.keys()];

function began() {
  const draft = new Draft(problem);
  draft.become(inOrder(problem, all).placements, all);
  const late = all.filter((i) => draft.costs[i]! > (alone[i]?.cost ?? 0) + 1);
  return { draft, burden: new Burden(draft, alone), late };
}

describe('what weighs on the search', () => {
  test('who stays late weighs more and more, up to a most; who is in time not', () => {
    const { draft, burden, late } = began();
    const [one] = late;
    const other = all.find((i) => draft.costs[i] === 0)!;
    const seen = [burden.of(one!, 100)];
    for (let round = 1; round <= 1000; round += 1) {
      burden.note(round);
      if (round % 50 === 0) seen.push(burden.of(one!, 100));
    }
    expect(seen[0]).toBe(100);
    expect(seen[1]).toBeCloseTo(120);
    expect(seen.at(-1)).toBe(500);
    expect(burden.of(other, 100)).toBe(100);
    expect(burden.costOf(one!, burden.of(one!, 77))).toBeCloseTo(77);
    burden.asAsked = true;
    expect(burden.of(one!, 100)).toBe(100);
    expect(burden.costOf(one!, 100)).toBe(100);
  });

  test('it weighs less again once it is in time', () => {
    const { draft, burden, late } = began();
    const [one] = late;
    burden.note(50);
    for (const i of all) if (i !== one) draft.out(i);
    draft.out(one!);
    draft.put(one!, {});
    const before = burden.of(one!, 100);
    burden.note(100);
    expect(burden.of(one!, 100)).toBeLessThan(before);
    expect(burden.of(one!, 100)).toBeGreaterThan(100);
  });

  test('the plan is worth the lateness of all, as it weighs, and a little for the time on the way', () => {
    const { draft, burden } = began();
    const plain = burden.worth;
    const { cost, span } = draft.found;
    expect(plain).toBeCloseTo(cost + 0.05 * span * SLOT_S);
    burden.note(50);
    expect(burden.worth).toBeGreaterThan(plain);
  });
});

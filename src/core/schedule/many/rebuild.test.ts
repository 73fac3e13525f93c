import { randomFrom } from '../../random';
import { smokehouse } from '../../testing/plan-instances';
import { eachAlone } from './bounds';
import { Burden } from './burden';
import { Draft, inOrder, placedSteps } from './draft';
import { makeProblem } from './problem';
import { Rebuild } from './rebuild';
import { planTroubles } from './troubles';

const input = smokehouse(2, { batches: 9, days: 3, people: 2 });
const problem = makeProblem(input);
const alone = eachAlone(problem);
const all = [...problem.jobs.keys()];

function began() {
  const draft = new Draft(problem);
  draft.become(inOrder(problem, all).placements, all);
  draft.keep();
  const burden = new Burden(draft, alone);
  const rebuild = new Rebuild(draft, alone, burden, randomFrom(3));
  const late = all.filter((i) => draft.costs[i]! > (alone[i]?.cost ?? 0) + 1);
  return { draft, burden, rebuild, late };
}
const ANY = { limit: 1e12, most: -1, missing: 0, isCold: false };
const stepsOf = ({ placements }: Draft) =>
  all.flatMap((i) => (placements[i] ? placedSteps(problem, i, placements[i]) : []));

describe('taken out and put back', () => {
  test('all are back, no rule is broken, and undone they are where they were', () => {
    const { draft, rebuild } = began();
    const was = JSON.stringify(stepsOf(draft));
    for (let n = 0; n < 40; n += 1) {
      const some = [n % 9, (n + 4) % 9, (n + 7) % 9];
      const { isBack } = rebuild.change({ some, makesRoom: n % 2 === 0 }, ANY);
      expect(isBack).toBe(true);
      expect(draft.found.missing).toBe(0);
      expect(planTroubles(input, stepsOf(draft))).toEqual([]);
      draft.undo(some);
      expect(JSON.stringify(stepsOf(draft))).toBe(was);
    }
  });

  test('for a late one only as many go as it needs to be in time, and nobody else moves', () => {
    const { draft, rebuild, late } = began();
    const was = [...draft.placements];
    let made = 0;
    for (const first of late) {
      const picked = [first, ...all.filter((i) => i !== first)];
      const { some } = rebuild.change({ some: picked, makesRoom: true }, ANY);
      const others = picked.slice(some.length);
      for (const i of others) expect(draft.placements[i]).toBe(was[i]);
      if (others.length > 0) {
        made += 1;
        expect(draft.placements.every((p) => p)).toBe(true);
      }
      draft.undo(some);
    }
    expect(made).toBeGreaterThan(0);
  });

  test('what is worth more than it may be is given up, unless it costs no more than it may', () => {
    const { draft, burden, rebuild, late } = began();
    const some = late.slice(0, 2);
    const tight = { ...ANY, limit: 0 };
    expect(rebuild.change({ some, makesRoom: false }, tight).isBack).toBe(false);
    draft.undo(some);
    const cost = draft.found.cost;
    expect(rebuild.change({ some, makesRoom: false }, { ...tight, most: cost }).isBack).toBe(true);
    expect(draft.found.cost).toBeLessThanOrEqual(cost + 1);
    expect(burden.worth).toBeGreaterThan(0);
  });
});

import type { Occupancy, Placement } from './occupancy';
import type { Problem, Step } from './problem';

/** One of those who cannot all have what they take. */
export type Party = {
  job: number;
  step: number;
  start: number;
  end: number;
  amount: number;
  key: string | null;
};

/**
 * What cannot be: at one slot these take more of a resource, or of the people (null), than there is; or two are in a place
 * that takes one run at a time, and are no run. `couldJoin`: they would be one if they began together.
 */
export type Conflict = {
  resource: number | null;
  slot: number;
  parties: Party[];
  couldJoin: boolean;
};
type Placed = readonly (Placement | null)[];

/** People whom a step that begins at `start` keeps at a slot. */
function peopleAt(step: Step, start: number, slot: number): number {
  if (slot < start || slot >= start + step.slots) return 0;
  let people = step.people;
  for (const v of step.visits)
    if (slot >= start + v.from && slot < start + v.to) people += v.people;
  return people;
}

/** Everybody who takes of a resource, but for what is fixed. */
function takers(problem: Problem, placed: Placed, resource: number): Party[] {
  return problem.jobs.flatMap(({ steps }, job) =>
    steps.flatMap((s, step): Party[] => {
      const p = placed[job];
      const take = p && s.choices[p.choices[step]!]?.takes.find((t) => t.resource === resource);
      if (!p || !take || s.fixed) return [];
      const start = p.starts[step]!;
      const { amount, key } = take;
      return [{ job, step, start, end: start + s.slots, amount, key }];
    }),
  );
}

/** Everybody who needs people at a slot, but for what is fixed. */
function engaged(problem: Problem, placed: Placed, slot: number): Party[] {
  return problem.jobs.flatMap(({ steps }, job) =>
    steps.flatMap((s, step): Party[] => {
      const start = placed[job]?.starts[step];
      if (start === undefined || s.fixed) return [];
      const amount = peopleAt(s, start, slot);
      return amount > 0 ? [{ job, step, start, end: start + s.slots, amount, key: null }] : [];
    }),
  );
}

/** As few of them as are too many together, those who take most; none where what is fixed is too much by itself. */
function fewest(parties: Party[], over: number): Party[] {
  const room = parties.reduce((sum, t) => sum + t.amount, 0) - over;
  const some: Party[] = [];
  let sum = 0;
  for (const t of parties.sort((a, b) => b.amount - a.amount)) {
    if (sum > room + 1e-9) break;
    some.push(t);
    sum += t.amount;
  }
  return sum > room + 1e-9 ? some : [];
}

/** When any step begins, or a visit to one: only then somebody more takes something. */
const beginnings = (problem: Problem, placed: Placed): number[] =>
  problem.jobs.flatMap(({ steps }, job) =>
    steps.flatMap((s, i) => {
      const start = placed[job]?.starts[i];
      return start === undefined ? [] : [start, ...s.visits.map((v) => start + v.from)];
    }),
  );

/** A slot at which a resource that adds up, or people, are too few for those who could be elsewhere. */
function shortAt(
  problem: Problem,
  placed: Placed,
  taken: Occupancy,
  resource: number | null,
): Conflict | null {
  const pieces = taken.overdrawn(resource);
  if (pieces.length === 0) return null;
  const changes = beginnings(problem, placed);
  for (const { from, to, over } of pieces)
    for (const slot of [from, ...changes.filter((t) => t > from && t < to)]) {
      const there =
        resource === null
          ? engaged(problem, placed, slot)
          : takers(problem, placed, resource).filter((p) => p.start <= slot && p.end > slot);
      const parties = fewest(there, over);
      if (parties.length > 0) return { resource, slot, parties, couldJoin: false };
    }
  return null;
}

/** Two in a place that takes one run at a time, which are no run; or a run that is too much for it. */
function runsAt(
  problem: Problem,
  placed: Placed,
  taken: Occupancy,
  resource: number,
): Conflict | null {
  const { capacity } = problem.resources[resource]!;
  const all = takers(problem, placed, resource);
  /* Who joins a run that stays has only the room that it leaves. */
  const staying = taken.runs[resource]!.flatMap((r) =>
    r.members
      .filter((m) => problem.jobs[m.job]!.steps[m.step]!.fixed)
      .map((m) => ({ start: r.start, key: r.key, amount: m.amount })),
  );
  for (const [i, a] of all.entries()) {
    const alike = all.filter((b) => b.start === a.start && b.key === a.key && a.key !== null);
    const stays = staying.filter((b) => b.start === a.start && b.key === a.key);
    const over = [...alike, ...stays].reduce((sum, b) => sum + b.amount, 0) - capacity;
    if (over > 1e-9)
      return { resource, slot: a.start, parties: fewest(alike, over), couldJoin: false };
    for (const b of all.slice(i + 1)) {
      const [from, to] = [Math.max(a.start, b.start), Math.min(a.end, b.end)];
      if (from >= to || alike.includes(b)) continue;
      const couldJoin = a.key !== null && a.key === b.key && a.amount + b.amount <= capacity + 1e-9;
      return { resource, slot: (from + to) >> 1, parties: [a, b], couldJoin };
    }
  }
  return null;
}

/**
 * A conflict of a plan in which everybody was placed without regard to the others, null where there is none.
 * @param taken with all of them placed
 */
export function conflictIn(problem: Problem, placed: Placed, taken: Occupancy): Conflict | null {
  for (const [i, r] of problem.resources.entries()) {
    const found =
      r.shared === 'sum' ? shortAt(problem, placed, taken, i) : runsAt(problem, placed, taken, i);
    if (found) return found;
  }
  return shortAt(problem, placed, taken, null);
}

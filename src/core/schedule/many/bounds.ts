import { Insertion } from './insertion';
import type { Inserted } from './ways';
import { Occupancy } from './occupancy';
import { SLOT_S, type Job, type Problem } from './problem';

/** Every batch by itself, round what is fixed: none can do better. */
export type Alone = readonly (Inserted | null)[];

/**
 * Each batch put in by itself; null where it has no place even so.
 * @param problem times in slots
 */
export function eachAlone(problem: Problem): Alone {
  const insertion = new Insertion(problem, new Occupancy(problem));
  return problem.jobs.map((_, i) => insertion.insert(i));
}

/** What a batch asks of a group of resources: slots of the whole group, not before, and what comes after it. */
type Work = { head: number; slots: number; due: number; weight: number };

/** The earliest start of each step, and how much must follow it, as if nobody else were there. */
function headsOf(job: Job): { head: number; tail: number }[] {
  const length = job.steps.map((s) => s.slots);
  let at = job.release;
  const heads = job.steps.map((s, i) => {
    const head = s.fixed ? s.fixed.slot : at;
    at = head + length[i]!;
    return head;
  });
  return heads.map((head, i) => ({
    head,
    tail: length.slice(i + 1).reduce((a, b) => a + b, 0),
  }));
}

/**
 * What each batch that cannot do without one of these resources asks of them together. Who may hang with others takes only
 * its share of the room; several places work side by side: a machine that is as fast as all of them, and never slower than they are.
 */
function workOn(
  problem: Problem,
  group: ReadonlySet<number>,
): { works: Work[]; without: number[] } {
  const room = [...group].reduce((sum, r) => sum + problem.resources[r]!.capacity, 0);
  const least = Math.min(...[...group].map((r) => problem.resources[r]!.capacity));
  const keys = problem.jobs.flatMap((j) =>
    j.steps.flatMap((s) => [...new Set(s.choices.flatMap((c) => c.takes.map((t) => t.key)))]),
  );
  const meets = (key: string | null) => key !== null && keys.filter((k) => k === key).length > 1;
  const all = problem.jobs.map((job): Work | null => {
    const heads = headsOf(job);
    const asks = job.steps.flatMap((step, i) => {
      const takes = step.choices.map((c) => c.takes.find((t) => group.has(t.resource)));
      if (step.fixed || takes.length === 0 || takes.some((t) => !t)) return [];
      const amount = Math.min(...takes.map((t) => t!.amount));
      const alone = takes.every(
        (t) => problem.resources[t!.resource]!.shared === 'same_run' && !meets(t!.key),
      );
      const share = alone ? least : amount;
      return [{ i, slots: (step.slots * share) / room }];
    });
    const slots = asks.reduce((sum, a) => sum + a.slots, 0);
    if (!(slots > 0)) return null;
    const [first, last] = [asks[0]!.i, asks.at(-1)!.i];
    /* What lies between its first and its last use is no work: left out, the bound stays one. */
    return {
      head: heads[first]!.head,
      slots,
      due: job.due - heads[last]!.tail,
      weight: job.weight,
    };
  });
  return {
    works: all.filter((w) => w !== null),
    without: all.flatMap((w, i) => (w ? [] : [i])),
  };
}

/**
 * Least sum of lateness of works on one machine that may interrupt them: at any time as many as can be are done when the one
 * with the least left goes first, and the k-th to be done meets the k-th due at best.
 * @source shortest remaining time first; exchange of due dates
 */
function leastLate(works: readonly Work[]): number {
  const open = works.map((w) => ({ head: w.head, left: w.slots })).sort((a, b) => a.head - b.head);
  const ends: number[] = [];
  let at = 0;
  while (ends.length < works.length) {
    const ready = open.filter((w) => w.left > 0 && w.head <= at + 1e-9);
    const nextHead = Math.min(
      ...open.filter((w) => w.left > 0 && w.head > at + 1e-9).map((w) => w.head),
    );
    const w = ready.reduce<(typeof open)[number] | null>(
      (a, b) => (a && a.left <= b.left ? a : b),
      null,
    );
    if (!w) {
      at = nextHead;
      continue;
    }
    const run = Math.min(w.left, nextHead - at);
    w.left -= run;
    at += run;
    if (w.left > 1e-9) continue;
    w.left = 0;
    ends.push(at);
  }
  const dues = works.map((w) => w.due).sort((a, b) => a - b);
  return ends.reduce((sum, end, i) => sum + Math.max(0, end - dues[i]!), 0) * SLOT_S;
}

/** With weights: in layers, each of those that weigh at least so much. */
function leastWeighted(works: readonly Work[]): number {
  const levels = [...new Set(works.map((w) => w.weight))].sort((a, b) => a - b);
  return levels.reduce((sum, level, i) => {
    const layer = level - (levels[i - 1] ?? 0);
    return sum + (layer > 0 ? layer * leastLate(works.filter((w) => w.weight >= level)) : 0);
  }, 0);
}

/**
 * A weighted lateness that no plan goes below, s: each batch by itself; or the busiest group of places as one machine with
 * what comes before and after, and the others by themselves.
 * @param byThemselves of {@link eachAlone}, for the same problem
 */
export function lowerBound(problem: Problem, byThemselves: Alone): number {
  /* What moves cost is no lateness. */
  const alone = problem.moveCostS > 0 ? eachAlone({ ...problem, moveCostS: 0 }) : byThemselves;
  const single = alone.map((one) => one?.cost ?? 0);
  const groups = new Map<string, ReadonlySet<number>>();
  for (const step of problem.jobs.flatMap((j) => j.steps))
    for (const use of step.choices[0]?.of.keys() ?? []) {
      const group = [...new Set(step.choices.map((c) => c.of[use]!))].sort((a, b) => a - b);
      groups.set(group.join(), new Set(group));
    }
  const sum = single.reduce((a, b) => a + b, 0);
  return [...groups.values()].reduce((best, group) => {
    const { works, without } = workOn(problem, group);
    const others = without.reduce((late, i) => late + single[i]!, 0);
    return Math.max(best, others + leastWeighted(works));
  }, sum);
}

import { planBatches, type PlacedStep } from '../many';
import { batchEnds, withPins, type PinnedStep } from './current';
import { halvesOf, pullLevers, type Lever } from './levers';
import { couldHangWith, isOneRunOf, withSameProgram, type SameProgram } from './same-program';
import type { Task } from './types';

/** One way out for a late batch: what it would come to. */
export type Remedy = {
  lever: Lever | SameProgram;
  /** How late the batch is then, s; of two halves the later one. */
  lateS: number;
  /** How much later or earlier all others are together, s: below 0 they gain too. */
  othersS: number;
  /** Steps that stand elsewhere than in the plan. */
  moved: number;
};

/** Less gained than this is no way out, s. */
const HELPS_S = 15 * 60;
/** Overtime that is tried: so long after the last of a day has gone, s. */
const OVERTIME_S = 2 * 3600;
/** Days of overtime that are tried at most. */
const MOST_DAYS = 6;
/** Programs of others that are tried at most. */
const MOST_PROGRAMS = 3;
/** What moving a step weighs beside lateness, s. */
export const MOVE_COST_S = 600;
/** Once something is found, it is looked for better for so many rounds. */
const ROUNDS = 24;
const FIRST_WEIGHT = 10;
const AFTER_S = 2 * 24 * 3600;

/** The ends of spans in which somebody is there, from now to a time: where staying on is tried. */
function eveningsOf(task: Task, untilS: number): number[] {
  const ends = task.spans
    .filter((s) => s.people > 0 && s.endS > task.nowS && s.endS <= untilS)
    .map((s) => s.endS);
  const lasts = ends.filter(
    (e) => !task.spans.some((s) => s.people > 0 && s.startS <= e && e < s.endS),
  );
  return [...new Set(lasts)].sort((a, b) => a - b).slice(-MOST_DAYS);
}

/**
 * What could be done for a late batch, each tried with the whole plan round it: another place, begun at once, in two halves,
 * hung together with another by its program, somebody stays longer, before all others. What does not help by a quarter of an
 * hour is left out.
 * @param steps the plan as it is now · @param stays who would stay after an evening's end; nobody where it is not known
 * One is tried between each two that are asked for: it takes a tenth of a second and more.
 * @returns the one that helps most first
 */
export function* remediesFor(input: {
  task: Task;
  steps: readonly PlacedStep[];
  pins: readonly PinnedStep[];
  batch: string;
  stays: (endS: number) => string | null;
}): Generator<{ tried: number; of: number }, Remedy[], boolean | undefined> {
  const { task, steps, pins, batch } = input;
  const now = batchEnds(task, steps);
  const own = now.find((e) => e.batch === batch);
  const wished = task.batches.find((b) => b.id === batch);
  if (!wished) return [];
  const lateS = own?.lateS ?? Infinity;
  /* One without a place: the evenings up to when it should be ready, and a few after. */
  const endS = own?.endS ?? Math.max(task.nowS, wished.readyByS) + AFTER_S;
  /* What has a record cannot begin sooner, nor be made in two. */
  const begun = [...(task.fixed ?? []), ...task.behind].some((f) => f.batch === batch);
  const places = new Set(
    wished.steps.flatMap((s) =>
      s.uses.flatMap((u) => (u.amounts && u.anyOf.length > 1 ? u.anyOf : [])),
    ),
  );
  const levers: Remedy['lever'][] = [
    ...[...places].map((placeId): Lever => ({ kind: 'place', batch, placeId })),
    ...(!begun && (wished.releaseS ?? 0) > task.nowS ? [{ kind: 'early', batch } as Lever] : []),
    ...(!begun ? [{ kind: 'split', batch } as Lever] : []),
    ...eveningsOf(task, endS).flatMap((e): Lever[] => {
      const personId = input.stays(e);
      return personId === null
        ? []
        : [{ kind: 'overtime', personId, startS: e, endS: e + OVERTIME_S }];
    }),
    { kind: 'weight', batch, weight: FIRST_WEIGHT },
    ...couldHangWith(task, steps, batch, MOST_PROGRAMS),
  ];
  const out: Remedy[] = [];
  const others = new Map(now.map((e) => [e.batch, e.lateS]));
  for (const [i, lever] of levers.entries()) {
    const tried = tryLever(task, steps, pins, lever);
    if ((yield { tried: i + 1, of: levers.length }) === true) break;
    if (!tried) continue;
    const ids = lever.kind === 'split' ? halvesOf(batch) : [batch];
    const mine = tried.ends.filter((e) => ids.includes(e.batch));
    if (mine.length < ids.length) continue;
    const then = Math.max(...mine.map((e) => e.lateS));
    if (lateS - then < HELPS_S) continue;
    const othersS = tried.ends
      .filter((e) => !ids.includes(e.batch))
      .reduce((sum, e) => sum + e.lateS - (others.get(e.batch) ?? 0), 0);
    out.push({ lever, lateS: then, othersS, moved: tried.moved });
  }
  return out.sort((a, b) => a.lateS + a.othersS - b.lateS - b.othersS || a.moved - b.moved);
}

/** The plan that a lever leads to, begun from the plan that is there; null where it leads to none. */
function tryLever(
  task: Task,
  steps: readonly PlacedStep[],
  pins: readonly PinnedStep[],
  lever: Remedy['lever'],
): { ends: ReturnType<typeof batchEnds>; moved: number } | null {
  const then =
    lever.kind === 'same_program' ? withSameProgram(task, lever) : pullLevers(task, [lever]);
  /* A pin of the batch that is to go elsewhere would hold it. */
  const kept = 'batch' in lever ? pins.filter((p) => p.batch !== lever.batch) : pins;
  const plan = planBatches({
    ...then,
    fixed: withPins(then, steps, kept),
    previous: [...steps],
    limits: { timeMs: 1500, rounds: ROUNDS, moveCostS: MOVE_COST_S },
  });
  if (lever.kind === 'same_program' && !isOneRunOf(then, plan.steps, lever)) return null;
  return plan.status === 'ok' ? { ends: batchEnds(then, plan.steps), moved: plan.moved } : null;
}

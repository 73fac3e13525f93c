import { QuantityError } from '../../guard';
import type { DutySpan, PlanBatch } from '../many';
import { GRID_S } from '../plan';
import type { Task } from './types';

/** Something that could be otherwise: what a plan is tried with before anybody decides it. Times are clock seconds. */
export type Lever =
  /** Somebody stays or comes besides. */
  | { kind: 'overtime'; personId: string; startS: number; endS: number }
  /** Nothing goes on in a place, or on a machine. */
  | { kind: 'closed'; placeId: string; startS: number; endS: number }
  /** A batch may begin at once. */
  | { kind: 'early'; batch: string }
  /** In two halves, each with its own way. */
  | { kind: 'split'; batch: string }
  | { kind: 'ready_by'; batch: string; readyByS: number }
  | { kind: 'weight'; batch: string; weight: number }
  /** In this place and no other. */
  | { kind: 'place'; batch: string; placeId: string }
  /** As if nobody had wished it. */
  | { kind: 'without'; batch: string };

/** The two halves of a batch that is split. */
export const halvesOf = (batch: string): [string, string] => [`${batch}~1`, `${batch}~2`];

/** Spans of people with some more of them in one of them; those who are there already stay as many as they are. */
function withMore(spans: readonly DutySpan[], startS: number, endS: number): DutySpan[] {
  const edges = [...new Set([startS, endS, ...spans.flatMap((s) => [s.startS, s.endS])])].sort(
    (a, b) => a - b,
  );
  return edges.slice(0, -1).flatMap((fromS, i): DutySpan[] => {
    const toS = edges[i + 1]!;
    const there = spans.reduce(
      (most, s) => (s.startS <= fromS && fromS < s.endS ? Math.max(most, s.people) : most),
      0,
    );
    const people = there + (startS <= fromS && fromS < endS ? 1 : 0);
    return people > 0 ? [{ startS: fromS, endS: toS, people }] : [];
  });
}

const half = (b: PlanBatch, id: string): PlanBatch => ({
  ...b,
  id,
  steps: b.steps.map((s) => ({
    ...s,
    ...(s.waits ? { waits: { ...s.waits, amount: s.waits.amount / 2 } } : {}),
    uses: s.uses.map((u) => ({
      ...u,
      /* A machine is taken whole by half a batch too. */
      amount: u.amounts ? u.amount / 2 : u.amount,
      ...(u.amounts
        ? { amounts: Object.fromEntries(Object.entries(u.amounts).map(([k, v]) => [k, v / 2])) }
        : {}),
    })),
  })),
});

const isBegun = (task: Task, batch: string) => (task.fixed ?? []).some((f) => f.batch === batch);

const CLOSED = 'closed ';
/** Is it no batch, but a place in which nothing goes on? */
export const isClosure = (batch: string): boolean => batch.startsWith(CLOSED);

/** Nothing goes on in a place: a batch that nobody waits for has all of it. */
function closedBatch(
  task: Pick<Task, 'resources' | 'nowS' | 'horizonS'>,
  placeId: string,
  startS: number,
  endS: number,
): { batch: PlanBatch; startS: number } | null {
  const place = task.resources.find((r) => r.id === placeId);
  const fromS = Math.floor(startS / GRID_S) * GRID_S;
  if (!place || endS <= task.nowS || !(endS > startS)) return null;
  return {
    startS: fromS,
    batch: {
      id: `${CLOSED}${placeId} ${fromS}`,
      readyByS: task.nowS + 2 * task.horizonS,
      weight: 0,
      steps: [
        {
          id: 'closed',
          durationS: endS - fromS,
          people: 0,
          uses: [{ anyOf: [placeId], amount: place.capacity }],
          maxWaitAfterS: 0,
        },
      ],
    },
  };
}

function pull(task: Task, lever: Lever): Task {
  const change = (of: (b: PlanBatch) => PlanBatch[]): Task => ({
    ...task,
    batches: task.batches.flatMap((b) => ('batch' in lever && b.id === lever.batch ? of(b) : [b])),
  });
  switch (lever.kind) {
    case 'overtime':
      return { ...task, spans: withMore(task.spans, lever.startS, lever.endS) };
    case 'closed': {
      const closed = closedBatch(task, lever.placeId, lever.startS, lever.endS);
      if (!closed) return task;
      const fixed = { batch: closed.batch.id, step: 'closed', startS: closed.startS };
      return {
        ...task,
        batches: [...task.batches, closed.batch],
        fixed: [...(task.fixed ?? []), fixed],
      };
    }
    case 'early':
      return change((b) => [{ ...b, releaseS: task.nowS }]);
    case 'split':
      if (isBegun(task, lever.batch)) return task;
      return change((b) => halvesOf(b.id).map((id) => half(b, id)));
    case 'ready_by':
      return change((b) => [{ ...b, readyByS: lever.readyByS }]);
    case 'weight':
      if (!(lever.weight > 0)) throw new QuantityError('weight', lever.weight, 'more than 0');
      return change((b) => [{ ...b, weight: lever.weight }]);
    case 'place':
      return change((b) => [
        {
          ...b,
          steps: b.steps.map((s) => ({
            ...s,
            uses: s.uses.map((u) =>
              u.anyOf.includes(lever.placeId) ? { ...u, anyOf: [lever.placeId] } : u,
            ),
          })),
        },
      ]);
    case 'without':
      return change(() => []);
  }
}

/** A task with some things otherwise, one after the other. What a lever speaks of and is not there is left as it is. */
export const pullLevers = (task: Task, levers: readonly Lever[]): Task => levers.reduce(pull, task);

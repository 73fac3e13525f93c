import { isClosure, planWaits, WAITING, type PlacedStep, type PlanWait } from '@/core';
import { baseOf } from '../../agenda';
import type { Board } from '../../board';

export type BarState = 'done' | 'running' | 'planned';
/** One step on a line of the board. */
export type Bar = {
  key: string;
  batch: string;
  step: string;
  lane: number;
  startS: number;
  endS: number;
  state: BarState;
  pinned: boolean;
  /** It ends its batch, and so much after ready-by. */
  lateS: number;
};
export type Line = {
  id: string;
  name: string;
  kind: 'place' | 'machine' | 'room' | 'batch';
  lanes: number;
  bars: Bar[];
  /** Who waits there for a next step: it takes room too. */
  waits: (PlanWait & { lane: number })[];
  /** When nothing goes on there, and why. */
  shut: { startS: number; endS: number; why: string }[];
};
export type View = 'places' | 'batches';

/** What has no place of its own is done here. */
export const ROOM = 'room';

type Of = Pick<Board, 'task' | 'batches' | 'rows' | 'steps' | 'behind' | 'closures'>;

const isWait = <T extends object>(x: T): x is T & PlanWait => 'resource' in x;

type Laid = { startS: number; endS: number; batch: string; step: string };

/** On lanes, so that none lies over another: each on the first that is free. What waits stays on the lane of its step. */
function intoLanes<T extends Laid>(
  all: readonly T[],
): { laid: (T & { lane: number })[]; lanes: number } {
  const ends: number[] = [];
  const last = new Map<string, number>();
  const laid = [...all]
    .sort(
      (a, b) =>
        a.startS - b.startS ||
        Number(isWait(b)) - Number(isWait(a)) ||
        a.endS - b.endS ||
        (a.batch < b.batch ? -1 : 1),
    )
    .map((one) => {
      const own = last.get(`${one.batch} ${one.step}`);
      const isFree = own !== undefined && ends[own]! <= one.startS;
      const free = isFree ? own : ends.findIndex((e) => e <= one.startS);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = one.endS;
      last.set(`${one.batch} ${one.step}`, lane);
      return { ...one, lane };
    });
  return { laid, lanes: Math.max(1, ends.length) };
}

/** Every step of the plan as a bar, and what lies behind the batches. */
function barsOf(
  board: Of,
  placed: readonly PlacedStep[],
  pins: ReadonlySet<string>,
): (Omit<Bar, 'lane'> & { lines: string[] })[] {
  const settled = new Map(board.steps.map((s) => [`${s.batch} ${s.step}`, s.settled]));
  const due = new Map(board.task.batches.map((b) => [b.id, b.readyByS]));
  const last = new Map<string, number>();
  for (const p of placed) last.set(p.batch, Math.max(last.get(p.batch) ?? 0, p.endS));
  const now = placed
    .filter((p) => p.step !== WAITING && !isClosure(p.batch))
    .map((p) => {
      const key = `${p.batch} ${p.step}`;
      const state: BarState = settled.get(`${baseOf(p.batch)} ${p.step}`) ? 'running' : 'planned';
      const isLast = p.endS === last.get(p.batch);
      return {
        key,
        batch: p.batch,
        step: p.step,
        startS: p.startS,
        endS: p.endS,
        state,
        pinned: pins.has(key),
        lateS: isLast ? Math.max(0, p.endS - (due.get(p.batch) ?? Infinity)) : 0,
        lines: p.uses.length > 0 ? [...new Set(p.uses.map((u) => u.resource))] : [ROOM],
      };
    });
  const before = board.behind.map((b, i) => ({
    key: `behind ${i}`,
    batch: b.batch,
    step: b.name,
    startS: b.startS,
    endS: b.endS,
    state: 'done' as const,
    pinned: false,
    lateS: 0,
    lines: [] as string[],
  }));
  return [...before, ...now];
}

/**
 * The lines of the board: by places, those that can clash first and then what has no place of its own; or by batches, each
 * with all of its steps, in order of ready-by.
 */
export function linesOf(
  board: Of,
  placed: readonly PlacedStep[],
  pinned: readonly { batch: string; step: string }[],
  view: View,
): Line[] {
  const pins = new Set(pinned.map((p) => `${p.batch} ${p.step}`));
  const bars = barsOf(board, placed, pins);
  if (view === 'batches') {
    const ids = [...new Set([...board.batches.map((b) => b.id), ...placed.map((p) => p.batch)])];
    return ids
      .filter((id) => bars.some((b) => b.batch === id))
      .map((id): Line => {
        const batch = board.batches.find((b) => b.id === baseOf(id));
        const own = bars.filter((b) => b.batch === id);
        const who = batch?.forWhom ? ` for ${batch.forWhom}` : batch?.code ? ` ${batch.code}` : '';
        const name = `${batch?.name ?? id}${who}`;
        /* Its steps follow each other: what overlaps does so by a rounding. */
        const inRow = own.map((b): Bar => ({ ...b, lane: 0 }));
        return { id, name, kind: 'batch', shut: [], bars: inRow, waits: [], lanes: 1 };
      });
  }
  const waiting = planWaits(board.task, placed);
  const rows = [...board.rows, { id: ROOM, name: 'Bench and rooms', kind: 'room' as const }];
  return rows
    .map(({ id, name, kind }): Line => {
      const own = bars.filter((b) => b.lines.includes(id));
      const shut = board.closures
        .filter((c) => c.placeId === id)
        .map((c) => ({ startS: c.fromS, endS: c.toS, why: c.why }));
      const { laid, lanes } = intoLanes([...own, ...waiting.filter((w) => w.resource === id)]);
      return {
        id,
        name,
        kind,
        shut,
        lanes,
        bars: laid.filter((x) => 'key' in x),
        waits: laid.filter(isWait),
      };
    })
    .filter((l) => l.bars.length + l.waits.length + l.shut.length > 0 || l.kind === 'place');
}

/** How many are busy and how many are there, from when to when; nothing where nobody is either. */
export type Head = { startS: number; endS: number; busy: number; there: number };

export function headsOf(
  needed: readonly { startS: number; endS: number; needs: number }[],
  there: readonly { startS: number; endS: number; people: string[] }[],
): Head[] {
  const edges = [...new Set([...needed, ...there].flatMap((n) => [n.startS, n.endS]))].sort(
    (a, b) => a - b,
  );
  const out: Head[] = [];
  edges.slice(0, -1).forEach((startS, i) => {
    const endS = edges[i + 1]!;
    const busy = needed.reduce(
      (sum, n) => sum + (n.startS <= startS && startS < n.endS ? n.needs : 0),
      0,
    );
    const on = there.find((t) => t.startS <= startS && startS < t.endS)?.people.length ?? 0;
    if (busy === 0 && on === 0) return;
    const last = out.at(-1);
    if (last && last.endS === startS && last.busy === busy && last.there === on) last.endS = endS;
    else out.push({ startS, endS, busy, there: on });
  });
  return out;
}

/** Steps that go along when one is moved: the whole batch, or what follows and comes before it at once. What is settled stays. */
export function movedWith(
  board: Pick<Board, 'task' | 'steps'>,
  batch: string,
  step: string,
  whole: boolean,
): string[] {
  const own = board.task.batches.find((b) => b.id === batch)?.steps ?? [];
  const fixed = new Set(
    (board.task.fixed ?? []).filter((f) => f.batch === batch).map((f) => f.step),
  );
  const at = own.findIndex((s) => s.id === step);
  if (at < 0 || fixed.has(step)) return [];
  let [from, to] = whole ? [0, own.length - 1] : [at, at];
  while (!whole && from > 0 && own[from - 1]!.maxWaitAfterS === 0) from -= 1;
  while (!whole && to < own.length - 1 && own[to]!.maxWaitAfterS === 0) to += 1;
  return own
    .slice(from, to + 1)
    .map((s) => s.id)
    .filter((id) => !fixed.has(id));
}

/** A plan with some steps of a batch so much later, s, and one of them in another place where one is given. */
export function shifted(
  placed: readonly PlacedStep[],
  batch: string,
  steps: readonly string[],
  byS: number,
  into: { step: string; from: string; to: string; amount: number } | null,
): PlacedStep[] {
  return placed.map((p) => {
    if (p.batch !== batch || !steps.includes(p.step)) return p;
    const uses =
      into && p.step === into.step
        ? p.uses.map((u) =>
            u.resource === into.from ? { resource: into.to, amount: into.amount } : u,
          )
        : p.uses;
    return { ...p, startS: p.startS + byS, endS: p.endS + byS, uses };
  });
}

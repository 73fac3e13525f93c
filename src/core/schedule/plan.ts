import { QuantityError, requireFinite, requireNonNegative } from '../guard';
import type { Span } from './working-hours';

/** A piece of work inside a block, one after the other without a break. */
export type Piece = { key: string; durationS: number; attended: boolean };

/** Pieces that follow each other at once, and how long the product may wait before the next block. */
export type Block = { pieces: Piece[]; maxWaitAfterS: number };

export type PlannedPiece = Piece & Span;
export type Plan =
  | { status: 'ok'; pieces: PlannedPiece[]; readyS: number }
  /** Ready-by can't be met; the earliest plan that can, or null when none fits the horizon. */
  | { status: 'late'; earliest: PlannedPiece[] | null; readyS: number | null };

/** Plans are made in steps of five minutes: finer is not how a smokehouse works. */
export const GRID_S = 300;
const slots = (seconds: number) => Math.ceil(seconds / GRID_S - 1e-9);

/** For every block and end slot: may the block end there, all before it fitting? */
class Grid {
  private readonly attended: Int32Array;
  private readonly can: Int8Array[] = [];
  /** The latest feasible end at or before each slot, −1 when none. */
  private readonly latest: Int32Array[] = [];

  constructor(
    private readonly blocks: readonly Block[],
    private readonly originS: number,
    private readonly size: number,
    working: readonly Span[],
  ) {
    const open = new Int8Array(size);
    for (const w of working) {
      const from = Math.max(0, slots(w.startS - originS));
      const to = Math.min(size, Math.floor((w.endS - originS) / GRID_S + 1e-9));
      for (let k = from; k < to; k += 1) open[k] = 1;
    }
    this.attended = new Int32Array(size + 1);
    for (let k = 0; k < size; k += 1) this.attended[k + 1] = this.attended[k]! + open[k]!;
    blocks.forEach((_, i) => this.fill(i));
  }

  private length(i: number): number {
    return this.blocks[i]!.pieces.reduce((sum, p) => sum + slots(p.durationS), 0);
  }

  /** Every attended piece of the block starting at `start` falls inside working hours. */
  private attendedFits(i: number, start: number): boolean {
    let k = start;
    return this.blocks[i]!.pieces.every((p) => {
      const n = slots(p.durationS);
      k += n;
      return !p.attended || this.attended[k]! - this.attended[k - n]! === n;
    });
  }

  /** Latest feasible end of block i−1 that lets block i start at `start`, or −1. */
  private before(i: number, start: number): number {
    const end = this.latest[i - 1]![start]!;
    return end >= 0 && start - end <= slots(this.blocks[i - 1]!.maxWaitAfterS) ? end : -1;
  }

  private fill(i: number): void {
    const can = new Int8Array(this.size + 1);
    const latest = new Int32Array(this.size + 1).fill(-1);
    const length = this.length(i);
    for (let end = 0; end <= this.size; end += 1) {
      const start = end - length;
      const follows = start >= 0 && (i === 0 || this.before(i, start) >= 0);
      if (follows && this.attendedFits(i, start)) can[end] = 1;
      latest[end] = can[end] ? end : end > 0 ? latest[end - 1]! : -1;
    }
    this.can.push(can);
    this.latest.push(latest);
  }

  latestEnd(slot: number): number {
    return slot < 0 ? -1 : this.latest.at(-1)![Math.min(slot, this.size)]!;
  }

  earliestEnd(): number {
    return this.can.at(-1)!.indexOf(1);
  }

  trace(lastEnd: number): PlannedPiece[] {
    const out: PlannedPiece[] = [];
    let end = lastEnd;
    for (let i = this.blocks.length - 1; i >= 0; i -= 1) {
      const start = end - this.length(i);
      let k = start;
      const pieces = this.blocks[i]!.pieces.map((p) => {
        const startS = this.originS + k * GRID_S;
        k += slots(p.durationS);
        return { ...p, startS, endS: this.originS + k * GRID_S };
      });
      out.unshift(...pieces);
      if (i > 0) end = this.before(i, start);
    }
    return out;
  }
}

/**
 * Plans blocks backward from ready-by: the latest plan whose last block ends at or before `readyByS`,
 * whose first starts at or after `nowS`, whose attended pieces lie in working spans and whose waits keep
 * their limits. Exact on a five-minute grid (durations rounded up). When there is none, the plan that
 * is ready earliest within the horizon.
 * @param working attended spans that cover nowS … nowS + horizonS, epoch s
 * @throws RangeError when a time is not finite, a duration negative, or there is no block
 */
export function planBackward(input: {
  blocks: readonly Block[];
  nowS: number;
  readyByS: number;
  horizonS: number;
  working: readonly Span[];
}): Plan {
  const { blocks, readyByS } = input;
  if (blocks.length === 0) throw new QuantityError('blocks', 0, 'at least one block');
  requireFinite('readyByS', readyByS);
  blocks.forEach((b, i) =>
    b.pieces.forEach((p, j) =>
      requireNonNegative(`blocks[${i}].pieces[${j}].durationS`, p.durationS),
    ),
  );
  const originS = Math.ceil(requireFinite('nowS', input.nowS) / GRID_S) * GRID_S;
  const grid = new Grid(blocks, originS, slots(input.horizonS), input.working);
  const end = grid.latestEnd(Math.floor((readyByS - originS) / GRID_S + 1e-9));
  if (end >= 0) return { status: 'ok', pieces: grid.trace(end), readyS: originS + end * GRID_S };
  const earliest = grid.earliestEnd();
  if (earliest < 0) return { status: 'late', earliest: null, readyS: null };
  return { status: 'late', earliest: grid.trace(earliest), readyS: originS + earliest * GRID_S };
}

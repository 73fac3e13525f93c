import type { Passed } from './passed';
import { planBackward, type Block, type PlannedPiece } from './plan';
import type { Span } from './working-hours';

/** Where a step of the way stands. `unrecorded`: it lies behind the batch, and nobody wrote down when. */
export type Standing = 'done' | 'unrecorded' | 'now' | 'ahead';
export type WayPiece = PlannedPiece & { standing: Standing };

/** The whole way of a batch as it was, is and will be. */
export type Way = {
  pieces: WayPiece[];
  /** So many of them are settled by the record: done, going on, or following that at once. */
  settled: number;
  /** When the last step is done; null when nothing fits the horizon any more. */
  readyS: number | null;
  /** Seconds after ready-by; below 0: before it. Null when nobody can say. */
  lateS: number | null;
};

type Input = {
  blocks: readonly Block[];
  passed: readonly Passed[];
  /** When the step that goes on is forecast to end, epoch s; its planned length when left out. */
  dueS?: number | null;
  nowS: number;
  readyByS: number;
  horizonS: number;
  working: readonly Span[];
};

type Flat = { block: number; piece: Block['pieces'][number] };

/** Steps behind the batch, with the times of the record; those without any close up to the next one. */
function behind(
  flat: readonly Flat[],
  passed: ReadonlyMap<string, Passed>,
  input: Pick<Input, 'passed' | 'dueS' | 'nowS'>,
): WayPiece[] {
  const out: WayPiece[] = [];
  let atS = input.passed[0]?.startS ?? input.nowS;
  for (const { piece } of flat) {
    const known = passed.get(piece.key);
    const startS = known?.startS ?? atS;
    const open = known !== undefined && known.endS === null;
    const dueS = Math.max(input.nowS, input.dueS ?? startS + piece.durationS);
    const endS = open ? dueS : (known?.endS ?? startS);
    out.push({
      ...piece,
      durationS: endS - startS,
      startS,
      endS,
      standing: open ? 'now' : known ? 'done' : 'unrecorded',
    });
    atS = endS;
  }
  return out;
}

/** What follows at once in a block that has begun: nobody can wait with it any more. */
function atOnce(pieces: readonly Block['pieces'][number][], fromS: number): WayPiece[] {
  let atS = fromS;
  return pieces.map((p) => {
    const startS = atS;
    atS += p.durationS;
    return { ...p, startS, endS: atS, standing: 'ahead' };
  });
}

/** What of a way is settled, and what is still free to plan. */
export type SoFar = {
  /** What the record has behind it and in it, and what follows that at once. */
  settled: WayPiece[];
  /** When the settled part is over; now or earlier where nothing goes on. */
  reachedS: number;
  /** How long the product may wait then, s; Infinity before it has begun. */
  waitS: number;
  later: Block[];
};

/** A way by its record: done steps when they were done, the running one to its forecast end, the rest of its block at once. */
export function recordSoFar(input: Pick<Input, 'blocks' | 'passed' | 'dueS' | 'nowS'>): SoFar {
  const { blocks, nowS } = input;
  const passed = new Map(input.passed.map((p) => [p.key, p]));
  const flat = blocks.flatMap((b, block) => b.pieces.map((piece): Flat => ({ block, piece })));
  const last = flat.findLastIndex((f) => passed.has(f.piece.key));
  const done = behind(flat.slice(0, last + 1), passed, input);
  const begun = last < 0 ? -1 : flat[last]!.block;
  const rest = flat.slice(last + 1).filter((f) => f.block === begun);
  const doneS = done.at(-1)?.endS ?? nowS;
  const following = atOnce(
    rest.map((f) => f.piece),
    Math.max(nowS, doneS),
  );
  return {
    settled: [...done, ...following],
    reachedS: following.at(-1)?.endS ?? doneS,
    waitS: begun < 0 ? Infinity : blocks[begun]!.maxWaitAfterS,
    later: blocks.slice(begun + 1),
  };
}

/**
 * The plan of a batch that follows its record: done steps when they were done, the running one to its forecast end, the
 * rest of its unbroken block at once after it, and what comes then planned anew from there, as late as ready-by allows
 * and no later than the product may wait.
 * @returns never a step in the future that the record has behind it
 * @throws RangeError as {@link planBackward}
 */
export function followRecord(input: Input): Way {
  const { nowS, readyByS, working, horizonS } = input;
  const { settled: way, reachedS, waitS, later } = recordSoFar(input);
  const fromS = Math.max(nowS, reachedS);
  if (later.length === 0)
    return { pieces: way, settled: way.length, readyS: reachedS, lateS: reachedS - readyByS };
  const ask = (byS: number) =>
    planBackward({ blocks: later, nowS: fromS, readyByS: byS, horizonS, working });
  const latest = ask(readyByS);
  const waits = latest.status === 'ok' && latest.pieces[0]!.startS - reachedS > waitS;
  /* It may not wait so long: as early as can be, which is what is planned when there is no time. */
  const plan = waits ? ask(fromS) : latest;
  const pieces = plan.status === 'ok' ? plan.pieces : (plan.earliest ?? []);
  return {
    pieces: [...way, ...pieces.map((p): WayPiece => ({ ...p, standing: 'ahead' }))],
    settled: way.length,
    readyS: plan.readyS,
    lateS: plan.readyS === null ? null : plan.readyS - readyByS,
  };
}

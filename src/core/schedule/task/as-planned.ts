import type { Way, WayPiece } from '../follow';
import type { PlacedStep } from '../many';
import { stepKey } from './groups';

/** The name of a step without the number that tells it from another of that name. */
const bare = (step: string) => step.replace(/#\d+$/, '');

/** Does a step of the plan begin with this piece? `load` stands before the first piece of what it loads. */
const begins = (step: PlacedStep, pieces: readonly WayPiece[], i: number): boolean => {
  const own = stepKey(pieces[i]!.key);
  const key = own === 'load' && pieces[i + 1] ? stepKey(pieces[i + 1]!.key) : own;
  return key === bare(step.step);
};

/**
 * The way of a batch with what is still free of it at the times of a plan of all batches. What its record has settled stays; a
 * plan that the record has overtaken, or that does not have the whole rest of the way, says nothing.
 * @param steps of this batch in the plan, in order
 */
export function asPlanned(way: Way, steps: readonly PlacedStep[], readyByS: number): Way {
  const done = way.pieces.slice(0, way.settled);
  const ahead = way.pieces.slice(way.settled).filter((p) => p.durationS > 0);
  const first = steps.findIndex((s) => ahead.length > 0 && begins(s, ahead, 0));
  if (first < 0) return way;
  let atS = Math.max(...done.map((p) => p.endS), -Infinity);
  let step = first - 1;
  const pieces: WayPiece[] = [];
  for (const [i, p] of ahead.entries()) {
    const next = steps[step + 1];
    if (next && begins(next, ahead, i)) {
      step += 1;
      /* Overtaken: it would begin before what comes before it is over. */
      if (next.startS < atS - 1) return way;
      atS = next.startS;
    }
    pieces.push({ ...p, startS: atS, endS: atS + p.durationS });
    atS += p.durationS;
  }
  if (step < steps.length - 1) return way;
  return { ...way, pieces: [...done, ...pieces], readyS: atS, lateS: atS - readyByS };
}

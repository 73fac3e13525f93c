import type { HouseKind } from '../../recipe/step';
import { HOUSE_KINDS } from '../../recipe/step';
import type { Visit } from '../many';

/** A piece of a way with when it is in its group, s from the group's beginning. */
export type GroupPiece = { key: string; fromS: number; toS: number; attended: boolean };
/** Pieces that are one step for a plan of several batches: they follow each other in one place. */
export type Group = {
  /** Its own among those of the batch: that of its first piece that is more than a beginning or an end. */
  id: string;
  place: HouseKind | null;
  pieces: GroupPiece[];
  durationS: number;
};

type Piece = { key: string; durationS: number; attended: boolean };

/** The step that a piece is the beginning or the end of. */
export const stepKey = (key: string): string => key.replace(/^(begin|end):/, '');

const isOwnPlace = (place: string | null): place is HouseKind =>
  HOUSE_KINDS.some((kind) => kind === place);

/**
 * Pieces that follow each other at once, as groups by place: what is loaded, runs and is pulled in one house is one step, for
 * the house is taken all the while. Pieces without a length are left out.
 * @param placeOf where the step of a key is done; `load` goes with what comes after it, `pull` with what was before it
 */
export function groupPieces(
  pieces: readonly Piece[],
  placeOf: (key: string) => string | null,
): Group[] {
  const real = pieces.filter((p) => p.durationS > 0);
  const placed = real.map((p, i) => {
    const key = stepKey(p.key);
    if (key === 'load') return real[i + 1] ? placeOf(stepKey(real[i + 1]!.key)) : null;
    if (key === 'pull') return real[i - 1] ? placeOf(stepKey(real[i - 1]!.key)) : null;
    return placeOf(key);
  });
  const out: Group[] = [];
  real.forEach((p, i) => {
    const place = isOwnPlace(placed[i] ?? null) ? (placed[i] as HouseKind) : null;
    const last = out.at(-1);
    const key = stepKey(p.key);
    const sameStep = last !== undefined && stepKey(last.pieces.at(-1)!.key) === key;
    const samePlace = last !== undefined && place !== null && last.place === place;
    const into =
      last && (sameStep || samePlace)
        ? last
        : { id: key, place, pieces: [] as GroupPiece[], durationS: 0 };
    if (into !== last) out.push(into);
    if (into.id === 'load') into.id = key;
    into.pieces.push({
      key: p.key,
      fromS: into.durationS,
      toS: into.durationS + p.durationS,
      attended: p.attended,
    });
    into.durationS += p.durationS;
  });
  return out;
}

/** People all along a group, and those who come besides. */
export function peopleOf(
  group: Group,
  need: (key: string) => number,
): { people: number; visits: Visit[] } {
  const asked = group.pieces.map((p) => (p.attended ? need(stepKey(p.key)) : 0));
  const people = Math.min(...asked);
  const visits = group.pieces.flatMap((p, i) =>
    asked[i]! > people ? [{ fromS: p.fromS, toS: p.toS, people: asked[i]! - people }] : [],
  );
  return { people, visits };
}

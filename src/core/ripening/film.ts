import type { DryingAir } from '../drying/piece';
import type { BatchState } from '../logbook/state';

/** From film over the sticks until it was taken off, s. */
export type FilmSpan = { fromS: number; toS: number };

/** Air under film is as moist as what it covers (usual), 0-1: next to nothing leaves. */
const UNDER_FILM_RH = 0.96;

/** When film lay over the sticks of a batch, by its events; up to `nowS` where nobody took it off. */
export function filmSpans({ run }: Pick<BatchState, 'run'>, nowS: number): FilmSpan[] {
  const spans: FilmSpan[] = [];
  let onS: number | null = null;
  const events = [...(run?.events ?? [])].sort((a, b) => a.atS - b.atS);
  for (const { event, atS } of events) {
    if (event === 'film_on') onS ??= atS;
    if (event !== 'film_off' || onS === null) continue;
    if (atS > onS) spans.push({ fromS: onS, toS: atS });
    onS = null;
  }
  if (onS !== null && nowS > onS) spans.push({ fromS: onS, toS: nowS });
  return spans;
}

/**
 * The air that the pieces have had: the room's, and under film that of what it covers.
 * @param air of the room, times rising; where nobody measured it, `usual` stands for it
 */
export function underFilm(
  air: readonly DryingAir[],
  spans: readonly FilmSpan[],
  { fromS, nowS, usual }: { fromS: number; nowS: number; usual: Omit<DryingAir, 'tS'> },
): DryingAir[] {
  if (spans.length === 0) return [...air];
  const room = air.length > 0 ? air : [fromS, nowS].map((tS) => ({ tS, ...usual }));
  const before = (tS: number) => room.findLast((a) => a.tS <= tS) ?? room[0]!;
  const inside = (tS: number) => spans.some((s) => tS > s.fromS && tS < s.toS);
  const covered = (a: DryingAir, tS: number): DryingAir => ({
    tS,
    airC: a.airC,
    rh: Math.max(a.rh, UNDER_FILM_RH),
  });
  const edges = spans.flatMap(({ fromS: on, toS: off }) => [
    { ...before(on), tS: on },
    covered(before(on), on + 1),
    covered(before(off), off - 1),
    { ...before(off), tS: off },
  ]);
  return [...room.map((a) => (inside(a.tS) ? covered(a, a.tS) : a)), ...edges].sort(
    (a, b) => a.tS - b.tS,
  );
}

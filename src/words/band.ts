import type { Show } from './show';

/** A time ahead with its band, epoch seconds; null where an end is not to be seen. */
export type TimeAhead = { p10: number | null; p50: number | null; p90: number | null };

/** A band that is wider than this, and than a quarter of what is left, is the answer itself, s. */
const WIDE_S = 20 * 60;
/** One that is narrower than this is a time, s. */
const NARROW_S = 120;

/**
 * A forecast in words: what is to be read first, and what it rests beside. A wide band stands in front, an
 * open one says so; nothing is narrowed for looks.
 * @param open why a late end may be open
 */
export function bandWords(
  { p10, p50, p90 }: TimeAhead,
  nowS: number,
  show: Show,
  open = 'with a little less heat far later',
): { first: string; rest: string } {
  const at = (epochS: number) => show.ahead(epochS, nowS);
  if (p50 === null)
    return p10 === null
      ? { first: 'not within three days as things are', rest: '' }
      : { first: `not before ${at(p10)}`, rest: 'and perhaps never as things are' };
  if (p10 === p50 && p90 === p50)
    return { first: show.clock(p50), rest: `reached ${show.until(p50, nowS)}` };
  const from = p10 ?? p50;
  if (p90 === null)
    return {
      first: `not before ${at(from)}`,
      rest: `most likely ${at(p50)}; ${open}`,
    };
  if (p90 - from > Math.max(WIDE_S, 0.25 * (p50 - nowS)))
    return { first: `between ${at(from)} and ${at(p90)}`, rest: `most likely ${at(p50)}` };
  const soon = show.until(show.roundAhead(p50, nowS), nowS);
  const band = p90 - from < NARROW_S ? '' : `, between ${at(from)} and ${at(p90)}`;
  return { first: `about ${at(p50)}`, rest: `${soon}${band}` };
}

import type { EntryBody, MeterCheck, MiddleBuffer, PhSample, PieceEnd } from '@/core';
import type { Show } from './show';

/** Why a marked piece is weighed no more. */
export const PIECE_END_WORDS: Record<PieceEnd, string> = {
  eaten: 'eaten, or cut open',
  fallen: 'fallen, thrown away',
  unmarked: 'its mark is lost',
};

/** Marked pieces that are gone, and what they had lost less than the others, %. */
export const goneWords = (ended: number, lag: number, s: Show): string =>
  ` ${s.number(ended, 0)} marked ${ended === 1 ? 'piece is' : 'pieces are'} gone${lag > 0 ? `; what was less dry of it is taken off, ${s.number(lag, 1)} %` : ''}.`;

export const SAMPLE_WORDS: Record<PhSample, string> = {
  test_piece: 'the test piece',
  product: 'the product itself',
};

export const MIDDLE_BUFFER_WORDS: Record<MiddleBuffer, string> = {
  '7.00': 'pH 7.00, as its bottle says',
  '6.86': 'pH 6.86, phosphate',
};

/** From which instrument a figure was taken. */
export const shownByWords = ({ shownBy }: { shownBy?: string }): string =>
  shownBy === undefined ? '' : `, as ${shownBy} showed it`;

/** A pH as the log says it, with its meter where it is one of the site's. */
export function phWords(b: Extract<EntryBody, { kind: 'ph_logged' }>, s: Show): string {
  const of = SAMPLE_WORDS[b.sample ?? 'test_piece'];
  const at = b.sampleC === undefined ? '' : ` at ${s.temp(b.sampleC)}`;
  const by = shownByWords(b);
  if (!b.meter) return `pH ${s.number(b.ph, 2)} of ${of}${at}${by}`;
  const checked =
    b.meterCheckedS === undefined
      ? ', not checked in its buffers that day: alone it does not count'
      : '';
  const shown =
    Math.abs(b.meter.shownPh - b.ph) < 0.005 ? '' : ` (shown ${s.number(b.meter.shownPh, 2)})`;
  return `pH ${s.number(b.ph, 2)}${shown} of ${of}${at}, by ${b.meter.name}${checked}${by}`;
}

/** What a check in two buffers found, and what to do. */
export function meterCheckWords(
  c: Pick<MeterCheck, 'why' | 'slope' | 'offsetPh'>,
  s: Show,
): string {
  const figures = `slope ${s.number(c.slope * 100, 1)} %, ${s.number(Math.abs(c.offsetPh), 2)} too ${c.offsetPh < 0 ? 'low' : 'high'} in the middle`;
  if (c.why === 'good') return `Good: ${figures}. Both are taken off what it shows.`;
  return c.why === 'slope'
    ? `Wrong: ${figures}. Fresh buffers? Else clean the glass, leave it in its storage liquid, and check again.`
    : `Wrong: ${figures}. Set it in its buffers as its maker says, then check again.`;
}

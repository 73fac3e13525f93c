import type {
  CultureStorage,
  CultureTempo,
  LossForecast,
  PhForecast,
  RimView,
  ShelfView,
  UseBy,
} from '@/core';
import { bandWords } from './band';
import type { Show } from './show';

export const STORAGE_WORDS: Record<CultureStorage, string> = {
  frozen: 'in the freezer',
  cold: 'in the cooler',
  dry: 'dry, in the dark',
};

/** How a culture worked here, beside its kind. @param pace 1 as fast as its kind */
export function paceWords(pace: number, batches: number): string {
  const from = batches === 1 ? 'By one batch' : `By ${batches} batches`;
  const by = Math.round(Math.abs(pace - 1) * 100);
  if (by < 3) return `${from} it is about as fast as its kind.`;
  return `${from} it is about ${by} % ${pace > 1 ? 'faster' : 'slower'} than its kind.`;
}

/** How long a batch keeps, by what it is; usual, the site's own plan comes first. */
export function useByWords(useBy: UseBy | null, s: Show): string {
  if (!useBy) return 'as the site’s own plan says';
  const { days, cooled, by } = useBy;
  const [long, unit] = days % 7 === 0 ? [days / 7, 'week'] : [days, 'day'];
  const keeps = `${s.number(long)} ${unit}${long === 1 ? '' : 's'}`;
  const whose = by === 'rule' ? 'by the site’s rule' : 'usual';
  const said = `${keeps}${cooled ? ' cooled' : ''} from the day it is packed, ${whose}`;
  return useBy.untilS === null ? said : `${s.day(useBy.untilS)}: ${said}`;
}

export const TEMPO_WORDS: Record<CultureTempo, string> = {
  fast: 'a fast culture, warm chamber',
  medium: 'a medium culture',
  slow: 'a slow culture, cool chamber',
};

/** Why a pH may be far away. */
export const NEVER_SO_SOUR = 'or never: it is near where this sugar ends';

/** When a pH is met, in words. */
export function phTargetWords(
  t: PhForecast['targets'][number],
  nowS: number,
  show: Show,
): { first: string; rest: string } {
  if (t.status === 'reached') return { first: `shown ${show.clock(t.p50S!)}`, rest: '' };
  if (t.status === 'unexplained')
    return {
      first: 'nobody can say',
      rest: 'no culture makes a pH go like that: check the meter in its buffers, and read again',
    };
  if (t.status === 'unreachable' && t.p10S === null)
    return {
      first: 'not within a week as things are',
      rest: 'warm the chamber; is there sugar, and does the culture live?',
    };
  return bandWords({ p10: t.p10S, p50: t.p50S, p90: t.p90S }, nowS, show, NEVER_SO_SOUR);
}

/** The day on which a piece has lost what is asked, in words. */
export function lossWords(
  f: LossForecast,
  nowS: number,
  show: Show,
): { first: string; rest: string } {
  if (f.status === 'reached') return { first: `shown ${show.clock(f.p50S!)}`, rest: '' };
  if (f.status === 'unexplained')
    return {
      first: 'nobody can say',
      rest: 'no piece dries like that: another piece, another scale, or a slip of the pen? Weigh it again',
    };
  if (f.p50S === null)
    return f.p10S === null
      ? { first: 'not within four months in this room', rest: 'it is too moist in it' }
      : { first: `not before ${show.day(f.p10S)}`, rest: 'and perhaps never in this room' };
  const days = [f.p10S, f.p90S].map((s) => (s === null ? 'far later' : show.day(s)));
  return {
    first: `about ${show.day(f.p50S)}`,
    rest: days[0] === days[1] ? '' : `between ${days[0]} and ${days[1]}`,
  };
}

/** What a rim does and what to set, in words; null where it is even. */
export function rimWords(rim: RimView, show: Show): string | null {
  if (rim.status === 'even') return null;
  const share = `${show.number(rim.share * 100, 0)} % of the water of the whole`;
  const what = rim.status === 'hard' ? 'The rim is closing' : 'The rim dries too fast';
  const instead =
    rim.rhInstead === null
      ? 'Rest it in still, moist air.'
      : `Set ${show.number(rim.rhInstead * 100, 0)} % humidity for two days: it evens out from inside.`;
  return `${what}: by the model it holds ${share}. ${instead} Feel the ring, and slice one.`;
}

/** What a product is at its end by the site's rule, and what would prove more, in words. */
export function shelfWords(v: ShelfView, show: Show): { first: string; rest: string } {
  if (v.class === 'shelf_stable')
    return {
      first: 'Keeps without a cooler',
      rest: `by way ${v.way! + 1} of the site’s rule, each figure measured with a meter that was checked.`,
    };
  const first = `Keep it at ${show.temp(v.keepC!)} or colder`;
  if (v.because === 'too_wet')
    return {
      first,
      rest: 'No way of the site’s rule comes near: it is too moist, or not sour enough.',
    };
  return {
    first,
    rest: 'It may keep without a cooler, but nothing proves it: measure its water activity, and its pH, with meters that were checked. An estimate is no proof.',
  };
}

import { requireCulture, type CultureCourse, type CultureTempo } from './culture';
import { USUAL_CULTURES } from './tables/cultures';

export const CULTURE_STORAGES = ['frozen', 'cold', 'dry'] as const;
export type CultureStorage = (typeof CULTURE_STORAGES)[number];

/** What is known of a starter culture by its label. */
export type CultureCard = {
  /** As the label names them. */
  organisms: string;
  tempo: CultureTempo;
  /** Coldest and hottest at which it works, and where it works fastest, °C; left out where the label does not say. */
  minC?: number;
  bestC?: number;
  maxC?: number;
  /** Dose of the label, g per kg of meat. */
  doseGPerKg?: number;
  storage: CultureStorage;
  /** Least time in its water, and longest time from then on until it is in the meat, s; left out where the label does not say. */
  wakeS?: number;
  useWithinS?: number;
};

/** How long a culture lies in its water at least, and by when it is used, both from when it was put in, s. */
export type Waking = { readyS: number; staleS: number };

/** Usual of the trade. @source usual practice of the trade: 15 to 30 min in water, used within two hours */
export const USUAL_WAKING: Waking = { readyS: 15 * 60, staleS: 2 * 3600 };

/**
 * The clock of a culture in its water, by its card. A label that lets it wait for longer than it may be used is taken at its use.
 * @param card wakeS and useWithinS of its label, s; usual where left out
 * @example wakingOf({ wakeS: 1800 }) // { readyS: 1800, staleS: 7200 }
 */
export function wakingOf(card?: Pick<CultureCard, 'wakeS' | 'useWithinS'>): Waking {
  const staleS = card?.useWithinS ?? USUAL_WAKING.staleS;
  return { readyS: Math.min(staleS, card?.wakeS ?? USUAL_WAKING.readyS), staleS };
}

/**
 * The course that a culture starts from, by its card: that of its tempo, at the temperatures of its label. Half a range
 * is taken as far as it goes: the other temperatures stay those of the tempo, moved aside where they would stand in the way.
 * @param card tempo, and what its label says of coldest, best and hottest, °C
 * @throws RangeError naming the figure where coldest, best and hottest are not in this order
 * @example cardCourse({ organisms: '', tempo: 'slow', storage: 'cold' }).bestC // 28
 */
export function cardCourse(card: Omit<CultureCard, 'storage' | 'organisms'>): CultureCourse {
  const usual = USUAL_CULTURES[card.tempo];
  const bestC =
    card.bestC ?? Math.min(Math.max(usual.bestC, (card.minC ?? -5) + 2), (card.maxC ?? 60) - 2);
  const minC = card.minC ?? Math.min(usual.minC, bestC - 2);
  const maxC = card.maxC ?? Math.max(usual.maxC, bestC + 2);
  return requireCulture({ ...usual, minC, bestC, maxC });
}

/**
 * What tells one starting course from another: what was learned from one is nothing to another.
 * @param course temperatures °C, lag h, fall pH/h
 */
export const courseKey = ({ minC, bestC, maxC, lagH, fallPerH }: CultureCourse): string =>
  [minC, bestC, maxC, lagH, fallPerH].join('/');

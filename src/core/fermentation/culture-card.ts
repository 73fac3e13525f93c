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
};

/**
 * The course that a culture starts from, by its card: that of its tempo, at the temperatures of its label. Half a range
 * is taken as far as it goes: the other temperatures stay those of the tempo, moved aside where they would stand in the way.
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

/** What tells one starting course from another: what was learned from one is nothing to another. */
export const courseKey = ({ minC, bestC, maxC, lagH, fallPerH }: CultureCourse): string =>
  [minC, bestC, maxC, lagH, fallPerH].join('/');

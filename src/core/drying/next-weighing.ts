import { lossAt, whenLost, type FittedLoss } from './fit-loss';

const EVERY_S = 12 * 3600;
/** A weighing that leaves more than this share of the variance of the day tells too little to be asked for. */
const MOST_LEFT = 0.9;
/** The earliest that tells at least this share of what the best one tells. */
const ENOUGH = 0.8;
const LOSS_SD = 0.004;

/**
 * When to weigh next: the earliest half day whose weight would tell most of the day that is waited for. By the spread of the
 * likely courses: `1 − cov(day, loss)² / (var(day)·(var(loss) + 0.004²))` of the day's variance is left after it.
 * @param dueS the day as forecast; null where none is
 * @returns s, after now and before the day; null where no weighing would tell much
 * @source linear Bayesian update, Chaloner & Verdinelli (1995)
 */
export function nextWeighing(
  { likely }: FittedLoss,
  { nowS, dueS, loss }: { nowS: number; dueS: number | null; loss: number },
): number | null {
  if (dueS === null || dueS - nowS < 2 * EVERY_S) return dueS === null ? null : dueS;
  const whole = likely.reduce((sum, l) => sum + l.weight, 0);
  const mean = (values: readonly number[]) =>
    likely.reduce((sum, l, k) => sum + l.weight * values[k]!, 0) / whole;
  /* One that never gets there counts as its last day. */
  const days = likely.map(({ course }) =>
    Math.min(whenLost(course, loss), course.samples.at(-1)!.tS),
  );
  const dayMean = mean(days);
  const dayVar = mean(days.map((d) => (d - dayMean) ** 2));
  if (!(dayVar > 0)) return null;
  const told: { tS: number; share: number }[] = [];
  for (let tS = nowS + EVERY_S; tS <= dueS; tS += EVERY_S) {
    const losses = likely.map((l) => lossAt(l.course, tS));
    const lossMean = mean(losses);
    const lossVar = mean(losses.map((v) => (v - lossMean) ** 2));
    const both = mean(losses.map((v, k) => (v - lossMean) * (days[k]! - dayMean)));
    told.push({ tS, share: both ** 2 / (dayVar * (lossVar + LOSS_SD ** 2)) });
  }
  const best = told.reduce((m, t) => Math.max(m, t.share), 0);
  if (best < 1 - MOST_LEFT) return null;
  return told.find((t) => t.share >= ENOUGH * best)!.tS;
}

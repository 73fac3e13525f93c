/**
 * How far an earlier forecast was off, in its own band: 0 in the middle, 1 at the end of the band on the
 * side where the truth fell.
 */
export type BandScore = { leftS: number; score: number };

/** Share of the truths that a band is to hold. */
const BAND_SHARE = 0.8;
/** A band is never believed to be this much too wide or too narrow. */
const LEAST = 0.6;
const MOST = 5;
/** Score of a forecast that saw no end where there was one. */
const NOT_SEEN = 2;
/** Forecasts with less than this left, more than this left, and between, err in their own ways, s. */
const CLASSES_S = [30 * 60, 90 * 60];

const classOf = (leftS: number): number => CLASSES_S.filter((s) => leftS >= s).length;

/** What counts beside a house's own scores: as much as so many runs of bands that keep their word. */
const PRIOR_RUNS = 5;
/** Even quantiles of the scores of such bands on a normal spread; eight of ten are at most 1. */
const PRIOR_SCORES = [0.049, 0.148, 0.249, 0.354, 0.466, 0.589, 0.729, 1, 1.123, 1.529];

/** Score of a forecast once it is known when the target was met. An open end is wide enough for anything. */
export function scoreOf(
  f: { p10S: number | null; p50S: number | null; p90S: number | null },
  metS: number,
): number {
  if (f.p50S === null) return f.p10S !== null && metS >= f.p10S ? 0 : NOT_SEEN;
  const off = metS - f.p50S;
  if (off >= 0) return f.p90S === null ? 0 : off / Math.max(1, f.p90S - f.p50S);
  return -off / Math.max(1, f.p50S - (f.p10S ?? f.p50S));
}

/**
 * What to multiply both sides of a band with, so that it holds the share it claims: the quantile of the
 * scores of earlier forecasts with about as much time left, beside those of a band that keeps its word, so
 * that a few runs move it little. As own scores come to count, the quantile is the conformal one,
 * `(n + 1)·0.8` of n, which holds for any spread.
 * @param scores of this house and kind of product; those of one run hang together, which the prior makes up for in part
 * @returns scale 0.6 to 5; 1 without own scores; and how many earlier forecasts it rests on
 * @source Vovk, Gammerman & Shafer (2005); Lei et al. (2018), split-conformal prediction
 */
export function bandScale(
  scores: readonly BandScore[],
  leftS: number,
): { scale: number; from: number } {
  const own = scores.filter((s) => classOf(s.leftS) === classOf(leftS));
  const priorWeight = PRIOR_RUNS / PRIOR_SCORES.length;
  const all = [
    ...own.map((s) => ({ score: s.score, weight: 1 })),
    ...PRIOR_SCORES.map((score) => ({ score, weight: priorWeight })),
  ].sort((a, b) => a.score - b.score);
  const ownShare = own.length / (own.length + PRIOR_RUNS);
  let needed = BAND_SHARE * (own.length + PRIOR_RUNS + ownShare) - 1e-9;
  const at = all.find(({ weight }) => (needed -= weight) <= 0) ?? all.at(-1)!;
  return { scale: Math.min(MOST, Math.max(LEAST, at.score)), from: own.length };
}

/** How it blew, as somebody noted it. */
export const WINDS = ['calm', 'breeze', 'strong'] as const;
export type Wind = (typeof WINDS)[number];
/** The weather as somebody noted it; a temperature that nobody took is null. */
export type Weather = { wind: Wind; outsideC: number | null };
/** What one run's readings came to: factor on the film coefficient, and the weather it ran in. */
export type HouseFit = { filmFactor: number; weather: Weather | null };

/** Even a house that always does the same is not known better than this, ln. */
const LEAST_SD = 0.08;
/** Spread that a few runs cannot take away: shrinks with their number. */
const USUAL_SD = 0.2;
/** A run of weather that nobody noted says so much of a day that somebody did. */
const UNNOTED = 0.5;
/** From here on the outside is another season, °C. */
const OTHER_SEASON_C = 10;
const WIND_STEP: Record<Wind, number> = { calm: 0, breeze: 1, strong: 2 };

/**
 * How much a run tells of another day, 0 to 1: the same weather all, another season or wind little, and never nothing.
 * @source own values; a house that draws by itself burns and draws otherwise in wind and cold
 */
export function alike(run: Weather | null, day: Weather | null): number {
  if (!day) return 1;
  if (!run) return UNNOTED;
  const wind = 1 - 0.3 * Math.abs(WIND_STEP[run.wind] - WIND_STEP[day.wind]);
  if (run.outsideC === null || day.outsideC === null) return wind * UNNOTED;
  const apart = (run.outsideC - day.outsideC) / OTHER_SEASON_C;
  return wind * Math.max(0.1, Math.exp(-(apart ** 2)));
}

export type HouseTaught = {
  /** Factor on the film coefficient, geometric mean, and how sure that is (ln). */
  h: number;
  lnSd: number;
  runs: number;
  /** So many of them were of weather like this; null where nobody noted today's. */
  likeRuns: number | null;
};

/**
 * What a house has taught for a day: the mean of its film factors, where runs of weather like this day's count more, and
 * their spread as if one more run had come out a usual spread away: one run alone teaches little.
 * @param fits runs, newest first · @param day the weather now; null where nobody noted it: all runs count the same
 * @returns null before the first run
 * @throws RangeError for a factor that is not above 0
 */
export function houseTaught(fits: readonly HouseFit[], day: Weather | null): HouseTaught | null {
  if (fits.length === 0) return null;
  if (fits.some((f) => !(f.filmFactor > 0))) throw new RangeError('filmFactor must be above 0');
  const known = fits.map((f) => ({ ln: Math.log(f.filmFactor), w: alike(f.weather, day) }));
  const total = known.reduce((sum, k) => sum + k.w, 0);
  const mean = known.reduce((sum, k) => sum + k.w * k.ln, 0) / total;
  const spread = known.reduce((sum, k) => sum + k.w * (k.ln - mean) ** 2, 0);
  const lnSd = Math.max(LEAST_SD, Math.sqrt((spread + USUAL_SD ** 2) / total));
  return {
    h: Math.exp(mean),
    lnSd: Math.min(USUAL_SD, lnSd),
    runs: fits.length,
    likeRuns: day && known.filter((k) => k.w > UNNOTED).length,
  };
}

const DAY_S = 24 * 3600;
/** A batch may be entered as begun this long ago, and a site's readings may be as much older than the site, s. */
export const START_BACK_S = 60 * DAY_S;
/** A batch may be planned to be ready this far ahead, s: the longest drying and then some. */
export const READY_AHEAD_S = 120 * DAY_S;

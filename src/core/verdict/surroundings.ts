import { wetBulbFromRh } from '../heat/psychrometrics';
import { runProgram, runStages, type RunStage } from '../run/run-stage';
import type { Reading } from '../lethality/reading';
import type { ReadingPlace } from '../units/plausible';
import { extremes, within } from '../probes/series-at';
import type { Surrounding } from '../probes/bounds';
import type { Helps } from '../probes/believe';
import type { Case } from './check';

/** Where a place was not logged: what it can be at most and at least, °C, and its best film, W/(m²·K). */
const BENCH = { hotC: 40, coldC: -30, filmWm2K: 30 };
const CHILL = { hotC: 35, coldC: -2, filmWm2K: 600 };
const COOLER = { hotC: 30, coldC: -12, filmWm2K: 60 };
/** Films of a house with its fan, of one in which vapour condenses on the product, and of moving water. */
export const HOUSE_FILM = 60;
const STEAM_FILM = 150;
const WATER_FILM = 600;
/** Humidity from which vapour condenses on a warm piece, and a wet bulb this near to the air, °C. */
const STEAM_RH = 0.7;
const STEAM_WET_BULB_C = 8;
/** A house is hotter at its best place than at its sensor, and than its set point; water by less, °C. */
const OFF = { logged: 8, house: 12, water: 6 } as const;
const FIRE_OUT_C = 5;
/** Time for which a core may rise after the pull, s per m² of radius: 0.3 of R²/α. */
const CARRY_OVER = 0.3 / 1.05e-7;
/** No core boils, °C. */
const MOST_CORE_C = 100;
/** People write down late what they do: a pull or a cooler may have begun this much earlier, a run by less, s. */
const LATE_ENTRY_S = 1200;
export const LATE_START_S = 300;
const MEMO_S = 30;
/** An air log speaks for so long before and after a moment, s. */
const WINDOW_S = 300;
const SILENT_S = 600;

/** Logs of a place other than the core, by logger and by hand, each in time order. */
export function logsOf(c: Case, what: ReadingPlace): Reading[][] {
  const loggers = c.state.probes
    .filter((p) => p.what === what)
    .map((p) => within(c.series[p.channelId] ?? [], p.fromS, p.toS ?? Infinity));
  const hand = c.state.hand.filter((h) => h.what === what).map(({ tS, tempC }) => ({ tS, tempC }));
  return [...loggers, hand].filter((l) => l.length > 0);
}

/** Humidity of the driest house, and how far a wet bulb may be off, °C. */
const DRIEST_RH = 0.1;
const WET_OFF_C = 4;

/** The coldest that air makes a wet piece: its wet bulb, as logged or as in the driest house. */
function coldestIn(airC: number, wetBulbC: number | undefined): number {
  const wetC = wetBulbC ?? (airC > 10 ? wetBulbFromRh(airC, DRIEST_RH) : airC);
  return Math.min(airC - OFF.logged, wetC - WET_OFF_C);
}

type Extreme = { hotC: number; coldC: number } | null;

/** Hottest and coldest of several logs within a window around a time; null when all were silent. */
function extremeOf(logs: readonly Reading[][]): (tS: number) => Extreme {
  const asked = logs.map((l) => extremes(l, WINDOW_S, SILENT_S));
  return (tS) => {
    let out: Extreme = null;
    for (const at of asked) {
      const e = at(tS);
      if (!e) continue;
      out = out ? { hotC: Math.max(out.hotC, e.hotC), coldC: Math.min(out.coldC, e.coldC) } : e;
    }
    return out;
  };
}

export type CaseSurroundings = {
  around: (tS: number) => Surrounding;
  helpsAt: (tS: number) => Helps;
  /** Is the product in air at this time, where the site's steepest change holds? */
  inAir: (tS: number) => boolean;
  /** The house was logged during the run: without it the envelope is wider. */
  logged: boolean;
};

type Stretch = { fromS: number; toS: number; what: 'house' | 'chill'; at?: RunStage };

/** House and chill of a run in time; before it the bench. A pull that was taken back is followed by the house again. */
function stretchesOf(c: Case): Stretch[] {
  const { run } = c.state;
  if (!run) return [];
  const out: Stretch[] = [];
  let fromS = run.startS - LATE_START_S;
  for (const p of run.pulls) {
    out.push({ fromS, toS: p.atS, what: 'house' });
    out.push({ fromS: p.atS, toS: p.againS ?? Infinity, what: 'chill' });
    fromS = p.againS ?? Infinity;
  }
  if (run.pulledS === null) out.push({ fromS, toS: Infinity, what: 'house' });
  return out;
}

/**
 * What surrounds a batch's pieces at each time, thinned to the unhelpful side: the air log where there is
 * one, else the set points, else what the place can be. Around a pull both the house and the chill are possible.
 */
export function surroundingsOf(c: Case): CaseSurroundings {
  const { run } = c.state;
  const stretches = stretchesOf(c);
  const stages = runStages(c.state);
  const air = extremeOf(logsOf(c, 'air'));
  const wetBulb = extremeOf(logsOf(c, 'wet_bulb'));
  const cooler = extremeOf(logsOf(c, 'cooler'));
  const program = runProgram(c);
  /* A stage that nobody wrote down may be on: unlogged air counts as the hottest of the program. */
  const hottestSet = Math.max(...program.map((s) => Math.max(s.airC, s.rampFromC ?? -Infinity)));
  const chills = [...(run?.earlierChill ?? []), ...c.state.chill];
  const pulls = run?.pulls.map((p) => p.atS) ?? [];
  const carryS = CARRY_OVER * (c.recipe.casing.diameterMm / 2000) ** 2;

  const inHouse = (tS: number): Surrounding => {
    const stage = stages.findLast((s) => s.startS <= tS) ?? stages[0];
    const water = stage !== undefined && stage.medium !== 'air';
    const nearWater =
      water || stages.some((s) => s.medium !== 'air' && Math.abs(s.startS - tS) < LATE_ENTRY_S);
    const log = water ? null : air(tS);
    const wet = wetBulb(tS);
    const steam =
      (stage?.stage.rh ?? 0) >= STEAM_RH ||
      (stage?.stage.wetBulbC ?? -Infinity) > stage!.stage.airC - STEAM_WET_BULB_C ||
      (wet !== null && log !== null && wet.hotC > log.coldC - STEAM_WET_BULB_C);
    const off = water ? OFF.water : OFF.house;
    const hotC = log ? log.hotC + OFF.logged : hottestSet + off;
    const coldC = log ? coldestIn(log.coldC, wet?.coldC) : FIRE_OUT_C;
    return {
      hotC: Math.min(MOST_CORE_C, nearWater ? Math.max(hotC, hottestSet + off) : hotC),
      coldC: nearWater ? Math.min(coldC, FIRE_OUT_C) : coldC,
      filmWm2K: nearWater ? WATER_FILM : steam ? STEAM_FILM : HOUSE_FILM,
      restC: water ? stage.stage.airC : log ? (log.hotC + log.coldC) / 2 : undefined,
    };
  };
  const inChill = (tS: number): Surrounding => {
    const medium = chills.findLast((x) => x.startS <= tS);
    if (medium?.medium !== 'cooler' || tS - medium.startS < LATE_ENTRY_S) return CHILL;
    const log = cooler(tS);
    return log ? { ...COOLER, coldC: Math.max(COOLER.coldC, log.coldC - OFF.logged) } : COOLER;
  };
  let lately: Stretch | undefined;
  const stretchAt = (tS: number): Stretch | undefined => {
    if (lately && lately.fromS <= tS && tS < lately.toS) return lately;
    lately = stretches.findLast((s) => s.fromS <= tS && tS < s.toS);
    return lately;
  };
  const lookAround = (tS: number): Surrounding => {
    const s = stretchAt(tS);
    if (!s) return BENCH;
    const here = s.what === 'house' ? inHouse(tS) : inChill(tS);
    const near = pulls.some((p) => Math.abs(p - tS) <= LATE_ENTRY_S);
    if (!near) {
      /* A thick piece goes on rising from its own hot rim. */
      const pullS = pulls.findLast((p) => tS > p && tS - p <= carryS);
      return pullS === undefined
        ? here
        : { ...here, hotC: Math.max(here.hotC, inHouse(pullS).hotC) };
    }
    const house = s.what === 'house' ? here : inHouse(s.fromS);
    return {
      ...house,
      hotC: Math.max(here.hotC, house.hotC),
      coldC: Math.min(CHILL.coldC, house.coldC),
      coldFilmWm2K: CHILL.filmWm2K,
    };
  };
  const known = new Map<number, Surrounding>();
  let lastKey = Number.NaN;
  let last: Surrounding = BENCH;
  const around = (tS: number): Surrounding => {
    const key = Math.floor(tS / MEMO_S);
    if (key === lastKey) return last;
    lastKey = key;
    last = known.get(key) ?? lookAround((key + 1) * MEMO_S);
    known.set(key, last);
    return last;
  };
  return {
    around,
    helpsAt: (tS) => (stretchAt(tS)?.what === 'chill' ? 'down' : 'up'),
    inAir: (tS) => around(tS).filmWm2K <= STEAM_FILM,
    logged: run !== null && logsOf(c, 'air').some((l) => l.some((r) => r.tS >= run.startS)),
  };
}

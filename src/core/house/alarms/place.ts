import { makingClassOf } from '../../making/limits';
import { floorRuleOf } from '../../rules/rule';
import { within } from '../../probes/series-at';
import { airSpread, type AirSpread, type SensorSpot } from '../watch/air-spread';
import { smokeOf } from '../watch/of-state';
import { inHouse, lastCredited, lastOf, since, type Look, type View } from './alarm';

/** Usual values; s. */
const WINDOW_S = 600;
const GRACE_S = 300;

/** Smoke was seen to be out, and not seen again, s. */
export const smokeGone: Look = (v) => {
  if (!inHouse(v) || !v.at!.stage.smoke) return null;
  const m = smokeOf(v.c.state, floorRuleOf(v.c.rules).smokeLookS, v.nowS);
  if (!m || m.outSinceS === null) return null;
  return { sinceS: m.outSinceS, forS: v.nowS - m.outSinceS, countsS: m.countsS };
};

/** Nobody has looked at the smoke for too long, s. */
export const smokeUnseen: Look = (v) => {
  if (!inHouse(v) || !v.at!.stage.smoke) return null;
  const { smokeLookS } = floorRuleOf(v.c.rules);
  const m = smokeOf(v.c.state, smokeLookS, v.nowS);
  if (!m || m.outSinceS !== null || v.nowS < m.nextLookS + GRACE_S) return null;
  return { lastS: m.nextLookS - smokeLookS, forS: v.nowS - m.nextLookS + smokeLookS };
};

/** Fuel or wood is due by the place's own interval, s. */
const due = (v: View, event: 'fuel' | 'wood_added', everyS: number | null | undefined) => {
  if (!everyS) return null;
  const run = v.c.state.run!;
  const last = run.events.findLast((e) => e.event === event)?.atS ?? run.startS;
  return v.nowS > last + everyS ? { lastS: last, everyS, dueS: last + everyS } : null;
};
export const fuelDue: Look = (v) =>
  inHouse(v) && v.at!.place === 'house' ? due(v, 'fuel', v.place?.care?.fuelEveryS) : null;
export const woodDue: Look = (v) =>
  inHouse(v) && v.at!.stage.smoke ? due(v, 'wood_added', v.place?.care?.woodEveryS) : null;

/** Mean of the hottest sensor over the window, °C. */
function hottestMean(v: View): number | null {
  const means = v.airs.flatMap((air) => {
    const recent = since(air, v.nowS - WINDOW_S);
    return recent.length < 3 ? [] : [recent.reduce((sum, r) => sum + r.tempC, 0) / recent.length];
  });
  return means.length > 0 ? Math.max(...means) : null;
}

/** The air is hotter than this fat takes while the core is still cool, °C. */
export const chamberHot: Look = (v) => {
  if (!inHouse(v) || v.at!.medium !== 'air') return null;
  const rule = floorRuleOf(v.c.rules);
  const limitC = makingClassOf(v.c.recipe) === 'emulsion' ? rule.emulsionAirC : rule.coarseAirC;
  const airC = hottestMean(v);
  const coreC = lastCredited(v.core)?.tempC ?? null;
  if (airC === null || coreC === null || coreC >= rule.fatCoreC || airC <= limitC) return null;
  return { airC, limitC, coreC, untilC: rule.fatCoreC };
};

/** The place is above the ceiling that the site gave it, °C. */
export const aboveCeiling: Look = (v) => {
  const ceilingC = v.place?.care?.ceilingC;
  if (!inHouse(v) || ceilingC == null) return null;
  const lasts = v.airs.flatMap((air) => lastOf(since(air, v.nowS - WINDOW_S))?.tempC ?? []);
  const airC = Math.max(...lasts);
  return lasts.length > 0 && airC > ceilingC ? { airC, limitC: ceilingC } : null;
};

const DEPTHS = { front: 1, middle: 2, back: 3 } as const;
/** Where a sensor hangs, as figures: 0 where nobody said. */
const spotFigures = (name: string, { level, depth }: SensorSpot) => ({
  [`${name}Level`]: level ?? 0,
  [`${name}Depth`]: depth ? DEPTHS[depth] : 0,
});

/** The air sensors of a batch's place beside each other, at the height of what hangs; null with fewer than two. */
export function spreadOf(v: Pick<View, 'c' | 'nowS' | 'place'>): AirSpread | null {
  const { state, series } = v.c;
  const spots = v.place?.sensors ?? {};
  const sensors = state.probes
    .filter((p) => p.what === 'air' && p.toS === null)
    .map((p) => ({
      id: p.channelId,
      name: spots[p.channelId]?.name ?? '',
      spot: spots[p.channelId]?.spot ?? { level: null, depth: null },
      readings: within(series[p.channelId] ?? [], v.nowS - WINDOW_S, Infinity),
    }));
  const levels = [...new Set((state.hung?.sticks ?? []).map((s) => s.level))];
  return airSpread({ sensors, levels, nowS: v.nowS, windowS: WINDOW_S });
}

/** The corners of the house differ by more than the site takes, °C. */
export const cornersApart: Look = (v) => {
  if (!inHouse(v) || v.at!.place !== 'house') return null;
  const s = spreadOf(v);
  if (!s || s.spreadC <= floorRuleOf(v.c.rules).spreadC) return null;
  const rotated = v.c.state.run!.events.findLast((e) => e.event === 'rotated')?.atS;
  /* What was rotated is given the time to even out. */
  if (rotated !== undefined && v.nowS - rotated < 3 * WINDOW_S) return null;
  return {
    spreadC: s.spreadC,
    coldC: s.coldest.meanC,
    hotC: s.hottest.meanC,
    ...spotFigures('cold', s.coldest.spot),
    ...spotFigures('hot', s.hottest.spot),
  };
};

/** Oil stands on the water of a bath. */
export const bathOil: Look = (v) => {
  const last = v.c.state.bathLooks.at(-1);
  if (!inHouse(v) || !last || last.oil === 'none') return null;
  return { sinceS: last.atS, much: last.oil === 'much' ? 1 : 0 };
};

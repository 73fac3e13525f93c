import { longestGrowth } from '../../verdict/come-up-check';
import { servingDueS } from '../../verdict/serving-check';
import { chillView, coolingOf } from '../../verdict/windows';
import { inHouse, type Look } from './alarm';

/** Usual values of one house; °C and s. */
const CLOSE_SHARE = 0.75;
const LAST_CALL_S = 1800;
const CHILL_AT_ONCE_S = 900;
const LATE_S = 900;

/** The time in which the core has to come up is three quarters gone, s. */
export const comeUpRunningOut: Look = (v) => {
  if (!inHouse(v) || v.c.recipe.fermentation) return null;
  const { fromC, toC, maxS } = v.c.rules.come_up.body;
  const g = longestGrowth(v.c, { fromC, toC, maxS });
  if (!g || g.status !== 'incomplete' || !g.now || g.elapsedS < CLOSE_SHARE * maxS) return null;
  const leftS = maxS - g.elapsedS;
  return { leftS, dueS: v.nowS + leftS, toC };
};

/** A step of the cooling is about to run out, s. */
export const coolingRunningOut: Look = (v) => {
  if (v.c.state.phase !== 'chilling') return null;
  for (const { log } of chillView(v.c)?.counted ?? []) {
    const steps = coolingOf(v.c, log);
    const open = steps.find((s) => s.status === 'incomplete' && s.startS !== null);
    if (!open) continue;
    const leftS = open.startS! + open.maxS - v.nowS;
    const soon =
      leftS < Math.max((1 - CLOSE_SHARE) * open.maxS, Math.min(LAST_CALL_S, open.maxS / 2));
    if (soon) return { leftS, dueS: open.startS! + open.maxS, toC: open.toC };
  }
  return null;
};

/** A pulled batch waits for its chill for too long, s. */
export const coolingNotStarted: Look = (v) => {
  const pulledS = v.c.state.run?.pulledS;
  if (pulledS == null || v.c.state.chill.length > 0 || v.c.state.phase !== 'chilling') return null;
  return v.nowS - pulledS > CHILL_AT_ONCE_S ? { waitedS: v.nowS - pulledS } : null;
};

/** What waits to be eaten hot is eaten soon, or chilled. */
export const servingRunningOut: Look = (v) => {
  if (v.c.state.phase !== 'serving') return null;
  const dueS = servingDueS(v.c)!;
  const leftS = dueS - v.nowS;
  return leftS < LAST_CALL_S ? { leftS, dueS } : null;
};

/** A stage goes on past its longest time without what it waits for, s. */
export const stageTooLong: Look = (v) =>
  inHouse(v) && v.stage?.tooLong && !v.stage.over
    ? { forS: v.nowS - v.at!.startS, maxS: v.at!.stage.maxS ?? 0 }
    : null;

/** The forecast is past the time that the batch is wanted by, s. */
export const missesReadyBy: Look = (v) => {
  const { readyByS, phase } = v.c.state;
  if (v.readyS === null || (phase !== 'in_house' && phase !== 'chilling')) return null;
  return v.readyS > readyByS + LATE_S
    ? { readyS: v.readyS, dueS: readyByS, lateS: v.readyS - readyByS }
    : null;
};

import { inHouse, type Look } from './alarm';

/** A pH is told of so long before it may come; at an hour when nobody is there, early enough to change it, s. */
const LEAD_S = 2 * 3600;
const LEAD_ALONE_S = 12 * 3600;
/** Sourer than asked by more than this has been left too long. */
const PAST_PH = 0.1;
/** Degree-hours are told of when so much of them is gone, or the late end of the pH lies beyond them. */
const GONE_SHARE = 0.75;

const ferments: Look = (v) => (inHouse(v) && v.at!.stage.kind === 'ferment' ? {} : null);

/** The pH comes soon, or while nobody is there: come, or cool the chamber. */
export const phComing: Look = (v) => {
  const f = v.ferment;
  if (!f || !ferments(v) || f.p50S === null) return null;
  const firstS = f.p10S ?? f.p50S;
  if (firstS - v.nowS > (f.alone ? LEAD_ALONE_S : LEAD_S)) return null;
  return {
    ph: f.ph,
    atS: Math.max(f.p50S, v.nowS),
    alone: Number(f.alone),
    ...(f.cooled ? { coolC: f.cooled.tempC, untilS: f.cooled.untilS } : {}),
  };
};

/** The last pH is past what was asked for, and the stage goes on. */
export const phPast: Look = (v) => {
  const last = v.c.state.ph.at(-1);
  if (!v.ferment || !ferments(v) || !last || last.tS < v.at!.startS) return null;
  return last.ph < v.ferment.ph - PAST_PH ? { ph: last.ph, targetPh: v.ferment.ph } : null;
};

/** The degree-hours are nearly gone, or the pH may come after them. */
export const degreeHoursClose: Look = (v) => {
  const d = v.ferment?.degreeHours;
  if (!d || !ferments(v)) return null;
  if (!d.close && d.soFar < GONE_SHARE * d.limit) return null;
  return {
    degreeHours: d.soFar,
    limit: d.limit,
    ...(d.limitS === null ? {} : { limitS: d.limitS }),
  };
};

import { requireBetween } from '../guard';
import { meatAtC, meatHeatJPerG } from '../heat/meat-heat';

/** One pass through a machine as it was logged, °C. */
export type Pass = { beforeC: number; afterC: number };

/** What a pass puts into each gram of meat, J/g: its middle, how much it differs, and on how many passes that rests. */
export type LearnedWork = { jPerG: number; sdJPerG: number; passes: number };

/** Before anything was logged: 1.5 to 4 °C a pass of thawed meat (usual). */
const PRIOR: LearnedWork = { jPerG: 9, sdJPerG: 3, passes: 0 };
/** So many passes does the usual value count for. */
const PRIOR_PASSES = 3;
/** A pass that is further off than this from all others teaches no more than that, J/g. */
const FAR_J = 12;
/** Eight of ten passes lie within so many standard deviations. */
const EIGHT_OF_TEN = 1.2816;

const workOf = (p: Pass) => meatHeatJPerG(p.afterC) - meatHeatJPerG(p.beforeC);

/**
 * What passes of one kind put into the meat, learned from the log: a pure fold over what was measured, in heat and not
 * in degrees, because half-frozen meat takes up heat without warming. Passes that got colder are no passes.
 * @source customary warming of a pass, 1.5 to 4 °C, as what is believed before anything was logged
 */
export function learnWork(passes: readonly Pass[]): LearnedWork {
  const work = passes.map(workOf).filter((w) => w > 0);
  if (work.length === 0) return PRIOR;
  const sorted = [...work].sort((a, b) => a - b);
  const middle = sorted[Math.floor(sorted.length / 2)]!;
  const kept = work.map((w) => Math.min(middle + FAR_J, Math.max(middle - FAR_J, w)));
  const n = kept.length;
  const weight = PRIOR_PASSES + n;
  const jPerG = (PRIOR_PASSES * PRIOR.jPerG + kept.reduce((a, b) => a + b, 0)) / weight;
  const spread =
    PRIOR_PASSES * PRIOR.sdJPerG ** 2 + kept.reduce((sum, w) => sum + (w - jPerG) ** 2, 0);
  return { jPerG, sdJPerG: Math.sqrt(spread / weight), passes: n };
}

export type PassForecast = { afterC: number; lowC: number; highC: number };

/**
 * How warm meat comes out of its next pass, with the band in which eight of ten passes lie.
 * @param beforeC −15 to 30 °C · @returns °C · @throws RangeError for a temperature out of range
 * @example passForecast(2, learnWork([])).afterC // about 4.6
 */
export function passForecast(beforeC: number, work: LearnedWork): PassForecast {
  const heat = meatHeatJPerG(requireBetween('beforeC', beforeC, -15, 30));
  const band = EIGHT_OF_TEN * work.sdJPerG;
  const after = (jPerG: number) => meatAtC(heat + Math.max(0, jPerG));
  return {
    afterC: after(work.jPerG),
    lowC: after(work.jPerG - band),
    highC: after(work.jPerG + band),
  };
}

/** How cold meat has to be before a pass so that it comes out at a limit, °C. */
export const beforeFor = (limitC: number, work: LearnedWork): number =>
  meatAtC(meatHeatJPerG(limitC) - work.jPerG);

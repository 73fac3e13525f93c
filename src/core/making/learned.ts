import { meatHeatJPerG } from '../heat/meat-heat';
import { roomJPerG } from './room-heat';

/** One pass through a machine as it was logged. */
export type Pass = {
  /** °C. */
  beforeC: number;
  afterC: number;
  /** Of the room, °C; a usual workroom where nobody measured it. */
  roomC?: number;
  massG?: number;
  /** How long it took, s. */
  forS?: number;
};

/** What a machine does to this kind of product: its middle, how much it differs, and on how many passes that rests. */
export type LearnedMachine = {
  /** Work that a pass puts into each gram, without what the room gives, J/g. */
  jPerG: number;
  sdJPerG: number;
  passes: number;
  /** Minutes that a kilogram takes, and on how many runs that rests. */
  minPerKg: number;
  timed: number;
};

/** Before anything was logged: 1.5 to 4 °C a pass of thawed meat, a kilogram in 20 s (usual). */
export const USUAL_MACHINE: LearnedMachine = {
  jPerG: 8,
  sdJPerG: 3,
  passes: 0,
  minPerKg: 1 / 3,
  timed: 0,
};
/** So many runs does the usual value count for. */
const PRIOR_RUNS = 3;
/** A pass that is further off than this from all others teaches no more than that, J/g. */
const FAR_J = 12;
/** A time outside of these is no time of a pass, min/kg. */
const LEAST_MIN_PER_KG = 0.01;
const MOST_MIN_PER_KG = 10;

const middleOf = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Minutes a kilogram, of the runs that were timed and weighed. */
function paceOf(passes: readonly Pass[]): Pick<LearnedMachine, 'minPerKg' | 'timed'> {
  const paces = passes
    .flatMap((p) => (p.forS && p.massG ? [p.forS / 60 / (p.massG / 1000)] : []))
    .filter((m) => m >= LEAST_MIN_PER_KG && m <= MOST_MIN_PER_KG);
  if (paces.length === 0) return { minPerKg: USUAL_MACHINE.minPerKg, timed: 0 };
  const middle = middleOf(paces);
  const kept = paces.map((m) => Math.min(3 * middle, Math.max(middle / 3, m)));
  const sum = kept.reduce((a, b) => a + b, PRIOR_RUNS * USUAL_MACHINE.minPerKg);
  return { minPerKg: sum / (PRIOR_RUNS + kept.length), timed: paces.length };
}

/**
 * What passes of one kind on one machine put into the meat, and how long they take: a pure fold over what was logged, in
 * heat and not in degrees, because half-frozen meat takes up heat without warming. What the room gave meanwhile is taken
 * off. Passes that got colder are no passes; one far from all others teaches no more than the edge.
 * @source customary warming of a pass, 1.5 to 4 °C, as what is believed before anything was logged
 */
export function learnMachine(passes: readonly Pass[]): LearnedMachine {
  const pace = paceOf(passes);
  const work = passes
    .map((p) => {
      const minutes = p.forS ? p.forS / 60 : (pace.minPerKg * (p.massG ?? 0)) / 1000;
      const room = roomJPerG({ tempC: (p.beforeC + p.afterC) / 2, roomC: p.roomC, minutes });
      return meatHeatJPerG(p.afterC) - meatHeatJPerG(p.beforeC) - room;
    })
    .filter((w) => w > 0);
  if (work.length === 0) return { ...USUAL_MACHINE, ...pace };
  const middle = middleOf(work);
  const kept = work.map((w) => Math.min(middle + FAR_J, Math.max(middle - FAR_J, w)));
  const weight = PRIOR_RUNS + kept.length;
  const { jPerG: usual, sdJPerG: sd } = USUAL_MACHINE;
  const jPerG = kept.reduce((a, b) => a + b, PRIOR_RUNS * usual) / weight;
  const spread = kept.reduce((sum, w) => sum + (w - jPerG) ** 2, PRIOR_RUNS * sd ** 2);
  return { jPerG, sdJPerG: Math.sqrt(spread / weight), passes: kept.length, ...pace };
}

/** A chill that was logged: how long it took, and what was reckoned for it, s. */
export type ChillRun = { tookS: number; reckonedS: number };
export type LearnedChill = { factor: number; runs: number };

/** A site's freezer differs from the reckoned one by this at most; more is a slip of the pen. */
const MOST_FACTOR = 3;

/**
 * How much longer, or shorter, chills take at this site than reckoned: the mean of the logarithms, each held within a third
 * and three times, with three runs of "as reckoned" before them. 1 with none.
 */
export function learnChill(runs: readonly ChillRun[]): LearnedChill {
  const logs = runs
    .filter((r) => r.tookS > 0 && r.reckonedS > 0)
    .map((r) => Math.log(Math.min(MOST_FACTOR, Math.max(1 / MOST_FACTOR, r.tookS / r.reckonedS))));
  const sum = logs.reduce((a, b) => a + b, 0);
  return { factor: Math.exp(sum / (PRIOR_RUNS + logs.length)), runs: logs.length };
}

import { usualPermeability } from '../heat/product';
import type { ForecastInput, HousePrior } from './types';
import { presentOf, type Factors } from './run-case';

/** Spread of what is not known before the run: natural logarithms, °C for the start, share for the probe. */
const PRIOR: Record<keyof Factors, number> = {
  h: 0.2,
  conductivity: 0.07,
  diameter: 0.035,
  startC: 0.5,
  offCentre: 0.35,
  evaporation: 0.25,
  presentH: 0.25,
};
/** As far as a parameter may lie from what is usual, in its spreads. */
const FAR = 4;
/** A probe tip is a little off the core before anything is known, in its spreads. */
const USUAL_OFF_CENTRE = 0.6;

export type Parameters = {
  /** Where the fit begins, in spreads. */
  start: number[];
  /** What a vector of spreads, in the order of `start`, means. */
  factorsOf: (theta: readonly number[]) => Factors;
};

/**
 * What is fitted in a run: only what can show in its readings. Water that cannot leave, and a first stage,
 * have nothing of their own to fit.
 */
export function parametersOf(
  input: Pick<ForecastInput, 'product' | 'stageStartsS' | 'house'>,
): Parameters {
  const names: (keyof Factors)[] = ['h', 'conductivity', 'diameter', 'startC', 'offCentre'];
  if (usualPermeability(input.product) > 0) names.push('evaporation');
  if (presentOf({ stageStartsS: input.stageStartsS ?? null }) !== null) names.push('presentH');
  return {
    start: names.map((name) => (name === 'offCentre' ? USUAL_OFF_CENTRE : 0)),
    factorsOf: (theta) => {
      const at = (name: keyof Factors) =>
        Math.min(FAR, Math.max(-FAR, theta[names.indexOf(name)] ?? 0));
      return factorsAt(at, input.house);
    },
  };
}

const factorsAt = (at: (name: keyof Factors) => number, house?: HousePrior): Factors => ({
  h: (house?.h ?? 1) * Math.exp((house?.lnSd ?? PRIOR.h) * at('h')),
  conductivity: Math.exp(PRIOR.conductivity * at('conductivity')),
  diameter: Math.exp(PRIOR.diameter * at('diameter')),
  startC: PRIOR.startC * at('startC'),
  offCentre: Math.abs(PRIOR.offCentre * at('offCentre')),
  evaporation: Math.exp(PRIOR.evaporation * at('evaporation')),
  presentH: Math.exp(PRIOR.presentH * at('presentH')),
});

import type { RuleBodyOf } from '../definition';
import type { RulePreset } from './preset';

/** Usual values between the casing and the cooler. @source usual practice of the trade: casings to chill */
export const FLOOR_USUAL: RuleBodyOf<'floor'> = {
  kind: 'floor',
  hornMost: 0.8,
  hornLeast: 0.35,
  linkShare: 0.03,
  stuffLossShare: 0.03,
  smokeLookS: 30 * 60,
  spreadC: 8,
  fatCoreC: 50,
  coarseAirC: 85,
  emulsionAirC: 78,
};

export const FLOOR_PRESET: RulePreset = {
  code: 'floor-usual',
  title: 'Casing to cooler, usual values',
  source:
    'Customary values of the trade: a horn of a third to four fifths of the flat casing; links within 3 % of their weight; 97 to 99 % of the batter comes out of the stuffer; smoke looked at every half hour; corners of a house at most 8 °C apart before the sticks are rotated; air at most 85 °C, for a fine emulsion 78 °C, until the core is at 50 °C. The site confirms each.',
  body: FLOOR_USUAL,
};

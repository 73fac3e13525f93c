import psychrolib from 'psychrolib';
import { QuantityError, requireBetween } from '../guard';

/* The one place that speaks to the library: its unit system is set once, here, and never again. */
psychrolib.SetUnitSystem(psychrolib.SI);

/** Standard pressure at sea level, Pa. */
export const SEA_LEVEL_PA = 101_325;

const TABLE_FROM_C = -60;
const TABLE_TO_C = 199;
const PER_C = 8;
/**
 * Saturation pressures, Pa, every 1/8 °C: the surface balance asks for them millions of times. Filled when
 * they are first asked for, so that pages which never do pay nothing.
 */
const TABLE = new Float64Array((TABLE_TO_C - TABLE_FROM_C) * PER_C + 2);

function fillTable(): void {
  for (let i = 0; i < TABLE.length; i += 1)
    TABLE[i] = psychrolib.GetSatVapPres(TABLE_FROM_C + i / PER_C);
}

/**
 * Saturation vapour pressure over water (ice below 0.01 °C), Pa, straight lines in a table of 1/8 °C;
 * within 0.005 % of the correlation, constant outside −60 to 199 °C.
 * @param tempC °C
 * @source ASHRAE Handbook of Fundamentals (2017), ch. 1, eq. 5 and 6, through psychrolib
 */
export const saturationPa = (tempC: number): number => saturationFrom(placeInTable(tempC));

/**
 * Slope of {@link saturationPa}, Pa/K.
 * @param tempC °C
 */
export const saturationSlope = (tempC: number): number => slopeFrom(placeInTable(tempC));

/**
 * Place of a temperature in the table, kept inside it: looked up once for a pressure and its slope.
 * @param tempC °C
 */
export function placeInTable(tempC: number): number {
  if (TABLE[0] === 0) fillTable();
  if (tempC > TABLE_TO_C) return (TABLE_TO_C - TABLE_FROM_C) * PER_C;
  return tempC > TABLE_FROM_C ? (tempC - TABLE_FROM_C) * PER_C : 0;
}

/**
 * Saturation pressure at a place of the table, Pa.
 * @param place of {@link placeInTable}
 */
export function saturationFrom(place: number): number {
  const i = Math.floor(place);
  const low = TABLE[i]!;
  return low + (TABLE[i + 1]! - low) * (place - i);
}

/**
 * Its slope there, Pa/K.
 * @param place of {@link placeInTable}
 */
export function slopeFrom(place: number): number {
  const i = Math.floor(place);
  return (TABLE[i + 1]! - TABLE[i]!) * PER_C;
}

/**
 * Vapour pressure of air from its dry and wet bulb, Pa; 0 where the pair is drier than dry.
 * @param airC −40 to 200 °C · @param wetBulbC at most airC, °C
 * @throws RangeError when the wet bulb is above the dry bulb
 * @source ASHRAE Handbook of Fundamentals (2017), ch. 1, eq. 33 and 35, through psychrolib
 * @example vapourFromWetBulb(60, 60) // 19944
 */
export function vapourFromWetBulb(airC: number, wetBulbC: number): number {
  requireBetween('airC', airC, -40, 200);
  if (!(wetBulbC <= airC)) throw new QuantityError('wetBulbC', wetBulbC, `at most airC (${airC})`);
  const ratio = psychrolib.GetHumRatioFromTWetBulb(airC, wetBulbC, SEA_LEVEL_PA);
  return Math.max(0, psychrolib.GetVapPresFromHumRatio(Math.max(ratio, 1e-7), SEA_LEVEL_PA));
}

/**
 * Relative humidity 0-1 of air from its wet bulb.
 * @param airC −40 to 200 °C · @param wetBulbC at most airC, °C
 * @throws RangeError as {@link vapourFromWetBulb}
 */
export const rhFromWetBulb = (airC: number, wetBulbC: number) =>
  Math.min(1, vapourFromWetBulb(airC, wetBulbC) / saturationPa(airC));

/**
 * Wet bulb of air, °C, from its dry bulb and relative humidity 0-1.
 * @param airC −40 to 200 °C · @param rh [0, 1]
 */
export function wetBulbFromRh(airC: number, rh: number): number {
  requireBetween('airC', airC, -40, 200);
  requireBetween('rh', rh, 0, 1);
  return psychrolib.GetTWetBulbFromRelHum(airC, rh, SEA_LEVEL_PA);
}

/**
 * Temperature at which air of this vapour pressure would begin to condense, °C.
 * @param airC °C · @param vapourPa Pa; below 1 it is taken as 1
 */
export const dewPointC = (airC: number, vapourPa: number) =>
  psychrolib.GetTDewPointFromVapPres(airC, Math.max(vapourPa, 1));

/**
 * Boiling point of water at an altitude, °C: where saturation meets the standard atmosphere.
 * @param altitudeM −500 to 6000 m
 * @source ICAO standard atmosphere and ASHRAE saturation pressure, through psychrolib
 * @example boilingPointC(0) // 99.97
 */
export function boilingPointC(altitudeM: number): number {
  requireBetween('altitudeM', altitudeM, -500, 6000);
  const pressurePa = psychrolib.GetStandardAtmPressure(altitudeM);
  let low = 60;
  let high = 110;
  for (let i = 0; i < 50; i += 1) {
    const middle = (low + high) / 2;
    if (psychrolib.GetSatVapPres(middle) < pressurePa) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

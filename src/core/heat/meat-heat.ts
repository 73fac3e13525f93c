import { requireBetween, requireFinite } from '../guard';

/** Latent heat of ice, J/g. */
export const LATENT_ICE = 334;
/** Sausage meat: heat capacity thawed and frozen, first freezing, and the water in it that can freeze (usual). */
const MEAT = { cp: 3.4, cpFrozen: 1.9, freezesC: -1.5, freezable: 0.58 } as const;

/**
 * Heat in meat against 0 °C, J/g. Below first freezing part of its water is ice:
 * `frozen share = 1 − freezesC / tempC` (ideal solution), so the heat to thaw it is counted.
 * @param tempC [-20, 40] · @source apparent heat of lean meat after ASHRAE Refrigeration Handbook, ch. 19
 */
export function meatHeatJPerG(tempC: number): number {
  requireBetween('meatC', tempC, -20, 40);
  const { cp, cpFrozen, freezesC, freezable } = MEAT;
  if (tempC >= freezesC) return cp * tempC;
  const frozen = freezable * (1 - freezesC / tempC);
  return cp * freezesC + cpFrozen * (tempC - freezesC) - frozen * LATENT_ICE;
}

/**
 * The temperature at which meat holds so much heat: the inverse of `meatHeatJPerG`, which rises with every degree.
 * @param jPerG against 0 °C, J/g · @returns °C · @throws RangeError where it is no number
 * @example meatAtC(meatHeatJPerG(-3)) // -3
 */
export function meatAtC(jPerG: number): number {
  const heat = requireFinite('jPerG', jPerG);
  const { cp, cpFrozen, freezesC, freezable } = MEAT;
  if (heat >= cp * freezesC) return heat / cp;
  const b = (cp - cpFrozen) * freezesC - freezable * LATENT_ICE - heat;
  const c = freezable * freezesC * LATENT_ICE;
  return (-b - Math.sqrt(b * b - 4 * cpFrozen * c)) / (2 * cpFrozen);
}

import { QuantityError, requireBetween } from '../guard';
import { FOOD_COMPONENTS } from './tables/food-components';

/** Heat conduction and storage of a product: W/(m·K), kg/m³, J/(kg·K). */
export type ThermalProperties = { kWmK: number; rhoKgM3: number; cpJkgK: number };

/** Mass fractions of a product; what is left over counts as protein, then up to 3 % as ash. */
export type FoodComposition = { fatFraction: number; waterFraction: number };

/** Properties are taken at one temperature, the middle of a smokehouse day, °C. */
const AT_C = 40;
const ASH = 0.03;

const at = ([a, b, c]: readonly [number, number, number] | readonly number[]) =>
  a! + b! * AT_C + c! * AT_C * AT_C;

/**
 * Properties of a sausage from its composition, at 40 °C: specific heat by mass, density by volume,
 * conductivity as the mean of components in parallel and in series (Krischer, equal shares), because
 * fat lies as grains in a lean paste. Constant over a run: between 5 and 75 °C conductivity moves by
 * some ±8 % and heat capacity by ±2 %, which is inside what a run's own probes correct.
 * @param fatFraction 0 to 0.7 · @param waterFraction 0.15 to 0.9, together at most 1
 * @returns W/(m·K), kg/m³, J/(kg·K)
 * @throws RangeError when the fractions are out of range
 * @source Choi & Okos (1986); Krischer's mixing of parallel and series layers
 * @example thermalProperties({ fatFraction: 0.25, waterFraction: 0.57 }).kWmK // 0.38
 */
export function thermalProperties(of: FoodComposition): ThermalProperties {
  const fat = requireBetween('fatFraction', of.fatFraction, 0, 0.7);
  const water = requireBetween('waterFraction', of.waterFraction, 0.15, 0.9);
  const rest = 1 - fat - water;
  if (rest < -1e-9) throw new QuantityError('fatFraction', fat, 'at most 1 together with water');
  const ash = Math.min(ASH, Math.max(0, rest));
  const shares = { water, fat, ash, protein: Math.max(0, rest - ash) };
  let cpJkgK = 0;
  let volume = 0;
  let parallel = 0;
  let series = 0;
  for (const [name, share] of Object.entries(shares) as [keyof typeof shares, number][]) {
    const part = FOOD_COMPONENTS[name];
    const v = share / at(part.rho);
    cpJkgK += share * at(part.cp);
    volume += v;
    parallel += v * at(part.k);
    series += v / at(part.k);
  }
  return { kWmK: (parallel / volume + volume / series) / 2, rhoKgM3: 1 / volume, cpJkgK };
}

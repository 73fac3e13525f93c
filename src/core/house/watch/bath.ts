import { BATTER_DENSITY_G_CM3 } from '../../formula/casing-length';
import { requireNonNegative, requirePositive } from '../../guard';
import type { BathSize } from '../../hanging/house';

export type BathRise = {
  /** So much the water rises with the load in it, cm, and what is then left to the rim. */
  riseCm: number;
  freeCm: number;
  overflows: boolean;
  /** The water falls by so much when the load goes in cold, °C. */
  coolsC: number;
};

/** Heat of water and of sausage, J/(g·K). @source heat balance of a house */
const WATER = 4.18;
const MEAT = 3.4;

/**
 * What a load does to a bath: the water rises by its volume over the surface, and cools by mixing,
 * `ΔT = m·3.4·(T_water − T_load) / (V·4.18 + m·3.4)`, before the fire makes up for it.
 * @param rimCm from the water to the rim, cm, ≥ 0 · @param loadG g, > 0 · @param loadC its mean temperature, °C
 * @throws RangeError naming the field
 * @source volume and heat balance, density 1.05 g/cm³ (usual practice of the trade)
 * @example bathRise({ volumeL: 100, areaCm2: 5000, rimCm: 10 }, 21_000, 5, 76).riseCm // 4
 */
export function bathRise(size: BathSize, loadG: number, loadC: number, waterC: number): BathRise {
  const volumeL = requirePositive('volumeL', size.volumeL);
  const areaCm2 = requirePositive('areaCm2', size.areaCm2);
  const rimCm = requireNonNegative('rimCm', size.rimCm);
  const massG = requirePositive('loadG', loadG);
  const riseCm = massG / BATTER_DENSITY_G_CM3 / areaCm2;
  const heat = massG * MEAT;
  return {
    riseCm,
    freeCm: rimCm - riseCm,
    overflows: riseCm > rimCm,
    coolsC: (heat * (waterC - loadC)) / (volumeL * 1000 * WATER + heat),
  };
}

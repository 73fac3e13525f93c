import { requireBetween, requireFinite, requirePositive } from '../guard';
import type { CylinderSpec } from './cylinder';
import { thermalProperties } from './properties';

/** A piece in the house, as the model takes it. */
export type HeatProduct = {
  /** mm, > 0. */
  diameterMm: number;
  /** mm; left out or beyond {@link LONG_FROM} diameters, the ends do not matter. */
  lengthMm?: number;
  /** Temperature throughout at the start, °C. */
  startC: number;
  /** By mass; of the batter. */
  fatFraction?: number;
  waterFraction?: number;
  /** Override what the composition gives. */
  kWmK?: number;
  rhoKgM3?: number;
  cpJkgK?: number;
  /** How much water the casing lets through, 0 none to 1 like a bare surface. */
  casingPermeability?: number;
  /** Wetness of the surface at the start, 0-1. */
  wetness?: number;
};

/** Lengths in diameters from which a piece counts as endless. */
const LONG_FROM = 4;
/** Composition where a recipe says nothing: a usual coarse pork sausage. */
const USUAL = { fatFraction: 0.25, waterFraction: 0.57 } as const;
/** Water passes a natural casing about as freely as this. Model default. */
export const USUAL_PERMEABILITY = 0.6;

const LAYERS = 12;

/**
 * How freely water passes the casing of a product, 0 to 1; a usual one where it says nothing.
 * @param product its casing, 0 tight to 1 open
 */
export const usualPermeability = (product: HeatProduct): number =>
  product.casingPermeability ?? USUAL_PERMEABILITY;

/**
 * The cylinder of a product: composition to properties, explicit ones first.
 * @param product 3 to 400 mm, begins at −5 to 130 °C · @param shells rings of equal thickness, ≥ 1
 * @throws RangeError naming the quantity
 */
export function cylinderOf(product: HeatProduct, shells: number): CylinderSpec {
  const diameterMm = requireBetween('diameterMm', product.diameterMm, 3, 400);
  requireBetween('startC', requireFinite('startC', product.startC), -5, 130);
  const lengthMm =
    product.lengthMm === undefined ? null : requirePositive('lengthMm', product.lengthMm);
  const waterFraction =
    product.waterFraction ??
    Math.min(USUAL.waterFraction, 0.97 - (product.fatFraction ?? USUAL.fatFraction));
  const from = thermalProperties({
    fatFraction: product.fatFraction ?? USUAL.fatFraction,
    waterFraction,
  });
  const ends = lengthMm !== null && lengthMm < LONG_FROM * diameterMm;
  return {
    radiusM: diameterMm / 2000,
    halfLengthM: ends ? lengthMm / 2000 : null,
    kWmK: requirePositive('kWmK', product.kWmK ?? from.kWmK),
    rhoKgM3: requirePositive('rhoKgM3', product.rhoKgM3 ?? from.rhoKgM3),
    cpJkgK: requirePositive('cpJkgK', product.cpJkgK ?? from.cpJkgK),
    permeability: requireBetween('casingPermeability', usualPermeability(product), 0, 1),
    wetness: requireBetween('wetness', product.wetness ?? 1, 0, 1),
    waterFraction,
    startC: product.startC,
    shells: requireBetween('shells', shells, 6, 400),
    layers: ends ? LAYERS : 1,
  };
}

import { SEA_LEVEL_PA, placeInTable, saturationFrom, slopeFrom } from './psychrometrics';

/** What surrounds a product at one moment. */
export type Surroundings = {
  mediumC: number;
  /** Vapour pressure of the air, Pa; not used under water. */
  vapourPa: number;
  /** Film coefficient, W/(m²·K). */
  hWm2K: number;
  /** Under or behind running water: no evaporation, and the surface is wet when it comes out. */
  submerged: boolean;
};

/** Molar mass of water over that of dry air. */
const MASS_RATIO = 0.622;
const AIR_CP_J_KG_K = 1006;
/** Lewis number of water vapour in air to the power 2/3. @source Incropera & DeWitt, Le = 0.85 */
const LEWIS = 0.9;
/** Water that a film carries by the Lewis analogy, kg/(s·m²·Pa) for each W/(m²·K). */
export const PER_FILM = MASS_RATIO / (AIR_CP_J_KG_K * SEA_LEVEL_PA * LEWIS);

/**
 * Latent heat of water, J/kg.
 * @param tempC 0 to 100 °C
 * @source linear fit of steam tables, 0 to 100 °C, within 0.3 %
 */
export const latentJKg = (tempC: number) => 2.501e6 - 2361 * tempC;

/** Water lost per area at which a surface passes half of what a wet one does, kg/m². Model default. */
const DRY_HALF_KG_M2 = 0.45;

/**
 * How freely a surface gives off water, 1 wet to 0 dry: `wetness·left²/(1 + (deficit/0.45)²)`.
 * @param deficitKgM2 water that it has lost and not drawn from inside
 * @param left share of the product's water that is still there
 */
export function wetnessOf(wetness: number, deficitKgM2: number, left: number): number {
  const dry = deficitKgM2 / DRY_HALF_KG_M2;
  return (wetness * left * left) / (1 + dry * dry);
}

/** Wetness at which a hand calls a surface dry and tacky. Model default. */
export const TACKY_WETNESS = 0.8;

/**
 * The surface balance made linear around one surface temperature. `heat = a − b·T` is what enters the
 * product per area when the nearest cell is at T; `evaporation = m + mSlope·(Ts − at)`, kg/(m²·s).
 */
export class SurfaceBalance {
  a = 0;
  b = 0;
  private at = 0;
  private q = 0;
  private g = 0;
  private m = 0;
  private mSlope = 0;
  private inner = 0;

  /**
   * Balances `inner·(T − Ts) + h·(medium − Ts) − L·m(Ts) = 0`, with m by the Lewis analogy
   * `m = open·h·0.622/(cp·P·Le^⅔)·(p_sat(Ts) − vapourPa)`; condensation (m < 0) is not slowed by a dry surface.
   * One Newton step from the last surface temperature, then linear.
   * @param inner conductance from the cell to the surface, W/(m²·K)
   * @param permeability of the casing, 0-1; at 0 nothing passes and only convection is left
   */
  set(
    cellC: number,
    lastC: number,
    inner: number,
    s: Surroundings,
    permeability: number,
    wet: number,
  ): void {
    this.inner = inner;
    this.linear(lastC, s, permeability, wet);
    const better = lastC + (inner * (cellC - lastC) + this.q) / (inner + this.g);
    this.linear(better, s, permeability, wet);
    const share = inner / (inner + this.g);
    this.a = share * (this.q + this.g * this.at);
    this.b = share * this.g;
  }

  private linear(surfaceC: number, s: Surroundings, permeability: number, wet: number): void {
    this.at = surfaceC;
    this.q = s.hWm2K * (s.mediumC - surfaceC);
    this.g = s.hWm2K;
    this.m = 0;
    this.mSlope = 0;
    if (s.submerged || permeability === 0) return;
    const place = placeInTable(surfaceC);
    const drivePa = saturationFrom(place) - s.vapourPa;
    const open = permeability * (drivePa > 0 ? wet : 1) * PER_FILM * s.hWm2K;
    const latent = latentJKg(surfaceC);
    this.m = open * drivePa;
    this.mSlope = open * slopeFrom(place);
    this.q -= latent * this.m;
    this.g += latent * this.mSlope;
  }

  /** Surface temperature for a new cell temperature, °C. */
  surfaceC(cellC: number): number {
    return (this.inner * cellC + this.q + this.g * this.at) / (this.inner + this.g);
  }

  /** Water given off at that surface temperature, kg/(m²·s); negative when it condenses. */
  evaporation(surfaceC: number): number {
    return this.m + this.mSlope * (surfaceC - this.at);
  }
}

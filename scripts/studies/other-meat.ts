/**
 * A sausage of another kind than the product's own model, to try forecasts against: equal distances on the
 * radius, explicit Heun steps, conductivity that moves with temperature, a crust that lets less water through
 * the more has left, a piece that shrinks as it dries. It shares no code with `src/core`.
 */
export type OtherMeat = {
  diameterMm: number;
  startC: number;
  /** W/(m·K) at 40 °C, and its change per °C. */
  kWmK: number;
  kPerC: number;
  /** J/(kg·K) */
  cpJkgK: number;
  /** W/(m²·K) */
  hWm2K: number;
  /** What the casing lets through of what a free wet surface would, 0 to 1. */
  casing: number;
  /** What steam that condenses on the casing gives of its heat, 0 to 1. */
  condenses: number;
  /** Water that has left a square metre when the crust resists as much as the air does, kg/m². */
  crustKgM2: number;
  /** Share of the water's volume by which the piece shrinks. */
  shrink: number;
};

export type OtherAir = { airC: number; vapourPa: number };

const NODES = 24;
const DENSITY = 1050;
const LATENT_J_KG = 2.35e6;
const WATER_ACTIVITY = 0.98;

/** Saturation pressure of water, Pa. @source Magnus formula, Sonntag (1990) */
export const magnusPa = (tempC: number): number =>
  611.2 * Math.exp((17.62 * tempC) / (243.12 + tempC));

/** Mass transfer per pascal that goes with a film coefficient, kg/(m²·s·Pa), by the Lewis relation. */
const massPerPa = (hWm2K: number) => (hWm2K / 1006 / 0.9) * (0.622 / 101325);

export class OtherSausage {
  private temps = new Float64Array(NODES + 1);
  private readonly halfway = new Float64Array(NODES + 1);
  private readonly slopes = [new Float64Array(NODES + 1), new Float64Array(NODES + 1)] as const;
  /** Water that has left a square metre of the casing, kg/m². */
  private leftKgM2 = 0;

  constructor(private readonly meat: OtherMeat) {
    this.temps.fill(meat.startC);
  }

  get coreC(): number {
    return this.temps[0]!;
  }

  /** What a tip at a share of the radius from the axis reads, °C. */
  at(share: number): number {
    const x = share * NODES;
    const i = Math.min(NODES - 1, Math.floor(x));
    return this.temps[i]! + (x - i) * (this.temps[i + 1]! - this.temps[i]!);
  }

  private get radiusM(): number {
    const whole = this.meat.diameterMm / 2000;
    const gone = (2 * this.leftKgM2) / (whole * DENSITY);
    return whole * Math.sqrt(1 - this.meat.shrink * Math.min(0.5, gone));
  }

  /** kg/(m²·s); what condenses runs off. */
  private evaporation(air: OtherAir, surfaceC: number): number {
    const { casing, condenses, crustKgM2, hWm2K } = this.meat;
    if (casing <= 0) return 0;
    const resistance = 1 / casing + this.leftKgM2 / crustKgM2;
    const driving = WATER_ACTIVITY * magnusPa(surfaceC) - air.vapourPa;
    const free = massPerPa(hWm2K) * driving;
    return driving > 0 ? free / resistance : free * condenses;
  }

  /** °C/s of every node. */
  private change(temps: Float64Array, air: OtherAir, out: Float64Array): number {
    const { kWmK, kPerC, cpJkgK, hWm2K } = this.meat;
    const dr = this.radiusM / NODES;
    const k = (a: number, b: number) => kWmK * (1 + kPerC * ((a + b) / 2 - 40));
    const heat = DENSITY * cpJkgK;
    out[0] = (4 * k(temps[0]!, temps[1]!) * (temps[1]! - temps[0]!)) / (dr * dr * heat);
    for (let i = 1; i < NODES; i += 1) {
      const inward = (1 - 0.5 / i) * k(temps[i - 1]!, temps[i]!) * (temps[i - 1]! - temps[i]!);
      const outward = (1 + 0.5 / i) * k(temps[i]!, temps[i + 1]!) * (temps[i + 1]! - temps[i]!);
      out[i] = (inward + outward) / (dr * dr * heat);
    }
    const surface = temps[NODES]!;
    const water = this.evaporation(air, surface);
    const gained = hWm2K * (air.airC - surface) - LATENT_J_KG * water;
    const inner =
      ((1 - 0.5 / NODES) * k(temps[NODES - 1]!, surface) * (temps[NODES - 1]! - surface)) / dr;
    /* The last node holds the outer half of its distance. */
    out[NODES] = (gained + inner) / ((1 - 0.25 / NODES) * (dr / 2) * heat);
    return water;
  }

  /** Lets time pass in one air, s. */
  stay(durationS: number, air: OtherAir): void {
    const { kWmK, cpJkgK, hWm2K } = this.meat;
    const dr = this.radiusM / NODES;
    const diffusivity = (1.3 * kWmK) / (DENSITY * cpJkgK);
    const stableS = Math.min(
      (dr * dr) / (4 * diffusivity),
      (0.2 * dr * DENSITY * cpJkgK) / (8 * hWm2K),
    );
    const steps = Math.ceil(durationS / stableS);
    const dt = durationS / steps;
    const [first, second] = this.slopes;
    for (let n = 0; n < steps; n += 1) {
      const water = this.change(this.temps, air, first);
      for (let i = 0; i <= NODES; i += 1) this.halfway[i] = this.temps[i]! + dt * first[i]!;
      this.change(this.halfway, air, second);
      for (let i = 0; i <= NODES; i += 1) this.temps[i]! += (dt / 2) * (first[i]! + second[i]!);
      this.leftKgM2 = Math.max(0, this.leftKgM2 + dt * water);
    }
  }
}

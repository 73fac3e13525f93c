import { Elimination } from './elimination';
import { SurfaceBalance, wetnessOf, type Surroundings } from './surface';

export type CylinderSpec = {
  radiusM: number;
  /** null: so long that its ends do not matter. */
  halfLengthM: number | null;
  kWmK: number;
  rhoKgM3: number;
  cpJkgK: number;
  /** Casing, 0-1. */
  permeability: number;
  /** Wetness of the surface at the start, 0-1. */
  wetness: number;
  /** Water by mass at the start: all that can ever leave. */
  waterFraction: number;
  startC: number;
  shells: number;
  /** Layers between the middle and one end; 1 for a long piece. */
  layers: number;
};

/** Time in which water from inside makes good what a surface has lost, s. Model default. */
const REWET_S = 4 * 3600;

type State = {
  /** °C, layer by layer from the middle to the end, shells from the core outwards. */
  t: Float64Array;
  /** Surface temperature of each layer, and of each shell at the end where ends matter, °C. */
  side: Float64Array;
  end: Float64Array;
  /** Water that each layer's surface has lost and not drawn from inside, kg/m². */
  deficit: Float64Array;
  /** Water given off and heat taken up since the start, kg and J of the half piece (or per metre). */
  waterKg: number;
  heatJ: number;
};

function newState(s: CylinderSpec): State {
  const fill = (n: number) => new Float64Array(n).fill(s.startC);
  return {
    t: fill(s.shells * s.layers),
    side: fill(s.layers),
    end: fill(s.layers > 1 ? s.shells : 0),
    deficit: new Float64Array(s.layers),
    waterKg: 0,
    heatJ: 0,
  };
}

/**
 * A sausage as a cylinder of shells (and layers, when its ends matter): conduction by finite volumes,
 * `ρ·cp·∂T/∂t = (1/r)∂/∂r(k·r·∂T/∂r) + ∂/∂z(k·∂T/∂z)`, with the surface balance of convection and
 * evaporation at the casing. Time runs in implicit Euler steps, radius and length one after the other,
 * taken once whole and twice half and extrapolated: second order, unconditionally stable, and every
 * joule and gram that crosses the surface is counted.
 * @source Patankar (1980), finite volumes; Deuflhard (1985), extrapolated linearly implicit Euler
 */
export class Cylinder {
  private now: State;
  private whole: State;
  private half: State;
  private next: State;
  private readonly volumes: Float64Array;
  private readonly faces: Float64Array;
  private readonly balance = new SurfaceBalance();
  private readonly up: Float64Array;
  private readonly rhs: Float64Array;
  private readonly layerM: number;
  private readonly sideInner: number;
  private readonly elimination: Elimination;
  private readonly volumeM3: number;

  constructor(private readonly spec: CylinderSpec) {
    const { shells, layers, radiusM, kWmK } = spec;
    this.now = newState(spec);
    this.whole = newState(spec);
    this.half = newState(spec);
    this.next = newState(spec);
    const dr = radiusM / shells;
    this.layerM = spec.halfLengthM === null ? 1 : spec.halfLengthM / layers;
    this.volumes = Float64Array.from(
      { length: shells },
      (_, i) => Math.PI * dr * dr * (2 * i + 1) * this.layerM,
    );
    this.faces = Float64Array.from(
      { length: shells },
      (_, i) => 2 * Math.PI * (i + 1) * kWmK * this.layerM,
    );
    this.volumeM3 = Math.PI * radiusM * radiusM * this.layerM * layers;
    this.sideInner = kWmK / (radiusM * Math.log(radiusM / (radiusM - dr / 2)));
    this.elimination = new Elimination(spec.rhoKgM3 * spec.cpJkgK, this.volumes, this.faces);
    this.up = new Float64Array(layers);
    this.rhs = new Float64Array(Math.max(shells, layers));
  }

  /** Core, by a parabola through the innermost cells, °C. */
  get coreC(): number {
    return this.insideC(0);
  }

  /** Temperature off the axis of the middle, `fraction` of the radius away from it, °C. */
  atRadius(fraction: number): number {
    const { shells } = this.spec;
    const x = fraction * shells - 0.5;
    if (x <= 0.5) return this.insideC(fraction * shells);
    const i = Math.min(Math.floor(x), shells - 2);
    const w = x - i;
    return this.middle(i) * (1 - w) + this.middle(i + 1) * w;
  }

  /** On the parabola through the two innermost cells, at a radius in shell widths. */
  private insideC(radius: number): number {
    const slope = (this.middle(1) - this.middle(0)) / 2;
    return this.middle(0) + slope * (radius * radius - 0.25);
  }

  /** Temperature of a shell in the middle plane. */
  private middle(i: number): number {
    const { t } = this.now;
    if (this.spec.layers === 1) return t[i]!;
    return t[i]! - (t[this.spec.shells + i]! - t[i]!) / 8;
  }

  get surfaceC(): number {
    return this.now.side[0]!;
  }

  /** Mean by mass, °C. */
  get meanC(): number {
    const { shells, layers } = this.spec;
    let sum = 0;
    let all = 0;
    for (let j = 0; j < layers; j += 1)
      for (let i = 0; i < shells; i += 1) {
        sum += this.now.t[j * shells + i]! * this.volumes[i]!;
        all += this.volumes[i]!;
      }
    return sum / all;
  }

  /** Water lost over what the piece weighed. */
  get lossFraction(): number {
    return this.now.waterKg / (this.volumeM3 * this.spec.rhoKgM3);
  }

  private left(state: State): number {
    const { rhoKgM3, waterFraction } = this.spec;
    return Math.max(0, 1 - state.waterKg / (this.volumeM3 * rhoKgM3 * waterFraction));
  }

  /** Heat that came through the surface, J per kg of product. */
  get heatJKg(): number {
    return this.now.heatJ / (this.volumeM3 * this.spec.rhoKgM3);
  }

  /** Wetness of the surface at the middle now, 0-1. */
  get wetness(): number {
    return wetnessOf(this.spec.wetness, this.now.deficit[0]!, this.left(this.now));
  }

  /**
   * Proposes a step of dtS from the present state, without taking it.
   * @param middle surroundings at half of the step · @param end at its end
   * @returns the largest difference between one whole and two half steps, K: the measure of its error
   */
  propose(dtS: number, middle: Surroundings, end: Surroundings): number {
    this.implicit(this.now, this.whole, dtS, end);
    this.implicit(this.now, this.half, dtS / 2, middle);
    this.implicit(this.half, this.next, dtS / 2, end);
    const { whole, next } = this;
    const best = next.t;
    const coarse = whole.t;
    let worst = 0;
    for (let i = 0; i < best.length; i += 1) {
      const d = best[i]! - coarse[i]!;
      const size = d < 0 ? -d : d;
      if (size > worst) worst = size;
      best[i] = best[i]! + d;
    }
    extrapolate(next.side, whole.side);
    extrapolate(next.end, whole.end);
    for (let j = 0; j < next.deficit.length; j += 1)
      next.deficit[j] = Math.max(0, 2 * next.deficit[j]! - whole.deficit[j]!);
    next.waterKg += next.waterKg - whole.waterKg;
    next.heatJ += next.heatJ - whole.heatJ;
    return worst;
  }

  /** Takes the step that was proposed last; called again right away, it takes it back. */
  accept(): void {
    const { now } = this;
    this.now = this.next;
    this.next = now;
  }

  private implicit(from: State, to: State, dtS: number, s: Surroundings): void {
    to.waterKg = from.waterKg;
    to.heatJ = from.heatJ;
    for (let j = 0; j < this.spec.layers; j += 1) this.radius(from, to, j, dtS, s);
    if (this.spec.layers > 1)
      for (let i = 0; i < this.spec.shells; i += 1) this.length(from, to, i, dtS, s);
  }

  /** Conduction along the radius of one layer, with the balance at its side. */
  private radius(from: State, to: State, layer: number, dtS: number, s: Surroundings): void {
    const { spec, faces, volumes, balance } = this;
    const rhss = this.rhs;
    const n = spec.shells;
    const o = layer * n;
    const storage = (spec.rhoKgM3 * spec.cpJkgK) / dtS;
    const wet = wetnessOf(spec.wetness, from.deficit[layer]!, this.left(from));
    const area = 2 * Math.PI * spec.radiusM * this.layerM;
    balance.set(from.t[o + n - 1]!, from.side[layer]!, this.sideInner, s, spec.permeability, wet);
    const before = from.t;
    const after = to.t;
    const last = n - 1;
    const { own, inner, up } = this.elimination.forStep(dtS);
    /* Elimination from the axis outwards; only the last shell asks what the surface does. */
    let rhs = own[0]! * before[o]!;
    rhss[0] = rhs;
    for (let i = 1; i < last; i += 1) {
      rhs = own[i]! * before[o + i]! + inner[i]! * rhs;
      rhss[i] = rhs;
    }
    const c = storage * volumes[last]!;
    const below = faces[last - 1]!;
    const d = 1 / (c + area * balance.b + below * (1 - up[last - 1]!));
    let t = (c * before[o + last]! + below * rhs + area * balance.a) * d;
    after[o + last] = t;
    for (let i = last - 1; i >= 0; i -= 1) {
      t = rhss[i]! + up[i]! * t;
      after[o + i] = t;
    }
    const cell = to.t[o + n - 1]!;
    const surface = balance.surfaceC(cell);
    const m = balance.evaporation(surface);
    to.side[layer] = surface;
    to.heatJ += dtS * area * (balance.a - balance.b * cell);
    /* What condenses runs off: it heats, but it is no weight gained. */
    if (m > 0) to.waterKg += dtS * area * m;
    to.deficit[layer] = s.submerged
      ? 0
      : Math.max(0, (from.deficit[layer]! + dtS * m) / (1 + dtS / REWET_S));
  }

  /** Conduction along the length of one shell, from the middle to the end face. */
  private length(from: State, to: State, shell: number, dtS: number, s: Surroundings): void {
    const { spec, up, rhs, balance } = this;
    const n = spec.layers;
    const stride = spec.shells;
    const volume = this.volumes[shell]!;
    const c = (volume * spec.rhoKgM3 * spec.cpJkgK) / dtS;
    const area = volume / this.layerM;
    const between = (area * spec.kWmK) / this.layerM;
    const last = (n - 1) * stride + shell;
    const wet = wetnessOf(spec.wetness, from.deficit[n - 1]!, this.left(from));
    const inner = (2 * spec.kWmK) / this.layerM;
    balance.set(to.t[last]!, from.end[shell]!, inner, s, spec.permeability, wet);
    for (let j = 0; j < n; j += 1) {
      const below = j > 0 ? between : 0;
      const out = j < n - 1 ? between : area * balance.b;
      const d = 1 / (c + below + out - (j > 0 ? below * up[j - 1]! : 0));
      up[j] = out * d;
      rhs[j] =
        (c * to.t[j * stride + shell]! +
          (j > 0 ? below * rhs[j - 1]! : 0) +
          (j === n - 1 ? area * balance.a : 0)) *
        d;
    }
    to.t[last] = rhs[n - 1]!;
    for (let j = n - 2; j >= 0; j -= 1)
      to.t[j * stride + shell] = rhs[j]! + up[j]! * to.t[(j + 1) * stride + shell]!;
    const cell = to.t[last]!;
    const surface = balance.surfaceC(cell);
    const m = balance.evaporation(surface);
    to.end[shell] = surface;
    to.heatJ += dtS * area * (balance.a - balance.b * cell);
    if (m > 0) to.waterKg += dtS * area * m;
  }
}

/** `best` becomes twice itself less the coarser answer. */
function extrapolate(best: Float64Array, coarse: Float64Array): void {
  for (let i = 0; i < best.length; i += 1) best[i]! += best[i]! - coarse[i]!;
}

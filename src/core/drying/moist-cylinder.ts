import { saturationPa } from '../heat/psychrometrics';
import { PER_FILM } from '../heat/surface';
import {
  awAt,
  awSlope,
  compositionOf,
  diffusivity,
  warmth,
  type Composition,
  type DryingFactors,
  type DryingPiece,
} from './piece';

type Air = { airC: number; rh: number; openBy: number; warm: number };

/** Shells of equal solids: the outer ones are thin, where the course is steep. */
const SHELLS = 20;
const WATER_KG_M3 = 1000;
const DRY_KG_M3 = { lean: 1300, fat: 925, salt: 2160 };
/** Rounds in which the surface finds its own water; it moves little from step to step. */
const ROUNDS = 2;

/**
 * A cylinder that dries: water moves between shells that keep their solids (so it shrinks by what it loses) and leaves at
 * the casing against the air's vapour. `ρs·∂X/∂t = (1/r)·∂/∂r(r·D·ρs·∂X/∂r)`; at the casing
 * `D·ρs·(X − Xs)/δ = K·p_sat·(aw(Xs) − rh)`. Implicit in time; as warm as its air throughout.
 * @source Crank (1975), The Mathematics of Diffusion, ch. 5 and 7.3 (a body that shrinks, in coordinates of its solids)
 */
export class MoistCylinder {
  /** Water by lean solids in each shell from the axis outward, and at the casing, kg/kg. */
  readonly x: Float64Array;
  rimX: number;
  private readonly of: Composition;
  private readonly solidsKgM: number;
  private readonly startKgM: number;
  private readonly dryM3: number;
  private readonly faces = new Float64Array(SHELLS);
  private readonly up = new Float64Array(SHELLS);
  private readonly radii = new Float64Array(SHELLS + 1);

  constructor(
    piece: DryingPiece,
    private readonly factors: DryingFactors,
    /** Film coefficient of the room's air, W/(m²·K), times what the casing lets through. */
    private readonly openWm2K: number,
  ) {
    this.of = compositionOf(piece);
    const { solids, startX, fatPerSolids, saltPerSolids } = this.of;
    /* Volumes for a kilogram of lean solids, scaled so that the whole has the diameter given. */
    const dryPerKg =
      1 / DRY_KG_M3.lean + fatPerSolids / DRY_KG_M3.fat + saltPerSolids / DRY_KG_M3.salt;
    const areaM2 = Math.PI * (piece.diameterMm / 2000) ** 2;
    this.solidsKgM = areaM2 / (dryPerKg + startX / WATER_KG_M3);
    this.dryM3 = dryPerKg;
    this.x = new Float64Array(SHELLS).fill(startX);
    this.rimX = startX;
    this.startKgM = this.solidsKgM / solids;
    this.place();
  }

  /** Share of its weight that it has lost, 0-1. */
  get lossFraction(): number {
    return (this.solidsKgM * (this.of.startX - this.meanX)) / this.startKgM;
  }

  /** Water by lean solids of the whole, kg/kg. */
  get meanX(): number {
    let sum = 0;
    for (let i = 0; i < SHELLS; i += 1) sum += this.x[i]!;
    return sum / SHELLS;
  }

  get composition(): Composition {
    return this.of;
  }

  /** Radii of the shells as they are now, m. */
  private place(): void {
    const each = this.solidsKgM / SHELLS;
    let area = 0;
    for (let i = 0; i < SHELLS; i += 1) {
      area += each * (this.dryM3 + this.x[i]! / WATER_KG_M3);
      this.radii[i + 1] = Math.sqrt(area / Math.PI);
    }
  }

  /** Solids per volume in a shell, kg/m³. */
  private solidsIn(i: number): number {
    return 1 / (this.dryM3 + this.x[i]! / WATER_KG_M3);
  }

  /** Stays in air for a while, in one implicit step. @param dtS s, > 0 · @param openBy times what leaves at the casing */
  stay(dtS: number, airC: number, rh: number, openBy = 1): void {
    const { x, faces, up, radii, factors } = this;
    const warm = warmth(airC);
    const middle = (i: number) => (radii[i]! + radii[i + 1]!) / 2;
    for (let i = 0; i < SHELLS - 1; i += 1) {
      const at = (x[i]! + x[i + 1]!) / 2;
      const solids = (this.solidsIn(i) + this.solidsIn(i + 1)) / 2;
      const d = diffusivity(at, warm, this.of, factors);
      faces[i] = (2 * Math.PI * radii[i + 1]! * d * solids) / (middle(i + 1) - middle(i));
    }
    const kept = this.solidsKgM / SHELLS / dtS;
    const out = this.casing({ airC, rh, openBy, warm });
    /* Thomas from the axis outward, then back. */
    let below = 0;
    let share = 0;
    let carried = 0;
    for (let i = 0; i < SHELLS; i += 1) {
      const outer = i < SHELLS - 1 ? faces[i]! : out.perX;
      const own = kept + below * (1 - share) + outer;
      const given = kept * x[i]! + below * carried + (i < SHELLS - 1 ? 0 : out.fixed);
      share = i < SHELLS - 1 ? outer / own : 0;
      carried = given / own;
      up[i] = share;
      x[i] = carried;
      below = outer;
    }
    for (let i = SHELLS - 2; i >= 0; i -= 1) x[i] = x[i]! + up[i]! * x[i + 1]!;
    this.rimX = out.rim(x[SHELLS - 1]!);
    this.place();
  }

  /** What leaves by the casing as a line of the outer shell's water: `perX·X − fixed`, kg/(s·m). */
  private casing({ airC, rh, openBy, warm }: Air) {
    const radius = this.radii[SHELLS]!;
    const around = 2 * Math.PI * radius;
    const outerX = this.x[SHELLS - 1]!;
    const vapour =
      this.factors.outside * openBy * this.openWm2K * PER_FILM * saturationPa(airC) * around;
    const half = radius - (this.radii[SHELLS - 1]! + radius) / 2;
    let rimX = this.rimX;
    let line = { perX: 0, fixed: 0, rim: (x: number) => x };
    for (let round = 0; round < ROUNDS; round += 1) {
      const d = diffusivity((rimX + outerX) / 2, warm, this.of, this.factors);
      const inner = (around * d * this.solidsIn(SHELLS - 1)) / half;
      const slope = Math.max(1e-4, awSlope(rimX, this.of));
      const free = awAt(rimX, this.of) - slope * rimX - rh;
      const whole = inner + vapour * slope;
      const rim = (x: number) => Math.max(0.02, (inner * x - vapour * free) / whole);
      line = {
        perX: (inner * vapour * slope) / whole,
        fixed: (-inner * vapour * free) / whole,
        rim,
      };
      rimX = rim(outerX);
    }
    return line;
  }
}

import { MoistCylinder } from '../../drying/moist-cylinder';
import type { DryingPiece } from '../../drying/piece';
import {
  hoursTo,
  phAfter,
  workRate,
  type CultureCourse,
  type PhCurve,
} from '../../fermentation/culture';
import { finalPh, START_PH } from '../../fermentation/final-ph';
import { meatLagS } from '../../fermentation/forecast-ph';

/** What ferments or hangs in a simulated chamber, as far as the record knows it. */
export type SimGoods = {
  batch: string;
  /** Null where nothing ferments. */
  ferment: {
    culture: Pick<
      CultureCourse,
      'minC' | 'bestC' | 'maxC' | 'lagH' | 'fallPerH' | 'floorPh' | 'shape'
    >;
    dextroseGPerKg: number;
    /** Read last; null where nobody has. */
    lastPh: number | null;
  } | null;
  /** Marked pieces by their names, net: hung with so much, and lost by the last weighing. */
  pieces: { name: string; startG: number; lossFraction: number }[];
  of: DryingPiece & { permeability: number };
};

/** What a culture and meat really are, which nobody told the application: factors of what the record leads to expect. */
const HIDDEN = { pace: 0.88, lag: 1.15, depth: 1.05, inside: 1.1, outside: 0.85, apart: 0.12 };
const FILM_WM2K = 3;
const STILL_FILM = 0.35;
/** A piece is brought to what it has lost by steps of so long, and not for longer, s. */
const BROUGHT = { stepS: 4 * 3600, mostS: 200 * 86_400 };
/** A casing settles in minutes; later steps may be as long as the caller's. */
const DRY_STEP_S = 300;
const COLD_C = 6;

type Air = { airC: number; rh: number; fanOff: boolean };
type Piece = { startG: number; body: MoistCylinder };

/** A batch in a simulated chamber: its pH falls and its pieces lose weight by the models of the core with hidden figures. */
export class SimulatedGoods {
  private meatC = COLD_C;
  private workedH = 0;
  private sinceDriedS = 0;
  private readonly curve: PhCurve | null;
  private readonly pieces = new Map<string, Piece>();

  constructor(
    private readonly goods: SimGoods,
    private readonly random: () => number,
    air: Air,
  ) {
    this.curve = this.curveOf();
    const last = goods.ferment?.lastPh ?? null;
    if (this.curve && last !== null) {
      const { startPh, depth } = this.curve;
      this.workedH = hoursTo(Math.min(startPh, Math.max(startPh - 0.98 * depth, last)), this.curve);
      this.meatC = air.airC;
    }
    this.mark(goods, air);
  }

  private curveOf(): PhCurve | null {
    const { ferment } = this.goods;
    if (!ferment) return null;
    const { lagH, fallPerH, floorPh, shape } = ferment.culture;
    const usual = START_PH - finalPh({ dextroseGPerKg: ferment.dextroseGPerKg, floorPh });
    return {
      startPh: START_PH,
      depth: Math.max(0.05, usual * HIDDEN.depth),
      lagH: lagH * HIDDEN.lag,
      fallPerH: fallPerH * HIDDEN.pace,
      shape,
    };
  }

  /** Takes up pieces that were marked since. */
  mark({ pieces }: Pick<SimGoods, 'pieces'>, air: Air): void {
    for (const { name, startG, lossFraction } of pieces)
      if (!this.pieces.has(name))
        this.pieces.set(name, { startG, body: this.broughtTo(lossFraction, air) });
  }

  private broughtTo(loss: number, { airC, rh }: Air): MoistCylinder {
    const { permeability, ...piece } = this.goods.of;
    const apart = () => 1 + HIDDEN.apart * (2 * this.random() - 1);
    const factors = {
      inside: HIDDEN.inside * apart(),
      outside: HIDDEN.outside * apart(),
      dryness: 1,
    };
    const body = new MoistCylinder(piece, factors, FILM_WM2K * permeability);
    for (let t = 0; t < BROUGHT.mostS && body.lossFraction < loss; t += BROUGHT.stepS)
      body.stay(BROUGHT.stepS, airC, rh);
    return body;
  }

  /** Stays in the chamber's air for so long, s. */
  stay(dtS: number, { airC, rh, fanOff }: Air): void {
    const { ferment } = this.goods;
    this.meatC = airC + (this.meatC - airC) * Math.exp(-dtS / meatLagS(this.goods.of.diameterMm));
    if (ferment) this.workedH += (dtS / 3600) * workRate(this.meatC, ferment.culture);
    this.sinceDriedS += dtS;
    if (this.sinceDriedS < DRY_STEP_S) return;
    for (const { body } of this.pieces.values())
      body.stay(this.sinceDriedS, airC, rh, fanOff ? STILL_FILM : 1);
    this.sinceDriedS = 0;
  }

  /** pH of the batch; null where nothing ferments. */
  get ph(): number | null {
    return this.curve && phAfter(this.workedH, this.curve);
  }

  /** How warm the meat is, °C. */
  get tempC(): number {
    return this.meatC;
  }

  /** Net weight of a marked piece, g; null where there is none of that name. */
  weightG(name: string): number | null {
    const piece = this.pieces.get(name);
    return piece ? piece.startG * (1 - piece.body.lossFraction) : null;
  }
}

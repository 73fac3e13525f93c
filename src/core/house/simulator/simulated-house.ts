import { LivePiece } from '../../heat/live-piece';
import type { Medium } from '../../heat/medium';
import type { HeatProduct } from '../../heat/product';
import { thermalProperties } from '../../heat/properties';
import { rhFromWetBulb, wetBulbFromRh } from '../../heat/psychrometrics';
import { noFaults, type Faults } from './faults';
import { SimulatedGoods, type SimGoods } from './simulated-goods';

/** A piece with a probe in it, and what is around it. */
export type SimPiece = {
  batch: string;
  diameterMm: number;
  fatFraction: number | null;
  waterFraction: number | null;
  permeability: number;
  thickest: boolean;
  /** In the house's own air, or in something else. */
  inHouse: boolean;
  medium: Medium;
  setC: number;
  rh: number | null;
  hWm2K: number;
};

/** What the house is told to do, and which probe is where. */
export type SimProgram = {
  /** Set point of the house's air, °C; null: no fire. */
  airSetC: number | null;
  rh: number | null;
  channels: {
    key: string;
    what: string;
    lastC: number | null;
    piece: SimPiece | null;
  }[];
  /** What ferments and dries in it. */
  goods: SimGoods[];
};

export type SimReading = { channel: string; tempC: number };

/** How this house and its goods really are, which nobody told the application. */
type Hidden = {
  /** Factors on the film coefficient, conductivity and diameter that a recipe leads to expect. */
  film: number;
  conductivity: number;
  diameter: number;
  /** Off its set point by this, °C, and this slow to follow it, s. */
  offsetC: number;
  lagS: number;
};

const USUAL_HIDDEN: Hidden = {
  film: 1.22,
  conductivity: 0.94,
  diameter: 1.02,
  offsetC: -1.2,
  lagS: 540,
};

const ROOM_C = 16;
/** Of what a piece comes that warms up, and of what one that cools down, °C. */
const COLD_C = 4;
const COOKED_C = 68;
/** How far back a piece's time in its place is made up, and in which steps, s. */
const MOST_BEFORE_S = 12 * 3600;
const BEFORE_STEP_S = 5;
/** A dead fire lets the house drift to the room in about half an hour, an open door in minutes. */
const OUT_LAG_S = 1800;
const DOOR_LAG_S = 240;
/** Uniform noise of a probe, ± °C; and what a bad one adds. */
const NOISE_C = 0.15;
const BAD_NOISE_C = 2.5;
const DRIFT_C_PER_S = 1 / 60;
const OPEN_FAN = 0.35;
/** Humidity of a house of which nothing is known, with its door open, and where a humidifier that is empty leaves it; 0-1. */
const USUAL_RH = 0.4;
const DOOR_RH = 0.3;
const DRY_RH = 0.45;
/** A house takes up its humidity in minutes; the goods in it go on giving theirs for an hour, s. */
const RH_LAG_S = 300;
const DRYING_LAG_S = 3600;
/** A second air sensor hangs in the cold corner: so much of the rise over the room is missing there. */
const CORNER = 0.12;
/** A free probe hangs in the house's own air. */
const STEP_S = 5;
/** Longest time that one call makes up for, s: a laptop that slept does not cook on. */
const MOST_STEP_S = 900;

const round = (tempC: number) => Math.round(tempC * 100) / 100;
const toward = (from: number, to: number, dtS: number, lagS: number) =>
  to + (from - to) * Math.exp(-dtS / lagS);

/** One simulated house with the physics of the core inside, and hidden figures of its own. */
export class SimulatedHouse {
  readonly faults: Faults = noFaults();
  private readonly hidden: Hidden = USUAL_HIDDEN;
  private airC: number | null = null;
  private rh: number | null = null;
  private stuckC: number | null = null;
  private drifted = 0;
  private readonly pieces = new Map<string, { batch: string; body: LivePiece }>();
  private readonly goods = new Map<string, SimulatedGoods>();

  constructor(
    private readonly random: () => number,
    /** What ferments and dries goes on so many times as fast as the clock. */
    private readonly pace = 1,
  ) {}

  /** What ferments or hangs of a batch here; undefined where nothing does. */
  goodsOf(batch: string): SimulatedGoods | undefined {
    return this.goods.get(batch);
  }

  /** Takes up what the record says is here now, and lets go of what is not. */
  private keepGoods(goods: readonly SimGoods[]): void {
    const air = this.airNow();
    for (const batch of this.goods.keys())
      if (!goods.some((g) => g.batch === batch)) this.goods.delete(batch);
    for (const g of goods) {
      const known = this.goods.get(g.batch);
      if (known) known.mark(g, air);
      else this.goods.set(g.batch, new SimulatedGoods(g, this.random, air));
    }
  }

  private airNow = () => ({
    airC: this.airC ?? ROOM_C,
    rh: this.rh ?? USUAL_RH,
    fanOff: this.faults.fanOff,
  });

  /** Air follows its set point as slowly as the house does; a dead fire or an open door pull it down. */
  private stepAir(program: SimProgram, dtS: number): number {
    const wanted = program.airSetC;
    const lit = wanted !== null && !this.faults.fireOut;
    const set = lit ? wanted + this.hidden.offsetC : ROOM_C;
    let airC = toward(this.airC ?? ROOM_C, set, dtS, lit ? this.hidden.lagS : OUT_LAG_S);
    if (this.faults.doorOpen) airC = toward(airC, ROOM_C, dtS, DOOR_LAG_S);
    this.airC = airC;
    this.rh = this.stepRh(program, dtS);
    return airC;
  }

  /** The body behind a probe; a new one, brought to the last reading, when the piece is a new one. */
  private bodyOf(key: string, piece: SimPiece, lastC: number | null): LivePiece {
    const known = this.pieces.get(key);
    if (known?.batch === piece.batch) return known.body;
    const { fatFraction, waterFraction } = piece;
    const composition =
      fatFraction === null || waterFraction === null ? {} : { fatFraction, waterFraction };
    const k = thermalProperties({ fatFraction: 0.25, waterFraction: 0.57, ...composition }).kWmK;
    const product = {
      ...composition,
      diameterMm: piece.diameterMm * this.hidden.diameter * (piece.thickest ? 1 : 0.93),
      kWmK: k * this.hidden.conductivity,
      casingPermeability: piece.permeability,
    };
    const body = this.broughtTo(Math.min(95, Math.max(-4, lastC ?? COLD_C)), product, piece);
    this.pieces.set(key, { batch: piece.batch, body });
    return body;
  }

  /**
   * A piece whose core has come to a temperature by what is around it now: it is warm inside and dry outside as one
   * that was there all along. Where that never gets it there, it is that warm all through.
   */
  private broughtTo(
    coreC: number,
    product: Omit<HeatProduct, 'startC'>,
    piece: SimPiece,
  ): LivePiece {
    const airC = this.airC ?? ROOM_C;
    const warms = (piece.inHouse ? airC : piece.setC) > coreC;
    const begunC = warms ? Math.min(COLD_C, coreC) : Math.max(COOKED_C, coreC);
    const body = new LivePiece({ ...product, startC: begunC });
    const there = () => (warms ? body.coreC >= coreC : body.coreC <= coreC);
    for (let t = 0; t < MOST_BEFORE_S && !there(); t += BEFORE_STEP_S)
      this.stepPiece(body, piece, airC, BEFORE_STEP_S);
    return there() ? body : new LivePiece({ ...product, startC: coreC });
  }

  private stepPiece(body: LivePiece, piece: SimPiece, airC: number, dtS: number): void {
    const fan = this.faults.fanOff && piece.inHouse ? OPEN_FAN : 1;
    body.stay(dtS, {
      medium: piece.medium,
      airC: piece.inHouse ? airC : piece.setC,
      rh:
        piece.medium === 'air'
          ? piece.inHouse
            ? (this.rh ?? USUAL_RH)
            : (piece.rh ?? 0.8)
          : undefined,
      hWm2K: piece.hWm2K * this.hidden.film * fan,
    });
  }

  private shown(key: string, tempC: number): number {
    const noiseC = NOISE_C + (this.faults.noise ? BAD_NOISE_C : 0);
    const drift = key === 'core-2' ? this.drifted : 0;
    return round(tempC + drift + (this.random() * 2 - 1) * noiseC);
  }

  /** Humidity after some time: it begins as the wet bulb showed it last. */
  private stepRh(program: SimProgram, dtS: number): number {
    const { faults } = this;
    const setRh = program.rh ?? USUAL_RH;
    const last = (what: string) => program.channels.find((c) => c.what === what)?.lastC ?? null;
    const [dry, wet] = [last('air'), last('wet_bulb')];
    const known = dry !== null && wet !== null && dry > 0 && wet <= dry;
    const from = this.rh ?? (known ? rhFromWetBulb(dry, wet) : setRh);
    if (faults.doorOpen) return toward(from, DOOR_RH, dtS, RH_LAG_S);
    if (faults.humidifierDry) return toward(from, Math.min(setRh, DRY_RH), dtS, DRYING_LAG_S);
    return toward(from, setRh, dtS, RH_LAG_S);
  }

  /** Advances by dtS and returns what the probes show then; an unplugged probe shows nothing. */
  step(program: SimProgram, dtS: number): SimReading[] {
    const { faults } = this;
    if (this.airC === null)
      this.airC = program.channels.find((c) => c.what === 'air')?.lastC ?? ROOM_C;
    const cores = program.channels
      .filter((c) => c.what === 'core')
      .map((c) => ({ c, body: c.piece && this.bodyOf(c.key, c.piece, c.lastC) }));
    let left = Math.min(dtS, MOST_STEP_S);
    let airC = this.airC;
    this.rh ??= this.stepRh(program, 0);
    this.keepGoods(program.goods);
    while (left > 0) {
      const dt = Math.min(STEP_S, left);
      airC = this.stepAir(program, dt);
      for (const { c, body } of cores) if (body && c.piece) this.stepPiece(body, c.piece, airC, dt);
      for (const goods of this.goods.values()) goods.stay(dt * this.pace, this.airNow());
      this.drifted = faults.drift ? this.drifted + dt * DRIFT_C_PER_S : 0;
      left -= dt;
    }
    const say = (key: string, tempC: number) => ({
      channel: key,
      tempC: this.shown(key, tempC),
    });
    this.stuckC = faults.airStuck ? (this.stuckC ?? this.shown('air', airC)) : null;
    return program.channels.flatMap((channel): SimReading[] => {
      const { key, what, piece } = channel;
      if (key === 'air' && this.stuckC !== null) return [{ channel: key, tempC: this.stuckC }];
      if (what === 'air') return [say(key, key === 'air' ? airC : airC - CORNER * (airC - ROOM_C))];
      if (what === 'wet_bulb')
        return [say(key, wetBulbFromRh(airC, Math.min(1, this.rh ?? USUAL_RH)))];
      if (what !== 'core' || (faults.unplugged && key === 'core-1')) return [];
      const out = faults.slidOut && key === 'core-1';
      const body = cores.find((x) => x.c === channel)?.body;
      if (!body || !piece) return [say(key, airC)];
      return [say(key, out ? (piece.inHouse ? airC : piece.setC) : body.probeC(0.05))];
    });
  }
}

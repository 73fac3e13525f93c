import { SALMONELLA, pieceLogs } from '../lethality/lethality';
import { Cylinder, type CylinderSpec } from '../heat/cylinder';
import { Marcher } from '../heat/march';
import { mediumOf, vapourOf, type MediumAt } from '../heat/medium';
import { saturationPa, vapourFromWetBulb } from '../heat/psychrometrics';
import { cylinderOf, type HeatProduct } from '../heat/product';
import type { HeatStage } from '../heat/simulate-program';
import { stageEnd, type EndCheck, type EndReason } from '../heat/stage-end';
import type { Surroundings } from '../heat/surface';
import { settledFromS } from './air-ahead';
import {
  AS_EXPECTED,
  presentOf,
  type Ahead,
  type Factors,
  type RunCase,
  type Target,
} from './run-case';

export type ModelRun = {
  /** Probe at each observation time, °C. */
  probe: Float64Array;
  /** When the target is met, s since the start, or null within the horizon. */
  finishS: number | null;
  stageEndsS: number[];
};

const SHELLS = 20;
const PROBE_RADIUS = 0.1;
const HORIZON_S = 72 * 3600;
const STEP_PAST_S = 300;
/** The further ahead, the longer the steps may be: the crossing is found on a straight line within one. */
const aheadStepS = (aheadS: number) => Math.min(1200, Math.max(60, aheadS / 40));
/** A house closes 63 % of the way to a new set point in this time. Usual; learned where readings are. */
const AIR_LAG_S = 420;
/** The air of a stage tells nothing of its set point before this much of it, s. */
const LEAST_SETTLED_S = 300;
const RECENT_S = 900;
const MOST_BIAS_C = 8;

const shaped = (product: HeatProduct, f: Factors): CylinderSpec => {
  const spec = cylinderOf(product, SHELLS);
  return {
    ...spec,
    /* Ends are left to the fitted diameter: a forecast has to be quick. */
    halfLengthM: null,
    layers: 1,
    radiusM: spec.radiusM * f.diameter,
    kWmK: spec.kWmK * f.conductivity,
    permeability: Math.min(1.5, spec.permeability * f.evaporation),
    startC: spec.startC + f.startC,
  };
};

type Moment = { tS: number; tempC: number; logs: number };

/** Where between two figures a third one lies, 0 to 1; 1 where they are the same. */
const shareOf = (from: number, to: number, at: number) =>
  to === from ? 1 : Math.min(1, Math.max(0, (at - from) / (to - from)));

/** One run of the model along what was measured, then along the program. */
class Walk {
  private readonly body: Cylinder;
  private readonly marcher: Marcher;
  private logs = 0;
  private stage = 0;
  private stageStartS = 0;
  private ahead: MediumAt | null = null;
  private aheadFromS = 0;
  private bias = 0;
  /** Air and vapour of a moment ago, and the vapour when the stage began: a house takes its time to leave them. */
  private lastC = 0;
  private lastVapourPa = 0;
  private vapourFromPa: number | null = null;
  private end: EndCheck;
  private warmest = -Infinity;

  constructor(
    private readonly c: RunCase,
    private readonly f: Factors,
    private readonly target: Target | null,
    private readonly coming: Ahead,
  ) {
    this.body = new Cylinder(shaped(c.product, f));
    this.marcher = new Marcher(this.body, 0, 0.1);
    this.end = this.endOf(0);
  }

  private endOf(i: number): EndCheck {
    const s = this.c.stages[i]!;
    return stageEnd(s, s.airC, `stages[${i}]`);
  }

  /** Air of a later moment: from what the house does now towards the set point, and off it as before. */
  private aheadOf(tS: number): MediumAt {
    const s = this.c.stages[this.stage]!;
    const read = s.medium === 'air' && !s.elsewhere;
    const { last } = this.c.air;
    const air = read && last && tS - last.tS < RECENT_S ? last.tempC : null;
    const fromS = settledFromS(this.stageStartS, this.c.houseLagS, tS);
    const settled = tS - fromS >= LEAST_SETTLED_S && this.stageStartS <= this.c.nowS;
    const recent = settled && read ? this.c.air.medianBetween(fromS, tS) : null;
    if (!read) this.bias = 0;
    else if (recent !== null)
      this.bias = Math.max(-MOST_BIAS_C, Math.min(MOST_BIAS_C, recent - s.airC));
    const ramp = s.rampS !== undefined;
    this.aheadFromS = ramp ? this.stageStartS : tS;
    const { houseLagS, nowS } = this.c;
    const follows = read && this.stage > 0 && houseLagS > 0 && tS > nowS;
    const fromC = air ?? (follows ? this.lastC : null);
    const lagS = s.airLagS ?? (houseLagS > 0 ? houseLagS : AIR_LAG_S);
    const lagged = fromC !== null && !ramp ? { airLagS: lagS } : {};
    return mediumOf({ ...s, ...lagged }, (fromC ?? s.airC) - this.bias, `stages[${this.stage}]`);
  }

  private medium = (tS: number, out: Surroundings): void => {
    const { c, f, coming } = this;
    const s = c.stages[this.stage]!;
    const measured = s.medium === 'air' && !s.elsewhere && tS <= c.nowS ? c.air.valueAt(tS) : null;
    if (measured === null) {
      this.ahead ??= this.aheadOf(this.marcher.tS);
      this.ahead(tS - this.aheadFromS, out);
      if (tS > c.nowS && s.medium === 'air') {
        out.mediumC += this.bias + coming.airC + (this.stageStartS > c.nowS ? coming.laterAirC : 0);
        out.vapourPa = this.vapourAhead(s, tS, out.mediumC);
      }
    } else {
      out.mediumC = measured;
      out.submerged = false;
      out.hWm2K = s.hWm2K ?? 20;
      const wet = c.wetBulb.valueAt(tS);
      out.vapourPa =
        wet === null ? vapourOf(s, measured) : vapourFromWetBulb(measured, Math.min(wet, measured));
    }
    out.hWm2K *= f.h;
    if (this.stageStartS > c.nowS) out.hWm2K *= Math.exp(coming.laterLnH);
    else if (this.stage === presentOf(c)) out.hWm2K *= f.presentH;
    this.lastC = out.mediumC;
    this.lastVapourPa = out.vapourPa;
  };

  /** Vapour of a stage to come: the house leaves that of the stage before as slowly as it heats. */
  private vapourAhead(s: HeatStage, tS: number, mediumC: number): number {
    const set = vapourOf(s, mediumC);
    const { houseLagS } = this.c;
    if (this.vapourFromPa === null || houseLagS === 0) return set;
    const left = Math.exp(-(tS - this.stageStartS) / houseLagS);
    return Math.min(saturationPa(mediumC), set + (this.vapourFromPa - set) * left);
  }

  /** Core as the piece is believed to have it: the model's, less what it is known to miss from now on. */
  private get coreC(): number {
    const ahead = this.marcher.tS >= this.c.nowS - 1e-6;
    return this.body.coreC + (ahead ? this.coming.coreC : 0);
  }

  private stand() {
    const { lossFraction, wetness } = this.body;
    const { coreC } = this;
    return {
      elapsedS: this.marcher.tS - this.stageStartS,
      coreC,
      logs: this.logs,
      lossFraction,
      wetness,
    };
  }

  /** Why the present stage is over, or null. Stages that are known to have begun end when the next one began. */
  private over(): EndReason | null {
    const { stageStartsS, nowS } = this.c;
    const next = stageStartsS?.[this.stage + 1];
    if (next !== undefined) return this.marcher.tS >= next - 1e-6 ? 'time' : null;
    if (stageStartsS && this.marcher.tS < nowS) return null;
    return this.end.reason(this.stand());
  }

  private countLogs(before: Moment): void {
    const now = { tS: this.marcher.tS, tempC: this.coreC };
    this.logs = before.logs + pieceLogs(this.c.model ?? SALMONELLA, before, now);
  }

  /** A stage that ends by its core or its logs ends within the last step: goes back to there. */
  private endWithin(before: Moment, dtS: number, why: EndReason): void {
    const { endCoreC, endLogs } = this.c.stages[this.stage]!;
    const share =
      why === 'core'
        ? shareOf(before.tempC, this.coreC, endCoreC!)
        : why === 'logs'
          ? shareOf(before.logs, this.logs, endLogs!)
          : 1;
    if (share >= 1 || share * dtS < 1) return;
    this.marcher.undo(dtS);
    this.marcher.take(this.medium, dtS * share);
    this.countLogs(before);
  }

  private met(): boolean {
    const t = this.target;
    if (!t) return false;
    if ('logs' in t) return this.logs >= t.logs;
    if ('coreC' in t)
      return t.falling
        ? this.warmest > t.coreC && this.coreC <= t.coreC && this.coreC < this.warmest - 1
        : this.coreC >= t.coreC;
    return false;
  }

  run(observeS: readonly number[]): ModelRun {
    const { c, marcher, body } = this;
    const probe = new Float64Array(observeS.length);
    const stageEndsS: number[] = [];
    let seen = 0;
    let finishS: number | null = null;
    const look = () => {
      const core = body.coreC;
      probe[seen] = core + this.f.offCentre * (body.atRadius(PROBE_RADIUS) - core);
      seen += 1;
    };
    while (seen < observeS.length && observeS[seen]! <= 1e-6) look();
    while (marcher.tS < c.nowS + HORIZON_S) {
      const inPast = marcher.tS < c.nowS - 1e-6;
      if (!inPast && seen >= observeS.length && (finishS !== null || !this.target)) break;
      const before: Moment = { tS: marcher.tS, tempC: this.coreC, logs: this.logs };
      const stops = [
        seen < observeS.length ? observeS[seen]! : Infinity,
        inPast ? c.nowS : Infinity,
        this.c.stageStartsS?.[this.stage + 1] ??
          (c.stageStartsS && inPast ? Infinity : this.stageStartS + this.end.latestS),
        marcher.tS + (inPast ? STEP_PAST_S : aheadStepS(marcher.tS - c.nowS)),
      ].filter((s) => s > marcher.tS + 1e-6);
      const proposed = marcher.proposed;
      const dtS = marcher.step(this.medium, Math.min(...stops) - marcher.tS);
      c.work.spend(marcher.proposed - proposed);
      if (inPast && marcher.tS >= c.nowS - 1e-6) this.ahead = null;
      this.countLogs(before);
      const why = this.over();
      if (why !== null && !inPast) this.endWithin(before, dtS, why);
      this.warmest = Math.max(this.warmest, this.coreC);
      while (seen < observeS.length && observeS[seen]! <= marcher.tS + 1e-6) look();
      if (finishS === null && this.met()) finishS = this.crossing(before);
      if (why === null) continue;
      stageEndsS.push(marcher.tS);
      const t = this.target;
      if (t && 'stage' in t && t.stage === this.stage) finishS ??= marcher.tS;
      if (this.stage < c.stages.length - 1) this.nextStage();
      else if (t && 'stage' in t) break;
      /* Somebody waits: the last stage goes on. */ else
        this.end = { reason: () => null, latestS: Infinity };
    }
    return { probe, finishS, stageEndsS };
  }

  private nextStage(): void {
    const inHouse = (s: HeatStage) => s.medium === 'air' && !s.elsewhere;
    const stays = inHouse(this.c.stages[this.stage]!) && inHouse(this.c.stages[this.stage + 1]!);
    this.vapourFromPa = stays && this.marcher.tS > this.c.nowS ? this.lastVapourPa : null;
    this.stage += 1;
    this.stageStartS = this.marcher.tS;
    this.ahead = null;
    this.marcher.careful();
    this.end = this.endOf(this.stage);
  }

  /** Time within the last step at which the target was met, on a straight line. */
  private crossing(before: Moment): number {
    const t = this.target!;
    const dt = this.marcher.tS - before.tS;
    if ('logs' in t) return before.tS + dt * shareOf(before.logs, this.logs, t.logs);
    if ('coreC' in t) return before.tS + dt * shareOf(before.tempC, this.coreC, t.coreC);
    return this.marcher.tS;
  }
}

/** Runs the model with the given factors; observation times in s, rising. */
export const runModel = (
  c: RunCase,
  f: Factors,
  observeS: readonly number[],
  target: Target | null,
  coming: Ahead = AS_EXPECTED,
): ModelRun => new Walk(c, f, target, coming).run(observeS);

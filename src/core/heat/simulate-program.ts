import { QuantityError, requireBetween, requireFinite, requirePositive } from '../guard';
import { SALMONELLA, pieceLogs, type LethalityModel } from '../lethality/lethality';
import { Cylinder } from './cylinder';
import { Marcher } from './march';
import { mediumOf, type MediumAt, type MediumSetting } from './medium';
import { cylinderOf, type HeatProduct } from './product';
import { stageEnd, type EndReason, type RunStand, type StageEnd } from './stage-end';
import type { Surroundings } from './surface';

export type HeatStage = {
  name: string;
  /** Not in the house: its air probes say nothing of this stage. */
  elsewhere?: boolean;
} & MediumSetting &
  StageEnd;

export type HeatSample = {
  tS: number;
  /** Index into the stages. */
  stage: number;
  mediumC: number;
  coreC: number;
  surfaceC: number;
  meanC: number;
  /** Weight lost since the start, 0-1. */
  lossFraction: number;
  /** Decimal reductions of the core since the start. */
  logs: number;
  /** How freely the surface gives off water, 1 wet to 0 dry. */
  wetness: number;
};

export type StageEnded = { stage: number; tS: number; reason: EndReason };

export type Simulation = {
  samples: HeatSample[];
  stageEnds: StageEnded[];
  /** Heat through the surface and heat held, J per kg of product: equal but for rounding. */
  balance: { heatInJKg: number; heatHeldJKg: number };
  cpJkgK: number;
};

export type SimulateInput = {
  product: HeatProduct;
  stages: readonly HeatStage[];
  /** Seconds between samples; ends of stages are sampled as well. */
  outputEveryS?: number;
  /** What lethality is counted by. */
  model?: LethalityModel;
  /** Shells from core to casing; 40 unless a coarser answer will do. */
  shells?: number;
  /** Air when the program starts, °C, for houses with a lag. */
  startAirC?: number;
};

export const USUAL_SHELLS = 40;
const SURE_S = 0.05;
const MOST_SAMPLES = 200_000;

class Run {
  readonly body: Cylinder;
  readonly marcher: Marcher;
  readonly samples: HeatSample[] = [];
  logs = 0;
  private readonly before = { tS: 0, tempC: 0 };
  private readonly now = { tS: 0, tempC: 0 };
  private logsBefore = 0;
  private readonly around: Surroundings = { mediumC: 0, vapourPa: 0, hWm2K: 0, submerged: false };

  constructor(
    input: SimulateInput,
    private readonly everyS: number,
    private readonly model: LethalityModel,
  ) {
    this.body = new Cylinder(cylinderOf(input.product, input.shells ?? USUAL_SHELLS));
    this.marcher = new Marcher(this.body, 0);
  }

  stand(startS: number): RunStand {
    const { coreC, lossFraction, wetness } = this.body;
    return { elapsedS: this.marcher.tS - startS, coreC, lossFraction, wetness, logs: this.logs };
  }

  sample(stage: number, mediumC: number): void {
    const { coreC, surfaceC, meanC, lossFraction, wetness } = this.body;
    const { tS } = this.marcher;
    if (this.samples.length >= MOST_SAMPLES)
      throw new QuantityError('outputEveryS', this.everyS, 'long enough for this program');
    this.samples.push({
      tS,
      stage,
      mediumC,
      coreC,
      surfaceC,
      meanC,
      lossFraction,
      logs: this.logs,
      wetness,
    });
  }

  /** Logs up to now, from those before the present step. */
  private countLogs(): void {
    this.now.tS = this.marcher.tS;
    this.now.tempC = this.body.coreC;
    this.logs = this.logsBefore + pieceLogs(this.model, this.before, this.now);
  }

  /** Runs one stage to its end; samples it on the way. */
  stage(index: number, stage: HeatStage, startAirC: number): { reason: EndReason; airC: number } {
    const { marcher, body } = this;
    const startS = marcher.tS;
    const at = `stages[${index}]`;
    const airAt: MediumAt = mediumOf(stage, startAirC, at);
    const end = stageEnd(stage, stage.airC, at);
    const medium = (tS: number, out: Surroundings) => airAt(tS - startS, out);
    const mediumC = () => {
      medium(marcher.tS, this.around);
      return this.around.mediumC;
    };
    marcher.careful();
    if (index === 0) this.sample(index, mediumC());
    let reason = end.reason(this.stand(startS));
    while (reason === null) {
      const dueS = (Math.floor(marcher.tS / this.everyS + 1e-9) + 1) * this.everyS;
      this.before.tS = marcher.tS;
      this.before.tempC = body.coreC;
      this.logsBefore = this.logs;
      const mostS = Math.min(dueS, startS + end.latestS) - marcher.tS;
      const dtS = marcher.step(medium, mostS);
      this.countLogs();
      reason = end.reason(this.stand(startS));
      if (reason !== null && reason !== 'time' && reason !== 'max') {
        this.findEnd(medium, dtS, () => end.reason(this.stand(startS)) !== null);
        reason = end.reason(this.stand(startS));
      }
      if (reason !== null || dueS - marcher.tS < 1e-6) this.sample(index, mediumC());
    }
    return { reason, airC: stage.medium === 'air' ? mediumC() : startAirC };
  }

  /** Goes back to the moment within the last step, to {@link SURE_S}, at which the stage first was over. */
  private findEnd(
    medium: (tS: number, out: Surroundings) => void,
    dtS: number,
    over: () => boolean,
  ): void {
    this.marcher.undo(dtS);
    let low = 0;
    let high = dtS;
    while (high - low > SURE_S) {
      const middle = (low + high) / 2;
      this.marcher.take(medium, middle);
      this.countLogs();
      const ended = over();
      this.marcher.undo(middle);
      if (ended) high = middle;
      else low = middle;
    }
    this.marcher.take(medium, high);
    this.countLogs();
  }
}

/**
 * Core, surface and mean temperature, weight loss and lethality of one piece through a program of stages,
 * and when each stage ends. Radial conduction (with the ends, for short pieces) by implicit finite volumes,
 * convection and evaporation at the surface; see {@link Cylinder}. The product is uniform at the start, keeps
 * its diameter, and its properties are constant. With `casingPermeability: 0` it is pure conduction.
 * @param stages in order, at least one; a stage whose end is met at once takes no time
 * @param outputEveryS s, > 0, 60 when left out
 * @returns samples at 0, every outputEveryS and at each stage's end, and the ends with their reasons
 * @throws RangeError naming the field, e.g. `stages[2].airC`
 * @source heat and moisture balance of a house; checked against Carslaw & Jaeger (1959) §7.7
 * @example simulateProgram({ product: { diameterMm: 38, startC: 4 }, stages: [{ name: 'Cook', medium: 'air', airC: 80, rh: 0.6, endCoreC: 70, maxS: 18000 }] }).stageEnds[0].reason // 'core'
 */
export function simulateProgram(input: SimulateInput): Simulation {
  const everyS = requirePositive('outputEveryS', input.outputEveryS ?? 60);
  if (input.stages.length === 0) throw new QuantityError('stages', 0, 'at least one stage');
  const run = new Run(input, everyS, input.model ?? SALMONELLA);
  requireFinite('stages[0].airC', input.stages[0]!.airC);
  let airC = requireBetween('startAirC', input.startAirC ?? input.stages[0]!.airC, -40, 200);
  const stageEnds: StageEnded[] = [];
  input.stages.forEach((stage, index) => {
    const ended = run.stage(index, stage, airC);
    airC = ended.airC;
    stageEnds.push({ stage: index, tS: run.marcher.tS, reason: ended.reason });
  });
  const cp = cylinderOf(input.product, 6).cpJkgK;
  return {
    samples: run.samples,
    stageEnds,
    cpJkgK: cp,
    balance: {
      heatInJKg: run.body.heatJKg,
      heatHeldJKg: cp * (run.body.meanC - input.product.startC),
    },
  };
}

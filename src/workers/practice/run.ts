import {
  CURE_LINE,
  SimulatedHouse,
  alarmsOf,
  chillStage,
  foldBatch,
  heatProduct,
  heatStage,
  judge,
  piecesLethality,
  runStages,
  scaleRecipe,
  stageProgress,
  thinReadings,
  type Case,
  type Entry,
  type EntryBody,
  type ProgramStage,
  type Reading,
  type Recipe,
  type RuleSet,
  type SimProgram,
  randomFrom,
} from '../../core';
import type { PracticeDeed, PracticeView } from './protocol';

const MEAT_G = 20_000;
const HOUR = 3600;
/** The batch was weighed, cured and stuffed before the trainee came: this long ago, s. */
const BEFORE_S = 30 * HOUR;
const EVERY_S = 10;
const MOST_POINTS = 500;
const PROBES = [
  { id: 1, key: 'core-1', what: 'core', thickest: true, name: 'Core, thickest' },
  { id: 2, key: 'core-2', what: 'core', thickest: false, name: 'Core, thin' },
  { id: 3, key: 'air', what: 'air', thickest: false, name: 'Air' },
  { id: 4, key: 'wet', what: 'wet_bulb', thickest: false, name: 'Wet bulb' },
] as const;

/**
 * A practice run: a batch of its own in memory, judged by the same core as a real one, in a simulated
 * house on a clock of its own. It is kept nowhere and can never be signed.
 */
export class PracticeRun {
  private nowS = 0;
  private readonly entries: Entry[] = [];
  private readonly series: Record<number, Reading[]> = { 1: [], 2: [], 3: [], 4: [] };
  private readonly house: SimulatedHouse;
  speed = 60;

  constructor(
    private readonly recipe: Recipe,
    stages: ProgramStage[],
    private readonly rules: RuleSet,
    seed: number,
  ) {
    this.house = new SimulatedHouse(randomFrom(seed));
    this.prepare();
    this.write({
      kind: 'run_started',
      houseId: 'practice',
      program: { name: 'Practice', versionId: null, stages },
    });
    for (const p of PROBES)
      this.write({ kind: 'probe_placed', channelId: p.id, what: p.what, thickest: p.thickest });
  }

  private write(body: EntryBody, happenedS = this.nowS): string {
    const seq = this.entries.length + 1;
    const id = `practice-${seq}`;
    const by = { id: 'trainee', name: 'Trainee' };
    this.entries.push({ id, seq, happenedS, recordedS: happenedS, by, corrects: null, body });
    return id;
  }

  /** What was done well before the practice begins: weighed, checked, held, stuffed. */
  private prepare(): void {
    const { recipe } = this;
    const t = -BEFORE_S;
    this.write(
      {
        kind: 'batch_started',
        plannedMeatG: MEAT_G,
        readyByS: 24 * HOUR,
        recipeVersionId: 'practice',
        recipeSha256: '',
        rules: [],
        practice: true,
      },
      t,
    );
    const sheet = scaleRecipe(recipe, { meatG: MEAT_G });
    for (const line of sheet.lines) {
      const id = this.write(
        {
          kind: 'weighed',
          lineId: line.lineId,
          amountG: line.targetG,
          targetG: line.targetG,
          scaleId: 'practice',
          scaleResolutionG: 0.1,
          ...(line.lineId === CURE_LINE ? { nitriteFraction: recipe.cure!.nitriteFraction } : {}),
        },
        t + 60,
      );
      if (line.lineId === CURE_LINE)
        this.write(
          {
            kind: 'cure_checked',
            weighedId: id,
            readingG: line.targetG,
            method: 'reentered_alone',
          },
          t + 120,
        );
    }
    if (recipe.cure) {
      this.write({ kind: 'cure_hold_started', coolerC: 2 }, t + 600);
      this.write({ kind: 'cure_hold_ended', coolerC: 2 }, -2 * HOUR);
    }
    this.write({ kind: 'step_done', step: 'stuff', weightG: MEAT_G * 1.08 }, -HOUR);
  }

  private get case(): Case {
    return {
      recipe: this.recipe,
      rules: this.rules,
      state: foldBatch(this.recipe, this.entries),
      series: this.series,
      calibrations: {},
      nowS: this.nowS,
    };
  }

  /** Takes what the trainee does; what does not fit now is left undone. */
  deed(deed: PracticeDeed): void {
    const { state } = this.case;
    const run = state.run!;
    if (deed.do === 'speed') this.speed = Math.min(1200, Math.max(1, deed.factor));
    if (deed.do === 'fault') this.house.faults[deed.fault] = !this.house.faults[deed.fault];
    if (deed.do === 'next_stage' && run.pulledS === null) {
      const stageIndex = run.stages.at(-1)!.index + 1;
      if (run.program[stageIndex]) this.write({ kind: 'stage_started', stageIndex });
    }
    if (deed.do === 'pull' && run.pulledS === null) this.write({ kind: 'pulled' });
    if (deed.do === 'chill' && run.pulledS !== null)
      this.write({ kind: 'chill_started', medium: deed.medium });
  }

  private program(c: Case): SimProgram {
    const { state } = c;
    const inHouse = state.run!.pulledS === null;
    const chill = state.chill.at(-1);
    const stage = inHouse
      ? runStages(state).at(-1)!.stage
      : chillStage(chill?.medium ?? 'cooler', HOUR);
    const heat = heatStage(stage);
    const product = heatProduct(this.recipe, 4);
    const warm = !inHouse && !chill;
    const piece = (thickest: boolean) => ({
      batch: 'practice',
      diameterMm: this.recipe.casing.diameterMm,
      fatFraction: product.fatFraction ?? null,
      waterFraction: product.waterFraction ?? null,
      permeability: product.casingPermeability ?? 0,
      thickest,
      inHouse: inHouse && !heat.elsewhere,
      medium: heat.medium,
      setC: warm ? 18 : stage.airC,
      rh: stage.rh ?? null,
      hWm2K: heat.hWm2K ?? 20,
    });
    return {
      airSetC: inHouse && !heat.elsewhere ? stage.airC : null,
      rh: stage.rh ?? null,
      goods: [],
      channels: PROBES.map((p) => ({
        key: p.key,
        what: p.what,
        lastC: p.what === 'core' ? 4 : null,
        piece: p.what === 'core' ? piece(p.thickest) : null,
      })),
    };
  }

  /** Lets practice time go by; a lost link keeps readings from being seen, and they are lost here. */
  pass(seconds: number): void {
    const program = this.program(this.case);
    for (let left = seconds; left > 0; left -= EVERY_S) {
      this.nowS += EVERY_S;
      const shown = this.house.step(program, EVERY_S);
      if (this.house.faults.linkLost) continue;
      for (const r of shown)
        this.series[PROBES.find((p) => p.key === r.channel)!.id]!.push({
          tS: this.nowS,
          tempC: r.tempC,
        });
    }
  }

  view(): PracticeView {
    const c = this.case;
    const { state } = c;
    const run = state.run!;
    const [slow] = piecesLethality(c);
    const coreC = slow?.of.spans.at(-1)?.at(-1)?.tempC ?? null;
    const slowest = slow?.result.logs ?? 0;
    const evidence = { coreC, logs: slowest, lossFraction: null, dry: false };
    const progress = stageProgress(state, evidence, this.nowS);
    const stages = runStages(state);
    const bands = stages.map((s, i) => ({
      name: s.stage.name,
      kind: s.stage.kind,
      fromS: s.startS,
      toS: stages[i + 1]?.startS ?? run.pulledS ?? this.nowS,
    }));
    for (const [i, p] of state.chill.entries())
      bands.push({
        name: chillStage(p.medium, 60).name,
        kind: 'chill',
        fromS: p.startS,
        toS: state.chill[i + 1]?.startS ?? this.nowS,
      });
    return {
      nowS: this.nowS,
      speed: this.speed,
      phase: run.pulledS === null ? 'in_house' : 'chilling',
      stage: run.pulledS === null ? (stages.at(-1)?.stage ?? null) : null,
      nextStage: run.program[run.stages.at(-1)!.index + 1]?.name ?? null,
      progress,
      alarms: alarmsOf({
        c,
        nowS: this.nowS,
        stage: progress && { over: progress.over, tooLong: progress.tooLong },
        readyS: null,
      }),
      faults: { ...this.house.faults },
      chill: state.chill.at(-1)?.medium ?? null,
      lines: PROBES.map((p) => ({
        name: p.name,
        what: p.what,
        readings: thinReadings(this.series[p.id]!, MOST_POINTS),
      })).filter((l) => l.readings.length > 0),
      setPoints: stages.flatMap((s, i) => [
        { tS: s.startS, tempC: s.stage.airC },
        { tS: bands[i]!.toS, tempC: s.stage.airC },
      ]),
      bands,
      verdict: judge(c),
      logs: slowest,
    };
  }
}

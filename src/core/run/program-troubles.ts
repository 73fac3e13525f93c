import { checkCooling } from '../cooling/check-cooling';
import { comeUp } from '../cooling/come-up';
import type { ProgramStage } from '../recipe/recipe';
import { wetBulbFromRh } from '../heat/psychrometrics';
import { simulateProgram, type HeatStage, type Simulation } from '../heat/simulate-program';
import { TACKY_WETNESS } from '../heat/surface';
import type { HeatProduct } from '../heat/product';
import type { RuleSet } from '../rules/rule';
import { placeOf } from '../route/stage-step';
import { mediumIn } from './run-stage';

export type TroubleCode =
  | 'fat_out'
  | 'case_hardening'
  | 'come_up'
  | 'uncured_warm'
  | 'bath_rule'
  | 'cooling'
  | 'not_lethal'
  | 'not_reached'
  | 'stall'
  | 'wet_smoke';

/** What a program would do to a product, with its figures; seconds, °C, logs. */
export type Trouble = {
  code: TroubleCode;
  level: 'bad' | 'watch';
  stage: number | null;
  figures: Record<string, number>;
};

export type TroubleInput = {
  product: HeatProduct;
  stages: readonly ProgramStage[];
  heat: readonly HeatStage[];
  run: Simulation;
  cured: boolean;
  poultry: boolean;
  rules: Pick<RuleSet, 'come_up' | 'uncured_smoke' | 'cooling' | 'lethality'>;
};

/** Above this a core runs its fat out. @source usual practice of the trade */
export const FAT_OUT_C = 74;
/** A rim this dry while the middle is still raw is a hard one. Model value. */
const HARD_WETNESS = 0.2;
const HARD_CORE_C = 45;
/** Rule of thumb for a bath at 74 to 80 °C: a minute a millimetre. @source usual practice of the trade */
const BATH_S_PER_MM = 60;

type Look = (i: TroubleInput, core: { tS: number; tempC: number }[]) => Trouble[];

const fatOut: Look = ({ run }) => {
  const hottest = run.samples.reduce((a, b) => (b.coreC > a.coreC ? b : a));
  if (hottest.coreC <= FAT_OUT_C) return [];
  const figures = { coreC: hottest.coreC, limitC: FAT_OUT_C, atS: hottest.tS };
  return [{ code: 'fat_out', level: 'watch', stage: hottest.stage, figures }];
};

const caseHardening: Look = ({ run, stages }) => {
  const hard = run.samples.find(
    (s) =>
      stages[s.stage] !== undefined &&
      mediumIn(placeOf(stages[s.stage]!)) === 'air' &&
      s.coreC < HARD_CORE_C &&
      s.mediumC > 30 &&
      s.wetness < HARD_WETNESS,
  );
  if (!hard) return [];
  const figures = { coreC: hard.coreC, atS: hard.tS, lossFraction: hard.lossFraction };
  return [{ code: 'case_hardening', level: 'watch', stage: hard.stage, figures }];
};

const slowComeUp: Look = ({ rules }, core) => {
  const { fromC, toC, maxS } = rules.come_up.body;
  const w = comeUp({ readings: core, fromC, toC, maxS });
  if (w.status !== 'fail') return [];
  const figures = { elapsedS: w.elapsedS ?? 0, maxS, fromC, toC };
  return [{ code: 'come_up', level: 'bad', stage: null, figures }];
};

const uncuredWarm: Look = ({ rules, cured }, core) => {
  if (cured) return [];
  const { fromC, toC, maxS } = rules.uncured_smoke.body;
  const w = comeUp({ readings: core, fromC, toC, maxS });
  if (w.status === 'pass') return [];
  const figures = { elapsedS: w.elapsedS ?? core.at(-1)!.tS, maxS, fromC, toC };
  return [{ code: 'uncured_warm', level: 'bad', stage: null, figures }];
};

/** Does a minute a millimetre serve this diameter in this bath? */
const bathRule: Look = ({ run, heat, product }) =>
  heat.flatMap((stage, i): Trouble[] => {
    if (stage.medium !== 'water' || stage.airC < 60) return [];
    const before = run.samples.findLast((s) => s.stage < i);
    const target = stage.endCoreC ?? Math.min(FAT_OUT_C, stage.airC - 3);
    const thumbS = product.diameterMm * BATH_S_PER_MM;
    const { samples } = simulateProgram({
      product: { ...product, startC: before?.meanC ?? product.startC },
      stages: [
        { ...stage, endS: thumbS, endCoreC: undefined, endLogs: undefined, maxS: undefined },
      ],
      outputEveryS: thumbS,
      shells: 20,
    });
    const { coreC } = samples.at(-1)!;
    if (coreC >= target) return [];
    const figures = { thumbS, coreC, targetC: target };
    return [{ code: 'bath_rule', level: 'watch', stage: i, figures }];
  });

const cooling: Look = ({ rules, stages }, core) => {
  const last = stages.at(-1);
  if (!last || last.airC > 30) return [];
  const { steps } = rules.cooling.body;
  const result = checkCooling({ readings: core, steps });
  const k = result.steps.findIndex((s) => s.status !== 'pass');
  const hot = (result.peak?.tempC ?? 0) > steps[0]!.fromC;
  if (result.status === 'pass' || !hot) return [];
  const s = result.steps[k]!;
  const figures = {
    elapsedS: s.elapsedS ?? core.at(-1)!.tS - (s.startS ?? core.at(-1)!.tS),
    maxS: s.maxS,
    fromC: s.fromC,
    toC: s.toC,
    /** 1: it would be too late; 0: the program ends before it is cold. */
    late: result.status === 'fail' ? 1 : 0,
  };
  return [{ code: 'cooling', level: 'bad', stage: null, figures }];
};

const notLethal: Look = ({ rules, poultry, run }) => {
  const { way, endPointC, targetLogs } = rules.lethality.body;
  const kind = poultry ? 'poultry' : 'meat';
  const end = run.samples.at(-1)!;
  const peakC = Math.max(...run.samples.map((s) => s.coreC));
  if (way === 'end_point' ? peakC >= endPointC[kind] : end.logs >= targetLogs[kind]) return [];
  const figures = {
    logs: end.logs,
    targetLogs: targetLogs[kind],
    peakC,
    endPointC: endPointC[kind],
  };
  return [{ code: 'not_lethal', level: 'bad', stage: null, figures }];
};

const notReached: Look = ({ run, heat }) =>
  run.stageEnds.flatMap((e): Trouble[] => {
    const stage = heat[e.stage]!;
    if (e.reason !== 'max' || (stage.endCoreC === undefined && stage.endLogs === undefined))
      return [];
    const at = run.samples.findLast((s) => s.stage === e.stage)!;
    const wetC =
      stage.medium === 'air' && stage.rh !== undefined ? wetBulbFromRh(stage.airC, stage.rh) : null;
    const stalls = wetC !== null && stage.endCoreC !== undefined && wetC < stage.endCoreC;
    const figures: Record<string, number> = { coreC: at.coreC, tS: e.tS };
    if (stage.endCoreC !== undefined) figures.targetC = stage.endCoreC;
    if (stalls) figures.wetBulbC = wetC;
    return [{ code: stalls ? 'stall' : 'not_reached', level: 'bad', stage: e.stage, figures }];
  });

const wetSmoke: Look = ({ run, stages }) => {
  const first = stages.findIndex((s) => s.smoke);
  if (first < 0 || stages[first]!.airC > 70) return [];
  const before = run.samples.findLast((s) => s.stage < first) ?? run.samples[0]!;
  if (before.wetness <= TACKY_WETNESS) return [];
  return [
    { code: 'wet_smoke', level: 'watch', stage: first, figures: { wetness: before.wetness } },
  ];
};

const LOOKS: readonly Look[] = [
  uncuredWarm,
  slowComeUp,
  notReached,
  notLethal,
  cooling,
  fatOut,
  caseHardening,
  bathRule,
  wetSmoke,
];

/**
 * Where a program asks for trouble with a product, as the model sees it, worst first: fat-out, a hard rim,
 * slow come-up, too long in the warm without cure, a bath too short by the rule of thumb, a chill that
 * misses the site's rule, too little lethality, a target that is not reached (and when the wet bulb is why).
 * @source usual practice of the trade; limits from the site's rules
 */
export function programTroubles(input: TroubleInput): Trouble[] {
  const core = input.run.samples.map((s) => ({ tS: s.tS, tempC: s.coreC }));
  return LOOKS.flatMap((look) => look(input, core)).sort(
    (a, b) => Number(b.level === 'bad') - Number(a.level === 'bad'),
  );
}

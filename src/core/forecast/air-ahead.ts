import { usualPermeability, type HeatProduct } from '../heat/product';
import { wetBulbFromRh } from '../heat/psychrometrics';
import type { HeatStage } from '../heat/simulate-program';
import type { FittedRun } from './types';
import type { Binned } from './readings';

/** A house has come to its set point after this, or after so many of its lags, s. */
const SETTLED_S = 1200;
const SETTLED_LAGS = 4;
/** Older air of a stage says less of what it will be, s. */
const WINDOW_S = 2 * 3600;
const BLOCK_S = 600;
/** Spread of the means of ten minutes in a usual house, °C, and how many blocks that is worth. */
const USUAL_BLOCK = { sdC: 2.8, blocks: 2 };
/** How far a house may hold its air off a set point, °C, before it has settled there: its first one, or another. */
const USUAL_OFF_C = { first: 2, later: 1 };
/** What the model misses in the heat that a surface takes, as air, °C. */
const MODEL_C = 0.5;
/** How much of the way to the wet bulb a drying surface may be off: in the present stage, which was fitted, and later. */
const DRYING = { present: 0.05, later: 0.08 };

/** Start of the time in which the air of a stage tells how the house holds its set point, s. */
export const settledFromS = (stageStartS: number, lagS: number, nowS: number): number =>
  Math.max(nowS - WINDOW_S, stageStartS + Math.max(SETTLED_S, SETTLED_LAGS * lagS));

/** How far drying takes a wet surface below the air of a stage, °C; none where nothing can leave. */
function depressionC(stage: HeatStage, product: HeatProduct): number {
  if (stage.medium !== 'air' || usualPermeability(product) === 0) return 0;
  const wetC = stage.wetBulbC ?? wetBulbFromRh(stage.airC, stage.rh ?? 0.5);
  return Math.max(0, stage.airC - wetC);
}

/**
 * Spread of a house's mean air over the time to come, °C: how far its settled air swings and how often its
 * door opens, as the means of ten minutes show it; as usual where few were seen.
 */
function houseSpreadC(air: Binned, fromS: number, leftS: number, offC: number): number {
  const blocks = new Map<number, { sum: number; n: number }>();
  for (const b of air) {
    if (b.tS < fromS) continue;
    const key = Math.floor((b.tS - fromS) / BLOCK_S);
    const block = blocks.get(key) ?? { sum: 0, n: 0 };
    blocks.set(key, { sum: block.sum + b.tempC, n: block.n + 1 });
  }
  const means = [...blocks.values()].map((b) => b.sum / b.n);
  const mean = means.reduce((a, b) => a + b, 0) / Math.max(1, means.length);
  const seen = means.reduce((sum, m) => sum + (m - mean) ** 2, 0);
  const { sdC, blocks: worth } = USUAL_BLOCK;
  const blockC2 = (worth * sdC ** 2 + seen) / (worth + Math.max(0, means.length - 1));
  const toCome = blockC2 / Math.max(1, leftS / BLOCK_S);
  const levelC2 = 1 / (1 / offC ** 2 + means.length / blockC2);
  return Math.sqrt(toCome + levelC2);
}

/**
 * Spread of what surrounds the piece from now on, as air, °C: for the rest of the present stage, and how much
 * that of later ones adds.
 * @param stageEndsS when the model sees the stages end, s
 * @param leftS how long it will go on, s
 */
export function spreadAhead(
  { run, airRead }: Pick<FittedRun, 'run' | 'airRead'>,
  stageEndsS: readonly number[],
  leftS: number,
): { presentC: number; laterC: number } {
  const ended = stageEndsS.filter((s) => s <= run.nowS).length;
  const present = Math.min(ended, run.stages.length - 1);
  const fromS = settledFromS(stageEndsS[present - 1] ?? 0, run.houseLagS, run.nowS);
  const drying = run.stages.map((s) => depressionC(s, run.product));
  const { medium, elsewhere } = run.stages[present]!;
  const offC = present === 0 || elsewhere ? USUAL_OFF_C.first : USUAL_OFF_C.later;
  const around = elsewhere ? offC : houseSpreadC(airRead, fromS, leftS, offC);
  const houseC = medium === 'air' ? around : 0;
  return {
    presentC: Math.hypot(MODEL_C, houseC, DRYING.present * drying[present]!),
    laterC: DRYING.later * Math.max(0, ...drying.slice(present + 1)),
  };
}

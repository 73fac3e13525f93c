import {
  designProgram,
  heatStage,
  programTroubles,
  simulateProgram,
  type HeatStage,
  type ProgramStage,
} from '../../core';
import type { BenchReply, BenchRequest, WhatIf, WhatIfAnswer } from './protocol';

const SAMPLES = 400;
const SHORTEST_SAMPLE_S = 15;
const LATENT_J_KG = 2.4e6;
const J_PER_KWH = 3.6e6;
/** Stages without an end of their own stop here on the bench, s. */
const PATIENCE_S = 24 * 3600;

const stageOf = (s: ProgramStage, house: WhatIf['house']): HeatStage => {
  const heat = heatStage(s, house.lagS);
  const inHouse = (s.place ?? 'house') === 'house' && heat.medium === 'air';
  return {
    ...heat,
    hWm2K: (heat.hWm2K ?? 20) * (inHouse ? house.film : 1),
    maxS: heat.maxS ?? (heat.endS === undefined || heat.join === 'all' ? PATIENCE_S : undefined),
  };
};

/** Runs one product through one program and says what is wrong with it. */
export function whatIf(input: WhatIf): WhatIfAnswer {
  const heat = input.stages.map((s) => stageOf(s, input.house));
  const planned = input.stages.reduce((sum, s) => sum + s.plannedS, 0);
  const run = simulateProgram({
    product: input.product,
    stages: heat,
    outputEveryS: Math.max(SHORTEST_SAMPLE_S, planned / SAMPLES),
    startAirC: 18,
    model: input.rules.lethality.body.model,
  });
  const end = run.samples.at(-1)!;
  const hottest = Math.max(...run.samples.map((s) => s.meanC));
  const heldJKg = run.cpJkgK * Math.max(0, hottest - input.product.startC);
  return {
    run,
    troubles: programTroubles({ ...input, heat, run }),
    energyKwhPerKg: (heldJKg + end.lossFraction * LATENT_J_KG) / J_PER_KWH,
  };
}

/** Answers one request; a figure that the core refuses becomes a message. */
export function answer(request: BenchRequest): BenchReply {
  const { id } = request;
  try {
    if (request.kind === 'what_if')
      return { id, ok: true, kind: 'what_if', answer: whatIf(request.input) };
    return { id, ok: true, kind: 'design', stages: designProgram(request.product, request.goal) };
  } catch (error) {
    return { id, ok: false, message: error instanceof Error ? error.message : String(error) };
  }
}

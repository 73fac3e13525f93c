import {
  creditedPh,
  floorRuleOf,
  runStages,
  smokelessS,
  type Case,
  type StageEvidence,
} from '@/core';
import { liveHeat } from './live';

/** What is known now of what a stage may wait for: slowest credited core, logs, pH, a hand on the surface. */
export function stageEvidence(c: Case): StageEvidence {
  const heat = liveHeat(c);
  const at = runStages(c.state).at(-1);
  const dryS = c.state.steps.surface_dry?.atS;
  return {
    coreC: heat?.coreC ?? null,
    logs: heat?.logs ?? null,
    lossFraction: null,
    ph: c.recipe.fermentation ? creditedPh(c) : null,
    smokelessS: smokelessS(c.state, floorRuleOf(c.rules).smokeLookS, c.nowS),
    dry: at !== undefined && dryS !== undefined && dryS >= at.startS,
  };
}

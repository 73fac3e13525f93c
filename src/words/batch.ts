import type {
  BatchState,
  CheckCode,
  DispositionKind,
  DoseBasis,
  LotProblem,
  Phase,
  RuleKind,
  StepName,
} from '@/core';

const PHASE_WORDS: Record<Phase, string> = {
  weighing: 'Weighing',
  cure_hold: 'Cure hold',
  making: 'Making',
  in_house: 'In the house',
  chilling: 'Chilling',
  drying: 'Drying',
  finishing: 'Before packing',
  serving: 'Waiting to be eaten',
  raw: 'Raw, stuffed',
  to_sign: 'Waiting for signature',
  released: 'Released',
  destroyed: 'Destroyed',
};

/**
 * Where a batch stands, in the words of every screen: what is on hold waits for a decision, whatever its phase.
 * @param place the name of the house, bath or chamber that it is in, where the page knows it
 */
export function standWords(
  { phase, holds }: Pick<BatchState, 'phase' | 'holds'>,
  place?: string,
): string {
  const stands = phase === 'in_house' && place ? `In ${place}` : PHASE_WORDS[phase];
  if (phase === 'destroyed' || !holds.some((h) => h.open)) return stands;
  return phase === 'to_sign' ? 'On hold' : `${stands}, on hold`;
}

export const CHECK_WORDS: Record<CheckCode, string> = {
  dose: 'Cure dose',
  cure_hold: 'Cure hold',
  uncured_smoke: 'No slow smoke without cure',
  fermentation: 'Fermentation',
  come_up: 'Come-up',
  lethality: 'Lethality',
  cooling: 'Cooling',
  probe_evidence: 'Probe evidence',
  ingredients: 'Everything weighed',
  rework: 'Rework',
  parasites: 'Parasites',
  drying: 'Drying',
  validated_plan: 'Validated plan',
  serving: 'Eaten hot',
  cold_chain: 'Cold chain',
  label: 'Label',
  making: 'Making',
};

export const BASIS_WORDS: Record<DoseBasis, string> = {
  meat_block: 'meat block',
  whole_batch: 'whole batch',
  finished: 'finished weight',
};

/** Names of the rules: those of the checks, and what a formula is held against. */
export const RULE_WORDS: Record<RuleKind, string> = {
  ...CHECK_WORDS,
  floor: 'Casing to cooler',
  shelf: 'Keeping without a cooler',
  formula: 'Formula',
};

export const LOT_PROBLEM_WORDS: Record<LotProblem, string> = {
  past_use_by: 'past its use-by',
  wrong_strength: 'another strength than the recipe was written for',
  wrong_ingredient: 'not the ingredient of this line',
  other_owner: 'meat of another owner',
};

export const STEP_WORDS: Record<StepName, string> = {
  grind: 'Grind',
  mix: 'Mix',
  stuff: 'Stuff',
  surface_dry: 'Surface-dry',
  bloom: 'Bloom',
  freeze: 'Freeze',
  pack: 'Pack',
};

export const MEDIUM_WORDS = {
  ice_bath: 'Ice bath',
  shower: 'Cold shower',
  cooler: 'Cooler',
} as const;

export const DISPOSITION_WORDS: Record<DispositionKind, string> = {
  continue: 'Go on: the work may continue, the failed check stays open',
  cook_on: 'Cook on: back to the house until lethality is reached',
  rework: 'Rework: corrected figures or meat added, judged again',
  destroy: 'Destroy the batch',
  release_on_authority: 'Release on an authority’s written decision',
};

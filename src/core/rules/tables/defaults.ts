import type { RuleKind } from '../rule';

/** What a new site starts with: the stricter preset of each kind. */
export const DEFAULT_RULES: Record<RuleKind, string> = {
  dose: 'dose-us-comminuted',
  lethality: 'lethality-integrated',
  cooling: 'cooling-standard',
  come_up: 'come-up-6h',
  cure_hold: 'cure-hold-8h',
  uncured_smoke: 'uncured-smoke-2h',
  probe_evidence: 'probe-physics',
  fermentation: 'fermentation-degree-hours-2',
  parasites: 'parasites-frozen',
  drying: 'drying-three-pieces',
  serving: 'serving-2h',
  cold_chain: 'cold-chain-raw',
  making: 'making-usual',
  floor: 'floor-usual',
  shelf: 'shelf-aw-085',
  formula: 'formula-us-cooked',
};

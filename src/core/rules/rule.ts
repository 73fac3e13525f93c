import { sodiumNitriteFromIon } from '../units/nitrite-ion';
import { FLOOR_USUAL } from './tables/floor';
import { SHELF_STRICT } from './tables/shelf';
import type { RuleBody, RuleBodyOf, RuleKind } from './definition';

export type DoseRule = RuleBodyOf<'dose'>;
export type FermentationRule = RuleBodyOf<'fermentation'>;
export type LethalityRule = RuleBodyOf<'lethality'>;
export type CureHoldRule = RuleBodyOf<'cure_hold'>;
export type FloorRule = RuleBodyOf<'floor'>;
export type MakingRule = RuleBodyOf<'making'>;
export type ProbeRule = RuleBodyOf<'probe_evidence'>;

export type { RuleBody, RuleKind };

/** One immutable version of a rule, with the text it comes from. */
export type Rule<B extends RuleBody = RuleBody> = {
  id: string;
  code: string;
  version: number;
  title: string;
  source: string;
  body: B;
};

/** The rules a batch is judged by, one of each kind, pinned when it starts. */
export type RuleSet = { [K in RuleKind]: Rule<Extract<RuleBody, { kind: K }>> };

/** A dose rule as a dose sheet takes it: its limits as sodium nitrite, with what they refer to. */
export const sheetLimits = (rule: DoseRule) => ({ basis: rule.basis, ...doseLimits(rule) });

/** Limits of a dose rule as sodium nitrite, mg/kg of its basis, whatever the rule expresses them as. */
export function doseLimits(rule: DoseRule): { minPpm: number; maxPpm: number } {
  if (rule.as !== 'nitrite_ion') return { minPpm: rule.minPpm, maxPpm: rule.maxPpm };
  return {
    minPpm: sodiumNitriteFromIon(rule.minPpm),
    maxPpm: sodiumNitriteFromIon(rule.maxPpm),
  };
}

/** What is usual on the floor by a batch's rules; the starter values for one that began before there was such a rule. */
export const floorRuleOf = (rules: Partial<RuleSet>): FloorRule => rules.floor?.body ?? FLOOR_USUAL;

/** The site's rule of what keeps without a cooler; the strict one for batches that began before there was one. */
export const shelfRuleOf = (rules: Partial<RuleSet>): RuleBodyOf<'shelf'> =>
  rules.shelf?.body ?? SHELF_STRICT;

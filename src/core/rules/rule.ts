import type { CoolingStep } from '../cooling/check-cooling';
import type { LethalityModel } from '../lethality/lethality';

export type DoseRule = {
  kind: 'dose';
  basis: 'meat_block';
  /** As sodium nitrite, mg/kg of basis. */
  minPpm: number;
  maxPpm: number;
};
export type LethalityRule = {
  kind: 'lethality';
  way: 'end_point' | 'table' | 'integrated';
  endPointC: { meat: number; poultry: number };
  model: LethalityModel;
  targetLogs: { meat: number; poultry: number };
};
export type CoolingRule = {
  kind: 'cooling';
  steps: CoolingStep[];
  /** In-going amounts a batch must have for this rule to be allowed at all. */
  needs?: { nitritePpm: number; acceleratorPpm: number };
};
export type ComeUpRule = { kind: 'come_up'; fromC: number; toC: number; maxS: number };
export type CureHoldRule = {
  kind: 'cure_hold';
  minS: number;
  maxCoolerC: number;
  acceleratorFromPpm: number;
};
export type UncuredSmokeRule = {
  kind: 'uncured_smoke';
  fromC: number;
  toC: number;
  maxS: number;
  coldSmokeBelowC: number;
};
export type ProbeRule = {
  kind: 'probe_evidence';
  /** Longest silence that still counts as one log, s: logger and hand readings in the house, and in the chill. */
  maxGapS: number;
  handMaxGapS: number;
  chillMaxGapS: number;
  /** A probe that shows the very same value for longer than this while the house is hot is stuck, s. */
  flatLineS: number;
  /** Steepest believable change of a core, °C per minute. */
  maxCPerMin: number;
};

export type RuleBody =
  DoseRule | LethalityRule | CoolingRule | ComeUpRule | CureHoldRule | UncuredSmokeRule | ProbeRule;
export type RuleKind = RuleBody['kind'];

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

export const RULE_KINDS: readonly RuleKind[] = [
  'dose',
  'cure_hold',
  'uncured_smoke',
  'come_up',
  'lethality',
  'cooling',
  'probe_evidence',
];

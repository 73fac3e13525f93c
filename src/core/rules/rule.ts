import type { CoolingStep } from '../cooling/check-cooling';
import { sodiumNitriteFromIon } from '../formula/nitrite-ion';
import type { DoseBasis } from '../formula/recipe';
import type { LethalityModel } from '../lethality/lethality';

export type DoseRule = {
  kind: 'dose';
  basis: DoseBasis;
  /** What the limits are expressed as; sodium nitrite when left out. */
  as?: 'sodium_nitrite' | 'nitrite_ion';
  /** mg/kg of basis. */
  minPpm: number;
  maxPpm: number;
};
/** Limits on a formula that are not a batch's verdict: they advise, or block a recipe's approval. */
export type FormulaRule = {
  kind: 'formula';
  minSaltFraction: number;
  maxSaltFraction: number;
  maxAcceleratorPpm: number;
  maxBinderFraction: number;
  maxPhosphateFraction: number;
  maxFatFraction: number;
  maxFatWaterFraction: number;
};
export type FermentationRule = {
  kind: 'fermentation';
  /** pH to be reached, and the temperature above which degree-hours count, °C. */
  targetPh: number;
  floorC: number;
  /** Limit by the warmest chamber temperature, rising; the last one holds for all above. */
  bands: { belowC: number; degreeHours: number; inclusive?: boolean }[];
  /** pH counts once two readings this far apart show it, s; 15 min where left out. */
  phApartS?: number;
  /** Longest above floorC after the pH was reached and before the cook, s. */
  warmAfterMaxS?: number;
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
  /** Longest that raw cured meat may be held, s; the recipe's own limit where left out. */
  maxS?: number;
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
  /** A core that takes on the air's temperature faster than meat can is out of its piece. */
  slidOut?: boolean;
  /** A core hotter than its coolest neighbour by more than this, °C, for longer than neighbourS, has drifted. */
  neighbourC?: number;
  neighbourS?: number;
  /** A house probe earns credit only this long after its last check in ice or boiling water, s. */
  calibrationMaxAgeS?: number;
};

export type RuleBody =
  | DoseRule
  | LethalityRule
  | CoolingRule
  | ComeUpRule
  | CureHoldRule
  | UncuredSmokeRule
  | ProbeRule
  | FormulaRule
  | FermentationRule;
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

/** Limits of a dose rule as sodium nitrite, mg/kg of its basis, whatever the rule expresses them as. */
export function doseLimits(rule: DoseRule): { minPpm: number; maxPpm: number } {
  if (rule.as !== 'nitrite_ion') return { minPpm: rule.minPpm, maxPpm: rule.maxPpm };
  return {
    minPpm: sodiumNitriteFromIon(rule.minPpm),
    maxPpm: sodiumNitriteFromIon(rule.maxPpm),
  };
}

export const RULE_KINDS: readonly RuleKind[] = [
  'dose',
  'cure_hold',
  'uncured_smoke',
  'come_up',
  'lethality',
  'cooling',
  'probe_evidence',
  'fermentation',
  'formula',
];

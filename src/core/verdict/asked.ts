import type { Outcome } from '../recipe/recipe';
import { outcomeOf, programOf } from '../route/read';
import { check, type Case, type Check } from './check';
import { checkChill } from './chill-check';
import { checkColdChain, checkLabel } from './cold-chain-check';
import { checkComeUp, checkUncuredSmoke } from './come-up-check';
import { checkCureHold, checkDose, checkIngredients } from './dose-check';
import { checkDrying, checkPlan } from './drying-check';
import { checkProbeEvidence } from './evidence-check';
import { checkFermentation } from './fermentation-check';
import { checkLethality } from './lethality-check';
import { checkMaking } from './making-check';
import { checkParasites } from './parasite-check';
import { checkServing } from './serving-check';

/** Judges one check of a case; null where the case has no such check. */
export type Judge = (c: Case) => Check | null;

/** Asked for rework blocks the release until somebody has recorded it. */
const checkRework: Judge = (c) =>
  c.state.reworkOpen ? check('rework', c.rules.probe_evidence, 'missing', 'not_recorded') : null;

const fermented: Judge = (c) => (c.recipe.fermentation ? checkFermentation(c) : null);
/** What was smoked raw is asked about its smoke; what was never hung is not. */
const smoked: Judge = (c) =>
  c.state.run || programOf(c.recipe).length > 0 ? checkUncuredSmoke(c) : null;
/** Eaten hot is served in time; once its chill has begun, that is judged instead. */
const servedOrChilled: Judge = (c) => (c.state.chill.length > 0 ? checkChill(c) : checkServing(c));

const MADE: readonly Judge[] = [checkDose, checkIngredients, checkMaking, checkCureHold];
const HEATED: readonly Judge[] = [checkUncuredSmoke, fermented, checkComeUp, checkLethality];

/** What each outcome is asked, in the order of the work. Nothing stands in for a check that its outcome asks. */
const ASKED: Record<Outcome, readonly Judge[]> = {
  cooked: [...MADE, ...HEATED, checkChill, checkDrying, checkProbeEvidence, checkRework],
  dried: [
    ...MADE,
    checkUncuredSmoke,
    checkFermentation,
    checkParasites,
    checkDrying,
    checkPlan,
    checkRework,
  ],
  cook_before_eating: [...MADE, smoked, checkColdChain, checkLabel, checkRework],
  eaten_hot: [...MADE, ...HEATED, servedOrChilled, checkProbeEvidence, checkRework],
};

/** The checks that this case is asked. */
export const askedOf = (c: Case): readonly Judge[] => ASKED[outcomeOf(c.recipe)];

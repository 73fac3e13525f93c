import { ppmBand, ppmFromWeighed } from '../formula/dose-cure';
import { CURE_LINE, SALT_LINE } from '../formula/scale-recipe';
import { holdOf } from '../route/read';
import { doseLimits } from '../rules/rule';
import { meatOfLoad, weighingsOf } from '../logbook/chapters/weighing';
import type { Weighed } from '../logbook/kinds/weighing';
import { check, type Case, type Check, type CheckStatus, type Figure } from './check';
import { holdWarmestC } from './known-temps';
import { nitriteOf, owedHoldS, unweighedLines, weighedBasis } from './weighed-basis';

/** A scale whose division is more than this share of a dose cannot weigh it. */
export const TOO_COARSE_SHARE = 0.1;
/** Rounding of binary figures, not a margin. */
const SAME_SHARE = 1e-9;

/** The cure of one load, as if the whole batch had been made of such loads; where nobody split it, the cure itself. */
function cureOfLoads({ recipe, state }: Case, cure: Weighed): Weighed[] {
  const numbers = [...new Set(cure.parts.flatMap((w) => w.load ?? []))];
  if (numbers.length === 0) return [cure];
  return numbers.map((load) => {
    const times = state.meatG! / meatOfLoad(state, recipe, load);
    const parts = cure.parts
      .filter((w) => w.load === load)
      .map((w) => ({
        ...w,
        amountG: w.amountG * times,
        scaleResolutionG: w.scaleResolutionG * times,
      }));
    const sum = (of: (w: (typeof parts)[number]) => number) => parts.reduce((n, w) => n + of(w), 0);
    return {
      ...parts.at(-1)!,
      amountG: sum((w) => w.amountG),
      scaleResolutionG: sum((w) => w.scaleResolutionG),
      parts,
    };
  });
}

/**
 * Dose recorded from what was weighed, checked a second time, and inside the site's limits. A batch that was made in loads
 * is judged by each of them: a cure that went into one load twice and into another not at all is right in the sum only.
 */
export function checkDose(c: Case): Check {
  const { recipe, rules, state } = c;
  const cure = state.weighed[CURE_LINE];
  if (!recipe.cure || !cure || state.loads === 1 || state.meatG === null) return doseOf(c, cure);
  const made = cureOfLoads(c, cure).map((one) => doseOf(c, one));
  const order: CheckStatus[] = ['fail', 'missing', 'pass'];
  const worst = order.flatMap((s) => made.find((m) => m.status === s) ?? [])[0];
  return worst ?? check('dose', rules.dose, 'missing', 'cure_not_weighed');
}

/** One cure against the batch's basis and limits. */
function doseOf({ recipe, rules, state }: Case, cure: Weighed | undefined): Check {
  const rule = rules.dose;
  if (!recipe.cure) return check('dose', rule, 'pass', 'no_cure_in_recipe');
  if (state.meatG === null) return check('dose', rule, 'missing', 'meat_not_weighed');
  if (!cure) return check('dose', rule, 'missing', 'cure_not_weighed');
  const { basisG, resolutionG, far } = weighedBasis(recipe, state, state.meatG, rule.body.basis);
  const { minPpm, maxPpm } = doseLimits(rule.body);
  const input = {
    basisG,
    cureG: cure.amountG,
    nitriteFraction: nitriteOf(recipe, cure),
  };
  const ppm = ppmFromWeighed(input);
  const meatScaleG = resolutionG < 2 * basisG ? resolutionG : 0;
  const band = ppmBand({ ...input, cureScaleG: cure.scaleResolutionG, meatScaleG });
  const figures: Figure[] = [
    { name: 'ppm', value: ppm, unit: 'ppm' },
    { name: 'ppmLow', value: band.ppmLow, unit: 'ppm' },
    { name: 'ppmHigh', value: band.ppmHigh, unit: 'ppm' },
    { name: 'minPpm', value: minPpm, unit: 'ppm' },
    { name: 'maxPpm', value: maxPpm, unit: 'ppm' },
    { name: 'cureG', value: cure.amountG, unit: 'dose' },
    { name: 'nitritePercent', value: input.nitriteFraction * 100, unit: 'percent' },
    { name: 'meatG', value: state.meatG, unit: 'g' },
  ];
  if (rule.body.basis !== 'meat_block') figures.push({ name: 'basisG', value: basisG, unit: 'g' });
  if (ppm > maxPpm) return check('dose', rule, 'fail', 'over_limit', figures);
  if (ppm < minPpm) return check('dose', rule, 'fail', 'under_limit', figures);
  const coarse =
    cure.scaleResolutionG > TOO_COARSE_SHARE * cure.amountG ||
    (band.ppmHigh > maxPpm && band.ppmLow < minPpm);
  if (coarse) {
    figures.push({ name: 'scaleG', value: cure.scaleResolutionG, unit: 'dose' });
    return check('dose', rule, 'fail', 'scale_too_coarse', figures);
  }
  /* What the scales cannot exclude counts: the top of the band is held against the most. */
  if (band.ppmHigh > maxPpm * (1 + SAME_SHARE))
    return check('dose', rule, 'fail', 'band_over_limit', figures);
  if (far.length > 0) return check('dose', rule, 'missing', 'line_far_off', figures);
  if (!state.cureCheck) return check('dose', rule, 'missing', 'not_checked', figures);
  if (!state.cureCheck.matches) return check('dose', rule, 'missing', 'check_differs', figures);
  if (state.cureCheck.method === 'second_person' && !state.cureCheck.second)
    return check('dose', rule, 'missing', 'same_person', figures);
  return check('dose', rule, 'pass', state.cureCheck.method, figures);
}

/** Everything that the recipe asks for was weighed before it was stuffed, or left out by a decision. */
export function checkIngredients({ recipe, rules, state }: Case): Check | null {
  const { stuff } = state.steps;
  /* Where nothing but meat and cure is weighed here, the rest is weighed elsewhere: asked at the door alone. */
  const rest = [SALT_LINE, ...recipe.additions.map((a) => a.id)];
  if (!rest.some((id) => state.weighed[id]) || !(stuff || state.run)) return null;
  const lines = unweighedLines(recipe, state).filter((id) => !stuff?.without.includes(id));
  const figures: Figure[] = [{ name: 'lines', value: lines.length, unit: 'count' }];
  return lines.length > 0
    ? check('ingredients', rules.formula, 'missing', 'not_weighed', figures)
    : check('ingredients', rules.formula, 'pass', 'weighed', figures);
}

/**
 * Seconds that the batch was in the cooler with its cure, all stretches together; one that runs, up to now. Nothing cures
 * before the last of the cure was weighed.
 */
function heldS({ state, nowS }: Case): number {
  const curedS = Math.max(...weighingsOf(state, CURE_LINE).map((w) => w.atS), -Infinity);
  return state.hold!.stretches.reduce(
    (sum, s) => sum + Math.max(0, (s.endS ?? nowS) - Math.max(s.startS, curedS)),
    0,
  );
}

/** The cure hold was long enough, cold enough and not too long, or is not needed. */
export function checkCureHold(c: Case): Check {
  const { recipe, rules, state } = c;
  const rule = rules.cure_hold;
  const neededS = owedHoldS(c, rule.body);
  if (!state.hold) {
    if (neededS === 0)
      return check('cure_hold', rule, 'pass', recipe.cure ? 'accelerator' : 'no_cure_in_recipe');
    const claimed = recipe.additions.some((a) => a.kind === 'accelerator' && !state.weighed[a.id]);
    return check(
      'cure_hold',
      rule,
      state.run && !claimed ? 'fail' : 'missing',
      claimed ? 'accelerator_not_weighed' : 'not_started',
      [{ name: 'neededS', value: neededS, unit: 's' }],
    );
  }
  const warmestC = holdWarmestC(c);
  const maxS = Math.min(rule.body.maxS ?? Infinity, longestHoldS(c));
  const figures: Figure[] = [
    { name: 'heldS', value: heldS(c), unit: 's' },
    { name: 'neededS', value: neededS, unit: 's' },
    { name: 'maxCoolerC', value: rule.body.maxCoolerC, unit: 'C' },
  ];
  if (warmestC !== null) figures.push({ name: 'warmestC', value: warmestC, unit: 'C' });
  const longS = (state.hold.endS ?? c.nowS) - state.hold.startS;
  /* One that nobody has ended may have been ended and not written down yet. */
  if (longS > maxS) {
    figures.push({ name: 'maxS', value: maxS, unit: 's' });
    return state.hold.endS === null
      ? check('cure_hold', rule, 'missing', 'runs_too_long', figures)
      : check('cure_hold', rule, 'fail', 'too_long', figures);
  }
  if (warmestC !== null && warmestC > rule.body.maxCoolerC)
    return check('cure_hold', rule, 'fail', 'too_warm', figures);
  if (state.hold.endS === null)
    return check('cure_hold', rule, 'missing', state.run ? 'not_ended' : 'running', figures);
  if (neededS === 0) return check('cure_hold', rule, 'pass', 'accelerator', figures);
  if (warmestC === null) return check('cure_hold', rule, 'missing', 'no_cooler_temp', figures);
  return figures[0]!.value >= neededS
    ? check('cure_hold', rule, 'pass', 'held', figures)
    : check('cure_hold', rule, 'fail', 'too_short', figures);
}

/** Longest raw hold by the recipe, s; one that plans none sets no limit. */
const longestHoldS = ({ recipe }: Case) => holdOf(recipe).maxS;

import { ppmBand, ppmFromWeighed } from '../formula/dose-cure';
import { CURE_LINE } from '../formula/scale-recipe';
import { doseLimits } from '../rules/rule';
import { requiredHoldS } from '../schedule/recipe-blocks';
import { check, type Case, type Check, type Figure } from './check';
import { weighedBasis } from './weighed-basis';

/** Dose recorded from what was weighed, checked a second time, and inside the site's limits. */
export function checkDose({ recipe, rules, state }: Case): Check {
  const rule = rules.dose;
  if (!recipe.cure) return check('dose', rule, 'pass', 'no_cure_in_recipe');
  const cure = state.weighed[CURE_LINE];
  if (state.meatG === null) return check('dose', rule, 'missing', 'meat_not_weighed');
  if (!cure) return check('dose', rule, 'missing', 'cure_not_weighed');
  const { basisG, resolutionG } = weighedBasis(recipe, state, state.meatG, rule.body.basis);
  const { minPpm, maxPpm } = doseLimits(rule.body);
  const input = {
    basisG,
    cureG: cure.amountG,
    nitriteFraction: cure.nitriteFraction ?? recipe.cure.nitriteFraction,
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
  if (!state.cureCheck) return check('dose', rule, 'missing', 'not_checked', figures);
  if (!state.cureCheck.matches) return check('dose', rule, 'missing', 'check_differs', figures);
  return check('dose', rule, 'pass', state.cureCheck.method, figures);
}

/** The cure hold was long enough and cold enough, or is not needed. */
export function checkCureHold({ recipe, rules, state, nowS }: Case): Check {
  const rule = rules.cure_hold;
  const neededS = requiredHoldS(recipe, rule.body);
  if (neededS === 0)
    return check('cure_hold', rule, 'pass', recipe.cure ? 'accelerator' : 'no_cure_in_recipe');
  if (!state.hold)
    return check('cure_hold', rule, state.run ? 'fail' : 'missing', 'not_started', [
      { name: 'neededS', value: neededS, unit: 's' },
    ]);
  const { startS, endS, warmestC } = state.hold;
  const figures: Figure[] = [
    { name: 'heldS', value: (endS ?? state.run?.startS ?? nowS) - startS, unit: 's' },
    { name: 'neededS', value: neededS, unit: 's' },
    { name: 'maxCoolerC', value: rule.body.maxCoolerC, unit: 'C' },
  ];
  if (warmestC !== null) figures.push({ name: 'warmestC', value: warmestC, unit: 'C' });
  if (warmestC !== null && warmestC > rule.body.maxCoolerC)
    return check('cure_hold', rule, 'fail', 'too_warm', figures);
  if (endS === null && !state.run) return check('cure_hold', rule, 'missing', 'running', figures);
  if (warmestC === null) return check('cure_hold', rule, 'missing', 'no_cooler_temp', figures);
  return figures[0]!.value >= neededS
    ? check('cure_hold', rule, 'pass', 'held', figures)
    : check('cure_hold', rule, 'fail', 'too_short', figures);
}

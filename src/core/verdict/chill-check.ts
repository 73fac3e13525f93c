import { COOLING_STEPS } from '../cooling/steps';
import type { TimedWindow } from '../cooling/timed-window';
import { check, type Case, type Check, type Figure } from './check';
import { weighedAcceleratorPpm, weighedPpm } from './weighed-basis';
import { chillView, coolingOf } from './windows';

/** The window with the longest view of a limit: fails first, then unfinished, then the slowest. */
function slowest(windows: readonly TimedWindow[]): TimedWindow | null {
  const rank: Record<string, number> = { fail: 2, incomplete: 1, pass: 0 };
  return windows.reduce<TimedWindow | null>((worst, w) => {
    if (!worst || rank[w.status]! > rank[worst.status]!) return w;
    return rank[w.status] === rank[worst.status] && (w.elapsedS ?? 0) > (worst.elapsedS ?? 0)
      ? w
      : worst;
  }, null);
}

/** May this batch use the rule at all: nitrite and accelerator as they were weighed. */
function ruleAllowed(c: Case): Check | null {
  const rule = c.rules.cooling;
  const { needs } = rule.body;
  if (!needs) return null;
  const ppm = weighedPpm(c);
  const acceleratorPpm = weighedAcceleratorPpm(c.recipe, c.state);
  if (ppm >= needs.nitritePpm && acceleratorPpm >= needs.acceleratorPpm) return null;
  return check('cooling', rule, 'fail', 'rule_not_allowed', [
    { name: 'ppm', value: ppm, unit: 'ppm' },
    { name: 'acceleratorPpm', value: acceleratorPpm, unit: 'ppm' },
  ]);
}

/** Steps are counted from 1. */
const stepOf = (index: number) => COOLING_STEPS[index]!;

/** Cooling of the slowest core against the site's rule, and whether this batch may use that rule. */
export function checkChill(c: Case): Check {
  const rule = c.rules.cooling;
  const view = chillView(c);
  if (!view) return check('cooling', rule, 'missing', 'not_pulled');
  const refused = ruleAllowed(c);
  if (refused) return refused;
  const counted = view.counted.filter((x) => x.spans.length > 0);
  if (counted.length === 0) return check('cooling', rule, 'missing', 'no_core_log');
  const all = counted.map((x) => coolingOf(c, x.log));
  const byStep = rule.body.steps.map((_, i) => slowest(all.map((w) => w[i]!))!);
  const worst = slowest(byStep)!;
  const figures = byStep.flatMap((w, i): Figure[] => {
    const n = stepOf(i);
    return [
      { name: `from${n}`, value: w.fromC, unit: 'C' },
      { name: `to${n}`, value: w.toC, unit: 'C' },
      { name: `elapsed${n}`, value: w.elapsedS ?? 0, unit: 's' },
      { name: `max${n}`, value: w.maxS, unit: 's' },
    ];
  });
  if (worst.status === 'fail')
    return check('cooling', rule, 'fail', `too_slow_${stepOf(byStep.indexOf(worst))}`, figures);
  const hand = view.worseByHand;
  const { toC } = rule.body.steps.at(-1)!;
  if (hand && hand.reading.tempC > toC && hand.answeredS === null)
    return check('cooling', rule, 'missing', 'warmer_by_hand', [
      { name: 'handC', value: hand.reading.tempC, unit: 'C' },
      ...figures,
    ]);
  return worst.status === 'incomplete'
    ? check('cooling', rule, 'missing', 'incomplete', figures)
    : check('cooling', rule, 'pass', 'pass', figures);
}

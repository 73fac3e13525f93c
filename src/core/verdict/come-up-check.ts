import { runProgram, runStages } from '../run/run-stage';
import { check, type Case, type Check, type Figure } from './check';
import { phReachedS } from './ferment-view';
import { growthOf, type Growth } from './growth';
import { logsOf } from './surroundings';
import { houseView, houseWindow } from './windows';

/** A smoke stage whose air is cold for longer than this is a cold smoke, s. */
const COLD_AIR_S = 1800;

/** The piece with the longest stay where organisms grow: failures first, then what is not over. */
export function longestGrowth(
  c: Case,
  band: { fromC: number; toC: number; maxS: number },
): Growth | null {
  const window = houseWindow(c);
  const rank = { fail: 2, incomplete: 1, pass: 0 } as const;
  const all = (houseView(c)?.counted ?? []).map((x) => growthOf(c, x.log, window!.toS, band));
  return all.reduce<Growth | null>((worst, g) => {
    if (!worst || rank[g.status] > rank[worst.status]) return g;
    return rank[g.status] === rank[worst.status] && g.elapsedS > worst.elapsedS ? g : worst;
  }, null);
}

const growthFigures = (g: Growth): Figure[] => [
  { name: 'elapsedS', value: g.elapsedS, unit: 's' },
  { name: 'maxS', value: g.maxS, unit: 's' },
  { name: 'fromC', value: g.fromC, unit: 'C' },
  { name: 'toC', value: g.toC, unit: 'C' },
];

function growthCheck(c: Case, code: 'come_up' | 'uncured_smoke'): Check {
  const rule = c.rules[code];
  const { fromC, toC, maxS } = rule.body;
  const g = longestGrowth(c, { fromC, toC, maxS });
  if (!g) return check(code, rule, 'missing', 'no_core_log');
  const status = g.status === 'incomplete' ? 'missing' : g.status;
  return check(code, rule, status, g.status === 'fail' ? 'too_slow' : g.status, growthFigures(g));
}

/** Longest time for which the measured air of a smoke stage stayed below a temperature, with its mean, or null. */
function coldSmoke(c: Case, belowC: number): { airC: number } | null {
  const endS = c.state.run?.pulledS ?? c.nowS;
  const stages = runStages(c.state);
  for (const [i, s] of stages.entries()) {
    if (!s.stage.smoke || s.medium !== 'air') continue;
    const toS = stages[i + 1]?.startS ?? endS;
    for (const log of logsOf(c, 'air')) {
      const inside = log.filter((r) => r.tS >= s.startS && r.tS <= toS);
      let start: number | null = null;
      for (const r of inside) {
        if (r.tempC >= belowC) start = null;
        else if (r.tS - (start ??= r.tS) > COLD_AIR_S) return { airC: r.tempC };
      }
    }
  }
  return null;
}

/** Without cure: no cold smoke, set or measured, and through the warm zone quickly. */
export function checkUncuredSmoke(c: Case): Check {
  const rule = c.rules.uncured_smoke;
  if (c.recipe.cure) return check('uncured_smoke', rule, 'pass', 'cured');
  const { coldSmokeBelowC } = rule.body;
  const set = runProgram(c).find((s) => s.smoke && s.airC < coldSmokeBelowC);
  const cold = set ?? coldSmoke(c, coldSmokeBelowC);
  if (cold)
    return check('uncured_smoke', rule, 'fail', 'cold_smoke', [
      { name: 'airC', value: cold.airC, unit: 'C' },
    ]);
  return growthCheck(c, 'uncured_smoke');
}

/** Time of the slowest core where organisms grow, over the batch's life. */
export function checkComeUp(c: Case): Check {
  const rule = c.rules.come_up;
  /* Below the target pH the organisms that come-up is about are held; until then degree-hours count. */
  if (c.recipe.fermentation)
    return phReachedS(c) === null
      ? check('come_up', rule, 'missing', 'fermenting')
      : check('come_up', rule, 'pass', 'fermented');
  return growthCheck(c, 'come_up');
}

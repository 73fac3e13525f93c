import { checkCooling } from '../cooling/check-cooling';
import { comeUp } from '../cooling/come-up';
import type { TimedWindow } from '../cooling/timed-window';
import { acceleratorPpm, hasPoultry } from '../formula/recipe';
import type { Reading } from '../lethality/reading';
import { runProgram } from '../house/run-stage';
import { check, type Case, type Check, type Figure } from './check';
import { coreLogs, judgedLogs, uncovered, type CoreLog } from './core-probes';
import { phReachedS } from './fermentation-check';
import { judgeLethality } from './lethality-way';

/**
 * House window of the run so far, or null before it. Fermentation is not part of it: what it must show
 * is its own check.
 */
export function houseWindow({ recipe, state, nowS }: Case): { fromS: number; toS: number } | null {
  if (!state.run) return null;
  const first = recipe.fermentation
    ? state.run.stages.find((s) => state.run!.program[s.index]?.kind !== 'ferment')
    : { startS: state.run.startS };
  return first ? { fromS: first.startS, toS: state.run.pulledS ?? nowS } : null;
}

/** The core log with the longest view of a limit: fails first, then unfinished, then the slowest. */
function slowest<T extends { status: string; elapsedS: number | null }>(
  windows: readonly T[],
): T | null {
  const rank: Record<string, number> = { fail: 2, incomplete: 1, pass: 0 };
  return windows.reduce<T | null>((worst, w) => {
    if (!worst || rank[w.status]! > rank[worst.status]!) return w;
    return rank[w.status] === rank[worst.status] && (w.elapsedS ?? 0) > (worst.elapsedS ?? 0)
      ? w
      : worst;
  }, null);
}

/** When the batch was last known to be cold: the end of its hold, or its start. */
const lastCold = ({ state }: Case) => state.hold?.endS ?? state.hold?.startS ?? state.startedS;

/** A log that starts above `fromC` is counted from when the meat was last known to be cold. */
function fromCold(c: Case, readings: readonly Reading[], fromC: number): Reading[] {
  const first = readings[0];
  return first && first.tempC > fromC
    ? [{ tS: Math.min(lastCold(c), first.tS), tempC: fromC }, ...readings]
    : [...readings];
}

/** Readings of a log that are looked at for a rise: where the rule knows of slid-out probes, the credited ones. */
const believed = (c: Case, l: CoreLog): readonly Reading[] =>
  c.rules.probe_evidence.body.slidOut ? l.evidence.spans.flat() : l.readings;

/** What a log shows of a rise from fromC: credited, and counted from when the meat was last cold. */
export const riseLog = (c: Case, l: CoreLog, fromC: number): Reading[] =>
  fromCold(c, believed(c, l), fromC);

function rise(c: Case, fromC: number, toC: number, maxS: number): TimedWindow | null {
  const window = houseWindow(c);
  if (!window) return null;
  const logs = judgedLogs(coreLogs(c, window.fromS, window.toS, 'house'));
  return slowest(logs.map((l) => comeUp({ readings: riseLog(c, l, fromC), fromC, toC, maxS })));
}

const riseFigures = (w: TimedWindow): Figure[] => [
  { name: 'elapsedS', value: w.elapsedS ?? 0, unit: 's' },
  { name: 'maxS', value: w.maxS, unit: 's' },
  { name: 'fromC', value: w.fromC, unit: 'C' },
  { name: 'toC', value: w.toC, unit: 'C' },
];

const asStatus = (s: TimedWindow['status']) => (s === 'incomplete' ? 'missing' : s);

/** Without cure: no cold smoke, and through the warm zone quickly. */
export function checkUncuredSmoke(c: Case): Check {
  const rule = c.rules.uncured_smoke;
  if (c.recipe.cure) return check('uncured_smoke', rule, 'pass', 'cured');
  const { coldSmokeBelowC, fromC, toC, maxS } = rule.body;
  const cold = runProgram(c).find((s) => s.smoke && s.airC < coldSmokeBelowC);
  if (cold)
    return check('uncured_smoke', rule, 'fail', 'cold_smoke', [
      { name: 'airC', value: cold.airC, unit: 'C' },
    ]);
  const w = rise(c, fromC, toC, maxS);
  if (!w) return check('uncured_smoke', rule, 'missing', 'no_core_log');
  return check(
    'uncured_smoke',
    rule,
    asStatus(w.status),
    w.status === 'fail' ? 'too_slow' : w.status,
    riseFigures(w),
  );
}

/** Come-up time of the slowest core. */
export function checkComeUp(c: Case): Check {
  const rule = c.rules.come_up;
  /* Below the target pH the organisms that come-up is about are held; until then degree-hours count. */
  if (c.recipe.fermentation)
    return phReachedS(c) === null
      ? check('come_up', rule, 'missing', 'fermenting')
      : check('come_up', rule, 'pass', 'fermented');
  const w = rise(c, rule.body.fromC, rule.body.toC, rule.body.maxS);
  if (!w) return check('come_up', rule, 'missing', 'no_core_log');
  return check(
    'come_up',
    rule,
    asStatus(w.status),
    w.status === 'fail' ? 'too_slow' : w.status,
    riseFigures(w),
  );
}

/** Lethality by the site's accepted way, on the slowest credited core. */
export function checkLethality(c: Case): Check {
  const rule = c.rules.lethality;
  const window = houseWindow(c);
  const logs = window ? judgedLogs(coreLogs(c, window.fromS, window.toS, 'house')) : [];
  const results = logs.map((l) =>
    judgeLethality(l.evidence.spans, rule.body, hasPoultry(c.recipe)),
  );
  const worst = results.reduce<(typeof results)[number] | null>(
    (a, b) => (!a || b.reached < a.reached ? b : a),
    null,
  );
  if (!worst) return check('lethality', rule, 'missing', 'no_core_log');
  if (worst.pass) return check('lethality', rule, 'pass', rule.body.way, worst.figures);
  return c.state.run?.pulledS == null
    ? check('lethality', rule, 'missing', 'keep_cooking', worst.figures)
    : check('lethality', rule, 'fail', 'not_reached', worst.figures);
}

/** How far before the pull the peak of a piece may lie, s. */
const BEFORE_PULL_S = 1800;

export function chillLogs(c: Case): CoreLog[] {
  const pulledS = c.state.run?.pulledS;
  return pulledS == null ? [] : judgedLogs(coreLogs(c, pulledS - BEFORE_PULL_S, c.nowS, 'chill'));
}

/** Cooling of the slowest core against the site's rule, and whether this batch may use that rule. */
export function checkChill(c: Case): Check {
  const rule = c.rules.cooling;
  if (c.state.run?.pulledS == null) return check('cooling', rule, 'missing', 'not_pulled');
  const { steps, needs } = rule.body;
  const accelerator = acceleratorPpm(c.recipe);
  const nitrite = checkedPpm(c);
  if (needs && (nitrite < needs.nitritePpm || accelerator < needs.acceleratorPpm)) {
    return check('cooling', rule, 'fail', 'rule_not_allowed', [
      { name: 'ppm', value: nitrite, unit: 'ppm' },
      { name: 'acceleratorPpm', value: accelerator, unit: 'ppm' },
    ]);
  }
  const logs = chillLogs(c);
  if (logs.length === 0) return check('cooling', rule, 'missing', 'no_core_log');
  const all = logs.flatMap((l) => checkCooling({ readings: l.readings, steps }).steps);
  const worst = slowest(all)!;
  const figures = steps.flatMap((s, i): Figure[] => {
    const w = slowest(all.filter((_, k) => k % steps.length === i))!;
    const n = i + 1;
    return [
      { name: `from${n}`, value: s.fromC, unit: 'C' },
      { name: `to${n}`, value: s.toC, unit: 'C' },
      { name: `elapsed${n}`, value: w.elapsedS ?? 0, unit: 's' },
      { name: `max${n}`, value: s.maxS, unit: 's' },
    ];
  });
  const at = all.indexOf(worst) % steps.length;
  return check(
    'cooling',
    rule,
    asStatus(worst.status),
    worst.status === 'fail' ? `too_slow_${at + 1}` : worst.status,
    figures,
  );
}

function checkedPpm({ recipe, state }: Case): number {
  const cure = state.weighed.cure;
  if (!recipe.cure || !cure || state.meatG === null) return 0;
  return (cure.amountG * (cure.nitriteFraction ?? recipe.cure.nitriteFraction) * 1e6) / state.meatG;
}

/** Seconds for which thickest logs earned nothing, by reason. */
function uncredited(logs: readonly CoreLog[]): Figure[] {
  const rejected = logs.filter((l) => l.thickest).flatMap((l) => l.evidence.rejected);
  const reasons = [...new Set(rejected.map((r) => r.reason))];
  return reasons.map((name) => ({
    name,
    unit: 's',
    value: rejected.filter((r) => r.reason === name).reduce((sum, r) => sum + r.toS - r.fromS, 0),
  }));
}

/** The thickest piece was under a credited probe all the way: house, then chill to the rule's end. */
export function checkProbeEvidence(c: Case): Check {
  const rule = c.rules.probe_evidence;
  const window = houseWindow(c);
  if (!window) return check('probe_evidence', rule, 'missing', 'no_run');
  const house = coreLogs(c, window.fromS, window.toS, 'house');
  if (!house.some((l) => l.thickest))
    return check('probe_evidence', rule, 'missing', 'no_thickest_probe');
  const hasLogger = house.some((l) => l.thickest && l.source === 'logger');
  const slack = hasLogger ? rule.body.maxGapS : rule.body.handMaxGapS;
  const gaps = uncovered(house, window.fromS, window.toS, slack);
  if (c.state.run?.pulledS != null) {
    const chill = chillLogs(c);
    const ends = chill.flatMap((l) =>
      checkCooling({ readings: l.readings, steps: c.rules.cooling.body.steps }).steps.map(
        (s) => s.endS ?? c.nowS,
      ),
    );
    const untilS = ends.length > 0 ? Math.max(...ends) : c.nowS;
    gaps.push(...uncovered(chill, c.state.run.pulledS, untilS, rule.body.chillMaxGapS));
  }
  const figures: Figure[] = [{ name: 'gaps', value: gaps.length, unit: 'count' }];
  for (const g of gaps.slice(0, 3))
    figures.push(
      { name: 'gapFrom', value: g.fromS, unit: 'at' },
      { name: 'gapTo', value: g.toS, unit: 'at' },
    );
  if (rule.body.slidOut) figures.push(...uncredited(house));
  if (gaps.length > 0) return check('probe_evidence', rule, 'missing', 'gaps', figures);
  return check(
    'probe_evidence',
    rule,
    c.state.run?.pulledS == null ? 'missing' : 'pass',
    c.state.run?.pulledS == null ? 'running' : 'covered',
    figures,
  );
}

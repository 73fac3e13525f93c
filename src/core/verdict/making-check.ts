import type { Tick } from '../logbook/kinds/making';
import type { BatchState } from '../logbook/state';
import { bowlsFound } from '../bench/bowl';
import { outOfOrder, ticksOf } from '../logbook/done';
import { makingPlan, type PlanRow } from '../making/plan';
import { rawClock } from '../bench/raw-clock';
import { afterwards, isMade, overLimit } from '../bench/too-warm';
import { remindersOf } from '../bench/reminders';
import { check, type Case, type Check, type Figure } from './check';
import type { FigureName } from './figures';
import type { Reason } from './reasons';

/** A trial that showed a broken batter, and that no later one of the same load answers. */
const brokenTrial = (s: BatchState) =>
  s.trials.find(
    (t) =>
      t.bind === 'broken' &&
      !s.trials.some((o) => o.load === t.load && o.seq > t.seq && o.bind === 'holds'),
  );

/** Rows that the way asks a temperature of, and that were left without one and without a word. */
function unmeasured(s: BatchState, plan: readonly PlanRow[]): PlanRow[] {
  /* An answer is about one tick: another one asks anew. */
  const answered = (row: PlanRow, t: Tick) =>
    s.answers[`measure:${row.step.id}:${row.pass}:${t.entryId}`] !== undefined;
  return plan
    .filter((r) => r.asksTemp)
    .filter((row) => {
      const ticks = ticksOf(s, row);
      return (
        ticks.length === 0 ||
        ticks.some((t) => t.tempC === null && t.skipped === null && !answered(row, t))
      );
    });
}

/**
 * The making of the batter by the site's rule for its class: a temperature after every pass that asks for one, none above
 * its limit, raw not out of the cold for too long, no bowl lighter than its parts, no broken batter. What a person has
 * answered by name counts; what is over a limit, broken or too long waits for a decision.
 */
export function checkMaking(c: Case): Check | null {
  const { recipe, state: s, rules } = c;
  const rule = rules.making;
  /* Batches that began before there was this rule did not pin it. */
  if (!rule) return null;
  const plan = makingPlan(recipe, rule.body);
  const clock = rawClock(recipe, s, rule.body, c.nowS);
  const figures: Figure[] = [];
  const found = (status: Check['status'], because: Reason<'making'>, more: Figure[] = []) =>
    check('making', rule, status, because, [...more, ...figures]);
  if (clock) {
    figures.push({ name: 'elapsedS', value: clock.longestS, unit: 's' });
    figures.push({ name: 'maxS', value: clock.maxS, unit: 's' });
  }
  const tooWarm = plan.flatMap((r) => overLimit(s, r, r.limits.stopC));
  const stopped = tooWarm.find((o) => afterwards(s, o) === 'went_on');
  const waiting = tooWarm.find((o) => afterwards(s, o) === 'waits');
  const broken = brokenTrial(s);
  if (broken)
    return found('fail', 'broken', [
      { name: 'ranOut', value: broken.lossFraction * 100, unit: 'percent' },
    ]);
  if (clock && clock.longestS > clock.maxS)
    return found(clock.runs ? 'missing' : 'fail', clock.runs ? 'out_too_long' : 'raw_too_long');
  if (stopped)
    return found('fail', 'too_warm', [
      { name: 'warmestC', value: stopped.tempC, unit: 'C' },
      { name: 'limitC', value: stopped.limitC, unit: 'C' },
    ]);
  if (waiting)
    return found('missing', 'chill_first', [
      { name: 'warmestC', value: waiting.tempC, unit: 'C' },
      { name: 'limitC', value: waiting.limitC, unit: 'C' },
    ]);
  if (!isMade(s)) return found('missing', 'running');
  const open = unmeasured(s, plan);
  if (open.length > 0)
    return found('missing', 'not_measured', [{ name: 'lines', value: open.length, unit: 'count' }]);
  const due = remindersOf(recipe, s, rule.body, c.nowS);
  const without = due.find((r) => r.code === 'mixed_without');
  if (without)
    return found('missing', 'mixed_without', [
      { name: 'lines', value: without.figures.lines!, unit: 'count' },
    ]);
  const gap = due.find((r) => r.code === 'bowl_gap');
  if (gap)
    return found('missing', gap.figures.gapG! < 0 ? 'bowl_light' : 'bowl_heavy', [
      { name: 'gapG', value: Math.abs(gap.figures.gapG!), unit: 'g' },
    ]);
  const lost = due.find((r) => r.code === 'trial_loss');
  if (lost)
    return found('missing', 'trial_lost', [
      { name: 'ranOut', value: lost.figures.lossFraction! * 100, unit: 'percent' },
    ]);
  return found('pass', ...passed(c, plan));
}

/** What is said of a batter that passes: what differed from its way, and was seen or answered. */
function passed(
  { recipe, state: s, rules }: Case,
  plan: readonly PlanRow[],
): [Reason<'making'>, Figure[]] {
  const overs = plan.flatMap((r) => overLimit(s, r, r.limits.outC)).length;
  const skipped = s.ticks.filter((t) => t.skipped !== null).length;
  const late = outOfOrder(s, plan).length;
  const gaps = bowlsFound(recipe, s, rules.making.body).filter((b) => !b.balance.within).length;
  const count = (name: FigureName, value: number): Figure[] =>
    value > 0 ? [{ name, value, unit: 'count' }] : [];
  const figures = [
    ...count('overs', overs),
    ...count('skipped', skipped),
    ...count('outOfOrder', late),
    ...count('gaps', gaps),
  ];
  return [figures.length > 0 ? 'made_with_deviations' : 'made', figures];
}

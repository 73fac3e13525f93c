import type { BatchState } from '../logbook/state';
import type { Recipe } from '../recipe/recipe';
import { holdOf } from '../route/read';
import type { MakingRule } from '../rules/rule';
import { bowlsFound } from './bowl';
import { USUAL_CHILL, chillTimeS } from '../making/chill-time';
import { isRowDone, ticksOf } from '../logbook/done';
import { mixedWithout } from '../logbook/load-gaps';
import { makingPlan, type PlanRow } from '../making/plan';
import { rawClock } from './raw-clock';

export type ReminderCode =
  | 'measure'
  | 'mixed_without'
  | 'bowl_gap'
  | 'trial_loss'
  | 'chill_over'
  | 'raw_out'
  | 'turn_mass'
  | 'culture_ready'
  | 'culture_stale'
  | 'binder_in'
  | 'fresh_part';

/** Something that is due, by when, and what it rests on; what happens if nobody answers is said with it. */
export type Reminder = {
  /** What it is answered by. */
  key: string;
  code: ReminderCode;
  dueS: number;
  /** g, °C, s; the interface has the words. */
  figures: Record<string, number>;
};

/** Usual values; s and °C. @source usual practice of the trade: binder stiffens */
const BINDER_S = 30 * 60;
const FRESH_PART_S = 24 * 3600;
/** A hold that is longer than this is turned once, halfway. */
const TURNED_FROM_S = 6 * 3600;

type Asked = { recipe: Recipe; s: BatchState; rule: MakingRule; nowS: number; plan: PlanRow[] };
type Ask = (a: Asked) => Reminder[];

/** A temperature that the way asks for and that nobody took. */
const measures: Ask = ({ s, plan }) =>
  plan
    .filter((r) => r.asksTemp)
    .flatMap((r) =>
      ticksOf(s, r)
        .filter((t) => t.tempC === null && t.skipped === null)
        .map((t): Reminder => ({
          key: `measure:${r.step.id}:${r.pass}:${t.entryId}`,
          code: 'measure',
          dueS: t.atS,
          figures: { pass: r.pass + 1, load: t.load ?? 0 },
        })),
    );

/** Mixed before all that binds and cures was weighed for it: mixed again, or said what came of it. */
const without: Ask = ({ recipe, s, plan }) =>
  mixedWithout(recipe, s, plan).map(({ load, tick, lines }) => ({
    key: `without:${tick.entryId}:${lines.join('+')}`,
    code: 'mixed_without' as const,
    dueS: tick.atS,
    figures: { load: load ?? 0, lines: lines.length },
  }));

const bowls: Ask = ({ recipe, s, rule }) =>
  bowlsFound(recipe, s, rule)
    .filter((b) => !b.balance.within)
    .map(({ load, atS, balance }): Reminder => ({
      key: `bowl:${load ?? 0}:${atS}`,
      code: 'bowl_gap',
      dueS: atS,
      figures: { gapG: balance.gapG, load: load ?? 0 },
    }));

/** A spoonful that lost more than it may says that the batter broke or will not hold, whatever it was called. */
const trials: Ask = ({ s, rule }) =>
  s.trials
    .filter((t) => t.bind !== 'broken' && t.lossFraction > rule.trialLossShare)
    .filter((t) => !s.trials.some((o) => o.load === t.load && o.seq > t.seq))
    .map((t) => ({
      key: `trial:${t.entryId}`,
      code: 'trial_loss' as const,
      dueS: t.atS,
      figures: { lossFraction: t.lossFraction, load: t.load ?? 0 },
    }));

/** Meat that lies in the freezer comes out again before it is too hard. */
const chills: Ask = ({ s, plan, rule }) =>
  plan
    .filter((r) => r.step.kind === 'chill' && !isRowDone(s, r))
    .flatMap((r) => {
      const put = s.batter.findLast((b) => b.stepId === r.step.id);
      if (!put || s.meatG === null) return [];
      const targetC = chillTargetC(rule, plan);
      const tS = chillTimeS({
        ...USUAL_CHILL,
        massG: s.meatG,
        startC: Math.min(40, Math.max(-20, put.tempC)),
        targetC,
      });
      const dueS = put.tS + (tS ?? 3600);
      return [
        {
          key: `chill:${r.step.id}:${put.tS}`,
          code: 'chill_over' as const,
          dueS,
          figures: { targetC },
        },
      ];
    });

/** What a chill before the first pass is to reach on the surface, °C: a little under what may go in. */
export function chillTargetC(rule: MakingRule, plan: readonly PlanRow[]): number {
  const first = plan.find((r) => r.step.kind === 'grind')?.limits.beforeC ?? rule.coarse.startC;
  return first - 2;
}

const raw: Ask = ({ recipe, s, rule, nowS }) => {
  const clock = rawClock(recipe, s, rule, nowS);
  if (!clock?.runs) return [];
  const dueS = clock.coldS + clock.maxS;
  return [
    { key: `raw:${clock.coldS}`, code: 'raw_out', dueS, figures: { maxS: clock.maxS, dueS } },
  ];
};

const turns: Ask = ({ recipe, s }) => {
  const { hold } = s;
  const { minS } = holdOf(recipe);
  if (!hold || hold.endS !== null || s.steps.stuff || minS < TURNED_FROM_S) return [];
  const dueS = hold.startS + minS / 2;
  return [{ key: `turn:${hold.startS}`, code: 'turn_mass', dueS, figures: {} }];
};

const isIn = (s: BatchState, lineId: string) =>
  s.added.some((a) => a.lineId === lineId) || s.steps.stuff !== undefined || s.run !== null;

const cultures: Ask = ({ s }) =>
  Object.entries(s.cultures)
    .filter(([lineId]) => !isIn(s, lineId))
    .flatMap(([lineId, c]): Reminder[] => [
      {
        key: `culture:${lineId}:${c.startS}`,
        code: 'culture_ready',
        dueS: c.startS + c.readyS,
        figures: { useS: c.staleS - c.readyS },
      },
      {
        key: `stale:${lineId}:${c.startS}`,
        code: 'culture_stale',
        dueS: c.startS + c.staleS,
        figures: {},
      },
    ]);

const binders: Ask = ({ recipe, s }) => {
  const ids = recipe.additions.filter((a) => a.kind === 'binder').map((a) => a.id);
  const last = s.added.findLast((a) => ids.includes(a.lineId));
  if (!last || s.steps.stuff || s.run || s.hold) return [];
  return [
    {
      key: `binder:${last.atS}`,
      code: 'binder_in',
      dueS: last.atS + BINDER_S,
      figures: {},
    },
  ];
};

const freshParts: Ask = ({ s }) =>
  Object.entries(s.freshParts)
    .filter(([lineId]) => !isIn(s, lineId))
    .map(([lineId, f]): Reminder => ({
      key: `fresh:${lineId}:${f.atS}`,
      code: 'fresh_part',
      dueS: f.atS + FRESH_PART_S,
      figures: {},
    }));

const ASKS: readonly Ask[] = [
  measures,
  without,
  bowls,
  trials,
  chills,
  raw,
  turns,
  cultures,
  binders,
  freshParts,
];

/**
 * Everything of a batch's making that is due or will be, soonest first, without what was answered by name. Pure; one mechanism for
 * all steps: each says what is due, by when, and on what figures.
 */
export function remindersOf(
  recipe: Recipe,
  s: BatchState,
  rule: MakingRule | undefined,
  nowS: number,
): Reminder[] {
  const over = s.phase === 'released' || s.phase === 'destroyed';
  if (!rule || over) return [];
  const asked = { recipe, s, rule, nowS, plan: makingPlan(recipe, rule) };
  return ASKS.flatMap((ask) => ask(asked))
    .filter((r) => !s.answers[r.key])
    .sort((a, b) => a.dueS - b.dueS);
}

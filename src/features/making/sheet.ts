import {
  USUAL_MACHINE,
  bowlOf,
  bowlsFound,
  chillTargetC,
  isMixing,
  isRowDone,
  loadsFor,
  machineKindFor,
  makingClassOf,
  makingPlan,
  outOfOrder,
  rawClock,
  remindersOf,
  tickOf,
  ticksOf,
  tooWarmNow,
  unweighedFor,
  warms,
  weighingsOf,
  type BatchState,
  type Case,
  type LearnedMachine,
  type Machine,
  type PlanRow,
  type Recipe,
  type Reminder,
  type RouteStep,
  type StepLimits,
  type TimedTemp,
  type TooWarm,
} from '@/core';
import { lineName } from '@/words/line-name';
import { BIND_SIGNS, partName, rowTask } from '@/words/making';
import type { LoadLine } from './contract';
import { passKey, type Learned } from './learned';

/** What is measured at a step: meat in the freezer, before and after a pass, while it is chopped, a spoonful, or nothing. */
export type Measured = 'chill' | 'pass' | 'chop' | 'trial' | 'nothing';

export type SheetAdd = {
  lineId: string;
  name: string;
  portion: [nth: number, of: number] | null;
  /** Of each load, or of the whole, g; null where nobody can say yet. */
  amounts: { load: number | null; g: number | null }[];
  resolutionG: number;
  isCure: boolean;
  isBinder: boolean;
  /** Loads that it went into, by whom and when; 0 for the whole. */
  in: { load: number; by: string; atS: number }[];
};

export type SheetTick = {
  load: number | null;
  atS: number;
  tempC: number | null;
  beforeC: number | null;
  skipped: string | null;
  late: boolean;
  by: string;
};

export type SheetRow = {
  key: string;
  stepId: string;
  pass: number;
  passes: number;
  task: string;
  /** Until what sign it is done; null where its temperature or its end says it. */
  sign: string | null;
  measured: Measured;
  plateMm: number | null;
  limits: StepLimits;
  asksTemp: boolean;
  adds: SheetAdd[];
  ticks: SheetTick[];
  /** Loads that it is still to be done for; `[null]` for the whole. */
  open: (number | null)[];
  /** What goes in at it and was not weighed, by load that it is open for: asked before it is done. */
  unweighed: { load: number | null; names: string[] }[];
  /** Temperatures while it goes on, by load. */
  readings: (TimedTemp & { load: number | null })[];
  /** Machines that it may be done on, with what each does to this product. */
  machines: { id: string | null; name: string; note: string; learned: LearnedMachine }[];
};

export type BowlView = {
  load: number | null;
  gapG: number;
  within: boolean;
  sumG: number;
  fits: { names: string; doubled: boolean }[];
  /** What was not weighed for it: what it was to weigh is not known. */
  unweighed: string[];
};

export type MakingSheetData = {
  /** What a correction of the batter is worked out with. */
  recipe: Recipe;
  loads: number;
  /** Loads may still be chosen, and what the site's bowls suggest. */
  loadsOpen: boolean;
  bowls: { id: string; name: string; capacityG: number; loads: number }[];
  meatG: number;
  batterG: number;
  rows: SheetRow[];
  reminders: Reminder[];
  /** What came out too warm and waits to be chilled. */
  warm: { task: string; tempC: number; limitC: number; does: TooWarm['does'] }[];
  raw: { coldS: number; maxS: number } | null;
  balances: BowlView[];
  /** What a trial spoonful may lose by the site's rule. */
  trialLossShare: number;
  /** What the chill before the first pass is to reach on the surface, °C. */
  chillTargetC: number;
  chillFactor: number;
  chillRuns: number;
  cultures: {
    lineId: string;
    name: string;
    started: { startS: number; readyS: number; staleS: number } | null;
  }[];
  cooked: { lineId: string; name: string; done: boolean }[];
};

/** Something of the bench work was done. */
export const isBegun = (sheet: MakingSheetData | null): boolean =>
  sheet !== null && sheet.rows.some((r) => r.ticks.length > 0);

/** Work on the bench has begun and is not over. */
export const goesOn = (sheet: MakingSheetData | null): boolean =>
  isBegun(sheet) && sheet!.rows.some((r) => r.open.length > 0);

/** Is it made now: its meat is weighed, and it is not stuffed yet? */
export const isBeingMade = ({ phase, meatG, steps, run }: BatchState): boolean =>
  meatG !== null && !steps.stuff && !run && phase !== 'released' && phase !== 'destroyed';

function measuredAt({ step }: PlanRow): Measured {
  if (step.kind === 'chill') return 'chill';
  if (step.kind === 'chop') return 'chop';
  if (step.kind === 'trial_cook') return 'trial';
  return warms(step) ? 'pass' : 'nothing';
}

/** Work that a bowl is filled for: done load by load. The rest is done with all of the meat at once. */
const BY_LOAD: readonly RouteStep['kind'][] = ['mix', 'chop', 'trial_cook'];
const isByLoad = (state: BatchState, { step }: PlanRow) =>
  state.loads > 1 && BY_LOAD.includes(step.kind);

type From = {
  c: Case;
  lines: readonly LoadLine[];
  machines: readonly Machine[];
  learned: Learned;
};

/**
 * What of a line is in its cup: as it was weighed, else as it is to be. A cure has no figure before somebody else has looked at its
 * scale: until it is weighed its label decides, and the second look must not know the first reading.
 */
function cupG(l: LoadLine, state: BatchState): number | null {
  const parts = weighingsOf(state, l.lineId).filter((w) => w.load === l.load);
  if (l.kind === 'cure' && !parts.every((w) => state.cureLooks[w.entryId])) return null;
  if (parts.length > 0) return parts.reduce((sum, w) => sum + w.amountG, 0);
  return l.kind === 'cure' ? null : l.doseG;
}

/** The same for the whole, or for each load. */
function amountsOf(
  own: readonly LoadLine[],
  state: BatchState,
  whole: boolean,
): SheetAdd['amounts'] {
  const cups = own.map((l) => ({ load: l.load, g: cupG(l, state) }));
  if (!whole) return cups;
  const known = cups.every((c) => c.g !== null) && cups.length > 0;
  return [{ load: null, g: known ? cups.reduce((sum, c) => sum + c.g!, 0) : null }];
}

function addsOf(from: From, row: PlanRow): SheetAdd[] {
  const { c, lines } = from;
  const { recipe, state } = c;
  const whole = !isByLoad(state, row);
  return row.adds.map(({ lineId, name, portion }) => {
    const own = lines.filter((l) => l.lineId === lineId);
    const line = own[0];
    const ticked = state.added.filter(
      (a) =>
        a.lineId === lineId && (a.portion === null || portion === null || a.portion === portion[0]),
    );
    return {
      lineId,
      name,
      portion,
      amounts: amountsOf(own, state, whole).map(({ load, g }) => ({
        load,
        g: g === null ? null : g / (portion?.[1] ?? 1),
      })),
      resolutionG: line?.scale?.resolutionG ?? 1,
      isCure: line?.kind === 'cure',
      isBinder: recipe.additions.some((a) => a.id === lineId && a.kind === 'binder'),
      in: ticked.map((a) => ({ load: a.load ?? 0, by: a.by.name, atS: a.atS })),
    };
  });
}

function machinesFor({ c, machines, learned }: From, row: PlanRow): SheetRow['machines'] {
  const kind = machineKindFor(row.step.kind);
  if (!kind) return [];
  const knows = (id: string | null) =>
    learned.machines[passKey(c.recipe, row.step, id)] ?? USUAL_MACHINE;
  const own = machines.filter((m) => m.kind === kind);
  const hand = { id: null, name: 'not named', note: '', learned: knows(null) };
  return own.length === 0
    ? [hand]
    : own.map((m) => ({ id: m.id, name: m.name, note: m.note, learned: knows(m.id) }));
}

/** What goes in at a row that mixes or salts and was not weighed, by each load that it is open for. */
function unweighedAt({ c }: From, row: PlanRow, open: readonly (number | null)[]) {
  if (!isMixing(row) && row.step.kind !== 'salt_rest') return [];
  const due = new Set(row.adds.map((a) => a.lineId));
  return open.flatMap((load) => {
    const lines = unweighedFor(c.recipe, c.state, load).filter((id) => due.has(id));
    const names = lines.map((id) => lineName(c.recipe, id));
    return names.length > 0 ? [{ load, names }] : [];
  });
}

function rowOf(from: From, row: PlanRow, late: ReadonlySet<string>): SheetRow {
  const { state } = from.c;
  const every = Array.from({ length: state.loads }, (_, i) => i + 1);
  const open = isRowDone(state, row)
    ? []
    : !isByLoad(state, row)
      ? [null]
      : every.filter((load) => tickOf(state, row, load) === null);
  return {
    key: `${row.step.id}:${row.pass}`,
    stepId: row.step.id,
    pass: row.pass,
    passes: row.passes,
    task: rowTask(row),
    sign:
      row.step.kind === 'mix' || row.phase === 'last'
        ? BIND_SIGNS[makingClassOf(from.c.recipe)]
        : null,
    measured: measuredAt(row),
    plateMm: row.plateMm,
    limits: row.limits,
    asksTemp: row.asksTemp,
    adds: addsOf(from, row),
    ticks: ticksOf(state, row).map((t) => ({
      load: t.load,
      atS: t.atS,
      tempC: t.tempC,
      beforeC: t.beforeC,
      skipped: t.skipped,
      late: late.has(t.entryId),
      by: t.by.name,
    })),
    open,
    unweighed: unweighedAt(from, row, open),
    readings: state.batter
      .filter((b) => b.stepId === row.step.id && b.pass === row.pass)
      .map(({ tS, tempC, load }) => ({ tS, tempC, load })),
    machines: machinesFor(from, row),
  };
}

/** The bench work of a batch, in order: what is to be done, with what, what was done, what is due, and what a pass will do. */
export function makingSheet(from: From & { batterG: number }): MakingSheetData {
  const { c, machines, learned, batterG } = from;
  const { recipe, state, nowS } = c;
  const rule = c.rules.making.body;
  const plan = makingPlan(recipe, rule);
  const late = new Set(outOfOrder(state, plan).map((t) => t.entryId));
  const meat = new Set(recipe.meat.map((m) => m.id));
  const dosed = Object.keys({ ...state.weighed, ...state.partly }).some((id) => !meat.has(id));
  const clock = rawClock(recipe, state, rule, nowS);
  const bowl = bowlOf(machines, plan.some((r) => r.phase !== null) ? 'cutter' : 'mixer');
  return {
    recipe,
    loads: state.loads,
    loadsOpen: !dosed && state.added.length === 0 && state.bowls.length === 0,
    bowls: (bowl ? [bowl] : []).map((m) => ({
      id: m.id,
      name: m.name,
      capacityG: m.capacityG!,
      loads: loadsFor(batterG, m.capacityG!),
    })),
    meatG: state.meatG ?? state.plannedMeatG,
    batterG,
    rows: plan.map((row) => rowOf(from, row, late)),
    reminders: remindersOf(recipe, state, rule, nowS),
    warm: tooWarmNow(state, plan).map(({ row, tempC, limitC, does }) => ({
      task: rowTask(row),
      tempC,
      limitC,
      does,
    })),
    raw: clock?.runs ? { coldS: clock.coldS, maxS: clock.maxS } : null,
    balances: bowlsFound(recipe, state, rule).map(({ load, balance: b, unweighed }) => ({
      load,
      gapG: b.gapG,
      within: b.within,
      sumG: b.sumG,
      fits: b.fits.map((f) => ({
        names: f.parts.map(partName).join(' and '),
        doubled: f.doubled,
      })),
      unweighed: unweighed.map((id) => lineName(recipe, id)),
    })),
    trialLossShare: rule.trialLossShare,
    chillTargetC: chillTargetC(rule, plan),
    chillFactor: learned.chill.factor,
    chillRuns: learned.chill.runs,
    cultures: recipe.additions
      .filter((a) => a.kind === 'culture')
      .map((a) => ({ lineId: a.id, name: a.name, started: state.cultures[a.id] ?? null })),
    cooked: recipe.additions
      .filter((a) => a.kind === 'inclusion')
      .map((a) => ({ lineId: a.id, name: a.name, done: state.freshParts[a.id] !== undefined })),
  };
}

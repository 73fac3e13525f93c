import {
  CURE_LINE,
  bindsOrCures,
  checkDrying,
  checkParasites,
  holdOf,
  isLoadShort,
  laterDrying,
  outcomeOf,
  phReachedS,
  plannedS,
  programOf,
  requiredHoldS,
  routeOf,
  runStages,
  servingDueS,
  unweighedFor,
  type Case,
} from '@/core';
import { lineName } from '@/words/line-name';
import type { NextStep } from '@/words/next';
import { liveCooling, liveHeat } from './live';

function dueInHouse(c: Case): NextStep {
  const run = c.state.run!;
  const at = runStages(c.state).at(-1)!;
  const last = at.index === null || at.index >= run.program.length - 1;
  const longerS = run.extended
    .filter((x) => x.index === at.index)
    .reduce((sum, x) => sum + x.byS, 0);
  const dueS = at.startS + at.stage.plannedS + longerS;
  const ownPh = at.stage.ends?.ph;
  const soured = (ph?: number) => phReachedS(c, ph) !== null;
  /* The safe pH, and the one that the stage waits for. */
  if (at.stage.kind === 'ferment' && !(soured() && (ownPh === undefined || soured(ownPh))))
    return { code: 'ferment', dueS };
  const cooks = ['cooked', 'eaten_hot'].includes(outcomeOf(c.recipe));
  if (last && !cooks) return isDry(c) ? { code: 'pull', dueS: c.nowS } : { code: 'dry', dueS };
  if (!last) return { code: 'next_stage', dueS, detail: run.program[at.index! + 1]!.name };
  const heat = liveHeat(c);
  if (heat?.pass) return { code: 'pull', dueS: c.nowS };
  const needed = heat?.neededS;
  return { code: 'pull', dueS: needed == null ? dueS : Math.max(dueS, c.nowS + needed) };
}

function dueChilling(c: Case): NextStep {
  if (c.state.chill.length === 0) return { code: 'start_chill', dueS: c.state.run!.pulledS };
  const cooling = liveCooling(c);
  const open = cooling?.steps.find((s) => s.status === 'incomplete' && s.deadlineS !== null);
  if (open) return { code: 'cool', dueS: open.deadlineS, toC: open.toC };
  if (laterDrying(c.recipe) && !c.state.drying) return { code: 'start_drying', dueS: null };
  return beforePacking(c);
}

const beforePacking = (c: Case): NextStep => ({
  code: plannedS(c.recipe, 'bloom') > 0 && !c.state.steps.bloom ? 'bloom' : 'pack',
  dueS: null,
});

/** Nothing asked of its drying is open. */
const isDry = (c: Case) => (checkDrying(c)?.status ?? 'pass') === 'pass';

/** What is raw is packed and frozen in the order of its way. */
function dueRaw({ recipe, state }: Case): NextStep {
  const next = routeOf(recipe).find(
    (s) => (s.kind === 'freeze' && !state.steps.freeze) || (s.kind === 'pack' && !state.steps.pack),
  );
  return { code: next?.kind === 'freeze' ? 'freeze' : 'pack', dueS: null };
}

/** What is still to be recorded of a batch that is done, before its verdict can be read. */
function dueAtEnd(c: Case): NextStep {
  const outcome = outcomeOf(c.recipe);
  const at = (code: NextStep['code']): NextStep => ({ code, dueS: null });
  if (outcome === 'cook_before_eating' && !c.state.label) return at('label');
  if (outcome === 'dried' && checkParasites(c).status === 'missing') return at('parasites');
  return at(outcome === 'dried' && !c.state.plan ? 'name_plan' : 'sign');
}

/** The first line that a load lacks of what binds and cures: where it stands there is no going on. */
function shortLoad({ state, recipe }: Case): NextStep | null {
  const loads = Array.from({ length: state.loads }, (_, i) => i + 1);
  if (state.loads === 1 || !isLoadShort(recipe, state)) return null;
  const short = loads.flatMap((load) =>
    unweighedFor(recipe, state, load)
      .filter((id) => bindsOrCures(recipe, id))
      .map((id) => ({ load, id })),
  )[0];
  if (!short) return null;
  return {
    code: 'weigh_line',
    dueS: null,
    detail: `${lineName(recipe, short.id)} for load ${short.load}`,
  };
}

export function nextStep(c: Case): NextStep {
  const { state, recipe } = c;
  if (state.holds.some((h) => h.open)) return { code: 'decide', dueS: null };
  if (state.phase === 'weighing') {
    if (state.meatG === null) return { code: 'weigh_meat', dueS: null };
    return shortLoad(c) ?? { code: 'weigh_cure', dueS: null };
  }
  if (state.weighed[CURE_LINE] && !state.cureCheck?.matches)
    return { code: 'check_cure', dueS: null };
  if (state.phase === 'cure_hold')
    return {
      code: 'end_hold',
      dueS:
        state.hold!.startS +
        Math.max(requiredHoldS(recipe, c.rules.cure_hold.body), holdOf(recipe).minS),
    };
  if (state.phase === 'making') {
    const short = shortLoad(c);
    if (short) return short;
    if (requiredHoldS(recipe, c.rules.cure_hold.body) > 0 && !state.hold)
      return { code: 'start_hold', dueS: null };
    return {
      code: state.steps.stuff && programOf(recipe).length > 0 ? 'start_run' : 'stuff',
      dueS: null,
    };
  }
  if (state.phase === 'in_house') return dueInHouse(c);
  if (state.phase === 'chilling') return dueChilling(c);
  if (state.phase === 'finishing')
    return {
      code: 'pack',
      dueS: state.steps.bloom ? state.steps.bloom.atS + plannedS(recipe, 'bloom') : null,
    };
  if (state.phase === 'serving') return { code: 'serve', dueS: servingDueS(c) };
  if (state.phase === 'drying') return isDry(c) ? beforePacking(c) : { code: 'dry', dueS: null };
  if (state.phase === 'raw') return dueRaw(c);
  return state.phase === 'to_sign' ? dueAtEnd(c) : { code: 'none', dueS: null };
}

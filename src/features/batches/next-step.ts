import { CURE_LINE, phReachedS, requiredHoldS, runStages, type Case } from '@/core';
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
  if (at.stage.kind === 'ferment' && phReachedS(c) === null) return { code: 'ferment', dueS };
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
  return {
    code: c.recipe.process.bloomS > 0 && !c.state.steps.bloom ? 'bloom' : 'pack',
    dueS: null,
  };
}

export function nextStep(c: Case): NextStep {
  const { state, recipe } = c;
  if (state.holds.some((h) => h.open)) return { code: 'decide', dueS: null };
  if (state.phase === 'weighing') {
    const meat = state.meatG === null;
    return { code: meat ? 'weigh_meat' : 'weigh_cure', dueS: null };
  }
  if (state.weighed[CURE_LINE] && !state.cureCheck?.matches)
    return { code: 'check_cure', dueS: null };
  if (state.phase === 'cure_hold')
    return {
      code: 'end_hold',
      dueS:
        state.hold!.startS +
        Math.max(requiredHoldS(recipe, c.rules.cure_hold.body), recipe.process.cureHoldMinS),
    };
  if (state.phase === 'making') {
    if (requiredHoldS(recipe, c.rules.cure_hold.body) > 0 && !state.hold)
      return { code: 'start_hold', dueS: null };
    return { code: state.steps.stuff ? 'start_run' : 'stuff', dueS: null };
  }
  if (state.phase === 'in_house') return dueInHouse(c);
  if (state.phase === 'chilling') return dueChilling(c);
  if (state.phase === 'finishing')
    return {
      code: 'pack',
      dueS: state.steps.bloom ? state.steps.bloom.atS + recipe.process.bloomS : null,
    };
  return { code: state.phase === 'to_sign' ? 'sign' : 'none', dueS: null };
}

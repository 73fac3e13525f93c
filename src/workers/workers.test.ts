import {
  DEFAULT_RULES,
  RULE_PRESETS,
  believedOf,
  judge,
  simulateProgram,
  heatStage,
  type RuleSet,
} from '../core';
import { caseOf, play, withSecond } from '../core/testing/played';
import { testRecipe } from '../core/testing/recipe';
import { answer, whatIf } from './bench/answer';
import type { WhatIf } from './bench/protocol';
import { answerJudge } from './judge/answer';
import { jobOf as judgeJobOf } from './judge/protocol';
import { PracticeRun } from './practice/run';

const RULES = Object.fromEntries(
  Object.entries(DEFAULT_RULES).map(([kind, code]) => [
    kind,
    { id: code, version: 1, ...RULE_PRESETS.find((p) => p.code === code)! },
  ]),
) as unknown as RuleSet;
const recipe = testRecipe();
const input = (change: Partial<WhatIf> = {}): WhatIf => ({
  product: { diameterMm: 38, startC: 4 },
  stages: recipe.program,
  cured: true,
  poultry: false,
  rules: RULES,
  house: { lagS: 0, film: 1 },
  ...change,
});

describe('the bench', () => {
  test('answers as the core does', () => {
    const direct = simulateProgram({
      product: input().product,
      stages: recipe.program.map((s) => ({
        ...heatStage(s),
        maxS: s.endCoreC ? 86_400 : undefined,
      })),
    });
    const { run, energyKwhPerKg } = whatIf(input());
    expect(run.stageEnds.map((e) => e.reason)).toEqual(direct.stageEnds.map((e) => e.reason));
    expect(run.stageEnds.at(-1)!.tS).toBeCloseTo(direct.stageEnds.at(-1)!.tS, -1);
    expect(energyKwhPerKg).toBeGreaterThan(0.06);
    expect(energyKwhPerKg).toBeLessThan(0.3);
  });

  test('a house that blows harder is sooner done', () => {
    const end = (film: number) =>
      whatIf(input({ house: { lagS: 0, film } })).run.stageEnds.at(-1)!.tS;
    expect(end(1.5)).toBeLessThan(end(1));
  });

  test('what the core refuses comes back as words, what it designs as stages', () => {
    const bad = answer({
      id: 1,
      kind: 'what_if',
      input: input({ product: { diameterMm: -1, startC: 4 } }),
    });
    expect(bad).toMatchObject({ id: 1, ok: false, message: expect.stringMatching(/diameterMm/) });
    const good = answer({
      id: 2,
      kind: 'design',
      product: input().product,
      goal: { logs: 6.5, withinS: 18_000 },
    });
    expect(good).toMatchObject({ id: 2, ok: true, kind: 'design' });
  });
});

describe('practice', () => {
  const cooked = (more: (run: PracticeRun) => void = () => undefined) => {
    const run = new PracticeRun(recipe, recipe.program, RULES, 7);
    run.pass(3600);
    run.deed({ do: 'next_stage' });
    run.pass(7200);
    run.deed({ do: 'next_stage' });
    more(run);
    for (let i = 0; i < 60 && !run.view().progress?.over; i += 1) run.pass(120);
    return run;
  };

  test('a run that is done well passes every check but the signature that it can never have', () => {
    const run = cooked();
    run.deed({ do: 'pull' });
    run.deed({ do: 'chill', medium: 'ice_bath' });
    run.pass(3600);
    run.deed({ do: 'chill', medium: 'cooler' });
    run.pass(3 * 3600);
    const { verdict, phase } = run.view();
    expect(phase).toBe('chilling');
    expect(verdict.checks.filter((k) => k.status !== 'pass').map((k) => k.code)).toEqual([]);
  });

  test('a dead fire is told, and a probe that slid out earns nothing', () => {
    const run = new PracticeRun(recipe, recipe.program, RULES, 7);
    run.pass(3600);
    run.deed({ do: 'fault', fault: 'fireOut' });
    run.pass(900);
    expect(run.view().alarms.map((a) => a.code)).toContain('fire_out');
    run.deed({ do: 'fault', fault: 'fireOut' });
    run.pass(3600);
    run.deed({ do: 'fault', fault: 'slidOut' });
    run.pass(300);
    expect(run.view().alarms.map((a) => a.code)).toContain('probe_slid_out');
  });

  test('what does not fit is left undone; speed has its bounds', () => {
    const run = new PracticeRun(recipe, recipe.program, RULES, 7);
    run.deed({ do: 'chill', medium: 'cooler' });
    expect(run.view()).toMatchObject({ phase: 'in_house', chill: null, nextStage: 'Smoke' });
    run.deed({ do: 'speed', factor: 1e9 });
    expect(run.view().speed).toBe(1200);
  });
});

describe('judging in a thread', () => {
  const played = () => caseOf(withSecond(play({ everyS: 60, secondThicker: 0.05 })));

  test('what was sent and came back is what would have been judged here', () => {
    const c = played();
    const answered = structuredClone(answerJudge(structuredClone(judgeJobOf(c))));
    expect(answered).toEqual({
      ok: true,
      verdict: judge(played()),
      believed: believedOf(played()),
    });
  });

  test('a log that cannot be judged comes back as words', () => {
    const c = played();
    const [id, log] = Object.entries(c.series)[0]!;
    const backwards = { ...c, series: { ...c.series, [id]: [...log].reverse() } };
    expect(answerJudge(judgeJobOf(backwards))).toMatchObject({
      ok: false,
      message: expect.stringMatching(/at or after the one before/),
    });
  });
});

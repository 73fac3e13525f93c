import { blendTrims, judgeFormula, recipeFigures, type Recipe, type RuleSet } from '../src/core';
import { recipeShape } from '../src/features/recipes/contract';
import { toDraft } from '../src/features/recipes/draft';
import { fromDraft } from '../src/features/recipes/read-draft';
import { MORE_RECIPES } from './demo/more-recipes';

const LINES = 60;
const RUNS = 2000;
const TRIMS = 12;
const BLENDS = 200;

type Times = { medianMs: number; p99Ms: number; worstMs: number };

/** Median, 99th percentile and worst time of many runs after a warm-up, ms. */
function timed(runs: number, work: (i: number) => unknown): Times {
  for (let i = 0; i < runs / 10; i += 1) work(i);
  const times = Array.from({ length: runs }, (_, i) => {
    const begun = performance.now();
    work(i);
    return performance.now() - begun;
  }).sort((a, b) => a - b);
  const at = (share: number) =>
    Number(times[Math.min(runs - 1, Math.floor(runs * share))]!.toFixed(3));
  return { medianMs: at(0.5), p99Ms: at(0.99), worstMs: at(1) };
}

function longRecipe(): Recipe {
  const base = MORE_RECIPES[0]!;
  const spices = Array.from({ length: LINES - base.additions.length }, (_, i) => ({
    id: `x${i}`,
    name: `Spice ${i}`,
    kind: 'seasoning' as const,
    fraction: 0.0002,
    costPerKg: 10 + i,
  }));
  return { ...base, additions: [...base.additions, ...spices] };
}

/** What a keystroke costs in a 60-line recipe: texts to figures, checked and judged. */
export function benchFigures(rules: RuleSet): Times & { lines: number } {
  const recipe = longRecipe();
  const draft = toDraft(recipe, 'us');
  const times = timed(RUNS, (i) => {
    draft.salt = String(1.5 + (i % 100) / 100);
    const next = fromDraft(draft, recipe);
    recipeShape.safeParse(next);
    return judgeFormula({ recipe: next, figures: recipeFigures(next), rules });
  });
  return { lines: LINES, ...times };
}

/** Blending twelve trims with stock, shares and costs to a fat target. */
export function benchBlend(): Times & { trims: number } {
  const trims = Array.from({ length: TRIMS }, (_, i) => ({
    id: `t${i}`,
    fatFraction: 0.04 + 0.075 * i,
    availableG: 4000 + ((i * 2711) % 9000),
    costPerKg: 2 + ((i * 37) % 11),
    minFraction: i % 5 === 0 ? 0.02 : 0,
    maxFraction: 0.35,
  }));
  const times = timed(BLENDS, (i) =>
    blendTrims({ trims, targetFatFraction: 0.15 + (i % 30) / 100, totalG: 30_000 }),
  );
  return { trims: TRIMS, ...times };
}

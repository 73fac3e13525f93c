import { QuantityError, requireNonNegative, requirePositive } from '../guard';
import { compose } from '../formula/compose';
import type { Recipe } from '../recipe/recipe';
import { CURE_LINE, SALT_LINE, scaleRecipe, type DoseLine } from '../formula/scale-recipe';

/** What is put to a batter, g. */
export type ToAdd = { lineId: string; name: string; kind: DoseLine['kind']; amountG: number };
export type TopUp = {
  /** Meat block that all of it is right for, g. */
  meatG: number;
  additions: ToAdd[];
};

/** Less than this share of its line is weighed by no scale. */
const NOTHING_SHARE = 1e-6;

/**
 * The least that makes a batter right again when some of it is more than its recipe wants: the smallest meat block for which
 * no line is over, and what is missing of every line for it, meat, cure and salt like the rest.
 * @param have what is in it, g by line; a line that is left out is there as the recipe wants it for `meatG`
 * @throws RangeError naming a line of which less than nothing is there
 */
export function topUp(
  recipe: Recipe,
  meatG: number,
  have: Readonly<Record<string, number>>,
): TopUp {
  requirePositive('meatG', meatG);
  const wanted = scaleRecipe(recipe, { meatG }).lines;
  const there = (l: DoseLine) => requireNonNegative(l.name, have[l.lineId] ?? l.targetG);
  const over = wanted.reduce((most, l) => Math.max(most, there(l) / l.targetG), 1);
  const right = meatG * over;
  const additions = wanted.flatMap((l): ToAdd[] => {
    const amountG = l.targetG * over - there(l);
    const { lineId, name, kind } = l;
    return amountG > NOTHING_SHARE * l.targetG ? [{ lineId, name, kind, amountG }] : [];
  });
  return { meatG: right, additions };
}

export type Overpour = TopUp & {
  /** What was poured and what was wanted, of the meat block. */
  share: number;
  wantedShare: number;
  /** Salt from all sources as it is now, of the meat block. */
  saltFraction: number;
  /** Nitrite as it is now, ppm of the meat block; null without cure. */
  ppm: number | null;
};

/** Salt that a gram of a line brings, g. */
function saltOf(recipe: Recipe, lineId: string): number {
  if (lineId === SALT_LINE) return 1;
  if (lineId === CURE_LINE && recipe.cure)
    return 1 - recipe.cure.nitriteFraction - recipe.cure.nitrateFraction;
  return recipe.additions.find((a) => a.id === lineId)?.saltFraction ?? 0;
}

/**
 * What an over-poured line does to the batter, and what would put it right: how much meat and how much of everything else.
 * The rest counts as weighed where it is, else as the recipe wants it.
 * @param input.amountG what is in the bowl of that line, g · @throws RangeError for a line that the recipe does not have
 */
export function overpour(input: {
  recipe: Recipe;
  meatG: number;
  lineId: string;
  amountG: number;
  weighed?: Readonly<Record<string, number>>;
}): Overpour {
  const { recipe, meatG, lineId } = input;
  const amountG = requirePositive('amountG', input.amountG);
  const { lines } = scaleRecipe(recipe, { meatG });
  const line = lines.find((l) => l.lineId === lineId);
  if (!line) throw new QuantityError('lineId', lineId, 'a line of the recipe');
  const have = { ...input.weighed, [lineId]: amountG };
  const block = recipe.meat.reduce((sum, m) => sum + (have[m.id] ?? m.share * meatG), 0);
  const saltG = lines.reduce(
    (sum, l) => sum + saltOf(recipe, l.lineId) * (have[l.lineId] ?? l.targetG),
    0,
  );
  const cureG = have[CURE_LINE] ?? lines.find((l) => l.lineId === CURE_LINE)?.targetG;
  return {
    ...topUp(recipe, meatG, have),
    share: amountG / block,
    wantedShare: line.targetG / meatG,
    saltFraction: saltG / block,
    ppm: recipe.cure && cureG ? (cureG * recipe.cure.nitriteFraction * 1e6) / block : null,
  };
}

export type WantedTaste = {
  /** Salt from all sources, of the meat block, (0, 0.1]. */
  saltFraction?: number;
  /** Lines of the recipe, of the meat block. */
  lines?: Readonly<Record<string, number>>;
};

/**
 * What a batter needs after a trial cook so that it tastes as wanted: more of what is too little, and of everything else
 * where something is too much; nitrite stays what it was. By the same formula as every dose sheet.
 * @param input.batterG what is still in the bowl, g, > 0
 * @throws RangeError for a figure out of range, or a line that the recipe does not have
 */
export function correctBatter(input: {
  recipe: Recipe;
  batterG: number;
  wanted: WantedTaste;
}): TopUp {
  const { recipe, wanted } = input;
  const batterG = requirePositive('batterG', input.batterG);
  const { saltFraction, lines = {} } = wanted;
  const known = new Set(recipe.additions.map((a) => a.id));
  for (const [id, fraction] of Object.entries(lines)) {
    if (!known.has(id)) throw new QuantityError('lines', id, 'additions of the recipe');
    requirePositive(id, fraction);
  }
  if (saltFraction !== undefined && !(saltFraction > 0 && saltFraction <= 0.1))
    throw new QuantityError('saltFraction', saltFraction, 'above 0 and at most 0.1');
  const meatG = (batterG * 1000) / compose(recipe, 1000).batterG;
  const have = Object.fromEntries(
    scaleRecipe(recipe, { meatG }).lines.map((l) => [l.lineId, l.targetG]),
  );
  const meant: Recipe = {
    ...recipe,
    totalSaltFraction: saltFraction ?? recipe.totalSaltFraction,
    additions: recipe.additions.map((a) => ({ ...a, fraction: lines[a.id] ?? a.fraction })),
  };
  return topUp(meant, meatG, have);
}

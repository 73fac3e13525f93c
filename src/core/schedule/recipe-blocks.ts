import { acceleratorPpm, type Recipe } from '../formula/recipe';
import type { CureHoldRule } from '../rules/rule';
import type { Block, Piece } from './plan';

const HOUR = 3600;
/** Usual waits, s: stuffed product hung in the cooler, cold product before bloom, bloomed before packing. */
const STUFFED_WAIT = { cured: 12 * HOUR, uncured: 2 * HOUR };
const CHILLED_WAIT = 48 * HOUR;
const BLOOMED_WAIT = 12 * HOUR;
/** Somebody is there for the first minutes of the house: load, light, look. */
const LOAD_S = 15 * 60;

const piece = (key: string, durationS: number, attended: boolean): Piece => ({
  key,
  durationS,
  attended,
});

/** Cure hold that the rule asks of this recipe, s: none without cure, none the same day with accelerator. */
export function requiredHoldS(recipe: Recipe, rule: CureHoldRule): number {
  if (!recipe.cure) return 0;
  return acceleratorPpm(recipe) >= rule.acceleratorFromPpm ? 0 : rule.minS;
}

/**
 * The recipe's steps as blocks for {@link planBackward}: prepare and cure hold; stuff; surface-dry,
 * every house stage, pull and chill in one unbroken run; bloom; pack. Stage keys are `stage:<id>`,
 * chill keys `chill:<medium>`.
 */
export function recipeBlocks(recipe: Recipe, holdRule: CureHoldRule): Block[] {
  const p = recipe.process;
  const holdS = Math.max(p.cureHoldMinS, requiredHoldS(recipe, holdRule));
  const first: Piece[] = [piece('prepare', p.prepareS, true)];
  if (holdS > 0) first.push(piece('cure_hold', holdS, false));
  const run: Piece[] = [];
  if (p.surfaceDryS > 0) run.push(piece('surface_dry', p.surfaceDryS, false));
  run.push(piece('load', LOAD_S, true));
  for (const s of recipe.program) run.push(piece(`stage:${s.id}`, s.plannedS, false));
  run.push(piece('pull', p.pullS, true));
  for (const c of p.chill) run.push(piece(`chill:${c.medium}`, c.plannedS, false));
  const blocks: Block[] = [
    { pieces: first, maxWaitAfterS: Math.max(0, p.cureHoldMaxS - holdS) },
    {
      pieces: [piece('stuff', p.stuffS, true)],
      maxWaitAfterS: recipe.cure ? STUFFED_WAIT.cured : STUFFED_WAIT.uncured,
    },
    { pieces: run, maxWaitAfterS: CHILLED_WAIT },
  ];
  if (p.bloomS > 0)
    blocks.push({ pieces: [piece('bloom', p.bloomS, false)], maxWaitAfterS: BLOOMED_WAIT });
  blocks.push({ pieces: [piece('pack', p.packS, true)], maxWaitAfterS: 0 });
  return blocks;
}

import type { Recipe } from '../recipe/recipe';
import type { BatchState } from '../logbook/state';
import { programOf } from '../route/read';
import { casingFacts } from '../recipe/casing-facts';
import { soakPlan, soakStand } from '../casing/soak';

export type StuffDueCode =
  | 'light_fire'
  | 'soak_start'
  | 'soak_ready'
  | 'soak_weak'
  | 'soak_again'
  | 'check_links'
  | 'check_again'
  | 'keep_ph'
  | 'keep_probe';

/** Something of the stuffing that is due: when, and with which figures (s). */
export type StuffDue = { code: StuffDueCode; dueS: number; figures: Record<string, number> };

/** Links are looked at again after so long, s (usual). */
const CHECK_AGAIN_S = 20 * 60;

function soaks(
  recipe: Recipe,
  s: BatchState,
  window: { startS: number; endS: number } | null,
): StuffDue[] {
  const soak = casingFacts(recipe.casing)?.soak;
  if (!soak) return [];
  const last = s.soaks.at(-1);
  if (last) {
    const { usableS, weakS } = soakStand(soak, last.atS, last.atS);
    return [
      { code: 'soak_ready', dueS: usableS, figures: { weakS } },
      { code: 'soak_weak', dueS: weakS, figures: {} },
    ];
  }
  if (!window) return [];
  const p = soakPlan(soak, window.startS, window.endS);
  const figures = { minS: soak.minMin * 60, usableS: p.usableS };
  const start: StuffDue = { code: 'soak_start', dueS: p.startS, figures };
  return p.lasts ? [start] : [start, { code: 'soak_again', dueS: p.weakS, figures: {} }];
}

/**
 * What the stuffing of a batch asks for, soonest first, until it is done: casings into the water (worked back from the plan and
 * moved with it), the first links and the links again, a stub for the pH where it is fermented, and a sound piece for
 * the probe where it is hung. Nothing before the meat is weighed, and nothing once it is stuffed but what was forgotten.
 * @param window when it is to be stuffed by the plan, epoch s; null where nobody planned it
 * @param fire when the house is to be loaded by the plan, and how long ahead it is lit; null where nobody knows
 * @source usual practice of the trade of stuffing
 */
export function stuffingDue(
  recipe: Recipe,
  s: BatchState,
  window: { startS: number; endS: number } | null,
  fire: { loadS: number; preheatS: number } | null = null,
): StuffDue[] {
  if (s.meatG === null || s.run || s.phase === 'destroyed') return [];
  const stuffed = s.steps.stuff !== undefined;
  const due: StuffDue[] = stuffed ? [] : soaks(recipe, s, window);
  const begun = s.linkChecks[0]?.atS ?? s.stuffings[0]?.atS ?? null;
  const checked = s.linkChecks.at(-1)?.atS;
  const atS = s.steps.stuff?.atS ?? begun ?? window?.startS ?? null;
  if (!stuffed && recipe.casing.pieceMm !== undefined && atS !== null)
    due.push(
      checked === undefined
        ? { code: 'check_links', dueS: atS, figures: {} }
        : { code: 'check_again', dueS: checked + CHECK_AGAIN_S, figures: {} },
    );
  const kept = (what: 'ph' | 'probe') => s.soundPieces.some((p) => p.what === what);
  if (atS !== null && recipe.fermentation && !kept('ph'))
    due.push({ code: 'keep_ph', dueS: atS, figures: {} });
  if (atS !== null && programOf(recipe).length > 0 && !kept('probe'))
    due.push({ code: 'keep_probe', dueS: atS, figures: {} });
  if (fire)
    due.push({ code: 'light_fire', dueS: fire.loadS - fire.preheatS, figures: { ...fire } });
  return due.sort((a, b) => a.dueS - b.dueS);
}

import type { Recipe } from '../recipe/recipe';
import type { ParasiteControl } from '../logbook/kinds/finish';
import { weighingsOf } from '../logbook/chapters/weighing';
import type { BatchState } from '../logbook/state';
import type { RuleBodyOf } from '../rules/definition';
import { check, type Case, type Check, type Figure } from './check';
import type { Reason } from './reasons';

/** Lines of a recipe that are pork: meat, fat, skin. */
export const porkLines = (recipe: Recipe): string[] => [
  ...recipe.meat.filter((m) => m.species === 'pork').map((m) => m.id),
  ...recipe.additions.filter((a) => a.species === 'pork').map((a) => a.id),
];

const hasGame = (recipe: Recipe) =>
  [...recipe.meat, ...recipe.additions].some((x) => x.species === 'game');

const figuresOf = (c: ParasiteControl): Figure[] =>
  c.way === 'certified'
    ? []
    : [
        { name: 'atC', value: c.atC, unit: 'C' },
        { name: 'forS', value: c.forS, unit: 's' },
        ...(c.thicknessMm === null
          ? []
          : [{ name: 'thicknessMm', value: c.thicknessMm, unit: 'mm' } as const]),
      ];

/** The row of the rule that carries a lot. */
const rowFigures = (row: { atC: number; forS: number }): Figure[] => [
  { name: 'rowC', value: row.atC, unit: 'C' },
  { name: 'rowS', value: row.forS, unit: 's' },
];

/**
 * Whether what was recorded controls the parasites of pork: certified, or frozen as a row of the rule asks, as cold for as long;
 * by the thickness of its thickest piece, or by the middle where that was measured.
 * @returns the row that carries it; `certified` names none. `ok: false` where it was too warm, too short or too thick, with
 *   what would have been enough: as cold for so long, or for as long so cold; null where no row has either
 * @source 9 CFR 318.10 as the site's rule has it (starter values, the site confirms)
 */
export function parasiteControl(
  c: ParasiteControl,
  rule: RuleBodyOf<'parasites'>,
): {
  ok: boolean;
  row: { atC: number; forS: number } | null;
  enough: { forS: number | null; atC: number | null };
} {
  if (c.way === 'certified') return { ok: true, row: null, enough: { forS: null, atC: null } };
  const rows =
    c.thicknessMm === null
      ? rule.core
      : c.thicknessMm <= rule.thinMm
        ? rule.thin
        : c.thicknessMm <= rule.thickMm
          ? rule.thick
          : [];
  const row = rows.find((r) => c.atC <= r.atC + 1e-9 && c.forS >= r.forS - 1e-9) ?? null;
  const longer = rows.filter((r) => c.atC <= r.atC + 1e-9).map((r) => r.forS);
  const colder = rows.filter((r) => c.forS >= r.forS - 1e-9).map((r) => r.atC);
  const enough = {
    forS: longer.length > 0 ? Math.min(...longer) : null,
    atC: colder.length > 0 ? Math.max(...colder) : null,
  };
  return { ok: row !== null, row, enough };
}

/** Lots of a line that were weighed in and of whose freezing nothing is recorded; null is what has no lot. */
export const openLotsOf = (state: BatchState, lineId: string): (string | null)[] => {
  const known = (state.parasites[lineId] ?? []).map((p) => p.lotId);
  const lots = new Set(weighingsOf(state, lineId).map((w) => w.lotId));
  return [...lots].filter((id) => !known.includes(id));
};

/** Refused, with what would have been enough. */
function tooShort(c: Case, control: ParasiteControl): Check {
  const rule = c.rules.parasites;
  const { forS, atC } = parasiteControl(control, rule.body).enough;
  const thick = control.way === 'frozen' && (control.thicknessMm ?? 0) > rule.body.thickMm;
  const figures: Figure[] = [
    ...figuresOf(control),
    ...(forS === null ? [] : [{ name: 'enoughS', value: forS, unit: 's' } as const]),
    ...(atC === null ? [] : [{ name: 'enoughC', value: atC, unit: 'C' } as const]),
    ...(thick ? [{ name: 'maxMm', value: rule.body.thickMm, unit: 'mm' } as const] : []),
  ];
  return check('parasites', rule, 'fail', thick ? 'too_thick' : 'too_short', figures);
}

/**
 * Parasites of what is not cooked: every line of pork frozen as the rule asks or certified, each for the lot that was
 * weighed. Game is never accepted: its parasites survive freezing.
 */
export function checkParasites(c: Case): Check {
  const rule = c.rules.parasites;
  const { recipe, state } = c;
  if (hasGame(recipe)) return check('parasites', rule, 'fail', 'game_needs_cook');
  const lines = porkLines(recipe);
  if (lines.length === 0) return check('parasites', rule, 'pass', 'no_pork');
  const open = lines.filter((id) => (state.parasites[id] ?? []).length === 0);
  const missing = (because: Reason<'parasites'>, n: number) =>
    check('parasites', rule, 'missing', because, [{ name: 'lines', value: n, unit: 'count' }]);
  if (open.length > 0) return missing('not_recorded', open.length);
  const moved = lines.filter((id) => !state.weighed[id] || openLotsOf(state, id).length > 0);
  if (moved.length > 0) return missing('another_lot', moved.length);
  /* What was recorded for a lot that is no longer in it says nothing of what is. */
  const counted = lines.flatMap((id) => {
    const lots = weighingsOf(state, id).map((w) => w.lotId);
    return state.parasites[id]!.flatMap((p) => (lots.includes(p.lotId) ? [p.control] : []));
  });
  const short = counted.find((p) => !parasiteControl(p, rule.body).ok);
  if (short) return tooShort(c, short);
  const shown = counted[0]!;
  const { row } = parasiteControl(shown, rule.body);
  return check('parasites', rule, 'pass', shown.way, [
    ...figuresOf(shown),
    ...(row === null ? [] : rowFigures(row)),
  ]);
}

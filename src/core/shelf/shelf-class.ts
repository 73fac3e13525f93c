import { requireBetween } from '../guard';
import type { RuleBodyOf } from '../rules/definition';

export type ShelfRule = RuleBodyOf<'shelf'>;

/** A figure that a meter showed; `credited` where the meter was checked in time. */
export type Metered = { value: number; credited: boolean };

export type ShelfFigures = {
  aw: Metered | null;
  ph: Metered | null;
  /** What the model makes of its water and its salt; it proves nothing. */
  awEstimate: number | null;
};

export type ShelfClass = {
  class: 'shelf_stable' | 'keep_cold';
  /** Which way of the rule it is, from 0; null where none is proven. */
  way: number | null;
  because:
    | 'measured'
    /** It could be one by what is not credited, only estimated, or not known: measure it. */
    | 'not_proven'
    | 'too_wet';
  /** Coldest figure of its storage: kept at this or colder, °C; null without a cooler. */
  keepC: number | null;
};

const EPS = 1e-9;

/** Is a way met by figures that may be there? A way that asks for nothing is never met. */
function meets(way: ShelfRule['ways'][number], aw: number | null, ph: number | null): boolean {
  const { maxAw, maxPh } = way;
  if (maxAw === undefined && maxPh === undefined) return false;
  if (maxAw !== undefined && !(aw !== null && aw <= maxAw + EPS)) return false;
  return maxPh === undefined || (ph !== null && ph <= maxPh + EPS);
}

/** Is a way still open by what is known, measured or not? What nobody knows rules nothing out. */
const allows = (
  { maxAw, maxPh }: ShelfRule['ways'][number],
  aw: number | null,
  ph: number | null,
) => (aw === null || aw <= (maxAw ?? 1) + EPS) && (ph === null || ph <= (maxPh ?? 14) + EPS);

const credited = (m: Metered | null) => (m?.credited ? m.value : null);

/**
 * Whether a product keeps without a cooler, by the site's rule: any way of it whose every figure was measured with a meter that
 * was checked. A figure that is missing, not credited or estimated proves nothing: then it is kept cold, and the class says whether
 * measuring could change that.
 * @param figures a_w (0, 1] and pH [3, 8], as measured last
 * @throws RangeError naming the figure
 * @source site rule; presets in `rules/tables/shelf`
 * @example shelfClass({ aw: { value: 0.84, credited: true }, ph: null, awEstimate: null }, SHELF_STRICT).class // 'shelf_stable'
 */
export function shelfClass(figures: ShelfFigures, rule: ShelfRule): ShelfClass {
  const { aw, ph, awEstimate } = figures;
  if (aw) requireBetween('aw', aw.value, 0.3, 1);
  if (ph) requireBetween('ph', ph.value, 3, 8);
  if (awEstimate !== null) requireBetween('awEstimate', awEstimate, 0, 1);
  const way = rule.ways.findIndex((w) => meets(w, credited(aw), credited(ph)));
  if (way >= 0) return { class: 'shelf_stable', way, because: 'measured', keepC: null };
  const perhaps = rule.ways.some((w) => allows(w, aw?.value ?? awEstimate, ph?.value ?? null));
  const because = perhaps ? 'not_proven' : 'too_wet';
  return { class: 'keep_cold', way: null, because, keepC: rule.keepC };
}

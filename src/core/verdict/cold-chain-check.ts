import { routeOf } from '../route/adapter';
import { freezes } from '../route/read';
import { evidenceEndS } from '../logbook/phase';
import { check, type Case, type Check, type Figure } from './check';
import { holdWarmestC } from './known-temps';

type Look = { tS: number; tempC: number };

/** Temperatures of the raw product in time: at its steps and by hand. */
function rawTemps(c: Case): Look[] {
  const { steps, ticks, hand } = c.state;
  /* An emulsion is warm on purpose for minutes: its ceilings are those of its making. */
  const chops = new Set(routeOf(c.recipe).flatMap((s) => (s.kind === 'chop' ? [s.id] : [])));
  const raw = ticks.filter((t) => !chops.has(t.stepId));
  const done = [...Object.values(steps), ...raw].flatMap((s) =>
    s.tempC === null ? [] : [{ tS: s.atS, tempC: s.tempC }],
  );
  const cores = hand.filter((h) => h.what === 'core').map(({ tS, tempC }) => ({ tS, tempC }));
  return [...done, ...cores].sort((a, b) => a.tS - b.tS);
}

/** When the raw age began: the first meat on the scale. */
function rawSinceS({ recipe, state }: Case): number | null {
  const times = recipe.meat.flatMap((m) => state.weighed[m.id]?.atS ?? []);
  return times.length > 0 ? Math.min(...times) : null;
}

/**
 * What is sold raw: never warm while it was made, not raw for too long before it was packed or frozen, cold when it was
 * packed, frozen to the middle where its way says so.
 */
export function checkColdChain(c: Case): Check {
  const rule = c.rules.cold_chain;
  const { maxC, rawMaxS, frozenC, lookS } = rule.body;
  const sinceS = rawSinceS(c);
  if (sinceS === null) return check('cold_chain', rule, 'missing', 'not_weighed');
  const { pack, freeze } = c.state.steps;
  const coldS = freeze?.atS ?? pack?.atS ?? null;
  const ageS = (coldS ?? c.nowS) - sinceS;
  const temps = rawTemps(c);
  const held = holdWarmestC(c);
  const warmestC = Math.max(...temps.map((t) => t.tempC), held ?? -Infinity);
  const figures: Figure[] = [
    { name: 'ageS', value: ageS, unit: 's' },
    { name: 'maxS', value: rawMaxS, unit: 's' },
    { name: 'maxC', value: maxC, unit: 'C' },
  ];
  if (Number.isFinite(warmestC)) figures.push({ name: 'warmestC', value: warmestC, unit: 'C' });
  if (warmestC > maxC) return check('cold_chain', rule, 'fail', 'too_warm', figures);
  /* A cured product in its hold is kept by the hold's own rule. */
  const heldS =
    c.state.hold?.stretches.reduce((sum, s) => sum + (s.endS ?? c.nowS) - s.startS, 0) ?? 0;
  if (ageS - heldS > rawMaxS)
    return check('cold_chain', rule, coldS === null ? 'missing' : 'fail', 'too_old', figures);
  if (!c.state.steps.stuff || c.state.steps.stuff.tempC === null)
    return check('cold_chain', rule, 'missing', 'no_temperature', figures);
  if (evidenceEndS(c.state, c.recipe) === null)
    return check('cold_chain', rule, 'missing', 'running', figures);
  if (freezes(c.recipe)) {
    const shownC = freeze?.tempC ?? null;
    if (shownC !== null) figures.push({ name: 'frozenC', value: shownC, unit: 'C' });
    if (shownC === null || shownC > frozenC)
      return check('cold_chain', rule, 'missing', 'not_frozen', figures);
    return check('cold_chain', rule, 'pass', 'frozen', figures);
  }
  const atPack = temps.findLast((t) => t.tS <= pack!.atS && pack!.atS - t.tS <= lookS);
  return atPack
    ? check('cold_chain', rule, 'pass', 'cold', figures)
    : check('cold_chain', rule, 'missing', 'not_measured_at_pack', figures);
}

/** The label says that it is raw and must be cooked. */
export const checkLabel = (c: Case): Check =>
  c.state.label
    ? check('label', c.rules.cold_chain, 'pass', 'labelled')
    : check('label', c.rules.cold_chain, 'missing', 'not_labelled');

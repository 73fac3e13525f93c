import { lethality, secondsStillNeeded } from '../lethality/lethality';
import type { Reading } from '../lethality/reading';
import { tableSecondsAt, tableWay } from '../lethality/table-way';
import type { LethalityRule } from '../rules/rule';
import type { Figure } from './check';

export type LethalityResult = {
  pass: boolean;
  /** Share of the target reached, for telling the slowest log. */
  reached: number;
  logs: number;
  figures: Figure[];
};

/** A core below the floor for longer than this can have let organisms grow: what was gained before counts no more, s. */
const GROWTH_S = 900;

/**
 * Credited stretches as separate cooks: a new one begins where the core, once it was above the floor, stayed
 * below it for long. Logs do not add over such a stay.
 */
export function cooksOf(spans: readonly (readonly Reading[])[], floorC = -Infinity): Reading[][][] {
  const cooks: Reading[][][] = [[]];
  let warm = false;
  let belowSince: number | null = null;
  for (const span of spans) {
    let part: Reading[] = [];
    for (const r of span) {
      if (r.tempC >= floorC) {
        if (warm && belowSince !== null && r.tS - belowSince > GROWTH_S) {
          if (part.length > 1) cooks.at(-1)!.push(part);
          cooks.push([]);
          part = part.slice(-1);
        }
        warm = true;
        belowSince = null;
      } else if (warm) belowSince ??= r.tS;
      part.push(r);
    }
    if (part.length > 0) cooks.at(-1)!.push(part);
  }
  return cooks;
}

const peakOf = (spans: readonly Reading[][]) =>
  spans.reduce((most, s) => s.reduce((m, r) => Math.max(m, r.tempC), most), -273);

/** Judges the credited stretches of one core log by the rule's way; logs are always worked out and shown. */
export function judgeLethality(
  spans: readonly Reading[][],
  rule: LethalityRule,
  poultry: boolean,
): LethalityResult {
  const species = poultry ? 'poultry' : 'meat';
  const target = rule.targetLogs[species];
  const logs = Math.max(
    0,
    ...cooksOf(spans, rule.model.creditFromC).map((cook) =>
      cook.reduce((sum, readings) => sum + lethality({ readings, ...rule.model }).logs, 0),
    ),
  );
  const peakC = peakOf(spans);
  const figures: Figure[] = [
    { name: 'logs', value: logs, unit: 'logs' },
    { name: 'targetLogs', value: target, unit: 'logs' },
    { name: 'peakC', value: peakC, unit: 'C' },
  ];
  if (rule.way === 'integrated')
    return { pass: logs >= target, reached: logs / target, logs, figures };
  if (rule.way === 'end_point') {
    const endC = rule.endPointC[species];
    figures.push({ name: 'endPointC', value: endC, unit: 'C' });
    return { pass: peakC >= endC - 1e-9, reached: peakC / endC, logs, figures };
  }
  const rows = spans.map((s) => tableWay(s, poultry)).filter((r) => r !== null);
  const best = rows.find((r) => r.pass) ?? rows[0] ?? null;
  if (best)
    figures.push(
      { name: 'tableC', value: best.tempC, unit: 'C' },
      { name: 'heldS', value: best.heldS, unit: 's' },
      { name: 'neededS', value: best.neededS, unit: 's' },
    );
  return {
    pass: best?.pass ?? false,
    reached: best ? (best.pass ? 1 : best.heldS / best.neededS) : 0,
    logs,
    figures,
  };
}

/**
 * Seconds still needed at the present core temperature by the rule's way; null when this temperature
 * never gets there (below the floor, the table's first row or the end point).
 */
export function stillNeededS(
  result: LethalityResult,
  rule: LethalityRule,
  poultry: boolean,
  coreC: number,
): number | null {
  if (result.pass) return 0;
  if (rule.way === 'end_point') return null;
  if (rule.way === 'table') return tableSecondsAt(coreC, poultry);
  return secondsStillNeeded(
    rule.model,
    result.logs,
    rule.targetLogs[poultry ? 'poultry' : 'meat'],
    coreC,
  );
}

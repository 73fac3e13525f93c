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

const peakOf = (spans: readonly Reading[][]) => Math.max(-273, ...spans.flat().map((r) => r.tempC));

/** Judges the credited stretches of one core log by the rule's way; logs are always worked out and shown. */
export function judgeLethality(
  spans: readonly Reading[][],
  rule: LethalityRule,
  poultry: boolean,
): LethalityResult {
  const species = poultry ? 'poultry' : 'meat';
  const target = rule.targetLogs[species];
  const logs = spans.reduce(
    (sum, readings) => sum + lethality({ readings, ...rule.model }).logs,
    0,
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

import { coreLogs, foldBatch, judgedLogs, scoreOf, type BandScore, type Case } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { forecastCore } from './forecast';

/** Shares of the run at which a forecast is looked back at. */
export const LOOKS = [0.3, 0.5, 0.7, 0.85];
/** The core is waited for that stood this much under the warmest before the pull, °C. */
const UNDER_WARMEST_C = 1;

/** The case as it stood at a time: what had happened and been read by then. */
export function caseAt(d: Dossier, atS: number): Case {
  const entries = d.entries.filter((e) => e.happenedS <= atS && e.body.kind !== 'corrected');
  const series = Object.fromEntries(
    Object.entries(d.case.series).map(([id, log]) => [id, log.filter((r) => r.tS <= atS)]),
  );
  return { ...d.case, series, state: foldBatch(d.head.recipe, entries), nowS: atS };
}

/** The core that the slowest log came to before the pull, and when it was there first; null where nothing tells. */
function metBefore(c: Case, pulledS: number): { coreC: number; metS: number } | null {
  const logs = judgedLogs(coreLogs(c, c.state.run!.startS, pulledS, 'house')).map((l) =>
    l.spans.flat(),
  );
  const warmest = (log: (typeof logs)[number]) =>
    log.reduce((m, r) => Math.max(m, r.tempC), -Infinity);
  const slow = logs.filter((l) => l.length > 0).sort((a, b) => warmest(a) - warmest(b))[0];
  if (!slow) return null;
  const coreC = warmest(slow) - UNDER_WARMEST_C;
  return { coreC, metS: slow.find((r) => r.tempC >= coreC)!.tS };
}

/**
 * How the forecasts of a pulled run did, as they would have been made on its way without knowing of earlier
 * runs: one score at each look at which the core was still to come.
 */
export async function scoresOfRun(d: Dossier): Promise<BandScore[]> {
  const { run } = d.case.state;
  if (!run || run.pulledS === null) return [];
  const met = metBefore(d.case, run.pulledS);
  if (!met) return [];
  const scores: BandScore[] = [];
  for (const share of LOOKS) {
    const atS = run.startS + share * (run.pulledS - run.startS);
    const leftS = met.metS - atS;
    if (leftS <= 0) continue;
    const said = await forecastCore(caseAt(d, atS), met.coreC, 'watch');
    if (!said || said.basis.status === 'reached') continue;
    scores.push({ leftS, score: scoreOf(said, met.metS - run.startS) });
  }
  return scores;
}

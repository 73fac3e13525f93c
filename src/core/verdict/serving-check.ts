import { check, type Case, type Check, type Figure } from './check';
import { chillReadings } from './windows';
import { pieceLogs } from './pieces';

/** Temperatures after the pull that say whether it was kept hot: by hand and of probes that are believed. */
function hotLooks(c: Case, fromS: number, toS: number): { tS: number; tempC: number }[] {
  const logged = pieceLogs(c).logs.flatMap((l) => chillReadings(c, l));
  const hand = c.state.hand.filter((h) => h.what === 'core');
  return [...logged, ...hand]
    .filter((r) => r.tS >= fromS && r.tS <= toS)
    .map(({ tS, tempC }) => ({ tS, tempC }))
    .sort((a, b) => a.tS - b.tS);
}

/** Until when what was pulled was certainly kept hot: the last look before the first silence or the first that was too cold. */
function hotUntilS(c: Case, pulledS: number): number {
  const { hotC, lookS } = c.rules.serving.body;
  let untilS = pulledS;
  for (const r of hotLooks(c, pulledS, c.nowS)) {
    if (r.tS - untilS > lookS || r.tempC < hotC) break;
    untilS = r.tS;
  }
  return untilS;
}

/** When it must have been eaten at the latest, epoch s; null before the pull. */
export function servingDueS(c: Case): number | null {
  const pulledS = c.state.run?.pulledS;
  if (pulledS == null) return null;
  const { withinS, lookS } = c.rules.serving.body;
  const hotS = hotUntilS(c, pulledS);
  return Math.max(pulledS + withinS, hotS > pulledS ? hotS + lookS : 0);
}

/** Eaten hot: served within the site's time after the pull, or kept hot until then by what was measured. */
export function checkServing(c: Case): Check {
  const rule = c.rules.serving;
  const dueS = servingDueS(c);
  if (dueS === null) return check('serving', rule, 'missing', 'not_pulled');
  const pulledS = c.state.run!.pulledS!;
  const endS = c.state.served?.atS ?? c.nowS;
  const figures: Figure[] = [
    { name: 'elapsedS', value: endS - pulledS, unit: 's' },
    { name: 'withinS', value: rule.body.withinS, unit: 's' },
    { name: 'hotC', value: rule.body.hotC, unit: 'C' },
    { name: 'due', value: dueS, unit: 'at' },
  ];
  if (endS > dueS) {
    const because = c.state.served ? 'served_late' : 'left_standing';
    return check('serving', rule, 'fail', because, figures);
  }
  return c.state.served
    ? check('serving', rule, 'pass', 'served', figures)
    : check('serving', rule, 'missing', 'not_served', figures);
}

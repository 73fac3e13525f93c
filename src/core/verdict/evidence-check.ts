import { outcomeOf } from '../route/read';
import { check, type Case, type Check, type Figure } from './check';
import type { NoCredit } from './no-credit';
import { pieceLogs, type PieceLog } from './pieces';
import type { Uncovered, View } from './views';
import { chillView, houseView } from './windows';

/** Seconds for which thickest logs earned nothing, by reason. */
function uncredited(logs: readonly PieceLog[], view: View): Figure[] {
  const sums = new Map<NoCredit, number>();
  for (const log of logs.filter((l) => l.thickest))
    log.readings.forEach((r, i) => {
      const reason = log.why[i]!;
      if (reason === null || r.tS < view.fromS || r.tS > view.toS) return;
      const next = log.readings[i + 1];
      const dtS = next && next.tS <= view.toS ? next.tS - r.tS : 0;
      sums.set(reason, (sums.get(reason) ?? 0) + dtS);
    });
  return [...sums].map(([name, value]) => ({ name, value, unit: 's' }));
}

const gapFigures = (gaps: readonly Uncovered[]): Figure[] => [
  { name: 'gaps', value: gaps.length, unit: 'count' },
  ...gaps.slice(0, 3).flatMap((g): Figure[] => [
    { name: 'gapFrom', value: g.fromS, unit: 'at' },
    { name: 'gapTo', value: g.toS, unit: 'at' },
  ]),
];

/** When people took probes out, with a reason, while the product was in the house or followed in the chill. */
function takenOut(house: View, chill: View | null): number[] {
  const parts = house.counted.flatMap((x) => x.log.parts.flatMap((p) => p.removed ?? []));
  const aside = [
    ...house.aside,
    ...(chill?.aside ?? []),
    ...parts.filter((r) => r.atS < house.toS),
  ];
  return [...new Set(aside.map((a) => a.atS))].sort((a, b) => a - b);
}

/** Probes that were put into a thickest piece and never showed anything: that piece is not known. */
function silentProbes(c: Case): Uncovered[] {
  const endS = c.state.run?.pulledS ?? c.nowS;
  const { maxGapS } = c.rules.probe_evidence.body;
  return c.state.probes
    .filter((p) => p.what === 'core' && p.thickest && p.name === null && p.removed === null)
    .filter((p) => p.fromS < endS && c.nowS - p.fromS > maxGapS)
    .filter((p) => !(c.series[p.channelId] ?? []).some((r) => r.tS >= p.fromS))
    .map((p) => ({ fromS: p.fromS, toS: endS }));
}

/** Every thickest piece was under a credited probe all the way: house, then chill to the rule's end. */
export function checkProbeEvidence(c: Case): Check {
  const rule = c.rules.probe_evidence;
  const house = houseView(c);
  if (!house) return check('probe_evidence', rule, 'missing', 'no_run');
  const { logs, envelope } = pieceLogs(c);
  if (!house.counted.some((x) => x.log.thickest))
    return check('probe_evidence', rule, 'missing', 'no_thickest_probe');
  const cools = outcomeOf(c.recipe) !== 'eaten_hot' || c.state.chill.length > 0;
  const chill = cools ? chillView(c) : null;
  const counted = [...house.counted, ...(chill?.counted ?? [])].filter((x) => x.log.thickest);
  const gaps = counted.flatMap((x) => x.holes).sort((a, b) => a.fromS - b.fromS);
  const missed = chill && !chill.counted.some((x) => x.log.thickest);
  if (missed) gaps.push({ fromS: chill.fromS, toS: chill.toS });
  gaps.push(...silentProbes(c));
  const figures = gapFigures(gaps);
  figures.push(...uncredited(logs, house));
  figures.push({ name: 'surroundings', value: envelope.around.logged ? 1 : 0, unit: 'count' });
  for (const value of takenOut(house, chill)) figures.push({ name: 'aside', value, unit: 'at' });
  for (const w of c.state.withdrawn) figures.push({ name: 'withdrawn', value: w.atS, unit: 'at' });
  if (gaps.length > 0) return check('probe_evidence', rule, 'missing', 'gaps', figures);
  const over = cools ? chill !== null : c.state.run?.pulledS != null;
  return over
    ? check('probe_evidence', rule, 'pass', cools ? 'covered' : 'cook_covered', figures)
    : check('probe_evidence', rule, 'missing', 'running', figures);
}

import { coreLogs, houseWindow, thinReadings, type Case, type CoreLog, type Reading } from '@/core';
import type { Show } from '@/words/show';
import { REJECT_WORDS } from '@/words/house';

const WIDTH = 320;
const HEIGHT = 90;
const MOST_POINTS = 160;
/** Readings from so long before the run belong to the picture, s. */
const BEFORE_S = 900;

type Place = { x: (tS: number) => number; y: (tempC: number) => number };

const pathOf = (log: readonly Reading[], p: Place) =>
  thinReadings(log, MOST_POINTS)
    .map((r, i) => `${i === 0 ? 'M' : 'L'}${p.x(r.tS).toFixed(1)} ${p.y(r.tempC).toFixed(1)}`)
    .join('');

/** Readings that are not believed, in the stretches in which they stand. */
const doubted = (log: CoreLog) =>
  log.rejected
    .filter((r) => r.reason !== 'gap')
    .map((r) => log.readings.filter((x) => x.tS >= r.fromS && x.tS <= r.toS))
    .filter((l) => l.length > 0);

/** What was believed and what not, in words. */
function summary(log: CoreLog, show: Show): string {
  const credited = log.spans.reduce((n, s) => n + s.length, 0);
  const parts = log.rejected.map(
    (r) =>
      `${r.reason === 'gap' ? 'silent' : `it ${REJECT_WORDS[r.reason]}`} ${show.time(r.fromS)} to ${show.time(r.toS)}`,
  );
  const all = `${credited} of ${log.readings.length} readings believed`;
  return parts.length === 0 ? `${all}.` : `${all}; not believed: ${parts.join('; ')}.`;
}

function Curve({
  log,
  nameOf,
  show,
}: {
  log: CoreLog;
  nameOf: (id: number) => string;
  show: Show;
}) {
  const { readings } = log;
  const [first, last] = [readings[0]!, readings.at(-1)!];
  const hotC = readings.reduce((m, r) => Math.max(m, r.tempC), -Infinity);
  const coldC = readings.reduce((m, r) => Math.min(m, r.tempC), Infinity);
  const spanS = Math.max(1, last.tS - first.tS);
  const place: Place = {
    x: (tS) => 2 + ((tS - first.tS) / spanS) * (WIDTH - 4),
    y: (tempC) => 4 + ((hotC - tempC) / Math.max(1, hotC - coldC)) * (HEIGHT - 8),
  };
  const name =
    log.piece ?? (log.channelId === null ? 'By hand' : (log.name ?? nameOf(log.channelId)));
  const words = summary(log, show);
  return (
    <li className="border-t border-line py-2 first:border-t-0">
      <p className="font-semibold">
        {name}
        {log.counts ? '' : ', not judged on'}
      </p>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="h-24 w-full max-w-xl"
        role="img"
        aria-label={`Core of ${name}: ${words}`}
        preserveAspectRatio="none"
      >
        {log.spans.map((s) => (
          <path
            key={s[0]!.tS}
            d={pathOf(s, place)}
            fill="none"
            stroke="var(--good)"
            strokeWidth={2}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        {doubted(log).map((l) => (
          <path
            key={l[0]!.tS}
            d={l.length > 1 ? pathOf(l, place) : `${pathOf(l, place)}h0.1`}
            fill="none"
            stroke="var(--bad)"
            strokeWidth={l.length > 1 ? 2 : 5}
            strokeLinecap="round"
            strokeDasharray={l.length > 1 ? '2 4' : undefined}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      <p className="small">
        {show.clock(first.tS)} to {show.clock(last.tS)}, {show.temp(coldC)} to {show.temp(hotC)}.{' '}
        {words}
      </p>
    </li>
  );
}

/** Each thickest piece's curve: what was believed (solid) and what was not (dotted), with the times and reasons. */
export function PieceCurves({
  c,
  nameOf,
  show,
}: {
  c: Case;
  nameOf: (channelId: number) => string;
  show: Show;
}) {
  const window = houseWindow(c);
  if (!window) return null;
  const phase = c.state.run?.pulledS == null ? 'house' : 'chill';
  const logs = coreLogs(c, window.fromS - BEFORE_S, c.nowS, phase).filter((l) => l.thickest);
  if (logs.length === 0) return null;
  return (
    <section className="sheet" aria-label="What was believed">
      <h2 className="font-semibold">What was believed, piece by piece</h2>
      <p className="small">
        Solid: credited. Dotted: not believed, because meat of this size cannot do that in what
        surrounded it, or because the probe’s own record speaks against it.
      </p>
      <ul>
        {logs.map((l) => (
          <Curve key={`${l.channelId}:${l.readings[0]!.tS}`} log={l} nameOf={nameOf} show={show} />
        ))}
      </ul>
    </section>
  );
}

import { isSlowNow } from '@/core';
import { Link } from '@/ui/link';
import { bandWords } from '@/words/band';
import { NEVER_SO_SOUR } from '@/words/ripening';
import type { Show } from '@/words/show';
import type { Ahead, BatchForecast } from '../forecast';
import type { Member } from '../load';

const SOURCE = {
  program: 'the program alone: no core reading yet',
  thin: 'few readings so far: the band is wide',
  fitted: 'this run’s own readings',
} as const;

function Time({
  ahead,
  open,
  show,
  nowS,
}: {
  ahead: Ahead | null;
  open?: string;
  show: Show;
  nowS: number;
}) {
  if (!ahead) return <span className="text-soft">done</span>;
  const { first, rest } = bandWords(ahead, nowS, show, open);
  return (
    <span>
      <strong className={ahead.p50 === null ? 'text-wait' : 'text-lg'}>{first}</strong>{' '}
      <span className="text-soft">{rest}</span>
    </span>
  );
}

/** What earlier runs of the house have to do with it. */
function taughtWords({ houseRuns, likeRuns }: BatchForecast['basis']): string {
  if (houseRuns === 0) return '';
  const runs = `, and ${houseRuns} earlier ${houseRuns === 1 ? 'run' : 'runs'} of this house`;
  return likeRuns ? `${runs}, ${likeRuns} of them in weather like today’s, which count most` : runs;
}

/** Early or late against what was promised, in words. */
export function readyWords(member: Member, show: Show): string | null {
  const readyS = member.forecast?.readyS;
  if (readyS == null) return null;
  const { readyByS } = member.dossier.case.state;
  const offS = readyS - readyByS;
  const when = `could be ready about ${show.clock(show.roundAhead(readyS, member.dossier.case.nowS))}`;
  if (Math.abs(offS) < 300) return `${when}, just as promised`;
  return `${when}, ${show.duration(offS)} ${offS > 0 ? 'late' : 'early'} for ${show.clock(readyByS)}`;
}

/** When the stage, the cook and the chill will be over, each with its band, and what it is made from. */
export function ForecastCard({ member, show, nowS }: { member: Member; show: Show; nowS: number }) {
  const f = member.forecast;
  if (!f) return null;
  const { basis } = f;
  const { head, case: c } = member.dossier;
  if (basis.status === 'unexplained' && isSlowNow(c.state))
    return (
      <p className="small">
        How long it hangs is no question of heat:{' '}
        <Link href={`/batches/${head.id}/ripening`} className="text-accent underline">
          its hours and days
        </Link>
        .
      </p>
    );
  if (basis.status === 'unexplained')
    return (
      <p className="small">
        No forecast: no piece of this size reads like that in this air
        {basis.missC === null ? '' : ` (off by ${show.tempStep(basis.missC)} on the mean)`}. Is the
        probe in the thickest piece, and the air sensor in the house?
      </p>
    );
  const ready = readyWords(member, show);
  const sours = f.progress?.at.stage.ends?.ph !== undefined;
  const rows: [string, Ahead | null, open?: string][] = [
    ...(f.done
      ? ([
          ['This stage ends', f.stage, sours ? NEVER_SO_SOUR : undefined],
          ['Done in the house', f.done],
        ] as [string, Ahead | null, string?][])
      : []),
    ['Cold', f.cold],
  ];
  return (
    <div>
      <h3 className="font-semibold">Forecast</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
        {rows
          .filter(([, a]) => a !== null)
          .map(([label, a, open]) => (
            <div key={label} className="contents">
              <dt className="text-soft">{label}</dt>
              <dd>
                <Time ahead={a} open={open} show={show} nowS={nowS} />
              </dd>
            </div>
          ))}
      </dl>
      {ready && <p className="font-semibold">{ready}</p>}
      <details className="small">
        <summary className="min-h-12 cursor-pointer py-3">
          A forecast, not a measurement: what it rests on
        </summary>
        <p>
          Made from {SOURCE[basis.madeFrom]}
          {basis.madeFrom === 'program'
            ? ''
            : ` (${basis.coreReadings} core readings, misses ${show.tempStep(basis.missC ?? 0)} on average)`}
          {taughtWords(basis)}
          {basis.madeFrom === 'fitted'
            ? `. The house moves heat ${show.number(basis.factors.h, 2)} times as expected`
            : ''}
          . Eight of ten bands hold what comes;{' '}
          {basis.bandRuns > 0
            ? `the width of this one rests on ${basis.bandRuns} earlier ${basis.bandRuns === 1 ? 'forecast' : 'forecasts'} of this house and kind of product.`
            : 'this one is as wide as is usual, for none of this house and kind of product has been checked yet.'}
        </p>
      </details>
    </div>
  );
}

import type { Check, PieceLoss } from '@/core';
import { Notice, StatusChip } from '@/ui/status';
import { lossWords, rimWords } from '@/words/ripening';
import type { Show } from '@/words/show';
import { checkWords } from '@/words/verdict';
import type { DryingAhead } from '../service';
import { CourseChart } from './CourseChart';

/** Pieces whose losses differ by more than this are not dried evenly, share of the start. */
const UNEVEN = 0.04;
const ROOM = {
  measured: 'the room as its sensors say',
  set: 'the room as the step sets it: nobody measures its humidity',
  usual: 'a usual room: neither measured nor set',
} as const;

/** The piece that comes last, which is the one that is judged. */
const lastOf = (d: DryingAhead) =>
  d.pieces.reduce((a, b) =>
    (b.forecast.p50S ?? Infinity) > (a.forecast.p50S ?? Infinity) ? b : a,
  );

function Uneven({ losses, show }: { losses: readonly PieceLoss[]; show: Show }) {
  const again = losses.filter((l) => l.weighings > 1);
  const [least, most] = [again[0], again.at(-1)];
  if (!least || !most || most.lossFraction - least.lossFraction < UNEVEN) return null;
  const percent = (l: PieceLoss) => `${l.piece} ${show.number(l.lossFraction * 100, 1)} %`;
  return (
    <Notice tone="wait">
      They dry unevenly: {percent(most)}, {percent(least)}. Rotate the sticks, {most.piece} away
      from the draught; what is thinner comes out first.
    </Notice>
  );
}

/** Drying: the day of each marked piece, when to weigh next, what its rim does, the curve of the last one. */
export function DryingCard({
  drying: d,
  losses,
  check,
  show,
  nowS,
}: {
  drying: DryingAhead;
  losses: readonly PieceLoss[];
  check: Check | undefined;
  show: Show;
  nowS: number;
}) {
  const last = lastOf(d);
  const nextS = d.pieces.reduce((m, p) => Math.min(m, p.forecast.nextS ?? Infinity), Infinity);
  const rims = [...new Set(d.pieces.map((p) => rimWords(p.rim, show)).filter((w) => w !== null))];
  const weighed = d.pieces.find((p) => p.piece === last.piece)!;
  const startG = losses.find((l) => l.piece === last.piece)?.startG;
  const input = weighed.forecast;
  return (
    <section className="sheet space-y-3" aria-label="Drying">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-lg font-semibold">Drying to {show.number(d.targetLoss * 100, 0)} %</h2>
        {check && <StatusChip status={check.status} />}
      </div>
      {rims.slice(0, 1).map((w) => (
        <Notice key={w} tone="wait">
          {w}
        </Notice>
      ))}
      <Uneven losses={losses} show={show} />
      <ul data-testid="drying-days">
        {d.pieces.map(({ piece, forecast }) => {
          const { first, rest } = lossWords(forecast, nowS, show);
          const loss = losses.find((l) => l.piece === piece);
          return (
            <li key={piece} className="flex flex-wrap gap-x-3 border-t border-line py-1.5">
              <strong>{piece}</strong>
              <span className="text-soft">
                {loss && loss.weighings > 1
                  ? `${show.number(loss.lossFraction * 100, 1)} % ${show.clock(loss.atS)}`
                  : 'weighed once'}
              </span>
              <span className="ml-auto">
                <strong>{first}</strong> <span className="text-soft">{rest}</span>
              </span>
            </li>
          );
        })}
      </ul>
      {nextS < Infinity && (
        <p>
          Weigh next <strong>{show.day(nextS)}</strong>: that tells most of the day.
        </p>
      )}
      <CourseChart
        course={input.course.map((c) => ({
          ...c,
          p10: 100 * c.p10,
          p50: 100 * c.p50,
          p90: 100 * c.p90,
        }))}
        measured={
          startG === undefined
            ? []
            : d.weighings[last.piece]!.map((w) => ({
                tS: w.tS,
                value: 100 * (1 - w.weightG / startG),
              }))
        }
        targets={[
          { value: 100 * d.targetLoss, label: `${show.number(100 * d.targetLoss, 0)} % lost` },
        ]}
        nowS={nowS}
        name={`Loss of ${last.piece}`}
        unit="%"
        digits={1}
        step={5}
      />
      <p className="small">
        {d.others > 0 ? `${d.others} more have lost more than these. ` : ''}
        {last.piece} comes last, and the batch is judged on it. In {ROOM[d.humidity]}. Water
        activity now, estimated: {show.number(input.now.meanAw, 2)} throughout,{' '}
        {show.number(input.now.rimAw, 2)} at the rim; an estimate proves nothing, the meter does.
      </p>
      {check && <p className="small">{checkWords(check, show)}</p>}
    </section>
  );
}

import type { Show } from '@/words/show';
import type { BatchWay } from '../plan';

/** When the batch will be ready against when it should be, and what would help a late one. */
export function WayHeading({
  way,
  readyByS,
  closed,
  show,
}: {
  way: BatchWay;
  readyByS: number;
  closed: boolean;
  show: Show;
}) {
  const { readyS, lateS, overtimeS } = way;
  const late = lateS !== null && lateS > 0;
  const by = lateS === null ? '' : show.duration(Math.abs(lateS));
  return (
    <div className="mb-3 space-y-1">
      <h2 className="text-lg font-semibold">
        {closed ? 'How it went' : `Schedule for ${show.clock(readyByS)}`}
      </h2>
      {readyS === null && (
        <p className="font-semibold text-bad">No plan fits the next three weeks from here.</p>
      )}
      {readyS !== null && lateS !== null && (
        <p className={late ? 'font-semibold text-bad' : 'font-semibold'}>
          {closed ? 'Packed' : 'Ready'} {show.clock(readyS)}
          {Math.abs(lateS) < 60 ? ', just in time' : `, ${by} ${late ? 'late' : 'early'}`}
        </p>
      )}
      {!closed && overtimeS !== null && (
        <p>With somebody there outside working hours it is ready {show.clock(overtimeS)}.</p>
      )}
    </div>
  );
}

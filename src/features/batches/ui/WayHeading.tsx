import type { Show } from '@/words/show';
import type { BatchWay } from '../plan';

/** "Planned for Thu 18:00, 2 h 05 late": against ready-by; null when nobody can say. */
export function plannedWords(
  { readyS, lateS }: Pick<BatchWay, 'readyS' | 'lateS'>,
  show: Show,
  done = false,
): string | null {
  if (readyS === null || lateS === null) return null;
  const against =
    Math.abs(lateS) < 60
      ? 'just in time'
      : `${show.duration(Math.abs(lateS))} ${lateS > 0 ? 'late' : 'early'}`;
  return `${done ? 'Done' : 'Planned for'} ${show.clock(readyS)}, ${against}`;
}

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
  const done =
    closed || way.pieces.every((p) => p.standing === 'done' || p.standing === 'unrecorded');
  const words = plannedWords(way, show, done);
  return (
    <div className="mb-3 space-y-1">
      <h2 className="text-lg font-semibold">
        {done ? 'How it went' : `Schedule for ${show.clock(readyByS)}`}
      </h2>
      {readyS === null && (
        <p className="font-semibold text-bad">No plan fits the next three weeks from here.</p>
      )}
      {words && <p className={late ? 'font-semibold text-bad' : 'font-semibold'}>{words}</p>}
      {!done && overtimeS !== null && (
        <p>With somebody there outside working hours it could be ready {show.clock(overtimeS)}.</p>
      )}
    </div>
  );
}

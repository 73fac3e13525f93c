'use client';

import type { PlanNames } from '@/words/plan';
import { useShow } from '@/ui/show-context';
import type { Held, Moved } from './board/use-move';

type Props = {
  draft: Moved | null;
  holding: boolean;
  selected: Held | null;
  names: PlanNames;
  /** What the plan breaks; null while nobody knows. */
  breaks: readonly string[] | null;
  onKeep: () => void;
  onPutBack: () => void;
};

const MOST = 4;

/** What was moved by hand and what it breaks, said while it moves; and how the keys work. */
export function MoveBar({ draft, holding, selected, names, breaks, onKeep, onPutBack }: Props) {
  const show = useShow();
  const said = selected
    ? `${names.batch(selected.bar.batch)}, ${names.step(selected.bar.batch, selected.bar.step)}: ${show.clock(selected.bar.startS)}`
    : '';
  return (
    <div aria-live="polite" className="mt-2 text-sm">
      {!draft && !holding && (
        <p className="text-soft">
          Drag a step, or choose one with the arrow keys and press Space to move it.
        </p>
      )}
      {!draft && holding && (
        <p>
          <b>{said}</b>. Left and right: five minutes, with Shift an hour. Up and down: another
          place. Enter keeps it, Escape puts it back.
        </p>
      )}
      {draft && (
        <div className="sheet flex flex-wrap items-center gap-3">
          <div className="min-w-60 flex-1">
            <p>
              <b>Moved by hand</b> {said && `, ${said}`}.{' '}
              {breaks === null
                ? 'Looking at it …'
                : breaks.length === 0
                  ? 'It breaks nothing.'
                  : ''}
            </p>
            {breaks && breaks.length > 0 && (
              <ul className="list-disc pl-5 text-bad">
                {breaks.slice(0, MOST).map((b) => (
                  <li key={b}>{b}</li>
                ))}
                {breaks.length > MOST && <li>and {breaks.length - MOST} more</li>}
              </ul>
            )}
          </div>
          <button type="button" className="button-main" onClick={onKeep}>
            Keep and pin it
          </button>
          <button type="button" className="button" onClick={onPutBack}>
            Put it back
          </button>
        </div>
      )}
    </div>
  );
}

'use client';

import { useSyncExternalStore } from 'react';
import type { PlanNames } from '@/words/plan';
import { useShow } from '@/ui/show-context';
import type { Bar } from './board/layout';
import type { Held, Moved } from './board/use-move';
import type { Signal } from './signal';

/** Where something is while it is dragged: from when, and in which other place. */
export type Way = { bar: Bar; startS: number; into: string | null };
type Props = {
  draft: Moved | null;
  holding: boolean;
  selected: Held | null;
  names: PlanNames;
  /** What the plan breaks; null while nobody knows. */
  live: Signal<readonly string[]>;
  way: Signal<Way>;
  onKeep: () => void;
  onPutBack: () => void;
};

const MOST = 4;

/** What was moved by hand and what it breaks, said while it moves; and how the keys work. */
export function MoveBar(props: Props) {
  const { draft, holding, selected, names, live, onKeep, onPutBack } = props;
  const show = useShow();
  const breaks = useSyncExternalStore(live.subscribe, live.get, () => null);
  const way = useSyncExternalStore(props.way.subscribe, props.way.get, () => null);
  const saidOf = (bar: Bar, startS: number) =>
    `${names.batch(bar.batch)}, ${names.step(bar.batch, bar.step)}: ${show.clock(startS)}`;
  const said = selected ? saidOf(selected.bar, selected.bar.startS) : '';
  const isMoving = way !== null || (!draft && breaks !== null);
  return (
    <div
      aria-live="polite"
      className={`mt-2 text-sm ${draft || holding || isMoving ? 'sticky bottom-0 z-20' : ''}`}
    >
      {!draft && !holding && !isMoving && (
        <p className="text-soft">
          Drag a step, or choose one with the arrow keys and press Space to move it.
        </p>
      )}
      {!draft && holding && (
        <p className="sheet">
          <b>{said}</b>. Left and right: five minutes, with Shift an hour. Up and down: another
          place. Enter keeps it, Escape puts it back.
        </p>
      )}
      {(draft || isMoving) && (
        <div className="sheet flex flex-wrap items-center gap-3">
          <div className="min-w-60 flex-1">
            <p>
              <b>{isMoving ? 'While it moves' : 'Moved by hand'}</b>
              {!isMoving && said && `, ${said}`}
              {/* Not read out: it changes with every step of the pointer. */}
              {way && (
                <span aria-hidden="true">
                  , {saidOf(way.bar, way.startS)}
                  {way.into !== null && `, ${names.place(way.into)}`}
                </span>
              )}
              .{' '}
              {breaks === null
                ? 'Looking at it …'
                : breaks.length === 0
                  ? 'It breaks nothing.'
                  : ''}
            </p>
            <Breaks words={breaks ?? []} />
          </div>
          {draft && (
            <>
              <button type="button" className="button-main" onClick={onKeep}>
                Keep and pin it
              </button>
              <button type="button" className="button" onClick={onPutBack}>
                Put it back
              </button>
            </>
          )}
        </div>
      )}
    </div>
  );
}

/** What a plan breaks: the first few of it. */
export function Breaks({ words }: { words: readonly string[] }) {
  if (words.length === 0) return null;
  return (
    <ul className="list-disc pl-5 text-bad">
      {words.slice(0, MOST).map((w) => (
        <li key={w}>{w}</li>
      ))}
      {words.length > MOST && <li>and {words.length - MOST} more</li>}
    </ul>
  );
}

'use client';

import { useState } from 'react';
import { GRID_S, type PinnedStep } from '@/core';
import { Link } from '@/ui/link';
import { Options, Select } from '@/ui/select-field';
import { instantS, localOf } from '@/ui/local-time';
import { useShow } from '@/ui/show-context';
import { TimeField } from '@/ui/time-field';
import type { PlanNames } from '@/words/plan';
import { baseOf } from '../agenda';
import type { Board } from '../board';
import type { Held } from './board/use-move';

type Props = {
  board: Board;
  held: Held | null;
  names: PlanNames;
  canWork: boolean;
  whole: boolean;
  onWhole: (whole: boolean) => void;
  pins: readonly PinnedStep[];
  onPut: (held: Held, startS: number, to: string | null) => void;
  onPin: (pins: PinnedStep[], words: string) => void;
};

/** The step that is chosen: what it is, and how it is moved and pinned without dragging. */
export function StepPanel(props: Props) {
  const { board, held, names, canWork, pins } = props;
  const show = useShow();
  const { timeZone } = show.settings;
  const local = (s: number) => localOf(s, timeZone);
  const [at, setAt] = useState<string | null>(null);
  const [to, setTo] = useState<string | null>(null);
  if (!held)
    return (
      <section aria-label="Chosen step" className="sheet text-soft">
        Choose a step on the board to see it here.
      </section>
    );
  const { bar, line } = held;
  const batch = board.batches.find((b) => b.id === baseOf(bar.batch));
  const own = board.task.batches
    .find((b) => b.id === bar.batch)
    ?.steps.find((s) => s.id === bar.step);
  const anyOf = own?.uses.find((u) => u.anyOf.includes(line))?.anyOf ?? [];
  const isMine = (p: PinnedStep) => p.batch === bar.batch && p.step === bar.step;
  const pinned = pins.some(isMine);
  const free = bar.state === 'planned' && canWork;
  const put = () => {
    const typed = at === null ? bar.startS : instantS(at, timeZone);
    if (typed === null) return;
    const startS = at === null ? typed : Math.round(typed / GRID_S) * GRID_S;
    props.onPut(held, startS, to);
    setAt(null);
    setTo(null);
  };
  return (
    <section aria-label="Chosen step" className="sheet space-y-2">
      <h2 className="font-semibold">
        {batch?.code ? (
          <Link href={`/batches/${bar.batch}`} className="text-accent underline">
            {names.batch(bar.batch)}
          </Link>
        ) : (
          names.batch(bar.batch)
        )}
        : {bar.state === 'done' ? bar.step : names.step(bar.batch, bar.step)}
      </h2>
      <p>
        {show.clock(bar.startS)} to {show.clock(bar.endS)}, {show.duration(bar.endS - bar.startS)}.{' '}
        {batch &&
          `${show.quantity('mass', batch.meatG)} of meat, ready by ${show.clock(batch.readyByS)}.`}
      </p>
      {free && (
        <>
          <div className="grid gap-3 sm:grid-cols-2">
            <TimeField
              label={`Begins (${timeZone})`}
              step={GRID_S}
              value={at ?? local(bar.startS)}
              onChange={setAt}
            />
            {anyOf.length > 1 && (
              <Select label="Where" value={to ?? line} onChange={(e) => setTo(e.target.value)}>
                <Options of={anyOf.map((id) => [id, names.place(id)] as const)} />
              </Select>
            )}
          </div>
          <label className="flex min-h-12 items-center gap-3">
            <input
              type="checkbox"
              className="size-6"
              checked={props.whole}
              onChange={(e) => props.onWhole(e.target.checked)}
            />
            Its whole batch goes along
          </label>
          <div className="flex flex-wrap gap-3">
            <button type="button" className="button" onClick={put}>
              Move it
            </button>
            <button
              type="button"
              className="button"
              onClick={() =>
                pinned
                  ? props.onPin(
                      pins.filter((p) => !isMine(p)),
                      'It may move again.',
                    )
                  : props.onPin(
                      [...pins, { batch: bar.batch, step: bar.step }],
                      'Pinned. What is planned next goes round it.',
                    )
              }
            >
              {pinned ? 'Unpin it' : 'Pin it here'}
            </button>
          </div>
        </>
      )}
    </section>
  );
}

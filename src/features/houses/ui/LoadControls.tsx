'use client';

import { useState } from 'react';
import { RUN_EVENTS, type RunEvent } from '@/core';
import { EVENT_WORDS } from '@/words/house';
import { cleared } from '@/ui/cleared';
import { NumberField, readFigure } from '@/ui/number-field';
import { AskAgain, useQuestion } from '@/ui/question';
import { SelectField } from '@/ui/select-field';
import { Said } from '@/ui/status';
import type { Asks } from '@/words/before-press';
import { usePostTo, useWorker } from './post-as';
import { TextField } from '@/ui/text-field';

type Props = {
  /** Batches that hang in the house and follow its program. */
  batchIds: string[];
  stageIndex: number;
  stages: string[];
  /** The present stage has what it waited for, for every batch. */
  over: boolean;
  paused: boolean;
  /** What is asked before the next stage, where the present one has not reached its end. */
  asks: Asks | null;
  /** A chamber or a drying room: there is no fire, but makeshifts of its own. */
  lasts: boolean;
};

type What = 'extend' | 'pause' | 'skip';
const WHAT_WORDS: Record<What, string> = {
  extend: 'Give it longer',
  pause: 'Pause the program',
  skip: 'Go to another stage',
};
const FIRE: readonly RunEvent[] = ['fuel', 'wood_added', 'smoke_out'];
const MAKESHIFTS: readonly RunEvent[] = ['film_on', 'film_off', 'wet_cloths'];
/** What a press tells of a place. Smoke that is out is said where the vent is looked at. */
const pressedIn = (lasts: boolean) =>
  RUN_EVENTS.filter((e) => !(lasts ? FIRE : ['smoke_out', ...MAKESHIFTS]).includes(e));

function ChangeForm({ batchIds, stageIndex, stages }: Props) {
  const { sendTo, busy, message, when } = usePostTo();
  const [what, setWhat] = useState<What>('extend');
  const [minutes, setMinutes] = useState('15');
  const [to, setTo] = useState('');
  const [reason, setReason] = useState('');
  const [error, setError] = useState<string | null>(null);
  const send = async () => {
    if (reason.trim().length < 3) return setError('Say why, in at least 3 characters.');
    setError(null);
    if (what === 'pause') await sendTo(batchIds, { kind: 'run_paused', reason });
    else if (what === 'skip') {
      if (to === '') return setError('Choose the stage.');
      await sendTo(batchIds, { kind: 'stage_started', stageIndex: Number(to), reason });
    } else {
      const read = readFigure(minutes);
      if (!read.ok || read.value <= 0) return setError('Give the minutes.');
      const byS = read.value * 60;
      await sendTo(batchIds, { kind: 'stage_extended', stageIndex, byS, reason });
    }
    setReason(cleared(reason));
  };
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <div className="grid gap-2 sm:grid-cols-2">
        <SelectField
          label="What"
          value={what}
          options={(Object.keys(WHAT_WORDS) as What[]).map((w) => [w, WHAT_WORDS[w]] as const)}
          onChange={setWhat}
        />
        {what === 'extend' && (
          <NumberField label="By" unit="min" value={minutes} onChange={setMinutes} />
        )}
        {what === 'skip' && (
          <SelectField
            label="To"
            value={to}
            options={[
              ['', 'Choose …'],
              ...stages.flatMap((name, i) => (i > stageIndex ? [[String(i), name] as const] : [])),
            ]}
            onChange={setTo}
          />
        )}
      </div>
      <TextField label="Why" value={reason} onChange={(e) => setReason(e.target.value)} />
      {when}
      <Said text={error ?? message} />
      <button className="button" disabled={busy}>
        {WHAT_WORDS[what]}
      </button>
    </form>
  );
}

/** What a person does to a running load: on to the next stage, events, and changes with a reason. */
export function LoadControls(props: Props) {
  const { batchIds, stageIndex, stages, over, paused, lasts, asks } = props;
  const { canWork } = useWorker();
  const { sendTo, busy, message, when } = usePostTo();
  const q = useQuestion();
  if (!canWork || batchIds.length === 0) return null;
  const next = stages[stageIndex + 1];
  const goOn = () => void sendTo(batchIds, { kind: 'stage_started', stageIndex: stageIndex + 1 });
  return (
    <div className="space-y-3">
      <Said text={message} />
      <AskAgain {...q} />
      {paused ? (
        <button
          type="button"
          className="button-main min-h-14 w-full text-lg"
          disabled={busy}
          onClick={() => void sendTo(batchIds, { kind: 'run_resumed' })}
        >
          Go on with the program
        </button>
      ) : (
        next && (
          <button
            type="button"
            className={`${over ? 'button-main' : 'button'} min-h-14 w-full text-lg`}
            disabled={busy}
            onClick={() =>
              asks
                ? q.ask({
                    words: asks.words,
                    stay: asks.stay,
                    answers: [{ label: asks.go, act: goOn }],
                  })
                : goOn()
            }
          >
            Next stage: {next}
          </button>
        )
      )}
      <div className="flex flex-wrap gap-2" role="group" aria-label="What happened">
        {pressedIn(lasts).map((event) => (
          <button
            key={event}
            type="button"
            className="button"
            disabled={busy}
            onClick={() => void sendTo(batchIds, { kind: 'event_logged', event })}
          >
            {EVENT_WORDS[event]}
          </button>
        ))}
      </div>
      {when}
      <details>
        <summary className="flex min-h-12 cursor-pointer items-center font-semibold">
          Change the program of this run
        </summary>
        <ChangeForm {...props} />
      </details>
    </div>
  );
}

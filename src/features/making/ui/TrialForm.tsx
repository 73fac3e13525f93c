'use client';

import { useState } from 'react';
import { BINDS, type Bind } from '@/core';
import { BIND_WORDS, SCORE_WORDS } from '@/words/bench';
import { trialDoes } from '@/words/making';
import { NumberField, readFigure } from '@/ui/number-field';
import { RadioRow } from '@/ui/radio-row';
import { useShow } from '@/ui/show-context';
import { Notice, Said } from '@/ui/status';
import { usePost } from '@/features/logbook/ui';

const SCORES = ([1, 2, 3, 4, 5] as const).map((n) => [String(n), SCORE_WORDS[n]] as const);
const BIND_OPTIONS = BINDS.map((b) => [b, BIND_WORDS[b]] as const);

/** A flat spoonful, cooked to 72 °C: weighed before and after, tasted, and what it says of the batter. */
export function TrialForm({
  load,
  lossShare,
  at,
  onDone,
}: {
  load: number | null;
  /** What it may lose by the site's rule. */
  lossShare: number;
  /** When it happened, where that was not now. */
  at: { happenedAt?: string };
  onDone: () => void;
}) {
  const show = useShow();
  const { send, busy, message } = usePost();
  const [before, setBefore] = useState('');
  const [after, setAfter] = useState('');
  const [salt, setSalt] = useState('3');
  const [heat, setHeat] = useState('3');
  const [bind, setBind] = useState<Bind>('holds');
  const [said, setSaid] = useState<{ before: string | null; after: string | null }>({
    before: null,
    after: null,
  });
  const [b, a] = [readFigure(before), readFigure(after)];
  const loss = b.ok && a.ok && b.value > 0 ? 1 - a.value / b.value : null;
  const isOver = loss !== null && loss > lossShare;
  const submit = async () => {
    setSaid({ before: b.ok ? null : b.error, after: a.ok ? null : a.error });
    if (!b.ok || !a.ok) return;
    const outcome = await send(
      {
        kind: 'trial_cooked',
        ...(load === null ? {} : { load }),
        beforeG: b.value,
        afterG: a.value,
        salt: Number(salt),
        heat: Number(heat),
        bind,
      },
      at,
    );
    if (outcome.ok || outcome.code === 'kept') onDone();
  };
  return (
    <div className="space-y-2" role="group" aria-label="Trial cook">
      <p className="small">
        A flat spoonful of about 25 g, cooked to 72 °C. Weigh it before and after.
      </p>
      <div className="grid grid-cols-2 gap-2">
        <NumberField label="Raw" unit="g" value={before} onChange={setBefore} error={said.before} />
        <NumberField label="Cooked" unit="g" value={after} onChange={setAfter} error={said.after} />
      </div>
      {loss !== null && loss >= 0 && (
        <Notice tone={isOver ? 'wait' : 'good'}>
          {show.number(loss * 100, 1)} % ran out
          {isOver
            ? `: more than ${show.number(lossShare * 100, 0)} %, the emulsion has broken or it will not hold.`
            : '.'}
        </Notice>
      )}
      <RadioRow label="Salt" options={SCORES} value={salt as '3'} onChange={setSalt} />
      <RadioRow label="Heat" options={SCORES} value={heat as '3'} onChange={setHeat} />
      <RadioRow label="Bind" options={BIND_OPTIONS} value={bind} onChange={setBind} />
      <p className={bind === 'holds' && !isOver ? 'small' : 'font-semibold text-wait'}>
        {trialDoes(bind, isOver)}
      </p>
      <Said text={message} />
      <button
        type="button"
        className="button-main min-h-14 w-full text-lg"
        disabled={busy}
        onClick={() => void submit()}
      >
        Record the trial
      </button>
    </div>
  );
}

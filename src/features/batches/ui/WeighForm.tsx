'use client';

import { useState } from 'react';
import { CURE_LINE, toBase, unitSymbol, type DoseLine } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { NumberPad } from '@/ui/number-pad';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { withTime } from './EntryButton';
import { useBatch, usePost } from './use-post';
import { WhenField } from './WhenField';

/** Further off than this from its target, a weighing is asked back before it counts. */
const ASK_SHARE = 0.1;
const ASK_SHARE_MEAT = 0.5;

/** One weighing: what the scale shows, checked against what was wanted. */
export function WeighForm({
  line,
  labelFraction,
  doseG,
}: {
  line: DoseLine;
  labelFraction: number | null;
  doseG: number;
}) {
  const show = useShow();
  const { timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [percent, setPercent] = useState(labelFraction === null ? '' : String(labelFraction * 100));
  const [when, setWhen] = useState('');
  const [error, setError] = useState<string | null>(null);
  const [labelError, setLabelError] = useState<string | null>(null);
  const [ask, setAsk] = useState<number | null>(null);
  const isMeat = line.kind === 'meat';
  const unit = isMeat ? unitSymbol('mass', show.settings.system) : 'g';

  const save = (amountG: number, nitriteFraction: number | undefined) =>
    send(
      {
        kind: 'weighed',
        lineId: line.lineId,
        amountG,
        targetG: line.targetG,
        scaleId: line.scale?.id ?? 'none',
        scaleResolutionG: line.scale?.resolutionG ?? 1,
        nitriteFraction,
      },
      withTime(when, timeZone),
    );
  const submit = (confirmed: boolean) => {
    const read = readFigure(text);
    const label = labelFraction === null ? null : readFigure(percent);
    const positive = read.ok && read.value > 0;
    setError(read.ok ? (positive ? null : 'The scale must show more than 0.') : read.error);
    setLabelError(
      label && !(label.ok && label.value > 0 && label.value <= 20)
        ? 'Give the percentage of sodium nitrite on the label.'
        : null,
    );
    if (!read.ok || !positive || (label && !(label.ok && label.value > 0 && label.value <= 20)))
      return;
    const amountG = isMeat ? toBase('mass', read.value, show.settings.system) : read.value;
    const off = Math.abs(amountG - doseG) / doseG;
    if (!confirmed && off > (isMeat ? ASK_SHARE_MEAT : ASK_SHARE)) return setAsk(amountG);
    setAsk(null);
    void save(amountG, label?.ok ? label.value / 100 : undefined);
  };
  return (
    <form
      className="grid gap-4 pb-2 sm:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault();
        submit(false);
      }}
    >
      <div className="space-y-3">
        <NumberField
          label={`The scale shows (${line.scale?.name ?? 'your scale'})`}
          unit={unit}
          value={text}
          onChange={setText}
          error={error}
          pad
        />
        {line.lineId === CURE_LINE && (
          <NumberField
            label="Sodium nitrite on the lot’s label"
            unit="%"
            value={percent}
            onChange={setPercent}
            error={labelError}
            hint="Look at the packet: pink cures of one colour differ twelve-fold."
          />
        )}
        <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
        {ask !== null && (
          <Notice tone="wait">
            <p>
              {show.grams(ask)} is far from the {show.grams(doseG, line.scale?.resolutionG)} wanted.
              Does the scale really show that?
            </p>
            <button type="button" className="button mt-2" onClick={() => submit(true)}>
              Yes, record {show.grams(ask)}
            </button>
          </Notice>
        )}
        {message && <Notice tone="bad">{message}</Notice>}
        <button className="button-main w-full text-lg" disabled={busy}>
          Record
        </button>
      </div>
      <NumberPad value={text} onChange={setText} />
    </form>
  );
}

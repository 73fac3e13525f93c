'use client';

import { useState } from 'react';
import { fromBase, toBase, unitSymbol, type EntryBody, type UnitSystem } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import { figuresOf, type Corrected, type Figure } from '../correctable';
import { useBatch, usePost } from '@/features/logbook/ui';
import { instantOf } from '@/ui/when-field';
import { localOf } from '@/ui/local-time';
import { TextField } from '@/ui/text-field';
import { TimeField } from '@/ui/time-field';

const round = (x: number) => String(Math.round(x * 1000) / 1000);
/** Doses are weighed in grams whatever the site's units. */
const systemOf = (f: Figure, system: UnitSystem) => (f.quantity === 'dose' ? 'metric' : system);
const shownOf = (f: Figure, system: UnitSystem) =>
  round(f.quantity === 'days' ? f.base : fromBase(f.quantity, f.base, systemOf(f, system)));
const unitOf = (f: Figure, system: UnitSystem) =>
  f.quantity === 'days' ? 'days' : unitSymbol(f.quantity, systemOf(f, system));
/** A figure as it was typed, in the core's unit; untouched it keeps its exact value. */
const baseOf = (f: Figure, text: string, value: number, system: UnitSystem) => {
  if (text === shownOf(f, system)) return f.base;
  return f.quantity === 'days' ? value : toBase(f.quantity, value, systemOf(f, system));
};

/** A correction is a new entry that names the old one and says why; the old one stays in the log. */
export function CorrectForm({
  entryId,
  body,
  happenedS,
}: {
  entryId: string;
  body: EntryBody;
  happenedS: number;
}) {
  const show = useShow();
  const { canWork, timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const figures = figuresOf(body);
  const { system } = show.settings;
  const [open, setOpen] = useState(false);
  const [strike, setStrike] = useState(false);
  const [texts, setTexts] = useState(() => (figures?.of ?? []).map((f) => shownOf(f, system)));
  const [reason, setReason] = useState('');
  const [when, setWhen] = useState(() => localOf(happenedS, timeZone, 'second'));
  const [errors, setErrors] = useState<(string | null)[]>([]);
  if (!canWork) return null;
  if (!open)
    return (
      <button
        type="button"
        className="min-h-12 cursor-pointer px-2 text-sm text-accent underline"
        onClick={() => setOpen(true)}
      >
        Correct
      </button>
    );
  const submit = async () => {
    const read = texts.map((t) => readFigure(t));
    const wrong = read.map((r) => (r.ok ? null : r.error));
    setErrors(wrong);
    if (!strike && wrong.some((w) => w !== null)) return;
    const said = (): Corrected => {
      if (strike) return null;
      const same = figures?.of.every((f, i) => texts[i] === shownOf(f, system)) ?? true;
      if (!figures || same) return body as Corrected;
      return figures.put(
        figures.of.map((f, i) => {
          const r = read[i]!;
          return baseOf(f, texts[i]!, r.ok ? r.value : f.base, system);
        }),
      );
    };
    const moved =
      strike || when === localOf(happenedS, timeZone, 'second')
        ? undefined
        : instantOf(when, timeZone);
    const outcome = await send(
      {
        kind: 'corrected',
        reason,
        replacement: said(),
        ...(moved ? { happenedS: Date.parse(moved) / 1000 } : {}),
      },
      { corrects: entryId, confirmed: true, enteredIn: system },
    );
    if (outcome.ok) setOpen(false);
  };
  return (
    <form
      className="mt-2 max-w-md basis-full space-y-3 pb-3"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <label className="flex min-h-12 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={strike}
          onChange={(e) => setStrike(e.target.checked)}
        />{' '}
        Strike it out: it did not happen
      </label>
      {!strike &&
        figures?.of.map((f, i) => (
          <NumberField
            key={f.label}
            label={f.label}
            unit={unitOf(f, system)}
            value={texts[i]!}
            onChange={(text) => setTexts(texts.map((t, k) => (k === i ? text : t)))}
            error={errors[i] ?? null}
          />
        ))}
      {!strike && (
        <TimeField
          label={`When it happened (${timeZone})`}
          step={1}
          value={when}
          onChange={setWhen}
        />
      )}
      <TextField label="Why" value={reason} onChange={(e) => setReason(e.target.value)} />
      <Said text={message} />
      <div className="flex gap-2">
        <button className="button-main" disabled={busy}>
          Record the correction
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </div>
    </form>
  );
}

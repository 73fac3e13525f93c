'use client';

import { useState } from 'react';
import { fromBase, toBase, unitSymbol, type EntryBody, type Quantity } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import type { PostedBody } from '@/features/logbook/contract';
import { useBatch, usePost } from '@/features/logbook/ui';
import { instantOf } from '@/ui/when-field';
import { localOf } from '@/ui/local-time';
import { TextField } from '@/ui/text-field';
import { TimeField } from '@/ui/time-field';

type Corrected = Extract<PostedBody, { kind: 'corrected' }>['replacement'];
type Figure = { quantity: Quantity; base: number; put: (base: number) => Corrected };

/** An entry whose figure somebody types anew: no instrument showed that. */
function typed<T extends { shownBy?: string }>({ shownBy: _, ...body }: T): Omit<T, 'shownBy'> {
  return body;
}

/** The one figure of an entry that can be wrong, and how to write it back; null when only striking out makes sense. */
function figureOf(body: EntryBody): Figure | null {
  if (body.kind === 'weighed')
    return {
      quantity: body.amountG >= 1000 ? 'mass' : 'dose',
      base: body.amountG,
      put: (amountG) => ({ ...typed(body), amountG }),
    };
  if (body.kind === 'reading_logged')
    return { quantity: 'temperature', base: body.tempC, put: (tempC) => ({ ...body, tempC }) };
  if (body.kind === 'cure_hold_started' || body.kind === 'cure_hold_ended')
    return {
      quantity: 'temperature',
      base: body.coolerC ?? 0,
      put: (coolerC) => ({ ...body, coolerC }),
    };
  if (body.kind === 'piece_weighed')
    return {
      quantity: 'dose',
      base: body.weightG,
      put: (weightG) => ({ ...typed(body), weightG }),
    };
  if (body.kind === 'batter_measured')
    return { quantity: 'temperature', base: body.tempC, put: (tempC) => ({ ...body, tempC }) };
  if (body.kind === 'step_ticked' && body.tempC !== undefined)
    return { quantity: 'temperature', base: body.tempC, put: (tempC) => ({ ...body, tempC }) };
  if (body.kind === 'bowl_weighed')
    return { quantity: 'mass', base: body.grossG, put: (grossG) => ({ ...body, grossG }) };
  if (body.kind === 'step_done' && body.weightG)
    return { quantity: 'mass', base: body.weightG, put: (weightG) => ({ ...body, weightG }) };
  return null;
}

const round = (x: number) => String(Math.round(x * 1000) / 1000);

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
  const figure = figureOf(body);
  const system = figure?.quantity === 'dose' ? 'metric' : show.settings.system;
  const [open, setOpen] = useState(false);
  const [strike, setStrike] = useState(false);
  const [text, setText] = useState(
    figure ? round(fromBase(figure.quantity, figure.base, system)) : '',
  );
  const [reason, setReason] = useState('');
  const [when, setWhen] = useState(() => localOf(happenedS, timeZone, 'second'));
  const [error, setError] = useState<string | null>(null);
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
    const read = readFigure(text);
    if (!strike && figure && !read.ok) return setError(read.error);
    const said = (): Corrected => {
      if (strike) return null;
      if (!figure || !read.ok) return body as Corrected;
      return text === round(fromBase(figure.quantity, figure.base, system))
        ? (body as Corrected)
        : figure.put(toBase(figure.quantity, read.value, system));
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
      { corrects: entryId, confirmed: true, enteredIn: show.settings.system },
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
      {figure && !strike && (
        <NumberField
          label="It should say"
          unit={unitSymbol(figure.quantity, system)}
          value={text}
          onChange={setText}
          error={error}
        />
      )}
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

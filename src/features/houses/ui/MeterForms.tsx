'use client';

import { useState } from 'react';
import { MIDDLE_BUFFERS, fromBase, toBase, unitSymbol, type UnitSystem } from '@/core';
import { FromInstrument } from '@/features/readings/ui';
import { ActionForm, Field } from '@/ui/action-form';
import { formFigure } from '@/ui/form-figure';
import { useShow } from '@/ui/show-context';
import { useWhen } from '@/ui/when-field';
import { MIDDLE_BUFFER_WORDS, meterCheckWords } from '@/words/acidity';
import { addMeterAction, checkMeterAction, retireMeterAction } from '../meter-actions';
import type { Live } from '@/features/readings/service';
import { useWorker } from './post-as';

const USUAL_BUFFER_C = 20;
/** Takes what a meter shows into the first of the two fields that is empty, of the meter that it is. */
function intoBuffer(form: HTMLFormElement | null, shown: Live, system: UnitSystem): void {
  const field = (name: string) => form?.elements.namedItem(name) as HTMLInputElement | null;
  const [meter, middle, sour] = [field('meterId'), field('shownMiddle'), field('shownSour')];
  if (meter && shown.meterId && meter.value !== shown.meterId) {
    meter.value = shown.meterId;
    if (middle && sour) middle.value = sour.value = '';
  }
  const buffer = field('buffer');
  if (buffer && shown.sampleC !== null)
    buffer.value = String(Math.round(fromBase('temperature', shown.sampleC, system)));
  const free = [middle, sour].find((f) => f?.value === '');
  if (free) free.value = String(Math.round(shown.value * 100) / 100);
}

const figure = (v: FormDataEntryValue | null) => formFigure(v) ?? Number.NaN;

/** What a meter showed in two buffers of one temperature. */
export function MeterCheckForm({ meters }: { meters: { id: string; name: string }[] }) {
  const show = useShow();
  const { system } = show.settings;
  const { canWork } = useWorker();
  const [id, setId] = useState(() => crypto.randomUUID());
  const when = useWhen();
  if (!canWork || meters.length === 0) return null;
  const degrees = unitSymbol('temperature', system);
  return (
    <ActionForm
      clear
      action={checkMeterAction}
      read={(f) => ({
        id,
        meterId: f.get('meterId'),
        middle: f.get('middle'),
        shownMiddle: figure(f.get('shownMiddle')),
        shownSour: figure(f.get('shownSour')),
        bufferC: toBase('temperature', figure(f.get('buffer')), system),
        ...(when.at.happenedAt ? { checkedAt: when.at.happenedAt } : {}),
      })}
      label="Record the check"
      done={(check) => {
        setId(crypto.randomUUID());
        when.again();
        const of =
          check.doubted.length > 0
            ? ` What it showed in these batches is no evidence any more: ${check.doubted.join(', ')}.`
            : '';
        return `${meterCheckWords(check, show)}${of}`;
      }}
    >
      <Field name="meterId" label="Meter">
        {meters.map((m) => (
          <option key={m.id} value={m.id}>
            {m.name}
          </option>
        ))}
      </Field>
      <Field name="middle" label="Middle buffer">
        {MIDDLE_BUFFERS.map((b) => (
          <option key={b} value={b}>
            {MIDDLE_BUFFER_WORDS[b]}
          </option>
        ))}
      </Field>
      <FromInstrument what="ph_meter" onTake={(shown, form) => intoBuffer(form, shown, system)} />
      <div className="grid items-end gap-3 sm:grid-cols-3">
        <Field name="shownMiddle" label="Shows in it" />
        <Field name="shownSour" label="Shows in pH 4.01" />
        <Field
          name="buffer"
          label={`Buffers are at (${degrees})`}
          value={String(Math.round(fromBase('temperature', USUAL_BUFFER_C, system)))}
        />
      </div>
      {when.field}
    </ActionForm>
  );
}

/** Puts a meter into use. */
export function AddMeterForm() {
  const [id, setId] = useState(() => crypto.randomUUID());
  return (
    <ActionForm
      clear
      action={addMeterAction}
      read={(f) => ({ id, name: f.get('name') })}
      label="Add this meter"
      done={() => {
        setId(crypto.randomUUID());
        return 'In use: check it in its buffers first.';
      }}
    >
      <Field name="name" label="Name, as it is written on it" />
    </ActionForm>
  );
}

export const RetireMeter = ({ id, name }: { id: string; name: string }) => (
  <ActionForm action={retireMeterAction} read={() => id} label={`Take ${name} out of use`}>
    <span className="sr-only">{name}</span>
  </ActionForm>
);

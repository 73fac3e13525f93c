'use client';

import { useState } from 'react';
import { CASING_FORMS, CASING_KINDS, toBase, unitSymbol } from '@/core';
import { ActionForm, Field } from '@/ui/action-form';
import { formFigure } from '@/ui/form-figure';
import { useShow } from '@/ui/show-context';
import { useWhen } from '@/ui/when-field';
import { CASING_FORM_WORDS } from '@/words/casing';
import { CASING_WORDS } from '@/words/recipe';
import { moveCasingsAction, receiveCasingsAction } from '../actions';
import type { CasingLot, OwnCasing } from '../casings';

const num = (v: FormDataEntryValue | null) => formFigure(v) ?? Number.NaN;

/** Receives a lot of casings: which, how many, how long one is. */
export function CasingLotForm({ own }: { own: OwnCasing[] }) {
  const { system } = useShow().settings;
  const [id, setId] = useState(() => crypto.randomUUID());
  const when = useWhen();
  const length = unitSymbol('length', system);
  return (
    <ActionForm
      clear
      action={receiveCasingsAction}
      read={(f) => ({
        id,
        of: f.get('of'),
        code: f.get('casingCode'),
        supplier: f.get('casingSupplier'),
        form: f.get('form'),
        count: num(f.get('count')),
        eachM: f.get('form') === 'metre' ? 1 : toBase('length', num(f.get('each')), system) / 1000,
        diameterMm: toBase('diameter', num(f.get('casingDiameter')), system),
        useBy: f.get('casingUseBy') || null,
        ...(when.at.happenedAt ? { receivedAt: when.at.happenedAt } : {}),
      })}
      label="Receive these casings"
      done={() => {
        setId(crypto.randomUUID());
        when.again();
        return 'Received.';
      }}
    >
      <Field name="of" label="Casing" value="hog">
        {[...CASING_KINDS.map((k) => [k, CASING_WORDS[k]]), ...own.map((k) => [k.id, k.name])].map(
          ([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ),
        )}
      </Field>
      <div className="grid items-end gap-3 sm:grid-cols-2">
        <Field name="casingCode" label="Lot number" />
        <Field name="casingSupplier" label="Supplier" />
        <Field name="form" label="Comes in" value="strand">
          {CASING_FORMS.map((f) => (
            <option key={f} value={f}>
              {CASING_FORM_WORDS[f][1]}
            </option>
          ))}
        </Field>
        <Field name="count" label="How many" />
        <Field name="each" label={`Length of one (${length})`} />
        <Field name="casingDiameter" label={`Stuffed to (${unitSymbol('diameter', system)})`} />
        <Field name="casingUseBy" label="Use by" type="date" optional />
      </div>
      {when.field}
    </ActionForm>
  );
}

/** Opened, salted again, or counted. */
export function CasingMoves({ lot }: { lot: CasingLot }) {
  const { system } = useShow().settings;
  const [id, setId] = useState(() => crypto.randomUUID());
  const next = () => {
    setId(crypto.randomUUID());
    return 'Recorded.';
  };
  const simple = (what: 'opened' | 'resalted', label: string) => (
    <ActionForm
      action={moveCasingsAction}
      read={() => ({ id, lotId: lot.id, what })}
      label={label}
      done={next}
    >
      <span className="sr-only">
        {lot.name}, lot {lot.code}
      </span>
    </ActionForm>
  );
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3 text-soft">Open, salt again, count</summary>
      <div className="flex flex-wrap gap-2 py-2">
        {!lot.openedAt && simple('opened', 'Opened today')}
        {lot.facts.soak && simple('resalted', 'Salted again today')}
      </div>
      <ActionForm
        clear
        action={moveCasingsAction}
        read={(f) => ({
          id,
          lotId: lot.id,
          what: 'counted',
          countedM: toBase('length', num(f.get(`found-${lot.id}`)), system) / 1000,
          reason: f.get(`why-${lot.id}`),
        })}
        label="Record the count"
        done={next}
      >
        <Field name={`found-${lot.id}`} label={`Left (${unitSymbol('length', system)})`} />
        <Field name={`why-${lot.id}`} label="Why it differs" />
      </ActionForm>
    </details>
  );
}

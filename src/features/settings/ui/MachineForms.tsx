'use client';

import {
  MACHINE_KINDS,
  fromBase,
  toBase,
  unitSymbol,
  type Machine,
  type Quantity,
  type UnitSystem,
} from '@/core';
import { ActionForm, Field } from '@/ui/action-form';
import { formFigure } from '@/ui/form-figure';
import { MACHINE_WORDS } from '@/words/machine';
import { removeMachineAction, saveMachineAction } from '../actions';

/** A figure, null where the field is empty, not a number where it says something else. */
const figure = (v: FormDataEntryValue | null, quantity: Quantity, system: UnitSystem) => {
  const read = formFigure(v);
  return read === undefined ? null : toBase(quantity, read, system);
};

/** "3, 4.5, 8" or "3 / 4.5 / 8" as figures. */
const list = (v: FormDataEntryValue | null) =>
  typeof v === 'string' && v.trim() !== ''
    ? v
        .split(/[;/]|,\s+|\s+/)
        .filter((x) => x !== '')
        .map((x) => formFigure(x) ?? Number.NaN)
    : [];

/** One machine of the bench: what it holds, its plates or horns, and what people know of it. */
export function MachineForm({ machine: m, system }: { machine?: Machine; system: UnitSystem }) {
  const at = m?.id ?? 'new';
  const shown = (g: number | null | undefined) =>
    g == null ? '' : String(Math.round(fromBase('mass', g, system) * 1000) / 1000);
  const mass = unitSymbol('mass', system);
  return (
    <ActionForm
      action={saveMachineAction}
      read={(f) => ({
        ...(m ? { id: m.id } : {}),
        name: f.get(`name-${at}`),
        kind: f.get(`kind-${at}`),
        capacityG: figure(f.get(`capacity-${at}`), 'mass', system),
        deadG: figure(f.get(`dead-${at}`), 'mass', system),
        platesMm: list(f.get(`plates-${at}`)),
        hornsMm: list(f.get(`horns-${at}`)),
        note: f.get(`note-${at}`) ?? '',
      })}
      label={m ? `Save ${m.name}` : 'Add this machine'}
      done={m ? 'Saved.' : 'Added.'}
      clear={!m}
    >
      <Field name={`name-${at}`} label="Name" value={m?.name} />
      <Field name={`kind-${at}`} label="What it is" value={m?.kind ?? 'grinder'}>
        {MACHINE_KINDS.map((k) => (
          <option key={k} value={k}>
            {MACHINE_WORDS[k]}
          </option>
        ))}
      </Field>
      <Field
        optional
        name={`capacity-${at}`}
        label={`Bowl or cylinder holds (${mass})`}
        value={shown(m?.capacityG)}
      />
      <Field optional name={`dead-${at}`} label={`Stays in it (${mass})`} value={shown(m?.deadG)} />
      <Field optional name={`plates-${at}`} label="Plates (mm)" value={m?.platesMm.join(', ')} />
      <Field
        optional
        name={`horns-${at}`}
        label="Horns, outside (mm)"
        value={m?.hornsMm.join(', ')}
      />
      <Field optional name={`note-${at}`} label="Note" value={m?.note} />
    </ActionForm>
  );
}

export const RemoveMachineForm = ({ id, name }: { id: string; name: string }) => (
  <ActionForm
    action={removeMachineAction}
    read={() => id}
    label={`Take ${name} out of use`}
    done="Out of use."
  >
    <span className="sr-only">What was done on it stays in the record.</span>
  </ActionForm>
);

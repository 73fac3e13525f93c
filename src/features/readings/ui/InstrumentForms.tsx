'use client';

import { useState } from 'react';
import { ActionForm, Field } from '@/ui/action-form';
import { addInstrumentAction, revokeInstrumentAction } from '../instrument-actions';

const SCALE = 'scale';

/** Registers a scale, or one of the site's pH meters, that says itself what it shows. */
export function InstrumentForm({ meters }: { meters: { id: string; name: string }[] }) {
  const [id, setId] = useState(() => crypto.randomUUID());
  return (
    <ActionForm
      clear
      action={addInstrumentAction}
      read={(f) => {
        const what = f.get('instrument');
        return {
          id,
          name: f.get('instrumentName'),
          what: what === SCALE ? 'scale' : 'ph_meter',
          meterId: what === SCALE ? null : what,
        };
      }}
      label="Register this instrument"
      done={(d) => {
        setId(crypto.randomUUID());
        return `Write this token into it now; it is not shown again: ${d.token}`;
      }}
    >
      <Field name="instrumentName" label="Name" />
      <Field name="instrument" label="What it is">
        <option value={SCALE}>A scale</option>
        {meters.map((m) => (
          <option key={m.id} value={m.id}>
            The pH meter {m.name}
          </option>
        ))}
      </Field>
    </ActionForm>
  );
}

export const RevokeInstrumentForm = ({ id, name }: { id: string; name: string }) => (
  <ActionForm
    action={revokeInstrumentAction}
    read={() => id}
    label="Revoke its token"
    done="Revoked."
  >
    <span className="sr-only">Revoke the token of {name}</span>
  </ActionForm>
);

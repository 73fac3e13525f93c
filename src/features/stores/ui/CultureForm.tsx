'use client';

import {
  CULTURE_STORAGES,
  CULTURE_TEMPOS,
  fromBase,
  toBase,
  unitSymbol,
  type CultureCard,
} from '@/core';
import { ActionForm, Field } from '@/ui/action-form';
import type { ActionResult } from '@/ui/action-result';
import { formFigure } from '@/ui/form-figure';
import { useShow } from '@/ui/show-context';
import { STORAGE_WORDS, TEMPO_WORDS } from '@/words/ripening';

type Props = {
  ingredientId: string;
  card: CultureCard | null;
  save: (input: unknown) => Promise<ActionResult>;
};

/** What the label of a culture says; what it does not say is left empty. */
export function CultureForm({ ingredientId, card, save }: Props) {
  const { system } = useShow().settings;
  const degrees = unitSymbol('temperature', system);
  const tempOf = (v: FormDataEntryValue | null) => {
    const shown = formFigure(v);
    return shown === undefined ? undefined : toBase('temperature', shown, system);
  };
  const timeOf = (v: FormDataEntryValue | null, unitS: number) => {
    const figure = formFigure(v);
    return figure === undefined ? undefined : figure * unitS;
  };
  const times = (s: number | undefined, unitS: number) =>
    s === undefined ? '' : String(s / unitS);
  const shown = (tempC: number | undefined) =>
    tempC === undefined ? '' : String(Math.round(fromBase('temperature', tempC, system) * 10) / 10);
  return (
    <ActionForm
      action={save}
      read={(f) => ({
        ingredientId,
        card: {
          organisms: f.get('organisms'),
          tempo: f.get('tempo'),
          minC: tempOf(f.get('min')),
          bestC: tempOf(f.get('best')),
          maxC: tempOf(f.get('max')),
          doseGPerKg: formFigure(f.get('dose')),
          storage: f.get('storage'),
          wakeS: timeOf(f.get('wake'), 60),
          useWithinS: timeOf(f.get('use'), 3600),
        },
      })}
      label="Save the card"
    >
      <Field name="organisms" label="Organisms, as on the label" value={card?.organisms} optional />
      <Field name="tempo" label="How fast" value={card?.tempo ?? 'medium'}>
        {CULTURE_TEMPOS.map((t) => (
          <option key={t} value={t}>
            {TEMPO_WORDS[t]}
          </option>
        ))}
      </Field>
      <div className="grid items-end gap-3 sm:grid-cols-3">
        <Field name="min" label={`Works from (${degrees})`} value={shown(card?.minC)} optional />
        <Field name="best" label={`Best at (${degrees})`} value={shown(card?.bestC)} optional />
        <Field name="max" label={`Up to (${degrees})`} value={shown(card?.maxC)} optional />
      </div>
      <div className="grid items-end gap-3 sm:grid-cols-2">
        <Field
          name="dose"
          label="Dose (g per kg of meat)"
          value={card?.doseGPerKg === undefined ? '' : String(card.doseGPerKg)}
          optional
        />
        <Field
          name="wake"
          label="In its water at least (minutes)"
          value={times(card?.wakeS, 60)}
          optional
        />
        <Field
          name="use"
          label="Used within (hours)"
          value={times(card?.useWithinS, 3600)}
          optional
        />
        <Field name="storage" label="It is kept" value={card?.storage ?? 'frozen'}>
          {CULTURE_STORAGES.map((s) => (
            <option key={s} value={s}>
              {STORAGE_WORDS[s]}
            </option>
          ))}
        </Field>
      </div>
    </ActionForm>
  );
}

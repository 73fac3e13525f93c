'use client';

import { useState } from 'react';
import {
  CASINGS,
  CASING_KINDS,
  SOAK_ADDS,
  fromBase,
  toBase,
  unitSymbol,
  type CasingKind,
} from '@/core';
import { ActionForm, Field } from '@/ui/action-form';
import { formFigure } from '@/ui/form-figure';
import { useShow } from '@/ui/show-context';
import { SOAK_ADD_WORDS } from '@/words/casing';
import { CASING_WORDS } from '@/words/recipe';
import { removeCasingKindAction, saveCasingKindAction } from '../actions';
import type { OwnCasing } from '../casings';

const num = (v: FormDataEntryValue | null) => formFigure(v) ?? Number.NaN;
const optional = (v: FormDataEntryValue | null) => formFigure(v) ?? null;
const round = (x: number) => String(Math.round(x * 1000) / 1000);

const YES_NO = (
  <>
    <option value="yes">yes</option>
    <option value="no">no</option>
  </>
);

/** A casing of the site's own: what it does, and how it is soaked. */
export function CasingKindForm({ known }: { known?: OwnCasing }) {
  const show = useShow();
  const { system } = show.settings;
  const [id, setId] = useState(() => known?.id ?? crypto.randomUUID());
  const [like, setLike] = useState<CasingKind>('hog');
  const f0 = known?.facts ?? CASINGS[like];
  const temp = unitSymbol('temperature', system);
  const at = (name: string) => `${name}-${known?.id ?? 'new'}`;
  const shownC = (c: number | null | undefined) =>
    c == null ? '' : round(fromBase('temperature', c, system));
  const toC = (v: FormDataEntryValue | null) => {
    const read = formFigure(v);
    return read === undefined ? null : toBase('temperature', read, system);
  };
  const soakOf = (f: FormData) =>
    optional(f.get(at('soak'))) === null
      ? null
      : {
          minMin: num(f.get(at('soak'))),
          maxMin: num(f.get(at('soakMost'))),
          waterC: toC(f.get(at('water'))) ?? Number.NaN,
          weakFromMin: num(f.get(at('weak'))),
          add: f.get(at('add')) ? { what: f.get(at('add')), gPerL: num(f.get(at('grams'))) } : null,
        };
  return (
    <div className="space-y-3">
      {!known && (
        <label className="block">
          Begin with what is usual of
          <select
            className="field"
            value={like}
            onChange={(e) => setLike(e.target.value as CasingKind)}
          >
            {CASING_KINDS.map((k) => (
              <option key={k} value={k}>
                {CASING_WORDS[k]}
              </option>
            ))}
          </select>
        </label>
      )}
      <ActionForm
        key={`${like}:${system}`}
        clear={!known}
        action={saveCasingKindAction}
        read={(f) => ({
          id,
          name: f.get(at('name')),
          facts: {
            fromMm: toBase('diameter', num(f.get(at('from'))), system),
            toMm: toBase('diameter', num(f.get(at('to'))), system),
            stretch: num(f.get(at('stretch'))) / 100,
            permeability: num(f.get(at('passes'))) / 100,
            poachToC: toC(f.get(at('poach'))),
            tieAboveG: toBase('mass', num(f.get(at('tie'))), system),
            smokePasses: f.get(at('smoke')) === 'yes',
            edible: f.get(at('edible')) === 'yes',
            looped: f.get(at('looped')) === 'yes',
            soak: soakOf(f),
          },
        })}
        label={known ? `Save ${known.name}` : 'Add this casing'}
        done={() => {
          if (!known) setId(crypto.randomUUID());
          return known ? 'Saved. Recipes keep what they were written with.' : 'Added.';
        }}
      >
        <Field name={at('name')} label="Name" value={known?.name} />
        <div className="grid items-end gap-3 sm:grid-cols-2">
          <Field
            name={at('from')}
            label={`Stuffed from (${unitSymbol('diameter', system)})`}
            value={round(fromBase('diameter', f0.fromMm, system))}
          />
          <Field
            name={at('to')}
            label={`to (${unitSymbol('diameter', system)})`}
            value={round(fromBase('diameter', f0.toMm, system))}
          />
          <Field
            name={at('stretch')}
            label="Wider when stuffed by (%)"
            value={round(f0.stretch * 100)}
          />
          <Field
            name={at('passes')}
            label="Water passes (% of bare)"
            value={round(f0.permeability * 100)}
          />
          <Field
            name={at('poach')}
            label={`Poached up to (${temp}), empty: never`}
            value={shownC(f0.poachToC)}
            optional
          />
          <Field
            name={at('tie')}
            label={`Second tie above (${unitSymbol('mass', system)})`}
            value={round(fromBase('mass', f0.tieAboveG, system))}
          />
          <Field name={at('smoke')} label="Smoke passes" value={f0.smokePasses ? 'yes' : 'no'}>
            {YES_NO}
          </Field>
          <Field name={at('edible')} label="Eaten" value={f0.edible ? 'yes' : 'no'}>
            {YES_NO}
          </Field>
          <Field name={at('looped')} label="Hung as a loop" value={f0.looped ? 'yes' : 'no'}>
            {YES_NO}
          </Field>
          <Field
            name={at('soak')}
            label="Soak (min), empty: used dry"
            value={f0.soak ? String(f0.soak.minMin) : ''}
            optional
          />
          <Field
            name={at('soakMost')}
            label="Longest usual soak (min)"
            value={f0.soak ? String(f0.soak.maxMin) : ''}
            optional
          />
          <Field
            name={at('weak')}
            label="Weak in the water from (min)"
            value={f0.soak ? String(f0.soak.weakFromMin) : ''}
            optional
          />
          <Field
            name={at('water')}
            label={`Water (${temp})`}
            value={shownC(f0.soak?.waterC)}
            optional
          />
          <Field name={at('add')} label="Into the water" value={f0.soak?.add?.what ?? ''}>
            <option value="">nothing</option>
            {SOAK_ADDS.map((a) => (
              <option key={a} value={a}>
                {SOAK_ADD_WORDS[a]}
              </option>
            ))}
          </Field>
          <Field
            name={at('grams')}
            label="Grams of it to each litre of water"
            value={f0.soak?.add ? String(f0.soak.add.gPerL) : ''}
            optional
          />
        </div>
      </ActionForm>
      {known && (
        <ActionForm
          action={removeCasingKindAction}
          read={() => known.id}
          label={`Take ${known.name} out of use`}
          done="Out of use."
        >
          <span className="sr-only">Its lots and the recipes that name it keep it.</span>
        </ActionForm>
      )}
    </div>
  );
}

'use client';

import { DateTime } from 'luxon';
import { useState } from 'react';
import { ADDITION_KINDS, ALLERGENS, SPECIES, toBase, unitSymbol } from '@/core';
import { ALLERGEN_WORDS, KIND_WORDS, SPECIES_WORDS } from '@/words/recipe';
import { ActionForm, Field } from '@/ui/action-form';
import type { ActionResult } from '@/ui/action-result';
import { formFigure } from '@/ui/form-figure';
import { instantS, localOf } from '@/ui/local-time';
import { useShow } from '@/ui/show-context';
import { adjustLotAction, receiveLotAction } from '../actions';
import type { Ingredient } from '../repository';
import { Select } from '@/ui/select-field';
import { NamedTimeField } from '@/ui/time-field';

const percent = (v: FormDataEntryValue | null) => {
  const read = formFigure(v);
  return read === undefined ? undefined : read / 100;
};

/** Receives a lot: what came, from whom, how cold, how much, until when. */
export function LotForm({ ingredients }: { ingredients: Ingredient[] }) {
  const show = useShow();
  const { system, timeZone } = show.settings;
  const [id, setId] = useState(() => crypto.randomUUID());
  const [chosen, setChosen] = useState(ingredients[0]?.id ?? '');
  const kind = ingredients.find((i) => i.id === chosen)?.kind;
  const mass = unitSymbol('mass', system);
  const temp = unitSymbol('temperature', system);
  const read = (f: FormData) => {
    const tempShown = formFigure(f.get('receivedTemp'));
    const cost = formFigure(f.get('cost'));
    const atS = instantS(String(f.get('receivedAt')), timeZone);
    const lot = {
      id,
      ingredientId: chosen,
      code: f.get('code'),
      supplier: f.get('supplier'),
      receivedAt: atS === null ? '' : new Date(atS * 1000).toISOString(),
      receivedTempC: tempShown === undefined ? null : toBase('temperature', tempShown, system),
      amountG: toBase('mass', formFigure(f.get('amount')) ?? Number.NaN, system),
      costPerKg: cost === undefined ? null : toBase('costPerMass', cost, system),
      useBy: f.get('useBy') || null,
      fatFraction: kind === 'meat' ? (percent(f.get('fat')) ?? null) : null,
      nitriteFraction: kind === 'cure' ? (percent(f.get('nitrite')) ?? null) : null,
      nitrateFraction: kind === 'cure' ? (percent(f.get('nitrate')) ?? null) : null,
      owner: kind === 'meat' ? String(f.get('owner') ?? '').trim() || null : null,
    };
    return { lot, decision: String(f.get('decision') ?? '').trim() || null };
  };
  return (
    <ActionForm
      clear
      action={receiveLotAction}
      read={read}
      label="Receive this lot"
      done={() => {
        setId(crypto.randomUUID());
        return 'Received.';
      }}
    >
      <Select label="Ingredient" value={chosen} onChange={(e) => setChosen(e.target.value)}>
        {ingredients.map((i) => (
          <option key={i.id} value={i.id}>
            {i.name}
          </option>
        ))}
      </Select>
      <div className="grid items-end gap-3 sm:grid-cols-2">
        <Field name="code" label="Lot number" />
        <Field name="supplier" label="Supplier" />
        <NamedTimeField
          key={id}
          name="receivedAt"
          label="Received"
          value={localOf(DateTime.now().toSeconds(), timeZone)}
        />
        <Field name="receivedTemp" label={`Temperature on receipt (${temp})`} optional />
        <Field name="amount" label={`Amount (${mass})`} />
        <Field name="cost" label={`Cost (${unitSymbol('costPerMass', system)})`} optional />
        <Field name="useBy" label="Use by" type="date" optional />
        {kind === 'meat' && (
          <>
            <Field name="fat" label="Fat of this lot (%)" optional />
            <Field name="owner" label="Owner, if a customer’s meat" optional />
          </>
        )}
        {kind === 'cure' && (
          <>
            <Field name="nitrite" label="Sodium nitrite on the label (%)" />
            <Field name="nitrate" label="Nitrate on the label (%)" optional />
          </>
        )}
      </div>
      <Field name="decision" label="Outside its limit? Why it is received" optional />
    </ActionForm>
  );
}

/** What the page lets it do. */
type Act = (input: unknown) => Promise<ActionResult>;

/** Adds an ingredient, or changes what is known of it. */
export function IngredientForm({ known, save }: { known?: Ingredient; save: Act }) {
  const [kind, setKind] = useState<Ingredient['kind']>(known?.kind ?? 'addition');
  const [id, setId] = useState(() => known?.id ?? crypto.randomUUID());
  const facts = known?.facts ?? {};
  const shown = (x: number | undefined) =>
    x === undefined ? '' : String(Number((x * 100).toFixed(4)));
  const read = (f: FormData) => ({
    id,
    name: f.get('name'),
    kind,
    facts: JSON.parse(
      JSON.stringify({
        species: kind === 'meat' ? f.get('species') : undefined,
        fatFraction: percent(f.get('fat')),
        additionKind: kind === 'addition' ? f.get('additionKind') : undefined,
        saltFraction: percent(f.get('salt')),
        waterFraction: percent(f.get('water')),
        dextroseFraction: percent(f.get('dextrose')),
        nitriteFraction: percent(f.get('nitrite')),
        nitrateFraction: percent(f.get('nitrate')),
        allergens: kind === 'addition' ? f.getAll('allergens') : undefined,
      }),
    ) as unknown,
  });
  return (
    <ActionForm
      clear={!known}
      action={save}
      read={read}
      label={known ? 'Save it' : 'Add this ingredient'}
      done={() => {
        if (!known) setId(crypto.randomUUID());
        return 'Saved.';
      }}
    >
      <Field name="name" label="Name" value={known?.name} />
      <Select
        label="It is"
        value={kind}
        onChange={(e) => setKind(e.target.value as Ingredient['kind'])}
      >
        <option value="meat">meat</option>
        <option value="cure">a cure</option>
        <option value="salt">salt</option>
        <option value="addition">an addition</option>
      </Select>
      <div className="grid gap-3 sm:grid-cols-2">
        {kind === 'meat' && (
          <Field name="species" label="Species" value={facts.species ?? 'pork'}>
            {SPECIES.map((s) => (
              <option key={s} value={s}>
                {SPECIES_WORDS[s]}
              </option>
            ))}
          </Field>
        )}
        {kind === 'addition' && (
          <Field name="additionKind" label="Kind" value={facts.additionKind ?? 'seasoning'}>
            {ADDITION_KINDS.map((k) => (
              <option key={k} value={k}>
                {KIND_WORDS[k]}
              </option>
            ))}
          </Field>
        )}
        {kind === 'cure' ? (
          <>
            <Field name="nitrite" label="Sodium nitrite (%)" value={shown(facts.nitriteFraction)} />
            <Field
              name="nitrate"
              label="Nitrate (%)"
              value={shown(facts.nitrateFraction)}
              optional
            />
          </>
        ) : (
          <Field name="fat" label="Fat (%)" value={shown(facts.fatFraction)} optional />
        )}
        {kind === 'addition' && (
          <>
            <Field name="salt" label="Salt (%)" value={shown(facts.saltFraction)} optional />
            <Field name="water" label="Water (%)" value={shown(facts.waterFraction)} optional />
            <Field
              name="dextrose"
              label="Ferments like dextrose (%)"
              value={shown(facts.dextroseFraction)}
              optional
            />
          </>
        )}
      </div>
      {kind === 'addition' && (
        <fieldset className="flex flex-wrap gap-x-4">
          <legend className="label">Allergens</legend>
          {ALLERGENS.map((a) => (
            <label key={a} className="flex min-h-9 items-center gap-1.5">
              <input
                type="checkbox"
                name="allergens"
                value={a}
                className="size-5"
                defaultChecked={facts.allergens?.includes(a)}
              />
              {ALLERGEN_WORDS[a]}
            </label>
          ))}
        </fieldset>
      )}
    </ActionForm>
  );
}

export const RemoveIngredient = ({
  id,
  name,
  remove,
}: {
  id: string;
  name: string;
  remove: Act;
}) => (
  <ActionForm action={remove} read={() => id} label={`Remove ${name}`}>
    <span className="sr-only">{name}</span>
  </ActionForm>
);

/** What a count found in a lot; the difference is kept with its reason. */
export function CountForm({ lotId }: { lotId: string }) {
  const { system } = useShow().settings;
  const [id, setId] = useState(() => crypto.randomUUID());
  return (
    <ActionForm
      clear
      action={adjustLotAction}
      read={(f) => ({
        id,
        lotId,
        countedG: toBase('mass', formFigure(f.get('counted')) ?? Number.NaN, system),
        reason: f.get('reason'),
      })}
      label="Record the count"
      done={() => {
        setId(crypto.randomUUID());
        return 'Recorded.';
      }}
    >
      <Field name="counted" label={`Left by weight (${unitSymbol('mass', system)})`} />
      <Field name="reason" label="Why it differs" />
    </ActionForm>
  );
}

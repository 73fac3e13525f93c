'use client';

import { memo } from 'react';
import { Controller, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { ALLERGENS, unitSymbol } from '@/core';
import { useShow } from '@/ui/show-context';
import { SortableLine, SortableList } from '@/ui/sortable';
import { shown, tidy, type AdditionDraft, type Draft } from '../draft';
import { useDesk } from './editor-context';
import { Part, Pick, RemoveLine, Text, wordPairs } from './fields';
import { ALLERGEN_WORDS, KIND_WORDS, PLACE_WORDS } from '@/words/recipe';

const EMPTY: Omit<AdditionDraft, 'id'> = {
  name: '',
  kind: 'seasoning',
  amount: '',
  unit: 'percent',
  perMeat: '',
  place: '',
  salt: '',
  water: '',
  fat: '',
  dextrose: '',
  allergens: [],
  unread: false,
  cost: '',
};
const UNITS = [
  ['percent', '%'],
  ['g_per_kg', 'g/kg'],
  ['packet', 'g packet'],
] as const;
const PLACES = [['', 'not said'], ...wordPairs(PLACE_WORDS)] as const;

/** Said once by whoever has read the label; what is ticked before is only usual. */
function LabelRead({ index }: { index: number }) {
  const { setValue } = useFormContext<Draft>();
  return (
    <button
      type="button"
      className="button min-h-12"
      onClick={() => setValue(`additions.${index}.unread`, false, { shouldDirty: true })}
    >
      I have read its label: these allergens, no others
    </button>
  );
}

function Allergens({ index }: { index: number }) {
  const { control } = useFormContext<Draft>();
  return (
    <Controller
      control={control}
      name={`additions.${index}.allergens`}
      render={({ field }) => (
        <div role="group" aria-label="Allergens" className="flex w-full flex-wrap gap-x-4">
          {ALLERGENS.map((a) => (
            <label key={a} className="flex min-h-9 items-center gap-1.5 text-sm">
              <input
                type="checkbox"
                className="size-4"
                checked={field.value.includes(a)}
                onChange={(e) =>
                  field.onChange(
                    e.target.checked ? [...field.value, a] : field.value.filter((x) => x !== a),
                  )
                }
              />
              {ALLERGEN_WORDS[a]}
            </label>
          ))}
        </div>
      )}
    />
  );
}

/** Rarely touched figures of a line, and what is not empty among them in its summary. */
function More({ index }: { index: number }) {
  const { control } = useFormContext<Draft>();
  const a = useWatch({ control, name: `additions.${index}` });
  const costUnit = unitSymbol('costPerMass', useShow().settings.system);
  const said = [
    a.salt && `${a.salt} % salt`,
    a.water && `${a.water} % water`,
    a.cost && `${a.cost} ${costUnit}`,
    ...a.allergens.map((x) => ALLERGEN_WORDS[x]),
    a.unread && 'label not read yet',
  ].filter(Boolean);
  return (
    <details className="w-full" open={a.unread || undefined}>
      <summary
        className={`min-h-12 cursor-pointer py-3 text-sm ${a.unread ? 'font-semibold text-wait' : 'text-soft'}`}
      >
        {said.length > 0 ? said.join(', ') : 'Salt, water, allergens, cost'}
      </summary>
      <div className="flex flex-wrap items-end gap-2 py-1">
        <Text name={`additions.${index}.salt`} label="Salt in it" unit="%" />
        <Text name={`additions.${index}.water`} label="Water in it" unit="%" />
        <Text name={`additions.${index}.fat`} label="Fat in it" unit="%" />
        {a.kind === 'sugar' && (
          <Text name={`additions.${index}.dextrose`} label="Ferments like dextrose" unit="%" />
        )}
        <Text name={`additions.${index}.cost`} label="Cost" unit={costUnit} />
        <Allergens index={index} />
        {a.unread && <LabelRead index={index} />}
      </div>
    </details>
  );
}

const Line = memo(function Line({ index }: { index: number }) {
  const { control, setValue } = useFormContext<Draft>();
  const { ingredients, prices } = useDesk();
  const show = useShow();
  const unit = useWatch({ control, name: `additions.${index}.unit` });
  const fill = (name: string) => {
    const facts = ingredients.find((x) => x.kind === 'addition' && x.name === name)?.facts;
    if (!facts) return;
    const percent = (x: number | undefined) => tidy(x === undefined ? undefined : x * 100);
    if (facts.additionKind) setValue(`additions.${index}.kind`, facts.additionKind);
    setValue(`additions.${index}.salt`, percent(facts.saltFraction));
    setValue(`additions.${index}.water`, percent(facts.waterFraction));
    setValue(`additions.${index}.dextrose`, percent(facts.dextroseFraction));
    setValue(`additions.${index}.allergens`, facts.allergens ?? []);
    setValue(`additions.${index}.unread`, facts.allergens === undefined);
    setValue(`additions.${index}.cost`, shown('costPerMass', prices[name], show.settings.system));
  };
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Text
        name={`additions.${index}.name`}
        label="Name"
        numeric={false}
        className="min-w-48 flex-[4]"
        list="stores-additions"
        onPicked={fill}
      />
      <Pick
        name={`additions.${index}.kind`}
        label="Kind"
        options={wordPairs(KIND_WORDS)}
        className="min-w-26 flex-1"
      />
      <Text name={`additions.${index}.amount`} label="Amount" className="min-w-20 flex-1" />
      <Pick
        name={`additions.${index}.unit`}
        label="As"
        options={UNITS}
        className="min-w-26 flex-1"
      />
      {unit === 'packet' && (
        <Text
          name={`additions.${index}.perMeat`}
          label="for meat"
          unit={unitSymbol('mass', show.settings.system)}
        />
      )}
      <Pick
        name={`additions.${index}.place`}
        label="Goes in"
        options={PLACES}
        className="min-w-26 flex-1"
      />
    </div>
  );
});

/** Everything but meat, salt and cure: amounts as the trade writes them, and where they go in. */
export function Additions() {
  const { control } = useFormContext<Draft>();
  const { ingredients } = useDesk();
  const rows = useFieldArray({ control, name: 'additions', keyName: 'key' });
  return (
    <Part title="Additions">
      <p className="small">
        Inclusions, such as cheese or diced vegetables, are counted apart from the meat block. Salt
        and cure have their own card above.
      </p>
      <SortableList ids={rows.fields.map((f) => f.key)} onMove={rows.move}>
        <ul>
          {rows.fields.map((f, i) => (
            <SortableLine key={f.key} id={f.key} label={`addition ${i + 1}`}>
              <div className="flex items-end gap-2">
                <div className="min-w-0 grow">
                  <Line index={i} />
                </div>
                <RemoveLine what={`addition ${i + 1}`} onClick={() => rows.remove(i)} />
              </div>
              <More index={i} />
            </SortableLine>
          ))}
        </ul>
      </SortableList>
      <button
        type="button"
        className="button"
        onClick={() => rows.append({ ...EMPTY, id: crypto.randomUUID() })}
      >
        Add an addition
      </button>
      <datalist id="stores-additions">
        {ingredients
          .filter((x) => x.kind === 'addition')
          .map((x) => (
            <option key={x.id} value={x.name} />
          ))}
      </datalist>
    </Part>
  );
}

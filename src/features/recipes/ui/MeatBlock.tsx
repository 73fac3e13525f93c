'use client';

import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { SPECIES, parseNumber, speciesNamed, unitSymbol } from '@/core';
import { RadioRow } from '@/ui/radio-row';
import { useShow } from '@/ui/show-context';
import { SortableLine, SortableList } from '@/ui/sortable';
import { shown, tidy, type Draft, type MeatDraft } from '../draft';
import { useDesk } from './editor-context';
import { BlendPanel } from './BlendPanel';
import { Part, Pick, RemoveLine, Text } from './fields';
import { SPECIES_WORDS } from '@/words/recipe';

const EMPTY: Omit<MeatDraft, 'id'> = { name: '', species: 'pork', amount: '', fat: '', cost: '' };
const SPECIES_PAIRS = SPECIES.map((s) => [s, SPECIES_WORDS[s]] as const);

const WRITTEN_BY = [
  ['share', 'shares in %'],
  ['weight', 'weights'],
] as const;

/** Sum of the shares, or of the weights, as it stands. */
function Sum() {
  const { control } = useFormContext<Draft>();
  const show = useShow();
  const [meat, by] = useWatch({ control, name: ['meat', 'meatBy'] });
  const numbers = meat.map((m) => parseNumber(m.amount));
  const sum = numbers.reduce((s, n) => s + (n.kind === 'ok' ? n.value : 0), 0);
  const off = by === 'share' && Math.abs(sum - 100) > 1e-4;
  return (
    <p className={off ? 'font-semibold text-bad' : 'text-soft'} data-testid="meat-sum">
      {by === 'weight'
        ? `Together ${show.number(sum, 3)} ${unitSymbol('mass', show.settings.system)}; shares follow the weights.`
        : `Together ${show.number(sum, 3)} %${off ? ': the shares must sum to 100 %.' : '.'}`}
    </p>
  );
}

/** Switches between shares and weights and converts what is there. */
function HowWritten() {
  const { control, getValues, setValue } = useFormContext<Draft>();
  const by = useWatch({ control, name: 'meatBy' });
  const change = (to: Draft['meatBy']) => {
    const lines = getValues('meat');
    const amounts = lines.map((m) => {
      const n = parseNumber(m.amount);
      return n.kind === 'ok' ? n.value : 0;
    });
    const sum = amounts.reduce((s, a) => s + a, 0);
    if (to === 'share' && sum > 0)
      amounts.forEach((a, i) =>
        setValue(`meat.${i}.amount`, String(Math.round((a / sum) * 1e8) / 1e6)),
      );
    setValue('meatBy', to, { shouldDirty: true });
  };
  return <RadioRow label="Meat written by" options={WRITTEN_BY} value={by} onChange={change} />;
}

/** The meat block: cuts and trims with their shares or weights, fat and cost. */
export function MeatBlock() {
  const { control, setValue, getValues } = useFormContext<Draft>();
  const { ingredients, prices } = useDesk();
  const show = useShow();
  const rows = useFieldArray({ control, name: 'meat', keyName: 'key' });
  const by = useWatch({ control, name: 'meatBy' });
  const costUnit = unitSymbol('costPerMass', show.settings.system);
  const unit = by === 'share' ? '%' : unitSymbol('mass', show.settings.system);
  const fill = (i: number, name: string) => {
    const known = ingredients.find((x) => x.kind === 'meat' && x.name === name);
    const named = known?.facts.species ?? speciesNamed(name);
    if (named) setValue(`meat.${i}.species`, named);
    if (!known) return;
    if (known.facts.fatFraction !== undefined && getValues(`meat.${i}.fat`) === '')
      setValue(`meat.${i}.fat`, tidy(known.facts.fatFraction * 100));
    if (getValues(`meat.${i}.cost`) === '')
      setValue(`meat.${i}.cost`, shown('costPerMass', prices[name], show.settings.system));
  };
  return (
    <Part title="Meat block">
      <HowWritten />
      <SortableList ids={rows.fields.map((f) => f.key)} onMove={rows.move}>
        <ul>
          {rows.fields.map((f, i) => (
            <SortableLine key={f.key} id={f.key} label={`meat line ${i + 1}`}>
              <div className="flex items-end gap-2">
                <div className="flex min-w-0 grow flex-wrap items-end gap-2">
                  <Text
                    name={`meat.${i}.name`}
                    label="Cut or trim"
                    numeric={false}
                    className="min-w-40 flex-[3]"
                    list="stores-meat"
                    onPicked={(name) => fill(i, name)}
                  />
                  <Pick
                    name={`meat.${i}.species`}
                    label="Species"
                    options={SPECIES_PAIRS}
                    className="min-w-24 flex-1"
                  />
                  <Text
                    name={`meat.${i}.amount`}
                    label={by === 'share' ? 'Share' : 'Weight'}
                    unit={unit}
                  />
                  <Text name={`meat.${i}.fat`} label="Fat" unit="%" className="min-w-20 flex-1" />
                  <Text
                    name={`meat.${i}.cost`}
                    label="Cost"
                    unit={costUnit}
                    className="min-w-22 flex-1"
                  />
                </div>
                <RemoveLine what={`meat line ${i + 1}`} onClick={() => rows.remove(i)} />
              </div>
            </SortableLine>
          ))}
        </ul>
      </SortableList>
      <Sum />
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="button"
          onClick={() => rows.append({ ...EMPTY, id: crypto.randomUUID() })}
        >
          Add meat
        </button>
        <BlendPanel />
      </div>
      <datalist id="stores-meat">
        {ingredients
          .filter((x) => x.kind === 'meat')
          .map((x) => (
            <option key={x.id} value={x.name} />
          ))}
      </datalist>
    </Part>
  );
}

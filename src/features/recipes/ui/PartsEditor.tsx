'use client';

import { useFieldArray, useFormContext } from 'react-hook-form';
import { unitSymbol } from '@/core';
import { useShow } from '@/ui/show-context';
import { CASING_WORDS } from '@/words/recipe';
import type { Draft, PartDraft } from '../draft';
import { OwnCasingPick } from './OwnCasingPick';
import { Part, Pick, RemoveLine, Text, wordPairs } from './fields';
import { StepList } from './RouteEditor';

const CASINGS = [['', 'not said'], ...wordPairs(CASING_WORDS)] as const;

/** One casing of the batter, with its own way from the stuffing on. */
function OnePart({ index, onRemove }: { index: number; onRemove: () => void }) {
  const length = unitSymbol('diameter', useShow().settings.system);
  const at = `parts.${index}` as const;
  return (
    <fieldset className="space-y-2 border-t border-line pt-3">
      <legend className="float-left w-full font-semibold">Part {index + 1}</legend>
      <div className="clear-both flex flex-wrap items-end gap-2">
        <Text name={`${at}.name`} label="Called" numeric={false} className="min-w-32 flex-1" />
        <Text name={`${at}.share`} label="Of the batter" unit="%" />
        <Text name={`${at}.casing`} label="Casing" numeric={false} className="min-w-32 flex-1" />
        <Pick name={`${at}.casingKind`} label="Kind" options={CASINGS} />
        <OwnCasingPick at={at} />
        <Text name={`${at}.diameter`} label="Diameter" unit={length} />
        <Text name={`${at}.piece`} label="Piece length" unit={length} />
        <Text name={`${at}.yield`} label="Finished of batter" unit="%" />
        <RemoveLine what={`part ${index + 1}`} onClick={onRemove} />
      </div>
      <StepList list={`${at}.route`} />
    </fieldset>
  );
}

/**
 * One batter in several casings. With the first part the steps after the stuffing leave the common way for it: they are
 * each part's own from then on, and come back when the last part is taken out.
 */
export function PartsEditor() {
  const { control, getValues, setValue } = useFormContext<Draft>();
  const parts = useFieldArray({ control, name: 'parts', keyName: 'key' });
  const add = () => {
    const route = getValues('route');
    const stuff = route.findIndex((s) => s.kind === 'stuff');
    const own = stuff < 0 ? [] : route.slice(stuff + 1);
    const part = (name: string, share: string, steps: typeof route): PartDraft => ({
      id: crypto.randomUUID(),
      name,
      share,
      casing: getValues('casing'),
      casingKind: getValues('casingKind'),
      own: getValues('own'),
      diameter: getValues('diameter'),
      piece: getValues('piece'),
      yield: getValues('yield'),
      route: steps.map((s) => ({ ...s, id: crypto.randomUUID() })),
    });
    if (parts.fields.length > 0)
      return parts.append(part('', '', getValues(`parts.${parts.fields.length - 1}.route`)));
    setValue('route', route.slice(0, stuff + 1), { shouldDirty: true });
    parts.append([part('Large', '60', own), part('Small', '40', own)]);
  };
  const remove = (index: number) => {
    const left = getValues('parts').filter((_, i) => i !== index);
    if (left.length > 1) return parts.remove(index);
    setValue('route', [...getValues('route'), ...(left[0]?.route ?? [])], { shouldDirty: true });
    parts.remove();
  };
  return (
    <Part title="Parts">
      <p className="small">
        One batter in several casings: the steps above end with the stuffing, and each part has its
        own way from there, its own probes and its own verdict.
      </p>
      {parts.fields.map((f, i) => (
        <OnePart key={f.key} index={i} onRemove={() => remove(i)} />
      ))}
      <button type="button" className="button" onClick={add}>
        {parts.fields.length === 0 ? 'Stuff it into several casings' : 'Add a part'}
      </button>
    </Part>
  );
}

'use client';

import { useState } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import {
  ATTENDANCES,
  CLIMATE_KINDS,
  OUTCOMES,
  STEP_KINDS,
  STEP_PLACES,
  unitSymbol,
  warms,
  type StepKind,
} from '@/core';
import { SortableLine, SortableList } from '@/ui/sortable';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import {
  ATTENDANCE_WORDS,
  OUTCOME_WORDS,
  STEP_KIND_WORDS,
  STEP_PLACE_WORDS,
  stepName,
} from '@/words/route';
import type { Draft, StepDraft } from '../draft';
import { Part, Pick, RemoveLine, Text, Tick } from './fields';

/** The list of steps that is written: the recipe's own, or that of one of its parts. */
type ListPath = 'route' | `parts.${number}.route`;
type StepPath = `${ListPath}.${number}`;

const EMPTY_STEP: Omit<StepDraft, 'id' | 'kind'> = {
  manner: '',
  name: '',
  place: '',
  minutes: '',
  least: '',
  most: '',
  wait: '',
  attended: '',
  people: '',
  plates: '',
  measured: false,
  air: '',
  rh: '',
  smoke: false,
  core: '',
  ph: '',
};
const KINDS = STEP_KINDS.map((k) => [k, STEP_KIND_WORDS[k]] as const);
const PLACES = [
  ['', 'usual place'],
  ...STEP_PLACES.map((p) => [p, STEP_PLACE_WORDS[p]] as const),
] as const;
const WHO = [
  ['', 'as usual'],
  ...ATTENDANCES.map((a) => [a, ATTENDANCE_WORDS[a]] as const),
] as const;
const ENDS = OUTCOMES.map((o) => [o, OUTCOME_WORDS[o]] as const);

/** Limits and people of a step: what most steps leave as it is usual. */
function MoreOfStep({ at, kind }: { at: StepPath; kind: StepKind }) {
  return (
    <div className="flex flex-wrap items-end gap-2 border-l-4 border-line pl-3">
      <Text name={`${at}.least`} label="At least" unit="min" />
      <Text name={`${at}.most`} label="At most" unit="min" />
      <Text name={`${at}.wait`} label="May wait after it" unit="min" />
      <Pick name={`${at}.place`} label="Where" options={PLACES} />
      <Pick name={`${at}.attended`} label="Somebody is there" options={WHO} />
      <Text name={`${at}.people`} label="People" />
      {kind === 'grind' && (
        <Text
          name={`${at}.plates`}
          label="Plates, pass by pass"
          unit="mm"
          numeric={false}
          placeholder="8; 4.5"
        />
      )}
      {warms({ kind }) && <Tick name={`${at}.measured`} label="Measure the meat after it" />}
    </div>
  );
}

/** Set points of a step in a place that has any. */
function SetPoints({ at, kind }: { at: StepPath; kind: StepKind }) {
  const degrees = unitSymbol('temperature', useShow().settings.system);
  return (
    <>
      <Text name={`${at}.air`} label="Set to" unit={degrees} className="w-24" />
      <Text name={`${at}.rh`} label="Humidity" unit="%" className="w-24" />
      <Text name={`${at}.core`} label="Until core" unit={degrees} className="w-28" />
      {kind === 'ferment' && <Text name={`${at}.ph`} label="Until pH" className="w-24" />}
      <Tick name={`${at}.smoke`} label="Smoke" />
    </>
  );
}

function Step({ list, index, onRemove }: { list: ListPath; index: number; onRemove: () => void }) {
  const { control, getValues } = useFormContext<Draft>();
  const at = `${list}.${index}` as const;
  const kind = useWatch({ control, name: `${at}.kind` }) as StepKind;
  const manner = useWatch({ control, name: `${at}.manner` });
  const air = useWatch({ control, name: `${at}.air` });
  const [more, setMore] = useState(() => {
    const s = getValues(at);
    return (
      s.measured || [s.least, s.most, s.wait, s.attended, s.people, s.plates].some((x) => x !== '')
    );
  });
  const climate = CLIMATE_KINDS.includes(kind) || air !== '';
  return (
    <div className="grow space-y-2">
      <div className="flex flex-wrap items-end gap-2">
        <Pick name={`${at}.kind`} label={`Step ${index + 1}`} options={KINDS} className="w-40" />
        <Text
          name={`${at}.name`}
          label="Called"
          numeric={false}
          className="min-w-32 flex-1"
          placeholder={stepName({ kind, manner: manner === '' ? undefined : manner })}
        />
        <Text name={`${at}.minutes`} label="Planned" unit="min" className="w-28" />
        <button
          type="button"
          className="button min-h-11"
          aria-expanded={more}
          onClick={() => setMore((m) => !m)}
        >
          {more ? 'Less' : 'More'}
        </button>
        <RemoveLine what={`step ${index + 1}`} onClick={onRemove} />
      </div>
      {climate && (
        <div className="flex flex-wrap items-end gap-2 pl-3">
          <SetPoints at={at} kind={kind} />
        </div>
      )}
      {more && <MoreOfStep at={at} kind={kind} />}
    </div>
  );
}

/** What the product is when it is done, and what its drying must reach. */
function OutcomePart() {
  const { control } = useFormContext<Draft>();
  const fermented = useWatch({ control, name: 'fermented' });
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Pick name="outcome" label="When it is done" options={ENDS} className="min-w-64 flex-1" />
      <Text name="loss" label="Dried: loss at least" unit="%" />
      <Text name="aw" label="Dried: water activity at most" />
      {fermented && (
        <>
          <Text name="targetPh" label="pH that ends the fermentation" unit="pH" />
          <Text name="floorPh" label="Lowest pH of this culture" unit="pH" />
        </>
      )}
    </div>
  );
}

/** A list of steps that is sorted, added to and taken from. */
export function StepList({ list }: { list: ListPath }) {
  const { control } = useFormContext<Draft>();
  const steps = useFieldArray({ control, name: list, keyName: 'key' });
  const [kind, setKind] = useState<StepKind>('rest');
  return (
    <>
      <SortableList ids={steps.fields.map((f) => f.key)} onMove={steps.move}>
        <ol>
          {steps.fields.map((f, i) => (
            <SortableLine key={f.key} id={f.key} label={`step ${i + 1}`}>
              <Step list={list} index={i} onRemove={() => steps.remove(i)} />
            </SortableLine>
          ))}
        </ol>
      </SortableList>
      <div className="flex flex-wrap items-end gap-2">
        <SelectField
          dense
          wrap="min-w-40"
          label="Kind of the new step"
          value={kind}
          options={KINDS}
          onChange={setKind}
        />
        <button
          type="button"
          className="button min-h-11"
          onClick={() => steps.append({ ...EMPTY_STEP, id: crypto.randomUUID(), kind })}
        >
          Add a step
        </button>
      </div>
    </>
  );
}

/** The way of the product, step by step: all that is planned, judged and printed follows from it. */
export function RouteEditor() {
  return (
    <Part title="The way">
      <OutcomePart />
      <StepList list="route" />
    </Part>
  );
}

'use client';

import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { STAGE_KINDS, unitSymbol } from '@/core';
import { MEDIUM_WORDS } from '@/words/batch';
import { useShow } from '@/ui/show-context';
import { SortableLine, SortableList } from '@/ui/sortable';
import type { Draft } from '../draft';
import { Part, Pick, RemoveLine, Text, Tick, wordPairs } from './fields';
import { CASING_WORDS, STAGE_WORDS } from '@/words/recipe';

const EMPTY_STAGE = {
  name: '',
  kind: 'smoke' as const,
  air: '',
  rh: '',
  smoke: false,
  minutes: '60',
  core: '',
};
const KINDS = STAGE_KINDS.filter((k) => k !== 'chill').map((k) => [k, STAGE_WORDS[k]] as const);
const CASINGS = [['', 'not said'], ...wordPairs(CASING_WORDS)] as const;

export function CasingPart() {
  const { system } = useShow().settings;
  const length = unitSymbol('diameter', system);
  const casingCostUnit = unitSymbol('costPerLength', system);
  return (
    <Part title="Casing and yield">
      <div className="flex flex-wrap items-end gap-2">
        <Text name="casing" label="Casing" numeric={false} className="min-w-40 flex-[2]" />
        <Pick name="casingKind" label="Kind" options={CASINGS} />
        <Text name="diameter" label="Diameter" unit={length} />
        <Text name="piece" label="Piece length" unit={length} />
        <Text name="waste" label="Waste" unit="%" />
        <Text name="casingCost" label="Cost" unit={casingCostUnit} />
        <Text name="yield" label="Finished of batter" unit="%" />
      </div>
    </Part>
  );
}

/** Stages of the house, chill and the times around them. */
export function ProgramEditor() {
  const { control } = useFormContext<Draft>();
  const degrees = unitSymbol('temperature', useShow().settings.system);
  const stages = useFieldArray({ control, name: 'program', keyName: 'key' });
  const chill = useFieldArray({ control, name: 'chill', keyName: 'key' });
  const fermented = useWatch({ control, name: 'fermented' });
  return (
    <>
      <Part title="House program">
        <SortableList ids={stages.fields.map((f) => f.key)} onMove={stages.move}>
          <ul>
            {stages.fields.map((f, i) => (
              <SortableLine key={f.key} id={f.key} label={`stage ${i + 1}`}>
                <div className="flex flex-wrap items-end gap-2">
                  <Text
                    name={`program.${i}.name`}
                    label="Stage"
                    numeric={false}
                    className="min-w-32 flex-[2]"
                  />
                  <Pick name={`program.${i}.kind`} label="Kind" options={KINDS} />
                  <Text name={`program.${i}.air`} label="Air" unit={degrees} />
                  <Text name={`program.${i}.rh`} label="Humidity" unit="%" />
                  <Text name={`program.${i}.minutes`} label="Planned" unit="min" />
                  <Text name={`program.${i}.core`} label="Until core" unit={degrees} />
                  <Tick name={`program.${i}.smoke`} label="Smoke" />
                  <RemoveLine what={`stage ${i + 1}`} onClick={() => stages.remove(i)} />
                </div>
              </SortableLine>
            ))}
          </ul>
        </SortableList>
        <button
          type="button"
          className="button"
          onClick={() => stages.append({ ...EMPTY_STAGE, id: crypto.randomUUID() })}
        >
          Add a stage
        </button>
        {fermented && (
          <div className="flex flex-wrap gap-2">
            <Text name="targetPh" label="pH that ends the fermentation" unit="pH" />
            <Text name="floorPh" label="Lowest pH of this culture" unit="pH" />
          </div>
        )}
      </Part>
      <Part title="Chill and steps">
        {chill.fields.map((f, i) => (
          <div key={f.key} className="flex flex-wrap items-end gap-2">
            <Pick name={`chill.${i}.medium`} label="Chill in" options={wordPairs(MEDIUM_WORDS)} />
            <Text name={`chill.${i}.minutes`} label="Planned" unit="min" />
            <RemoveLine what={`chill ${i + 1}`} onClick={() => chill.remove(i)} />
          </div>
        ))}
        <button
          type="button"
          className="button"
          onClick={() => chill.append({ medium: 'cooler', minutes: '240' })}
        >
          Add a chill
        </button>
        <div className="flex flex-wrap gap-2">
          <Text name="prepare" label="Prepare" unit="min" />
          <Text name="holdMin" label="Shortest hold" unit="min" />
          <Text name="holdMax" label="Longest hold" unit="min" />
          <Text name="stuff" label="Stuff" unit="min" />
          <Text name="surfaceDry" label="Surface-dry" unit="min" />
          <Text name="pull" label="Pull" unit="min" />
          <Text name="bloom" label="Bloom" unit="min" />
          <Text name="pack" label="Pack" unit="min" />
        </div>
      </Part>
    </>
  );
}

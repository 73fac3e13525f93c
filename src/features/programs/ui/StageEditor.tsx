'use client';

import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { STAGE_KINDS, STAGE_PLACES, unitSymbol, type StageKind, type StagePlace } from '@/core';
import { PLACE_WORDS } from '@/words/house';
import { useShow } from '@/ui/show-context';
import { SelectField } from '@/ui/select-field';
import { Check, Small } from './stage-fields';
import { newStageText, type StageProblem, type StageText } from '../stage-text';

type Change = (patch: Partial<StageText>) => void;

const KINDS = STAGE_KINDS.map((k) => [k, k[0]!.toUpperCase() + k.slice(1)] as const);
const PLACES = STAGE_PLACES.map((p) => [p, PLACE_WORDS[p]] as const);
const HUMIDITY = [
  ['rh', '% RH'],
  ['wet_bulb', 'wet bulb'],
] as const;
const JOINS = [
  ['any', 'whichever first'],
  ['all', 'all of them'],
] as const;

/** How many conditions end the stage. */
const endCount = (t: StageText) =>
  [t.byTime, t.core !== '', t.logs !== '', t.loss !== '', t.ph !== '', t.dry].filter(Boolean)
    .length;

function Ends({
  t,
  set,
  of,
}: {
  t: StageText;
  set: Change;
  of: (f: string) => string | undefined;
}) {
  const degrees = unitSymbol('temperature', useShow().settings.system);
  return (
    <fieldset className="flex flex-wrap items-end gap-2">
      <legend className="label text-sm">Ends</legend>
      <Small
        label="Minutes"
        unit="min"
        value={t.minutes}
        onChange={(minutes) => set({ minutes })}
        problem={of('minutes')}
      />
      <Check checked={t.byTime} onChange={(byTime) => set({ byTime })}>
        after these
      </Check>
      <Small
        label="Core at"
        unit={degrees}
        value={t.core}
        onChange={(core) => set({ core })}
        problem={of('core')}
      />
      <Small label="Logs" value={t.logs} onChange={(logs) => set({ logs })} problem={of('logs')} />
      <Small
        label="Loss"
        unit="%"
        value={t.loss}
        onChange={(loss) => set({ loss })}
        problem={of('loss')}
      />
      <Small label="pH" value={t.ph} onChange={(ph) => set({ ph })} problem={of('ph')} />
      <Check checked={t.dry} onChange={(dry) => set({ dry })}>
        surface dry
      </Check>
      {endCount(t) > 1 && (
        <SelectField
          dense
          wrap="w-32"
          label="Joined by"
          value={t.join}
          options={JOINS}
          onChange={(join) => set({ join })}
        />
      )}
      <Small
        label="At most"
        unit="min"
        value={t.most}
        onChange={(most) => set({ most })}
        problem={of('most')}
      />
      {of('ends') && <p className="font-semibold text-bad">{of('ends')}</p>}
    </fieldset>
  );
}

function StageCard({
  t,
  set,
  problems,
}: {
  t: StageText;
  set: Change;
  problems: readonly StageProblem[];
}) {
  const degrees = unitSymbol('temperature', useShow().settings.system);
  const of = (field: string) => problems.find((p) => p.field === field)?.message;
  const inAir = !['water_bath', 'shower', 'ice_bath'].includes(t.place);
  return (
    <div className="flex-1 space-y-2">
      <div className="flex flex-wrap items-end gap-2">
        <Small
          label="Stage"
          numeric={false}
          wide
          value={t.name}
          onChange={(name) => set({ name })}
          problem={of('name')}
        />
        <SelectField<StageKind>
          dense
          wrap="w-32"
          label="Kind"
          value={t.kind}
          options={KINDS}
          onChange={(kind) => set({ kind })}
        />
        <SelectField<StagePlace>
          dense
          wrap="w-32"
          label="Where"
          value={t.place}
          options={PLACES}
          onChange={(place) => set({ place })}
        />
        <Small
          label={inAir ? 'Air' : 'Water'}
          unit={degrees}
          value={t.air}
          onChange={(air) => set({ air })}
          problem={of('air')}
        />
        {inAir && (
          <>
            <Small
              label="Humidity"
              unit={t.humidityAs === 'rh' ? '%' : degrees}
              value={t.humidity}
              onChange={(humidity) => set({ humidity })}
              problem={of('humidity')}
            />
            <SelectField
              dense
              wrap="w-32"
              label="as"
              value={t.humidityAs}
              options={HUMIDITY}
              onChange={(humidityAs) => set({ humidityAs })}
            />
            <Check checked={t.smoke} onChange={(smoke) => set({ smoke })}>
              Smoke
            </Check>
          </>
        )}
      </div>
      <Ends t={t} set={set} of={of} />
      {inAir && (
        <details>
          <summary className="min-h-12 cursor-pointer py-3 small">Ramp, fan, damper, wood</summary>
          <div className="flex flex-wrap items-end gap-2">
            <Small
              label="Ramp from"
              unit={degrees}
              value={t.rampFrom}
              onChange={(rampFrom) => set({ rampFrom })}
              problem={of('rampFrom')}
            />
            <Small
              label="Fan"
              unit="%"
              value={t.fan}
              onChange={(fan) => set({ fan })}
              problem={of('fan')}
            />
            <Small
              label="Damper"
              unit="%"
              value={t.damper}
              onChange={(damper) => set({ damper })}
              problem={of('damper')}
            />
            <Small
              label="Wood"
              numeric={false}
              wide
              value={t.wood}
              onChange={(wood) => set({ wood })}
            />
          </div>
        </details>
      )}
    </div>
  );
}

/** An ordered list of stages to be written: the one editor of programs, on the bench and in the library. */
export function StageEditor({
  stages,
  onChange,
  problems,
}: {
  stages: readonly StageText[];
  onChange: (stages: StageText[]) => void;
  problems: readonly (readonly StageProblem[])[];
}) {
  const { system } = useShow().settings;
  const move = (i: number, by: number) => {
    const next = [...stages];
    const [moved] = next.splice(i, 1);
    next.splice(i + by, 0, moved!);
    onChange(next);
  };
  const icon = 'inline-flex size-11 items-center justify-center rounded-md border border-line';
  return (
    <div>
      <ol className="space-y-2">
        {stages.map((t, i) => (
          <li
            key={t.id}
            className="flex gap-2 rounded-md border border-line border-l-8 p-2"
            style={{ borderLeftColor: `var(--${t.kind})` }}
            aria-label={`Stage ${i + 1}: ${t.name}`}
          >
            <StageCard
              t={t}
              problems={problems[i] ?? []}
              set={(patch) => onChange(stages.map((s, k) => (k === i ? { ...s, ...patch } : s)))}
            />
            <div className="flex flex-col gap-1">
              <button
                type="button"
                className={icon}
                disabled={i === 0}
                aria-label={`Stage ${i + 1} earlier`}
                onClick={() => move(i, -1)}
              >
                <ArrowUp aria-hidden="true" size={18} />
              </button>
              <button
                type="button"
                className={icon}
                disabled={i === stages.length - 1}
                aria-label={`Stage ${i + 1} later`}
                onClick={() => move(i, 1)}
              >
                <ArrowDown aria-hidden="true" size={18} />
              </button>
              <button
                type="button"
                className={icon}
                disabled={stages.length === 1}
                aria-label={`Take stage ${i + 1} out`}
                onClick={() => onChange(stages.filter((_, k) => k !== i))}
              >
                <X aria-hidden="true" size={18} />
              </button>
            </div>
          </li>
        ))}
      </ol>
      <button
        type="button"
        className="button mt-2"
        disabled={stages.length >= 20}
        onClick={() => onChange([...stages, newStageText(crypto.randomUUID(), system)])}
      >
        Add a stage
      </button>
    </div>
  );
}

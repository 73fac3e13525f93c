'use client';

import {
  HOT_DEPTHS,
  HOT_LEVELS,
  THICK_WHERE,
  fromBase,
  toBase,
  unitSymbol,
  type HouseCare,
  type HouseLayout,
  type Quantity,
  type SensorSpot,
  type UnitSystem,
} from '@/core';
import { ActionForm, Field } from '@/ui/action-form';
import { formFigure } from '@/ui/form-figure';
import { HOT_DEPTH_WORDS, HOT_LEVEL_WORDS, THICK_WORDS, spotWords } from '@/words/place';
import { addAirSensorAction, saveCareAction, saveLayoutAction, saveSensorAction } from '../actions';

type Place = { id: string; name: string; layout: HouseLayout | null; care: HouseCare | null };

const options = <K extends string>(of: readonly K[], words: Record<K, string>) =>
  of.map((k) => (
    <option key={k} value={k}>
      {words[k]}
    </option>
  ));

/** A figure of a form in the core's unit; null where the field is empty. */
const figure = (v: FormDataEntryValue | null, quantity?: Quantity, system?: UnitSystem) => {
  const read = formFigure(v);
  if (read === undefined) return null;
  return quantity ? toBase(quantity, read, system!) : read;
};
const must = (...of: Parameters<typeof figure>) => figure(...of) ?? Number.NaN;
const inUnit = (quantity: Quantity, base: number | null | undefined, system: UnitSystem) =>
  base == null ? '' : String(Math.round(fromBase(quantity, base, system) * 1000) / 1000);
const minutes = (v: FormDataEntryValue | null) => {
  const read = figure(v);
  return read === null ? null : read * 60;
};
const asMinutes = (s: number | null | undefined) => (s == null ? '' : String(s / 60));

/** Levels and rows of a place, and where it is hot: what the load map is drawn from. */
export function LayoutForm({ place: p, system }: { place: Place; system: UnitSystem }) {
  const at = (name: string) => `${name}-${p.id}`;
  const { layout: l } = p;
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3 text-soft">Levels and rows</summary>
      <ActionForm
        action={saveLayoutAction}
        read={(f) => ({
          id: p.id,
          layout: {
            levels: must(f.get(at('levels'))),
            rows: must(f.get(at('rows'))),
            rowMm: must(f.get(at('row')), 'diameter', system),
            hotDepth: f.get(at('depth')),
            hotLevel: f.get(at('height')),
            thick: f.get(at('thick')),
            stickTareG: figure(f.get(at('tare')), 'mass', system),
          },
        })}
        label={`Save the levels of ${p.name}`}
      >
        <Field name={at('levels')} label="Levels, from below" value={String(l?.levels ?? '')} />
        <Field
          name={at('rows')}
          label="Sticks on a level, front to back"
          value={String(l?.rows ?? '')}
        />
        <Field
          name={at('row')}
          label={`From stick to stick (${unitSymbol('diameter', system)})`}
          value={inUnit('diameter', l?.rowMm, system)}
        />
        <Field name={at('depth')} label="Hottest, front to back" value={l?.hotDepth ?? 'even'}>
          {options(HOT_DEPTHS, HOT_DEPTH_WORDS)}
        </Field>
        <Field name={at('height')} label="Hottest, low to high" value={l?.hotLevel ?? 'even'}>
          {options(HOT_LEVELS, HOT_LEVEL_WORDS)}
        </Field>
        <Field name={at('thick')} label="Thick pieces hang" value={l?.thick ?? 'hot'}>
          {options(THICK_WHERE, THICK_WORDS)}
        </Field>
        <Field
          optional
          name={at('tare')}
          label={`An empty stick weighs (${unitSymbol('mass', system)})`}
          value={inUnit('mass', l?.stickTareG, system)}
        />
      </ActionForm>
    </details>
  );
}

/** How a place is kept: when it is lit ahead, when fuel and wood are due, what it is never to be above, and its water. */
export function CareForm({
  place: p,
  isBath,
  system,
}: {
  place: Place;
  isBath: boolean;
  system: UnitSystem;
}) {
  const at = (name: string) => `${name}-${p.id}`;
  const { care: c } = p;
  const bathOf = (f: FormData) => {
    const volumeL = figure(f.get(at('volume')));
    return isBath && volumeL !== null
      ? { volumeL, areaCm2: must(f.get(at('area'))), rimCm: must(f.get(at('rim'))) }
      : null;
  };
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3 text-soft">Fire, wood and limits</summary>
      <ActionForm
        action={saveCareAction}
        read={(f) => ({
          id: p.id,
          care: {
            preheatS: minutes(f.get(at('preheat'))),
            fuelEveryS: minutes(f.get(at('fuel'))),
            woodEveryS: minutes(f.get(at('wood'))),
            ceilingC: figure(f.get(at('ceiling')), 'temperature', system),
            bath: bathOf(f),
          },
        })}
        label={`Save the care of ${p.name}`}
      >
        <Field
          optional
          name={at('preheat')}
          label="Lit ahead by (min)"
          value={asMinutes(c?.preheatS)}
        />
        <Field
          optional
          name={at('fuel')}
          label="Fuel every (min)"
          value={asMinutes(c?.fuelEveryS)}
        />
        <Field
          optional
          name={at('wood')}
          label="Wood every (min)"
          value={asMinutes(c?.woodEveryS)}
        />
        <Field
          optional
          name={at('ceiling')}
          label={`Never above (${unitSymbol('temperature', system)})`}
          value={inUnit('temperature', c?.ceilingC, system)}
        />
        {isBath && (
          <>
            <Field
              optional
              name={at('volume')}
              label="Water in it (litres)"
              value={String(c?.bath?.volumeL ?? '')}
            />
            <Field
              optional
              name={at('area')}
              label="Surface of the water (cm²)"
              value={String(c?.bath?.areaCm2 ?? '')}
            />
            <Field
              optional
              name={at('rim')}
              label="From the water to the rim (cm)"
              value={String(c?.bath?.rimCm ?? '')}
            />
          </>
        )}
      </ActionForm>
    </details>
  );
}

type Sensor = SensorSpot & { id: number; name: string };

/** Where the air sensors of a place hang: what the spread between its corners is worked out from. */
export function SensorForms({ place, sensors }: { place: Place; sensors: Sensor[] }) {
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3 text-soft">Air sensors</summary>
      <ul>
        {sensors.map((s) => (
          <li key={s.id} className="border-t border-line py-2">
            <p>
              <strong>{s.name}</strong>: {spotWords(s)}
            </p>
            <ActionForm
              action={saveSensorAction}
              read={(f) => ({
                channelId: s.id,
                level: figure(f.get(`level-${s.id}`)),
                depth: f.get(`depth-${s.id}`) || null,
              })}
              label={`Save where ${s.name} hangs`}
            >
              <Field
                optional
                name={`level-${s.id}`}
                label="On level, from below"
                value={s.level === null ? '' : String(s.level)}
              />
              <Field name={`depth-${s.id}`} label="From front to back" value={s.depth ?? ''}>
                <option value="">not given</option>
                <option value="front">front</option>
                <option value="middle">middle</option>
                <option value="back">back</option>
              </Field>
            </ActionForm>
          </li>
        ))}
      </ul>
      <ActionForm
        clear
        action={addAirSensorAction}
        read={(f) => ({ houseId: place.id, name: f.get(`sensor-${place.id}`) })}
        label={`Add an air sensor to ${place.name}`}
        done="Added."
      >
        <Field name={`sensor-${place.id}`} label="Name of the sensor" />
      </ActionForm>
    </details>
  );
}

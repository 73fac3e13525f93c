'use client';

import { useState } from 'react';
import { BATH_OILS, SMOKE_SEEN, SURFACE_FEELS, WINDS, toBase, unitSymbol, type Wind } from '@/core';
import { FEEL_WORDS, OIL_WORDS, SMOKE_WORDS, WIND_WORDS, smokeRestWords } from '@/words/hanging';
import { spotWords } from '@/words/place';
import { cleared } from '@/ui/cleared';
import { NumberField, readFigure } from '@/ui/number-field';
import { PressRow } from '@/ui/press-row';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import { TextField } from '@/ui/text-field';
import type { WatchData } from '../house-watch';
import { usePostTo, useWorker } from './post-as';
import { When } from '@/ui/when';
import { useWhen } from '@/ui/when-field';

/** `when`: what all of them tell happened then. */
type Props = { data: WatchData; nowS: number; when: ReturnType<typeof useWhen> };

/** What is seen at the vent, a press each, and how much smoke that makes. */
function Smoke({ data, nowS, when }: Props) {
  const show = useShow();
  const { canWork } = useWorker();
  const { sendTo, busy, message } = usePostTo(when);
  const { smoke } = data;
  if (!smoke) return null;
  const late = data.smokes && smoke.nextLookS < nowS;
  return (
    <div className="space-y-2">
      <h3 className="font-semibold">Smoke</h3>
      <p>
        <span className="figure">{show.duration(smoke.countsS)}</span>{' '}
        <span className="small">{smokeRestWords(smoke, show)}</span>
      </p>
      {data.smokes && (
        <p className={late ? 'font-semibold text-wait' : 'text-soft'}>
          Look at the vent <When at={smoke.nextLookS} nowS={nowS} />
        </p>
      )}
      {canWork && data.smokes && (
        <PressRow
          label="Smoke at the vent"
          options={SMOKE_SEEN.map((x) => [x, SMOKE_WORDS[x]] as const)}
          busy={busy}
          onPress={(seen) => void sendTo(data.batchIds, { kind: 'smoke_seen', seen })}
        />
      )}
      <Said text={message} />
    </div>
  );
}

/** The corners of the house beside each other. */
function Corners({ data }: { data: WatchData }) {
  const show = useShow();
  const { spread } = data;
  if (!spread) return null;
  return (
    <div className="space-y-1">
      <h3 className="font-semibold">Corners</h3>
      <p>
        <span className="figure">{show.tempStep(spread.spreadC)}</span>{' '}
        <span className="small">
          between the hottest and the coldest where product hangs: the coldest is{' '}
          {spread.coldest.name || 'a sensor'}, {spotWords(spread.coldest.spot)}
        </span>
      </p>
      <ul className="small">
        {spread.at.map((s) => (
          <li key={s.id}>
            {s.name || 'Air'}, {spotWords(s.spot)}: {show.temp(s.meanC)}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** How the surface feels, and where it was felt. */
function Surface({ data, nowS, when }: Props) {
  const show = useShow();
  const { sendTo, busy, message } = usePostTo(when);
  const [where, setWhere] = useState('');
  const [error, setError] = useState<string | null>(null);
  const touch = (feel: (typeof SURFACE_FEELS)[number]) => {
    if (where.trim() === '') return setError('Say where you felt it.');
    setError(null);
    void sendTo(data.batchIds, { kind: 'surface_touched', where: where.trim(), feel });
  };
  return (
    <details open={data.drying}>
      <summary className="flex min-h-12 cursor-pointer items-center font-semibold">
        Surface
        {data.touch ? `: ${data.touch.feel}, ${data.touch.where}` : ''}
      </summary>
      {data.touch && <p className="small">Felt {show.when(data.touch.atS, nowS)}</p>}
      <TextField
        label="Where"
        value={where}
        placeholder="back, lowest level"
        onChange={(e) => setWhere(e.target.value)}
        error={error}
      />
      <PressRow
        label="How the surface feels"
        options={SURFACE_FEELS.map((x) => [x, FEEL_WORDS[x]] as const)}
        busy={busy}
        onPress={touch}
      />
      <Said text={message} />
    </details>
  );
}

/** A bath: how much it rises with this load, and whether oil stands on it. */
function Bath({ data, when }: Omit<Props, 'nowS'>) {
  const show = useShow();
  const { canWork } = useWorker();
  const { sendTo, busy, message } = usePostTo(when);
  const { bath } = data;
  if (!bath) return null;
  return (
    <div className="space-y-2">
      <h3 className="font-semibold">Bath</h3>
      {bath.rise && (
        <p className={bath.rise.overflows ? 'font-semibold text-bad' : ''}>
          With this load the water rises {show.number(bath.rise.riseCm, 1)} cm
          {bath.rise.overflows
            ? ': it runs over. Take water out first, or load less.'
            : `, ${show.number(bath.rise.freeCm, 1)} cm are left to the rim.`}{' '}
          It falls by about {show.tempStep(bath.rise.coolsC)} when the load goes in.
        </p>
      )}
      {canWork && (
        <PressRow
          label="Oil on the water"
          options={BATH_OILS.map((x) => [x, OIL_WORDS[x]] as const)}
          busy={busy}
          onPress={(oil) => void sendTo(data.batchIds, { kind: 'bath_seen', oil })}
        />
      )}
      <Said text={message} />
    </div>
  );
}

/** Damper and weather: what is noted now and then. */
function Notes({ data, nowS, when }: Props) {
  const show = useShow();
  const { system } = show.settings;
  const { sendTo, busy, message } = usePostTo(when);
  const [damper, setDamper] = useState('');
  const [wind, setWind] = useState<Wind>('calm');
  const [outside, setOutside] = useState('');
  const [errors, setErrors] = useState<{ damper?: string; outside?: string }>({});
  const setTheDamper = () => {
    const r = readFigure(damper);
    const error = !r.ok ? r.error : r.value < 0 || r.value > 100 ? 'From 0 to 100 %.' : undefined;
    setErrors({ damper: error });
    if (!r.ok || error) return;
    void sendTo(data.batchIds, { kind: 'damper_set', open: r.value / 100 }).then(
      (ok) => ok && setDamper(cleared(damper)),
    );
  };
  const noteWeather = () => {
    const r = outside.trim() === '' ? null : readFigure(outside);
    setErrors({ outside: r && !r.ok ? r.error : undefined });
    if (r && !r.ok) return;
    void sendTo(data.batchIds, {
      kind: 'weather_noted',
      wind,
      ...(r?.ok ? { outsideC: toBase('temperature', r.value, system) } : {}),
    });
  };
  return (
    <details>
      <summary className="flex min-h-12 cursor-pointer items-center font-semibold">
        Damper and weather
      </summary>
      <div className="space-y-2">
        {data.weather && (
          <p className="small">
            {WIND_WORDS[data.weather.wind]}
            {data.weather.outsideC === null
              ? ''
              : `, ${show.temp(data.weather.outsideC)} outside`},{' '}
            {show.when(data.weather.atS, nowS)}
          </p>
        )}
        <div className="flex flex-wrap items-end gap-2">
          <NumberField
            label={
              data.damper === null ? 'Damper' : `Damper, now ${show.number(data.damper * 100, 0)} %`
            }
            unit="%"
            value={damper}
            onChange={setDamper}
            error={errors.damper}
          />
          <button type="button" className="button min-h-12" disabled={busy} onClick={setTheDamper}>
            Set so
          </button>
        </div>
        <div className="flex flex-wrap items-end gap-2">
          <SelectField
            label="Wind"
            value={wind}
            options={WINDS.map((w) => [w, WIND_WORDS[w]] as const)}
            onChange={setWind}
          />
          <NumberField
            label="Outside"
            unit={unitSymbol('temperature', system)}
            value={outside}
            onChange={setOutside}
            error={errors.outside}
          />
          <button type="button" className="button min-h-12" disabled={busy} onClick={noteWeather}>
            Note the weather
          </button>
        </div>
        <Said text={message} />
      </div>
    </details>
  );
}

/** What is looked at while a house works. */
export function HouseWatch({ data, nowS }: Omit<Props, 'when'>) {
  const { canWork } = useWorker();
  const when = useWhen();
  return (
    <section className="sheet space-y-4" aria-label="To look at">
      <h2 className="text-lg font-semibold">To look at</h2>
      <Smoke data={data} nowS={nowS} when={when} />
      <Bath data={data} when={when} />
      <Corners data={data} />
      {canWork && <Surface data={data} nowS={nowS} when={when} />}
      {canWork && <Notes data={data} nowS={nowS} when={when} />}
      {canWork && when.field}
    </section>
  );
}

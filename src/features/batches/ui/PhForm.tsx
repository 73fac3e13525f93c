'use client';

import { useState } from 'react';
import { PH_SAMPLES, fromBase, toBase, unitSymbol, type PhSample } from '@/core';
import { FromInstrument } from '@/features/readings/ui';
import { Link } from '@/ui/link';
import { NumberField, readFigure } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { SAMPLE_WORDS } from '@/words/acidity';
import { MeterForm } from './MeterForm';

/** A meter of the site, and whether its check of the day speaks for it. */
export type MeterChoice = { id: string; name: string; good: boolean };

const OUTSIDE = 'No sausage has this pH. Rinse and calibrate the meter, then read again.';

type Props = { targetPh: number; meters: readonly MeterChoice[] };

/** The pH of a ferment: by which meter, of what, and how warm that was. */
export function PhForm({ targetPh, meters }: Props) {
  const { system } = useShow().settings;
  const [meterId, setMeter] = useState(meters.find((m) => m.good)?.id ?? meters[0]?.id ?? '');
  const [sample, setSample] = useState<PhSample>('test_piece');
  const [temp, setTemp] = useState('');
  const meter = meters.find((m) => m.id === meterId);
  const read = readFigure(temp);
  const sampleC = read.ok ? toBase('temperature', read.value, system) : undefined;
  const wrong = temp.trim() !== '' && !read.ok ? read.error : null;
  return (
    <MeterForm
      label="Log a pH"
      title={`pH, target ${targetPh}`}
      unit="pH"
      from={3}
      to={8}
      outside={OUTSIDE}
      {...(meter ? {} : { checkedWords: 'This meter was checked in its buffers today' })}
      unread={wrong !== null}
      button="Log this pH"
      live={(take) => (
        <FromInstrument
          what="ph_meter"
          onTake={(shown) => {
            take(String(Math.round(shown.value * 100) / 100), shown);
            if (meters.some((m) => m.id === shown.meterId)) setMeter(shown.meterId!);
            if (shown.sampleC !== null)
              setTemp(String(Math.round(fromBase('temperature', shown.sampleC, system) * 10) / 10));
          }}
        />
      )}
      make={(ph, { shownBy, ...checked }) => ({
        kind: 'ph_logged',
        ph,
        sample,
        ...(shownBy ? { shownBy } : {}),
        ...(sampleC === undefined ? {} : { sampleC }),
        ...(meter ? { meter: { id: meter.id, name: meter.name, shownPh: ph } } : checked),
      })}
      more={
        <>
          {meter && (
            <SelectField
              label="Meter"
              value={meterId}
              options={meters.map(
                (m) => [m.id, m.good ? m.name : `${m.name}, not checked today`] as const,
              )}
              onChange={setMeter}
            />
          )}
          {meter && !meter.good && (
            <p className="text-wait">
              What it shows earns no credit until it is{' '}
              <Link href="/house/meters" className="underline">
                checked in its buffers
              </Link>
              .
            </p>
          )}
          <div className="grid items-end gap-3 sm:grid-cols-2">
            <SelectField
              label="Of"
              value={sample}
              options={PH_SAMPLES.map((s) => [s, SAMPLE_WORDS[s]] as const)}
              onChange={(v) => setSample(v as PhSample)}
            />
            <NumberField
              label="The sample is at"
              unit={unitSymbol('temperature', system)}
              value={temp}
              onChange={setTemp}
              error={wrong}
              hint="may be left out"
            />
          </div>
        </>
      }
    />
  );
}

'use client';

import { useState } from 'react';
import { QuantityError, fromBase, iceShare, roomHeatJPerG, toBase, unitSymbol } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';

type Props = {
  meatG: number;
  waterG: number;
  /** Highest end of the chop, °C, and the usual work of the machine, kJ/kg. */
  limitC: number;
  workKjPerKg: number;
};

const FIELDS = [
  ['meat', 'Meat is at'],
  ['water', 'Water is at'],
  ['ice', 'Ice is at'],
  ['room', 'Room is at'],
  ['limit', 'Chop ends at most at'],
] as const;
type Name = (typeof FIELDS)[number][0];

/** How much of the recipe's water must be ice, so that the chop ends at or below its limit. */
export function IceCard({ meatG, waterG, limitC, workKjPerKg }: Props) {
  const show = useShow();
  const { system } = show.settings;
  const text = (tempC: number) =>
    String(Math.round(fromBase('temperature', tempC, system) * 10) / 10);
  const [temps, setTemps] = useState<Record<Name, string>>(() => ({
    meat: text(2),
    water: text(8),
    ice: text(-4),
    room: text(14),
    limit: text(limitC),
  }));
  const [work, setWork] = useState(String(workKjPerKg));
  const [minutes, setMinutes] = useState('8');
  const result = () => {
    const c = {} as Record<Name, number>;
    for (const [name] of FIELDS) {
      const read = readFigure(temps[name]);
      if (!read.ok) return `${name}: ${read.error}`;
      c[name] = toBase('temperature', read.value, system);
    }
    const [kj, min] = [readFigure(work), readFigure(minutes)];
    if (!kj.ok || !min.ok) return 'Give the work of the machine and the minutes.';
    try {
      const room = roomHeatJPerG({
        roomC: c.room,
        meatC: c.meat,
        targetC: c.limit,
        minutes: min.value,
      });
      const workJPerG = Math.max(0, kj.value + room);
      const input = { meatG, waterG, meatC: c.meat, waterC: c.water, iceC: c.ice, workJPerG };
      return iceShare({ ...input, targetC: c.limit });
    } catch (error) {
      return error instanceof QuantityError
        ? `${error.quantity} must be ${error.allowed} (°C, J/g).`
        : 'This cannot be worked out.';
    }
  };
  const ice = result();
  return (
    <section className="no-print sheet space-y-3" aria-label="Ice">
      <h2 className="text-lg font-semibold">Ice</h2>
      <div className="grid grid-cols-2 gap-3">
        {FIELDS.map(([name, label]) => (
          <NumberField
            key={name}
            label={label}
            unit={unitSymbol('temperature', system)}
            value={temps[name]}
            onChange={(value) => setTemps({ ...temps, [name]: value })}
          />
        ))}
        <NumberField label="Work of the machine" unit="kJ/kg" value={work} onChange={setWork} />
        <NumberField label="Chop lasts" unit="min" value={minutes} onChange={setMinutes} />
      </div>
      {typeof ice === 'string' ? (
        <Notice tone="bad">{ice}</Notice>
      ) : (
        <>
          <p className="figure" data-testid="ice">
            {show.mass(ice.iceG)} of ice, {show.mass(ice.waterG)} of water
          </p>
          <Notice tone={ice.feasible ? 'good' : 'bad'}>
            {ice.feasible
              ? `Ends at ${show.temp(ice.finalC)}.`
              : `Not even all the water as ice is enough: it ends at ${show.temp(ice.finalC)}. Chill the meat first.`}
          </Notice>
        </>
      )}
      <p className="small">
        Heat balance with 334 kJ/kg for melting ice; usual work 20 to 60 kJ/kg for an emulsion, 5 to
        15 for a mix. Valid for meat from −20 to 40 °C and a bowl of 20 to 60 kg.
      </p>
    </section>
  );
}

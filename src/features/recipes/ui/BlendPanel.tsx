'use client';

import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { blendTrims, toBase, unitSymbol, type Blend } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import type { Draft } from '../draft';
import { fatOf, meatLines, type MeatLot } from '../blend-lines';
import { useDesk } from './editor-context';
import { TextField } from '@/ui/text-field';

const REASONS = {
  stock_short: 'The lots chosen do not hold that much. Choose more lots, or a smaller blend.',
  shares_conflict: 'The least and most shares cannot all hold with this stock. Loosen one.',
  fat_out_of_reach: 'The fat target is out of reach with these lots.',
} as const;

type Limits = { use: boolean; min: string; max: string };

const share = (text: string) => {
  const read = readFigure(text);
  return read.ok ? { fraction: read.value / 100 } : {};
};

/** Blends the trims in the stores to a fat target and puts the result into the meat block. */
export function BlendPanel() {
  const { meatLots, today } = useDesk();
  const { setValue, getValues } = useFormContext<Draft>();
  const show = useShow();
  const { system } = show.settings;
  const lots = meatLots.filter((l) => fatOf(l) !== undefined);
  const [target, setTarget] = useState('28');
  const [total, setTotal] = useState('');
  const [limits, setLimits] = useState<Record<string, Limits>>({});
  const [error, setError] = useState<string | null>(null);
  const [blend, setBlend] = useState<Blend | null>(null);
  const isPast = (l: MeatLot) => l.useBy !== null && l.useBy < today;
  /* Other species, customers' meat and what is past its use-by are there to be chosen, not by default. */
  const usual = (l: MeatLot) =>
    !isPast(l) &&
    (l.owner === null || getValues('customersMeat')) &&
    getValues('meat').some((m) => m.species === (l.facts.species ?? 'pork'));
  const of = (l: MeatLot): Limits => limits[l.id] ?? { use: usual(l), min: '', max: '' };
  const change = (l: MeatLot, to: Partial<Limits>) => {
    setBlend(null);
    setLimits({ ...limits, [l.id]: { ...of(l), ...to } });
  };
  const run = () => {
    const [fat, weight] = [readFigure(target), readFigure(total)];
    setBlend(null);
    if (!fat.ok || fat.value < 0 || fat.value > 100)
      return setError('Give the fat wanted, 0 to 100 %.');
    if (!weight.ok || !(weight.value > 0)) return setError('Give the weight of the blend.');
    try {
      const trims = lots
        .filter((l) => of(l).use)
        .map((l) => ({
          id: l.id,
          fatFraction: fatOf(l)!,
          availableG: l.leftG,
          ...(l.costPerKg === null ? {} : { costPerKg: l.costPerKg }),
          minFraction: share(of(l).min).fraction,
          maxFraction: share(of(l).max).fraction,
        }));
      setError(null);
      const totalG = toBase('mass', weight.value, system);
      setBlend(blendTrims({ trims, targetFatFraction: fat.value / 100, totalG }));
    } catch (problem) {
      setError(problem instanceof RangeError ? problem.message : 'This cannot be blended.');
    }
  };
  const name = (id: string) => lots.find((l) => l.id === id)!;
  return (
    <Disclosure as="div" className="contents">
      <DisclosureButton className="button">Blend from the stores</DisclosureButton>
      <DisclosurePanel className="w-full space-y-3 rounded-md bg-paper p-3">
        {lots.length === 0 && <p>The stores hold no meat lot with a fat figure.</p>}
        <div className="flex flex-wrap gap-3">
          <NumberField label="Fat wanted" unit="%" value={target} onChange={setTarget} />
          <NumberField
            label="Weight of the blend"
            unit={unitSymbol('mass', system)}
            value={total}
            onChange={setTotal}
          />
        </div>
        <table className="plain-table">
          <thead>
            <tr>
              <th scope="col">Lot</th>
              <th scope="col">Fat</th>
              <th scope="col">Left</th>
              <th scope="col">Cost</th>
              <th scope="col">Least %</th>
              <th scope="col">Most %</th>
            </tr>
          </thead>
          <tbody>
            {lots.map((l) => (
              <tr key={l.id}>
                <td>
                  <label className="flex min-h-11 items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-5"
                      checked={of(l).use}
                      onChange={(e) => change(l, { use: e.target.checked })}
                    />
                    {l.ingredient}, {l.code}
                    {l.owner ? ` (of ${l.owner})` : ''}
                    {isPast(l) && <strong className="text-bad">past its use-by</strong>}
                  </label>
                </td>
                <td className="whitespace-nowrap">{show.number(fatOf(l)! * 100)} %</td>
                <td className="whitespace-nowrap">{show.mass(l.leftG)}</td>
                <td>{l.costPerKg === null ? 'unknown' : show.cost(l.costPerKg)}</td>
                {(['min', 'max'] as const).map((k) => (
                  <td key={k}>
                    <TextField
                      label={`${k === 'min' ? 'Least' : 'Most'} % of ${l.code}`}
                      quiet
                      dense
                      wrap="w-20"
                      inputMode="decimal"
                      value={of(l)[k]}
                      onChange={(e) => change(l, { [k]: e.target.value })}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {error && <Notice tone="bad">{error}</Notice>}
        <button type="button" className="button" onClick={run}>
          Work out the blend
        </button>
        {blend && (
          <div className="space-y-2" data-testid="blend">
            <Notice tone={blend.feasible ? 'good' : 'bad'}>
              {blend.reason ? `${REASONS[blend.reason]} ` : ''}
              {blend.fatFraction === null
                ? ''
                : `${blend.feasible ? 'Blend' : 'Closest'}: ${show.number(blend.fatFraction * 100, 2)} % fat${blend.cost === null ? ', cost unknown' : `, ${show.number(blend.cost, 2)} in all`}.`}
            </Notice>
            <ul>
              {blend.lines.map((l) => (
                <li key={l.id}>
                  {show.mass(l.amountG)} ({show.number(l.fraction * 100)} %) of{' '}
                  {name(l.id).ingredient}, lot {name(l.id).code}
                </li>
              ))}
            </ul>
            {blend.lines.length > 0 && (
              <button
                type="button"
                className="button-main"
                onClick={() => {
                  setValue('meatBy', 'share');
                  setValue('meat', meatLines(blend, lots, system), { shouldDirty: true });
                }}
              >
                Put it into the meat block
              </button>
            )}
          </div>
        )}
      </DisclosurePanel>
    </Disclosure>
  );
}

'use client';

import { useState } from 'react';
import { correctBatter, toBase, unitSymbol, type TopUp } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import type { MakingSheetData } from '../sheet';

const NONE = '';

/** What the batter needs so that it tastes as wanted after its trial: grams of each line, by the same formula as every dose. */
export function TasteForm({ sheet }: { sheet: MakingSheetData }) {
  const show = useShow();
  const { system } = show.settings;
  const { recipe } = sheet;
  const [left, setLeft] = useState('');
  const [salt, setSalt] = useState(String(Number((recipe.totalSaltFraction * 100).toFixed(2))));
  const spices = recipe.additions.filter((a) => a.kind === 'seasoning' && a.fraction > 0);
  const [lineId, setLineId] = useState(NONE);
  const [share, setShare] = useState('');
  const [said, setSaid] = useState<{
    batter: string | null;
    salt: string | null;
    share: string | null;
  }>({
    batter: null,
    salt: null,
    share: null,
  });
  const [found, setFound] = useState<TopUp | string | null>(null);
  const choose = (id: string) => {
    setLineId(id);
    const line = spices.find((a) => a.id === id);
    setShare(line ? String(Number((line.fraction * 100).toFixed(3))) : '');
  };
  const work = () => {
    const [b, s, p] = [readFigure(left), readFigure(salt), readFigure(share)];
    const spice = lineId !== NONE;
    setSaid({
      batter: b.ok ? null : b.error,
      salt: s.ok ? null : s.error,
      share: spice && !p.ok ? p.error : null,
    });
    setFound(null);
    if (!b.ok || !s.ok || (spice && !p.ok)) return;
    try {
      setFound(
        correctBatter({
          recipe,
          batterG: toBase('mass', b.value, system),
          wanted: {
            saltFraction: s.value / 100,
            ...(spice && p.ok ? { lines: { [lineId]: p.value / 100 } } : {}),
          },
        }),
      );
    } catch {
      setFound(
        'No batter can be made so. Salt of 0.1 to 10 %, a spice above 0 %, and a weight above 0.',
      );
    }
  };
  return (
    <form
      className="space-y-2"
      aria-label="Correct the batter"
      onSubmit={(e) => {
        e.preventDefault();
        work();
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Batter left"
          unit={unitSymbol('mass', system)}
          value={left}
          onChange={setLeft}
          error={said.batter}
        />
        <NumberField
          label="Salt wanted"
          unit="%"
          value={salt}
          onChange={setSalt}
          error={said.salt}
        />
        {spices.length > 0 && (
          <SelectField
            label="And a spice"
            value={lineId}
            options={[[NONE, 'none'], ...spices.map((a) => [a.id, a.name] as const)]}
            onChange={choose}
          />
        )}
        {lineId !== NONE && (
          <NumberField
            label="Of the meat"
            unit="%"
            value={share}
            onChange={setShare}
            error={said.share}
          />
        )}
      </div>
      {typeof found === 'string' && <Notice tone="bad">{found}</Notice>}
      {found !== null && typeof found === 'object' && (
        <Notice tone="good">
          {found.additions.length === 0
            ? 'It is so already: nothing to add.'
            : `Add ${found.additions.map((a) => `${show.grams(a.amountG)} ${a.name}`).join(', ')}. Weigh each with “More” below; the cure keeps its ppm.`}
        </Notice>
      )}
      <button className="button min-h-12 w-full">Work it out</button>
    </form>
  );
}

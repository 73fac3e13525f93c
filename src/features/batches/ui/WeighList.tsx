'use client';

import { Check } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { CURE_LINE, type Recipe } from '@/core';
import { lineKey, type LoadLine, type WeighedLine } from '@/features/making/contract';
import type { LotChoice } from '@/features/stores/contract';
import { useShow } from '@/ui/show-context';
import { OffBy } from './OffBy';
import { WeighForm } from './WeighForm';
import { useBatch } from '@/features/logbook/ui';

type Props = {
  lines: LoadLine[];
  weighed: Record<string, WeighedLine>;
  loads: number;
  /** Meat of each load, g, by its number; 0 is all of it. */
  meats: readonly number[];
  meatKnown: boolean;
  recipe: Recipe;
  meatG: number;
  lots: Record<string, LotChoice[]>;
  /** The load of which the second look at the cure differs, 0 for the whole; null where none does. */
  differs: number | null;
};

/** Less than this share of a line is not worth another weighing. */
const SHORT_SHARE = 0.05;

/** What is still missing of a line, or too much of it, for the meat that is there now, g; 0 where it is right. */
function offBy(l: LoadLine, done: WeighedLine): number {
  const offG = l.doseG - done.amountG;
  return l.kind !== 'meat' && Math.abs(offG) > SHORT_SHARE * l.doseG + (l.scale?.resolutionG ?? 0)
    ? offG
    : 0;
}

/** Every line to weigh, in order; the next one open. Doses not weighed yet follow the meat's real weight. */
export function WeighList(props: Props) {
  const { lines, weighed, loads, meats, meatKnown, recipe, meatG, lots, differs } = props;
  const show = useShow();
  const { canWork } = useBatch();
  const isDone = (l: LoadLine) =>
    weighed[lineKey(l)] !== undefined && !(l.lineId === CURE_LINE && differs === (l.load ?? 0));
  const next = lines.find((l) => !isDone(l));
  const [chosen, setChosen] = useState<string | null>(null);
  const [again, setAgain] = useState<string | null>(null);
  const active = lines.find((l) => lineKey(l) === chosen && !isDone(l)) ?? next;
  const meatOf = (l: LoadLine) => meats[l.load ?? 0] ?? meatG;
  const list = useRef<HTMLOListElement>(null);
  const count = lines.filter(isDone).length;
  const [countAtFirst] = useState(count);
  /* What was weighed makes room: what comes next is where it can be read and pressed. */
  useEffect(() => {
    if (count <= countAtFirst) return;
    const open = list.current?.querySelector('[data-open]');
    (open ?? document.querySelector('[data-next-step]'))?.scrollIntoView({ block: 'start' });
  }, [count, countAtFirst]);
  return (
    <ol ref={list}>
      {lines.map((l) => {
        const key = lineKey(l);
        const done = isDone(l) ? weighed[key] : undefined;
        const offG = done ? offBy(l, done) : 0;
        const locked = l.kind !== 'meat' && !meatKnown;
        const cure = l.lineId === CURE_LINE;
        const open = canWork && !done && !locked && active && lineKey(active) === key;
        const more = canWork && done !== undefined && again === key;
        return (
          <li
            key={key}
            data-open={open ? '' : undefined}
            className={`scroll-mt-2 border-t border-line py-2 ${cure && !done ? 'rounded bg-cure-wash px-2' : ''}`}
          >
            <div className="flex min-h-12 flex-wrap items-center gap-x-3">
              <span className="font-semibold">
                {l.name}
                {l.load === null ? '' : `, load ${l.load}`}
                {cure && recipe.cure
                  ? ` (${show.number(recipe.cure.nitriteFraction * 100, 2)} %)`
                  : ''}
              </span>
              {done && (
                <div className="ml-auto flex items-center gap-2 text-right">
                  <span className="text-good">
                    <Check className="inline" size={18} aria-hidden="true" />{' '}
                    {l.kind === 'meat'
                      ? show.meat(done.amountG)
                      : show.grams(done.amountG, done.scaleResolutionG)}{' '}
                    weighed by {done.by.name}, {show.time(done.atS)}
                    {done.times > 1 ? `, ${done.times} weighings` : ''}
                  </span>
                  {canWork && (
                    <button
                      type="button"
                      className="button min-h-12 px-3"
                      aria-expanded={more}
                      onClick={() => setAgain(more ? null : key)}
                    >
                      {more ? 'Close' : 'More'}
                      <span className="sr-only"> of {l.name}</span>
                    </button>
                  )}
                </div>
              )}
              {!done && (
                <>
                  {!open && (
                    <span
                      className={`ml-auto font-extrabold ${cure ? 'text-3xl text-cure' : 'text-xl'}`}
                    >
                      {l.kind === 'meat'
                        ? show.meat(l.doseG)
                        : show.grams(l.doseG, l.scale?.resolutionG)}
                    </span>
                  )}
                  {locked && <span className="small">follows the meat</span>}
                  {canWork && !locked && !open && (
                    <button type="button" className="button" onClick={() => setChosen(key)}>
                      Weigh
                    </button>
                  )}
                </>
              )}
            </div>
            {done && offG !== 0 && (
              <OffBy
                line={l}
                offG={offG}
                meatG={meatOf(l)}
                amountG={done.amountG}
                recipe={recipe}
              />
            )}
            {(open || more) && (
              <WeighForm
                key={`${key}:${done?.times ?? 0}`}
                line={more ? { ...l, doseG: Math.max(0, offG) } : l}
                recipe={recipe}
                meatG={meatOf(l)}
                lots={lots[l.lineId] ?? []}
                follows={more || count > countAtFirst}
                more={more}
                loads={l.kind === 'meat' ? loads : 1}
              />
            )}
          </li>
        );
      })}
    </ol>
  );
}

'use client';

import { Check } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { CURE_LINE, type DoseLine, type Recipe, type Weighed } from '@/core';
import type { LotChoice } from '@/features/stores/contract';
import { useShow } from '@/ui/show-context';
import { WeighForm } from './WeighForm';
import { useBatch } from '@/features/logbook/ui';

type Props = {
  lines: DoseLine[];
  weighed: Record<string, Weighed>;
  meatKnown: boolean;
  recipe: Recipe;
  meatG: number;
  lots: Record<string, LotChoice[]>;
  cureMismatch: boolean;
};

/** Every line to weigh, in order; the next one open. Doses not weighed yet follow the meat's real weight. */
export function WeighList(props: Props) {
  const { lines, weighed, meatKnown, recipe, meatG, lots, cureMismatch } = props;
  const show = useShow();
  const { canWork } = useBatch();
  const isDone = (l: DoseLine) =>
    weighed[l.lineId] !== undefined && !(l.lineId === CURE_LINE && cureMismatch);
  const next = lines.find((l) => !isDone(l));
  const [chosen, setChosen] = useState<string | null>(null);
  const active = lines.find((l) => l.lineId === chosen && !isDone(l)) ?? next;
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
        const done = isDone(l) ? weighed[l.lineId] : undefined;
        const locked = l.kind !== 'meat' && !meatKnown;
        const cure = l.lineId === CURE_LINE;
        const open = canWork && !done && !locked && active?.lineId === l.lineId;
        return (
          <li
            key={l.lineId}
            data-open={open ? '' : undefined}
            className={`scroll-mt-2 border-t border-line py-2 ${cure && !done ? 'rounded bg-cure-wash px-2' : ''}`}
          >
            <div className="flex min-h-12 flex-wrap items-center gap-x-3">
              <span className="font-semibold">
                {l.name}
                {cure && recipe.cure
                  ? ` (${show.number(recipe.cure.nitriteFraction * 100, 2)} %)`
                  : ''}
              </span>
              {done ? (
                <span className="ml-auto text-good">
                  <Check className="inline" size={18} aria-hidden="true" />{' '}
                  {l.kind === 'meat'
                    ? show.meat(done.amountG)
                    : show.grams(done.amountG, done.scaleResolutionG)}{' '}
                  weighed by {done.by.name}, {show.time(done.atS)}
                </span>
              ) : (
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
                  {canWork && !locked && active?.lineId !== l.lineId && (
                    <button type="button" className="button" onClick={() => setChosen(l.lineId)}>
                      Weigh
                    </button>
                  )}
                </>
              )}
            </div>
            {open && (
              <WeighForm
                key={l.lineId}
                line={l}
                recipe={recipe}
                meatG={meatG}
                lots={lots[l.lineId] ?? []}
                follows={count > countAtFirst}
              />
            )}
          </li>
        );
      })}
    </ol>
  );
}

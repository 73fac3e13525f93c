'use client';

import type { ReactNode } from 'react';
import { overpour, type Recipe } from '@/core';
import type { LoadLine } from '@/features/making/contract';
import { overpourWords } from '@/words/overpour';
import { useShow } from '@/ui/show-context';

/** A weighed line beside what the meat asks for now: what is still missing of it, or what too much of it does. */
export function MoreOf({
  line: l,
  offG,
  amountG,
  meatG,
  recipe,
  children,
}: {
  line: LoadLine;
  /** Missing of it, g; negative where there is too much. */
  offG: number;
  amountG: number;
  meatG: number;
  recipe: Recipe;
  children: ReactNode;
}) {
  const show = useShow();
  return (
    <div className="flex flex-wrap items-center justify-end gap-2 pb-1">
      {offG > 0 && (
        <p className="font-semibold text-wait">
          {show.grams(offG, l.scale?.resolutionG)} more for the meat that is there now.
        </p>
      )}
      {offG < 0 && (
        <p className="text-wait">
          {overpourWords(overpour({ recipe, meatG, lineId: l.lineId, amountG }), l.name, show)}
        </p>
      )}
      {children}
    </div>
  );
}

'use client';

import type { Recipe } from '@/core';
import type { LoadLine } from '@/features/making/contract';
import { overpourSaid } from '@/words/overpour';
import { useShow } from '@/ui/show-context';

/** A weighed line beside what the meat asks for now: what is still missing of it, or what too much of it does. */
export function OffBy({
  line: l,
  offG,
  amountG,
  meatG,
  recipe,
}: {
  line: LoadLine;
  /** Missing of it, g; negative where there is too much. */
  offG: number;
  amountG: number;
  /** Of the load that it is for, or of the whole. */
  meatG: number;
  recipe: Recipe;
}) {
  const show = useShow();
  if (offG > 0)
    return (
      <p className="font-semibold text-wait">
        {show.grams(offG, l.scale?.resolutionG)} more for the meat that is there now.
      </p>
    );
  return <p className="text-wait">{overpourSaid(recipe, meatG, l, amountG, show)}</p>;
}

'use client';

import { createContext, useContext, useMemo } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import type { Recipe, RuleSet, Scale } from '@/core';
import type { Ingredient } from '@/features/stores/repository';
import type { MeatLot } from '../blend-lines';
import { recipeShape } from '../contract';
import type { Draft } from '../draft';
import { fromDraft } from '../read-draft';

export type Desk = {
  /** The recipe that the draft began from: untouched figures keep its exact values. */
  original: Recipe;
  rules: RuleSet;
  scales: Scale[];
  ingredients: Ingredient[];
  meatLots: MeatLot[];
  /** Cost per kg of the lot to be used next, by ingredient. */
  prices: Record<string, number>;
  /** The day at the site, for use-by dates. */
  today: string;
};

export const DeskContext = createContext<Desk | null>(null);

export function useDesk(): Desk {
  const desk = useContext(DeskContext);
  if (!desk) throw new Error('useDesk needs a DeskContext above it');
  return desk;
}

export type Live = { recipe: Recipe; problems: { where: (string | number)[]; what: string }[] };

/** The recipe that the form stands for at this keystroke, and what of it cannot be reckoned with. */
export function useLiveRecipe(): Live {
  const { control } = useFormContext<Draft>();
  const { original } = useDesk();
  const draft = useWatch({ control }) as Draft;
  return useMemo(() => {
    const recipe = fromDraft(draft, original);
    const parsed = recipeShape.safeParse(recipe);
    const problems = parsed.success
      ? []
      : parsed.error.issues.map((i) => ({ where: i.path as (string | number)[], what: i.message }));
    return { recipe, problems };
  }, [draft, original]);
}

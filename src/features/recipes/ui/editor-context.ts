'use client';

import { createContext, useContext } from 'react';
import type { Recipe, RuleSet, Scale } from '@/core';
import type { Ingredient, OwnCasing } from '@/features/stores/service';
import type { MeatLot } from '../blend-lines';

export type Desk = {
  /** The recipe that the draft began from: untouched figures keep its exact values. */
  original: Recipe;
  rules: RuleSet;
  scales: Scale[];
  ingredients: Ingredient[];
  /** Casings of the site's own. */
  casings: OwnCasing[];
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

export const LiveContext = createContext<Live | null>(null);

/** The recipe that the form stands for at this keystroke, and what of it cannot be reckoned with. */
export function useLiveRecipe(): Live {
  const live = useContext(LiveContext);
  if (!live) throw new Error('useLiveRecipe needs a LiveRecipe above it');
  return live;
}

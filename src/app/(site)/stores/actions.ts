'use server';

import { z } from 'zod';
import { recipesNaming } from '@/features/recipes/service';
import { changeStores } from '@/features/stores/change';
import { cultureSchema, ingredientSchema } from '@/features/stores/contract';
import { removeIngredient, saveCulture, saveIngredient } from '@/features/stores/service';
import { db } from '@/platform/db/client';

/* Stores know nothing of recipes: here the two meet. */

export const saveIngredientAction = async (input: unknown) =>
  changeStores('write_recipes', ingredientSchema, input, (data) =>
    saveIngredient(db(), data, recipesNaming),
  );

export const removeIngredientAction = async (input: unknown) =>
  changeStores('write_recipes', z.uuid(), input, (id) => removeIngredient(db(), id, recipesNaming));

export const saveCultureAction = async (input: unknown) =>
  changeStores('write_recipes', cultureSchema, input, (data) => saveCulture(db(), data));

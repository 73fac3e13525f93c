'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { asPerson, type ActionResult, type Person } from '@/features/accounts/identify';
import { may, type Permission } from '@/features/accounts/policy';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';
import { adjustSchema, ingredientSchema, receiptSchema } from './contract';
import {
  adjustLot,
  receiveLot,
  removeIngredient,
  saveIngredient,
  type StoreResult,
} from './service';

/** Parses, lets the person do it, and shows the stores anew. */
async function change<T>(
  permission: Permission,
  schema: z.ZodType<T>,
  input: unknown,
  work: (data: T, by: string, person: Person) => Promise<StoreResult>,
): Promise<ActionResult> {
  return asPerson(permission, async (person) => {
    const parsed = readInput(schema, input);
    if (!parsed.success)
      return {
        ok: false,
        code: 'bad_input',
        fields: fieldsOf(parsed.error),
      };
    const result = await work(parsed.data, person.name, person);
    revalidatePath('/stores', 'layout');
    return result.ok ? { ok: true, data: undefined } : result;
  });
}

export const saveIngredientAction = async (input: unknown) =>
  change('write_recipes', ingredientSchema, input, (data) => saveIngredient(db(), data));

export const removeIngredientAction = async (input: unknown) =>
  change('write_recipes', z.uuid(), input, (id) => removeIngredient(db(), id));

export const receiveLotAction = async (input: unknown) =>
  change('work_batches', receiptSchema, input, async ({ lot, decision }, by, { role }) =>
    /* Who may not decide receives what is within its limits, whatever was typed as a reason. */
    receiveLot(db(), lot, by, may(role, 'decide') ? decision : null),
  );

export const adjustLotAction = async (input: unknown) =>
  change('work_batches', adjustSchema, input, (data, by) => adjustLot(db(), data, by));

'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { asPerson, type ActionResult, type Person } from '@/features/accounts/identify';
import type { Permission } from '@/features/accounts/policy';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';
import { doneSchema, taskSchema } from './contract';
import { recordCleaned, removeTask, saveTask } from './service';

async function change<T>(
  permission: Permission,
  schema: z.ZodType<T>,
  input: unknown,
  work: (data: T, person: Person) => Promise<boolean>,
): Promise<ActionResult> {
  return asPerson(permission, async (person) => {
    const parsed = readInput(schema, input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const known = await work(parsed.data, person);
    revalidatePath('/cleaning');
    return known ? { ok: true, data: undefined } : { ok: false, code: 'no_such_task' };
  });
}

export const saveTaskAction = async (input: unknown) =>
  change('run_site', taskSchema, input, async (task) => (await saveTask(db(), task), true));

export const removeTaskAction = async (input: unknown) =>
  change('run_site', z.uuid(), input, async (id) => (await removeTask(db(), id), true));

export const recordCleanedAction = async (input: unknown) =>
  change('work_batches', doneSchema, input, (done, person) => recordCleaned(db(), done, person));

'use server';

import { z } from 'zod';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { passwordIs } from '@/features/accounts/service';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';
import { limits } from '@/platform/limits';
import { startBatchSchema } from './contract';
import { refSchema } from '@/features/logbook/contract';
import { startBatch } from './start';
import { takeLate } from './late';
import { signBatch } from './sign';

/** Starts a batch; the client made its id, so that pressing twice starts one. */
export async function startBatchAction(input: unknown): Promise<ActionResult<{ id: string }>> {
  return asPerson('work_batches', async (person) => {
    const parsed = readInput(startBatchSchema, input);
    if (!parsed.success) return { ok: false, code: 'bad_entry', fields: fieldsOf(parsed.error) };
    const result = await startBatch(db(), person, parsed.data);
    return result.ok
      ? { ok: true, data: { id: parsed.data.id } }
      : { ok: false, code: result.code, fields: result.fields };
  });
}

const lateSchema = z.object({
  batchId: refSchema,
  reason: z.string().trim().min(3, 'say why, in at least 3 characters').max(300),
});

/** Takes readings that came after the signature into the record; the batch is on hold then. */
export async function takeLateAction(input: unknown): Promise<ActionResult<{ count: number }>> {
  return asPerson<{ count: number }>('decide', async (person) => {
    const parsed = readInput(lateSchema, input);
    if (!parsed.success) return { ok: false, code: 'bad_entry', fields: fieldsOf(parsed.error) };
    return takeLate(db(), person, parsed.data.batchId, parsed.data.reason);
  });
}

const signSchema = z.object({
  batchId: refSchema,
  entryId: z.uuid(),
  password: z.string().min(1).max(200),
});

/** Signs a batch's release after the password has been given again. */
export async function signBatchAction(input: unknown): Promise<ActionResult> {
  return asPerson('sign', async (person) => {
    const parsed = readInput(signSchema, input);
    if (!parsed.success) return { ok: false, code: 'bad_entry', fields: fieldsOf(parsed.error) };
    if (!(await limits().take('account', person.email)).ok)
      return { ok: false, code: 'too_many_tries' };
    if (!(await passwordIs(db(), person.id, parsed.data.password)))
      return { ok: false, code: 'wrong_password' };
    await limits().forget('account', person.email);
    const result = await signBatch(db(), person, parsed.data.batchId, parsed.data.entryId);
    return result.ok ? { ok: true, data: undefined } : { ok: false, code: result.code };
  });
}

'use server';

import { headers } from 'next/headers';
import { z } from 'zod';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { auth } from '@/platform/auth';
import { db } from '@/platform/db/client';
import { startBatchSchema } from './contract';
import { startBatch } from './service';
import { signBatch } from './sign';
import { mayTry } from './try-limit';

const fieldsOf = (error: z.ZodError) =>
  Object.fromEntries(error.issues.map((i) => [i.path.join('.'), i.message]));

/** Starts a batch; the client made its id, so that pressing twice starts one. */
export async function startBatchAction(input: unknown): Promise<ActionResult<{ id: string }>> {
  return asPerson('work_batches', async (person) => {
    const parsed = startBatchSchema.safeParse(input);
    if (!parsed.success) return { ok: false, code: 'bad_entry', fields: fieldsOf(parsed.error) };
    const result = await startBatch(db(), person, parsed.data);
    return result.ok
      ? { ok: true, data: { id: parsed.data.id } }
      : { ok: false, code: result.code, fields: result.fields };
  });
}

const signSchema = z.object({
  batchId: z.uuid(),
  entryId: z.uuid(),
  password: z.string().min(1).max(200),
});

async function passwordIsRight(password: string): Promise<boolean> {
  try {
    const answer = await auth().api.verifyPassword({
      body: { password },
      headers: await headers(),
    });
    return answer.status === true;
  } catch {
    return false;
  }
}

/** Signs a batch's release after the password has been given again. */
export async function signBatchAction(input: unknown): Promise<ActionResult> {
  return asPerson('sign', async (person) => {
    const parsed = signSchema.safeParse(input);
    if (!parsed.success) return { ok: false, code: 'bad_entry', fields: fieldsOf(parsed.error) };
    if (!(await mayTry(person.id))) return { ok: false, code: 'too_many_tries' };
    if (!(await passwordIsRight(parsed.data.password)))
      return { ok: false, code: 'wrong_password' };
    const result = await signBatch(db(), person, parsed.data.batchId, parsed.data.entryId);
    return result.ok ? { ok: true, data: undefined } : { ok: false, code: result.code };
  });
}

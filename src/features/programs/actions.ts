'use server';

import { revalidatePath } from 'next/cache';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';
import { saveProgramSchema } from './contract';
import { saveProgram } from './service';

/** Saves a stage program as a new version. */
export async function saveProgramAction(
  input: unknown,
): Promise<ActionResult<{ programId: string; number: number }>> {
  return asPerson('write_recipes', async (person) => {
    const parsed = readInput(saveProgramSchema, input);
    if (!parsed.success) {
      return { ok: false, code: 'bad_program', fields: fieldsOf(parsed.error) };
    }
    const answer = await saveProgram(db(), parsed.data, person.name);
    if (answer.ok) revalidatePath('/bench', 'layout');
    return answer;
  });
}

'use server';

import { revalidatePath } from 'next/cache';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { db } from '@/platform/db/client';
import { saveProgramSchema } from './contract';
import { saveProgram } from './service';

/** Saves a stage program as a new version. */
export async function saveProgramAction(
  input: unknown,
): Promise<ActionResult<{ programId: string; number: number }>> {
  return asPerson('write_recipes', async (person) => {
    const parsed = saveProgramSchema.safeParse(input);
    if (!parsed.success) {
      const fields = parsed.error.issues.map((i) => [i.path.join('.'), i.message]);
      return { ok: false, code: 'bad_program', fields: Object.fromEntries(fields) };
    }
    const answer = await saveProgram(db(), parsed.data, person.name);
    if (answer.ok) revalidatePath('/bench', 'layout');
    return answer;
  });
}

import { revalidatePath } from 'next/cache';
import type { z } from 'zod';
import { asPerson, type ActionResult, type Person } from '@/features/accounts/identify';
import type { Permission } from '@/features/accounts/policy';
import { fieldsOf, readInput } from '@/platform/read-input';
import type { StoreResult } from './service';

/** Parses, lets the person do it, and shows the stores anew. */
export async function changeStores<T>(
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

'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';
import { addInstrument, instrumentSchema, revokeInstrument } from './instruments';

/** Registers a scale or a meter and shows its token once. */
export async function addInstrumentAction(
  input: unknown,
): Promise<ActionResult<{ id: string; token: string }>> {
  return asPerson('run_site', async (person) => {
    const parsed = readInput(instrumentSchema, input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const made = await addInstrument(db(), parsed.data, person.name);
    revalidatePath('/settings', 'layout');
    return made.ok ? { ok: true, data: { id: made.id, token: made.token } } : made;
  });
}

/** Makes the token of an instrument worthless. */
export async function revokeInstrumentAction(input: unknown): Promise<ActionResult> {
  return asPerson('run_site', async () => {
    const parsed = readInput(z.uuid(), input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    await revokeInstrument(db(), parsed.data, nowS());
    revalidatePath('/settings', 'layout');
    return { ok: true, data: undefined };
  });
}

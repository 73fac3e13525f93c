'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import type { MeterCheck } from '@/core';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { meterChecked } from '@/features/batches/service';
import { addMeter, meterCheckSchema, meterSchema, retireMeter } from '@/features/readings/service';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';

/** Puts a pH meter into use. */
export async function addMeterAction(input: unknown): Promise<ActionResult> {
  return asPerson('run_site', async (person) => {
    const parsed = readInput(meterSchema, input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const done = await addMeter(db(), parsed.data, person.name);
    revalidatePath('/house', 'layout');
    return done.ok ? { ok: true, data: undefined } : done;
  });
}

/** Takes a pH meter out of use. */
export async function retireMeterAction(input: unknown): Promise<ActionResult> {
  return asPerson('run_site', async () => {
    const parsed = readInput(z.uuid(), input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const done = await retireMeter(db(), parsed.data, nowS());
    revalidatePath('/house', 'layout');
    return done.ok ? { ok: true, data: undefined } : done;
  });
}

export type CheckAnswer = MeterCheck & { doubted: string[] };

/** Records what a meter showed in its two buffers; one that is wrong takes the evidence from what it showed before. */
export async function checkMeterAction(input: unknown): Promise<ActionResult<CheckAnswer>> {
  return asPerson('work_batches', async (person) => {
    const parsed = readInput(meterCheckSchema, input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const data = await meterChecked(db(), parsed.data, person.name, nowS());
    if (!data) return { ok: false, code: 'no_such_meter' };
    revalidatePath('/house', 'layout');
    return { ok: true, data };
  });
}

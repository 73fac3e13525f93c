'use server';

import { revalidatePath } from 'next/cache';
import type { CalibrationResult } from '@/core';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { calibrationSchema, channelsByIds } from '@/features/readings/service';
import { probeChecked } from '@/features/batches/service';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';

/** Records that a probe was checked in ice water, and in boiling water when it was. */
export async function calibrateAction(
  input: unknown,
): Promise<ActionResult<CalibrationResult & { opened: string[] }>> {
  return asPerson('work_batches', async (person) => {
    const parsed = readInput(calibrationSchema, input);
    if (!parsed.success) {
      return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    }
    const [channel] = await channelsByIds(db(), [parsed.data.channelId]);
    if (!channel?.houseId || channel.what !== 'core') return { ok: false, code: 'no_such_probe' };
    const data = await probeChecked(db(), channel, parsed.data, person.name, nowS());
    revalidatePath('/house', 'layout');
    return { ok: true, data };
  });
}

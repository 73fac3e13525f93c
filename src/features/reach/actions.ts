'use server';

import { revalidatePath } from 'next/cache';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { db } from '@/platform/db/client';
import { pushKeys } from '@/platform/push-keys';
import { fieldsOf, readInput } from '@/platform/read-input';
import { dutySchema, endpointSchema } from './contract';
import { findDevice, forgetDevice } from './devices';
import { saveDuty } from './duty';
import { sendTo } from './send';

/** Sets who is told of alarms, in what order, and how soon the next. */
export async function saveDutyAction(input: unknown): Promise<ActionResult> {
  return asPerson('run_site', async () => {
    const parsed = readInput(dutySchema, input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const kept = await saveDuty(db(), parsed.data);
    revalidatePath('/settings/people');
    return kept ? { ok: true, data: undefined } : { ok: false, code: 'no_such_person' };
  });
}

/** Sends a message to the device that asks, so that its owner sees that it comes. */
export async function tryDeviceAction(input: unknown): Promise<ActionResult> {
  return asPerson('read', async (person) => {
    const parsed = readInput(endpointSchema, input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const keys = pushKeys();
    const device = await findDevice(db(), person.id, parsed.data.endpoint);
    if (!keys || !device) return { ok: false, code: 'no_such_device' };
    const says = {
      title: 'Jolly Kettle reaches this device',
      body: `Alarms for ${person.name} will come like this.`,
      url: '/account',
      tag: `try:${device.id}`,
    };
    const came = await sendTo(device, says, keys);
    if (came === 'gone') await forgetDevice(db(), device.id);
    return came === 'taken'
      ? { ok: true, data: undefined }
      : { ok: false, code: came === 'gone' ? 'no_such_device' : 'device_unreached' };
  });
}

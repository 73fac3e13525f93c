'use server';

import { randomUUID } from 'node:crypto';
import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { HOUSE_KINDS } from '@/core';
import { addressHere, asPerson, type ActionResult } from '@/features/accounts/identify';
import { firstLeadSchema, personChangeSchema, personSchema } from '@/features/accounts/contract';
import { addPerson, changePerson, resetPassword } from '@/features/accounts/service';
import { db } from '@/platform/db/client';
import { isThere } from '@/platform/db/there';
import { fieldsOf, readInput } from '@/platform/read-input';
import { firstVisit } from './first-visit';
import {
  careSchema,
  hangingSchema,
  layoutSchema,
  sensorSchema,
  machineSchema,
  rosterChangeSchema,
  ruleEditSchema,
  siteSchema,
} from './contract';
import { saveSite } from './repository';
import { changeRoster } from './roster';
import {
  addAirSensor,
  addDevice,
  addHouse,
  chooseRule,
  editRule,
  removeMachine,
  revokeDevice,
  saveMachine,
} from './service';

/** Parses, lets a release lead do it, and shows the page anew. */
async function change<T, R>(
  schema: z.ZodType<T>,
  input: unknown,
  work: (data: T, by: string) => Promise<ActionResult<R>>,
): Promise<ActionResult<R>> {
  return asPerson('run_site', async (person) => {
    const parsed = readInput(schema, input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const result = await work(parsed.data, person.name);
    revalidatePath('/', 'layout');
    return result;
  });
}

const done: ActionResult = { ok: true, data: undefined };

export const saveSiteAction = async (input: unknown) =>
  change(siteSchema, input, async (site) => (await saveSite(db(), site), done));

/** Changes who works when. */
export const changeRosterAction = async (input: unknown) =>
  change(rosterChangeSchema, input, async (c): Promise<ActionResult> => {
    const result = await changeRoster(db(), c);
    return result.ok ? done : result;
  });

export const chooseRuleAction = async (input: unknown) =>
  change(z.string(), input, async (id, by) =>
    (await chooseRule(db(), id, by)) ? done : { ok: false, code: 'no_such_rule' },
  );

export const editRuleAction = async (input: unknown) =>
  change(ruleEditSchema, input, async (edit, by) =>
    (await editRule(db(), edit, by)) ? done : { ok: false, code: 'no_such_rule' },
  );

export const saveHangingAction = async (input: unknown) =>
  change(hangingSchema, input, async ({ id, ...room }) => {
    await db().updateTable('house').set(room).where('id', '=', id).execute();
    return done;
  });

export const saveLayoutAction = async (input: unknown) =>
  change(layoutSchema, input, async ({ id, layout }) => {
    const row = { layout: JSON.stringify(layout) };
    await db().updateTable('house').set(row).where('id', '=', id).execute();
    return done;
  });
export const saveCareAction = async (input: unknown) =>
  change(careSchema, input, async ({ id, care }) => {
    const row = { care: JSON.stringify(care) };
    await db().updateTable('house').set(row).where('id', '=', id).execute();
    return done;
  });
export const saveSensorAction = async (input: unknown) =>
  change(sensorSchema, input, async ({ channelId, ...spot }) => {
    await db().updateTable('channel').set(spot).where('id', '=', channelId).execute();
    return done;
  });
/** One more air sensor of a place: a house of several corners has several. */
export const addAirSensorAction = async (input: unknown) =>
  change(
    z.object({ houseId: z.string().min(1), name: z.string().trim().min(1).max(60) }),
    input,
    async (s) => ((await addAirSensor(db(), s)) ? done : { ok: false, code: 'no_such_house' }),
  );

const autoSchema = z.object({ id: z.string().min(1), autoAdvance: z.boolean() });
export const setAutoAdvanceAction = async (input: unknown) =>
  change(autoSchema, input, async ({ id, autoAdvance }) => {
    await db().updateTable('house').set({ autoAdvance }).where('id', '=', id).execute();
    return done;
  });

export const addPersonAction = async (input: unknown) =>
  change(personSchema, input, async (person) => {
    const added = await db()
      .transaction()
      .execute((tx) => addPerson(tx, person));
    return added.ok ? done : added;
  });

export const changePersonAction = async (input: unknown) =>
  change(personChangeSchema, input, (person) => changePerson(db(), person));

/** Gives a person a password for one sign-in and shows it once. */
export const resetPasswordAction = async (input: unknown) =>
  change(z.string().min(1).max(80), input, (id) => resetPassword(db(), id));

const scaleSchema = z.object({
  name: z.string().trim().min(1).max(60),
  capacityG: z.number().positive().max(1e6),
  resolutionG: z.number().positive().max(1000),
});
export const addScaleAction = async (input: unknown) =>
  change(
    scaleSchema,
    input,
    async (scale) => (
      await db()
        .insertInto('scale')
        .values({ id: randomUUID(), ...scale })
        .execute(),
      done
    ),
  );

export const saveMachineAction = async (input: unknown) =>
  change(machineSchema, input, async (machine) =>
    (await saveMachine(db(), machine)) ? done : { ok: false, code: 'no_such_machine' },
  );
export const removeMachineAction = async (input: unknown) =>
  change(z.string().min(1).max(100), input, async (id) => (await removeMachine(db(), id), done));

const houseSchema = z.object({
  name: z.string().trim().min(1).max(60),
  kind: z.enum(HOUSE_KINDS).default('house'),
  cores: z.number().int().min(1).max(12),
});
export const addHouseAction = async (input: unknown) =>
  change(houseSchema, input, async ({ name, kind, cores }) => {
    const channels = Array.from({ length: cores }, (_, i) => ({
      key: `core-${i + 1}`,
      name: `Core ${i + 1}`,
      what: 'core' as const,
    }));
    await addHouse(db(), {
      id: randomUUID(),
      name,
      kind,
      channels: [
        ...channels,
        { key: 'air', name: 'Air', what: 'air' },
        { key: 'wet', name: 'Wet bulb', what: 'wet_bulb' },
      ],
    });
    return done;
  });

const deviceSchema = z.object({
  name: z.string().trim().min(1).max(60),
  houseId: z.string().min(1),
});
export const addDeviceAction = async (input: unknown) =>
  change(deviceSchema, input, async (d) =>
    (await isThere(db(), 'house', d.houseId))
      ? { ok: true, data: await addDevice(db(), d) }
      : { ok: false, code: 'no_such_house' },
  );
export const revokeDeviceAction = async (input: unknown) =>
  change(z.uuid(), input, async (id) => (await revokeDevice(db(), id), done));

/** The first visit: makes the site and its first release lead, once, for who has the code. */
export async function firstVisitAction(input: unknown): Promise<ActionResult> {
  const parsed = readInput(firstLeadSchema, input);
  if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
  return firstVisit(db(), parsed.data, await addressHere());
}

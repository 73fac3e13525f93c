'use server';

import { randomUUID } from 'node:crypto';
import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { personSchema, firstLeadSchema } from '@/features/accounts/contract';
import { addPerson, countPeople } from '@/features/accounts/service';
import { auth, ROLES } from '@/platform/auth';
import { db } from '@/platform/db/client';
import { lockFirstVisit } from './first-visit';
import { hangingSchema, ruleEditSchema, siteSchema } from './contract';
import { saveSite } from './repository';
import { addDevice, addHouse, chooseRule, editRule, revokeDevice } from './service';

const bad = (error: z.ZodError): ActionResult<never> => ({
  ok: false,
  code: 'bad_input',
  fields: Object.fromEntries(error.issues.map((i) => [i.path.join('.'), i.message])),
});

/** Parses, lets a release lead do it, and shows the page anew. */
async function change<T, R>(
  schema: z.ZodType<T>,
  input: unknown,
  work: (data: T, by: string) => Promise<ActionResult<R>>,
): Promise<ActionResult<R>> {
  return asPerson('run_site', async (person) => {
    const parsed = schema.safeParse(input);
    if (!parsed.success) return bad(parsed.error);
    const result = await work(parsed.data, person.name);
    revalidatePath('/', 'layout');
    return result;
  });
}

const done: ActionResult = { ok: true, data: undefined };
const WEEKDAY = { from: '06:00', to: '18:00' };

export const saveSiteAction = async (input: unknown) =>
  change(siteSchema, input, async (site) => (await saveSite(db(), site), done));

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

const autoSchema = z.object({ id: z.string().min(1), autoAdvance: z.boolean() });
export const setAutoAdvanceAction = async (input: unknown) =>
  change(autoSchema, input, async ({ id, autoAdvance }) => {
    await db().updateTable('house').set({ autoAdvance }).where('id', '=', id).execute();
    return done;
  });

export const addPersonAction = async (input: unknown) =>
  change(personSchema, input, async (person) => {
    try {
      await addPerson(auth(), person);
      return done;
    } catch {
      return {
        ok: false,
        code: 'email_taken',
        fields: { email: 'This e-mail has an account already' },
      };
    }
  });

const roleSchema = z.object({ id: z.string(), role: z.enum(ROLES), banned: z.boolean() });
export const changePersonAction = async (input: unknown) =>
  change(roleSchema, input, async ({ id, role, banned }) => {
    const others = await db()
      .withoutPlugins()
      .selectFrom('user')
      .select('id')
      .where('role', '=', 'release_lead')
      .where('id', '<>', id)
      .where((e) => e.or([e('banned', '=', false), e('banned', 'is', null)]))
      .execute();
    if (others.length === 0 && (role !== 'release_lead' || banned))
      return { ok: false, code: 'last_lead' };
    await db()
      .withoutPlugins()
      .updateTable('user')
      .set({ role, banned })
      .where('id', '=', id)
      .execute();
    return done;
  });

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

const houseSchema = z.object({
  name: z.string().trim().min(1).max(60),
  cores: z.number().int().min(1).max(12),
});
export const addHouseAction = async (input: unknown) =>
  change(houseSchema, input, async ({ name, cores }) => {
    const channels = Array.from({ length: cores }, (_, i) => ({
      key: `core-${i + 1}`,
      name: `Core ${i + 1}`,
      what: 'core' as const,
    }));
    await addHouse(db(), {
      id: randomUUID(),
      name,
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
  change(deviceSchema, input, async (d) => ({
    ok: true,
    data: { token: (await addDevice(db(), d)).token },
  }));
export const revokeDeviceAction = async (input: unknown) =>
  change(z.uuid(), input, async (id) => (await revokeDevice(db(), id), done));

/** The first visit: makes the site and its first release lead, once. */
export async function firstVisitAction(input: unknown): Promise<ActionResult> {
  const parsed = firstLeadSchema.safeParse(input);
  if (!parsed.success) return bad(parsed.error);
  const { siteName, timeZone, unitSystem, ...lead } = parsed.data;
  return lockFirstVisit(db(), async () => {
    if ((await countPeople(db())) > 0) return { ok: false, code: 'not_allowed' };
    await addPerson(auth(), { ...lead, role: 'release_lead' });
    await saveSite(db(), {
      name: siteName,
      timeZone,
      unitSystem,
      locale: 'en-US',
      workingHours: {
        1: WEEKDAY,
        2: WEEKDAY,
        3: WEEKDAY,
        4: WEEKDAY,
        5: WEEKDAY,
        6: null,
        7: null,
      },
    });
    return done;
  });
}

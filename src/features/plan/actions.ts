'use server';

import { revalidatePath } from 'next/cache';
import type { z } from 'zod';
import { asPerson, type ActionResult, type Person } from '@/features/accounts/identify';
import { may, type Permission } from '@/features/accounts/policy';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';
import {
  closureSchema,
  copySchema,
  endCopySchema,
  idSchema,
  linkSchema,
  savePlanSchema,
  undoSchema,
  wishSchema,
} from './contract';
import { makeLink, revokeLink } from './links';
import { changesSite } from './policy';
import { insertClosure, openCopies, removeClosure } from './repository';
import { finishCopy, saveCopy, savePlan, undoPlan } from './service';
import { removeWish, saveWish, startWish } from './wishes';

/** Parses, does it for who may, and shows the pages of the plan anew. */
async function change<T, R>(
  permission: Permission,
  schema: z.ZodType<T>,
  input: unknown,
  work: (data: T, person: Person) => Promise<ActionResult<R>>,
): Promise<ActionResult<R>> {
  return asPerson(permission, async (person) => {
    const parsed = readInput(schema, input);
    if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
    const result = await work(parsed.data, person);
    if (result.ok) revalidatePath('/plan', 'layout');
    return result;
  });
}

const done: ActionResult = { ok: true, data: undefined };
const numbered = (r: { ok: true; number: number } | { ok: false; code: string }) =>
  r.ok ? { ok: true as const, data: { number: r.number } } : r;

export const saveWishAction = async (input: unknown): Promise<ActionResult> =>
  change('work_batches', wishSchema, input, async (wish, person) => {
    const kept = await saveWish(db(), wish, person.name);
    return kept.ok ? done : kept;
  });

export const removeWishAction = async (input: unknown): Promise<ActionResult> =>
  change('work_batches', idSchema, input, async ({ id }) =>
    (await removeWish(db(), id)) ? done : { ok: false, code: 'no_such_wish' },
  );

/** Begins a wished batch: it keeps its place in the plan. */
export const startWishAction = async (input: unknown): Promise<ActionResult<{ id: string }>> =>
  change('work_batches', idSchema, input, async ({ id }, person) => {
    const begun = await startWish(db(), person, id);
    return begun.ok ? { ok: true, data: { id } } : { ok: false, code: begun.code };
  });

export const savePlanAction = async (input: unknown): Promise<ActionResult<{ number: number }>> =>
  change('work_batches', savePlanSchema, input, async (plan, person) =>
    numbered(await savePlan(db(), plan, person.name)),
  );

export const undoPlanAction = async (input: unknown): Promise<ActionResult<{ number: number }>> =>
  change('work_batches', undoSchema, input, async (undo, person) =>
    numbered(await undoPlan(db(), undo, person.name)),
  );

export const saveCopyAction = async (input: unknown): Promise<ActionResult<{ number: number }>> =>
  change('work_batches', copySchema, input, async (copy, person) =>
    numbered(await saveCopy(db(), copy, person.name)),
  );

/** Takes or drops a copy; what changes the site's hours or shuts places is for who runs the site. */
export const finishCopyAction = async (input: unknown): Promise<ActionResult<{ number: number }>> =>
  change('work_batches', endCopySchema, input, async (end, person) => {
    const copy = (await openCopies(db())).find((c) => c.id === end.id);
    const needs = end.as === 'taken' && copy?.levers.some(changesSite);
    if (needs && !may(person.role, 'run_site')) return { ok: false, code: 'not_allowed' };
    return numbered(await finishCopy(db(), end, person.name));
  });

export const saveClosureAction = async (input: unknown): Promise<ActionResult> =>
  change('run_site', closureSchema, input, async ({ fromAt, toAt, ...c }, person) => {
    const at = (iso: string) => Date.parse(iso) / 1000;
    await insertClosure(db(), { ...c, fromS: at(fromAt), toS: at(toAt), by: person.name });
    return done;
  });

export const removeClosureAction = async (input: unknown): Promise<ActionResult> =>
  change('run_site', idSchema, input, async ({ id }) => {
    await removeClosure(db(), id);
    return done;
  });

/** A link to subscribe to: of the site, or of one person, who makes their own. It is shown once. */
export const makeLinkAction = async (input: unknown): Promise<ActionResult<{ token: string }>> =>
  change('read', linkSchema, input, async ({ personId }, person) => {
    const allowed = personId === person.id || may(person.role, 'work_batches');
    if (!allowed) return { ok: false, code: 'not_allowed' };
    return { ok: true, data: { token: await makeLink(db(), personId, person.name) } };
  });

export const revokeLinkAction = async (input: unknown): Promise<ActionResult> =>
  change('work_batches', idSchema, input, async ({ id }) => {
    await revokeLink(db(), id);
    return done;
  });

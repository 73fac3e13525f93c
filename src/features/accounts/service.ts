import { hashPassword, verifyPassword } from 'better-auth/crypto';
import type { Db, Handle } from '@/platform/db/client';
import { notify } from '@/platform/events';
import { holdLock } from '@/platform/locks';
import type { ActionResult } from '@/ui/action-result';
import type { ChangePasswordInput, PersonChange, PersonInput } from './contract';
import { oneTimePassword, tooCommon } from './password';
import {
  endSessions,
  findPerson,
  insertPerson,
  otherLeads,
  passwordHashOf,
  setPassword,
  updatePerson,
} from './repository';

const done: ActionResult = { ok: true, data: undefined };

const weak = (field: string, words: string): ActionResult<never> => ({
  ok: false,
  code: 'weak_password',
  fields: { [field]: words },
});

/** Adds a person with a role and a first password that is not among the first that anybody would try. */
export async function addPerson(
  db: Handle,
  input: PersonInput,
): Promise<ActionResult<{ id: string }>> {
  const words = tooCommon(input.password, [input.name, input.email]);
  if (words) return weak('password', words);
  const id = await insertPerson(db, input, await hashPassword(input.password));
  return id === null ? { ok: false, code: 'email_taken' } : { ok: true, data: { id } };
}

/**
 * Changes a person's name, role and whether they may sign in. One change of people at a time, so that the site is
 * never left without a release lead; who is switched off is out at once, with every session and stream. What was
 * recorded keeps the name of its time.
 */
export const changePerson = (db: Db, change: PersonChange): Promise<ActionResult> =>
  db.transaction().execute(async (tx) => {
    await holdLock(tx, 'people');
    const person = await findPerson(tx, change.id);
    if (!person) return { ok: false, code: 'no_such_person' };
    const leads = change.role === 'release_lead' && !change.banned;
    if (!leads && (await otherLeads(tx, change.id)) === 0) return { ok: false, code: 'last_lead' };
    await updatePerson(tx, change);
    if (change.banned) await endSessions(tx, change.id);
    if (change.banned || change.role !== person.role)
      await notify(tx, { topic: 'person', id: change.id });
    return done;
  });

/** Gives a person a password for one sign-in, which must be changed then; every session of theirs ends. */
export const resetPassword = (
  db: Db,
  personId: string,
): Promise<ActionResult<{ password: string }>> =>
  db.transaction().execute(async (tx) => {
    await holdLock(tx, 'people');
    if (!(await findPerson(tx, personId))) return { ok: false, code: 'no_such_person' };
    const password = oneTimePassword();
    await setPassword(tx, personId, await hashPassword(password), true);
    await endSessions(tx, personId);
    await notify(tx, { topic: 'person', id: personId });
    return { ok: true, data: { password } };
  });

/** Is this the person's password? */
export async function passwordIs(db: Handle, personId: string, password: string): Promise<boolean> {
  const hash = await passwordHashOf(db, personId);
  return hash !== null && (await verifyPassword({ hash, password }));
}

/** Changes one's own password; the other sessions end. @param token of the session that stays */
export async function changePassword(
  db: Db,
  personId: string,
  input: ChangePasswordInput,
  token: string,
): Promise<ActionResult> {
  const person = await findPerson(db, personId);
  if (!person || !(await passwordIs(db, personId, input.current)))
    return { ok: false, code: 'wrong_password', fields: { current: 'This is not your password' } };
  if (input.current === input.next) return weak('next', 'Take another one than before.');
  const words = tooCommon(input.next, [person.name, person.email]);
  if (words) return weak('next', words);
  const hash = await hashPassword(input.next);
  return db.transaction().execute(async (tx) => {
    await setPassword(tx, personId, hash, false);
    await endSessions(tx, personId, token);
    await notify(tx, { topic: 'person', id: personId });
    return done;
  });
}

export { countPeople, listPeople, listWorkers } from './repository';

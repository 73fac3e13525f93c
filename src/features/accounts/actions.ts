'use server';

import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';
import { limits } from '@/platform/limits';
import { changePasswordSchema } from './contract';
import { askingNow, type ActionResult } from './identify';
import { changePassword } from './service';

/** Changes one's own password; with a one-time password it is all that one may do. */
export async function changePasswordAction(input: unknown): Promise<ActionResult> {
  const asking = await askingNow();
  if (!asking) return { ok: false, code: 'signed_out' };
  const parsed = readInput(changePasswordSchema, input);
  if (!parsed.success) return { ok: false, code: 'bad_input', fields: fieldsOf(parsed.error) };
  const tried = await limits().take('account', asking.person.email);
  if (!tried.ok) return { ok: false, code: 'too_many_tries', fields: { wait: `${tried.waitS} s` } };
  const answer = await changePassword(db(), asking.person.id, parsed.data, asking.token);
  if (answer.ok) await limits().forget('account', asking.person.email);
  return answer;
}

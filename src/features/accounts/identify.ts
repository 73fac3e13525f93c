import 'server-only';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { ADDRESS_HEADER } from '@/platform/address';
import { auth, ROLES, type Role } from '@/platform/auth';
import { troubleOf } from '@/platform/db/trouble';
import type { ActionResult } from '@/ui/action-result';
import { may, type Permission } from './policy';

export type Person = { id: string; name: string; email: string; role: Role };
/** Who asks, by which session, and whether they came in with a password for one sign-in. */
export type Asking = { person: Person; token: string; mustChangePassword: boolean };

/** The signed-in person with their session, or null. It is looked up in the database at every call. */
export async function askingNow(from?: Headers): Promise<Asking | null> {
  const session = await auth().api.getSession({ headers: from ?? (await headers()) });
  if (!session || session.user.banned) return null;
  const { id, name, email, role, mustChangePassword } = session.user;
  return {
    person: { id, name, email, role: ROLES.find((r) => r === role) ?? 'reader' },
    token: session.session.token,
    mustChangePassword: mustChangePassword === true,
  };
}

/** From where somebody asks, as the server saw it. */
export const addressHere = async (): Promise<string> =>
  (await headers()).get(ADDRESS_HEADER) ?? 'unknown';

/** The signed-in person, or null. */
export const whoAsks = async (): Promise<Person | null> => (await askingNow())?.person ?? null;

/** For pages: the signed-in person, or off to the sign-in page; with a one-time password, off to change it. */
export async function requirePage(permission: Permission = 'read'): Promise<Person> {
  const asking = await askingNow();
  if (!asking) redirect('/sign-in');
  if (asking.mustChangePassword) redirect('/account');
  if (!may(asking.person.role, permission)) redirect('/not-allowed');
  return asking.person;
}

/** Why somebody may not, or null. */
function refusal(asking: Asking | null, permission: Permission): string | null {
  if (!asking) return 'signed_out';
  if (asking.mustChangePassword) return 'must_change_password';
  return may(asking.person.role, permission) ? null : 'not_allowed';
}

/** For routes: the person, or the response that says why not. */
export async function requireRoute(permission: Permission): Promise<Person | Response> {
  const asking = await askingNow();
  const code = refusal(asking, permission);
  if (code === null) return asking!.person;
  return Response.json({ ok: false, code }, { status: code === 'signed_out' ? 401 : 403 });
}

export type { ActionResult };

/** For actions: runs `work` as the signed-in person when the role allows it. */
export async function asPerson<T>(
  permission: Permission,
  work: (person: Person) => Promise<ActionResult<T>>,
): Promise<ActionResult<T>> {
  const asking = await askingNow();
  const code = refusal(asking, permission);
  if (code !== null) return { ok: false, code };
  try {
    return await work(asking!.person);
  } catch (error) {
    const trouble = troubleOf(error);
    if (!trouble) throw error;
    return { ok: false, code: trouble };
  }
}

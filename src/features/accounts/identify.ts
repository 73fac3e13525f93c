import 'server-only';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { auth, ROLES, type Role } from '@/platform/auth';
import { may, type Permission } from './policy';

export type Person = { id: string; name: string; email: string; role: Role };

/** The signed-in person, or null. The session is looked up in the database at every call. */
export async function whoAsks(): Promise<Person | null> {
  const session = await auth().api.getSession({ headers: await headers() });
  if (!session || session.user.banned) return null;
  const { id, name, email, role } = session.user;
  return { id, name, email, role: ROLES.find((r) => r === role) ?? 'reader' };
}

/** For pages: the signed-in person, or off to the sign-in page. */
export async function requirePage(permission: Permission = 'read'): Promise<Person> {
  const person = await whoAsks();
  if (!person) redirect('/sign-in');
  if (!may(person.role, permission)) redirect('/not-allowed');
  return person;
}

/** For routes: the person, or the response that says why not. */
export async function requireRoute(permission: Permission): Promise<Person | Response> {
  const person = await whoAsks();
  if (!person) return Response.json({ ok: false, code: 'signed_out' }, { status: 401 });
  if (!may(person.role, permission))
    return Response.json({ ok: false, code: 'not_allowed' }, { status: 403 });
  return person;
}

export type ActionResult<T = undefined> =
  { ok: true; data: T } | { ok: false; code: string; fields?: Record<string, string> };

/** For actions: runs `work` as the signed-in person when the role allows it. */
export async function asPerson<T>(
  permission: Permission,
  work: (person: Person) => Promise<ActionResult<T>>,
): Promise<ActionResult<T>> {
  const person = await whoAsks();
  if (!person) return { ok: false, code: 'signed_out' };
  return may(person.role, permission) ? work(person) : { ok: false, code: 'not_allowed' };
}

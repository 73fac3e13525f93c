import { z } from 'zod';
import { auth } from '@/platform/auth';
import { isOpenRoute } from '@/platform/auth-gate';
import { ADDRESS_HEADER } from '@/platform/address';
import { limits } from '@/platform/limits';

const closed = () => Response.json({ ok: false, code: 'closed' }, { status: 404 });
const signInSchema = z.object({ email: z.string().max(200), password: z.string().max(200) });

const tooMany = (waitS: number) =>
  Response.json(
    { ok: false, code: 'too_many_tries', waitS },
    { status: 429, headers: { 'retry-after': String(waitS) } },
  );

/** Counts the try for its account and its address; a right one forgets the account's. */
async function signIn(request: Request): Promise<Response> {
  const parsed = signInSchema.safeParse(
    await request
      .clone()
      .json()
      .catch(() => null),
  );
  if (!parsed.success) return Response.json({ ok: false, code: 'bad_input' }, { status: 400 });
  const address = request.headers.get(ADDRESS_HEADER) ?? 'unknown';
  const { email } = parsed.data;
  for (const [kind, who] of [
    ['address', address],
    ['account', email],
  ] as const) {
    const tried = await limits().take(kind, who);
    if (!tried.ok) return tooMany(tried.waitS);
  }
  const answer = await auth().handler(request);
  if (answer.ok) await limits().forget('account', email);
  return answer;
}

/** The two routes of the account library that the product uses; the others are closed. */
export async function POST(request: Request): Promise<Response> {
  const path = new URL(request.url).pathname.replace(/^\/api\/auth/, '');
  if (!isOpenRoute('POST', path)) return closed();
  return path.startsWith('/sign-in') ? signIn(request) : auth().handler(request);
}

export { closed as GET, closed as PUT, closed as PATCH, closed as DELETE };

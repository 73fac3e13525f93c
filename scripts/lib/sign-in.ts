import { DEMO_PASSWORD } from '../demo/site';

/** Signs a person of the demo in. @returns the cookie of the session */
export async function signInDemo(base: string, email: string): Promise<string> {
  const answer = await fetch(`${base}/api/auth/sign-in/email`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base },
    body: JSON.stringify({ email, password: DEMO_PASSWORD }),
  });
  return answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
}

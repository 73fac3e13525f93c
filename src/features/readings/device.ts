import { findDevice } from '@/features/settings/service';
import { db } from '@/platform/db/client';
import { findInstrument, type Instrument } from './instruments';

export type Device = { id: string; houseId: string };

const refuse = (status: number, code: string, message: string) =>
  Response.json({ ok: false, code, message }, { status });

/** What is behind a bearer token, or the response that says why not. */
async function requireToken<T extends { revokedAt: Date | null }>(
  request: Request,
  find: (token: string) => Promise<T | undefined>,
): Promise<T | Response> {
  const token = /^Bearer (.+)$/.exec(request.headers.get('authorization') ?? '')?.[1];
  if (!token)
    return refuse(401, 'no_token', 'Send the device’s token as "Authorization: Bearer …".');
  const device = await find(token);
  if (!device)
    return refuse(
      401,
      'unknown_token',
      'This token is not known. Register the device in Settings.',
    );
  if (device.revokedAt)
    return refuse(
      403,
      'token_revoked',
      'This device’s token was revoked. Register it again in Settings.',
    );
  return device;
}

/** The logger or controller that asks, or the response that says why not. */
export async function requireDevice(request: Request): Promise<Device | Response> {
  const device = await requireToken(request, (token) => findDevice(db(), token));
  return device instanceof Response ? device : { id: device.id, houseId: device.houseId };
}

/** The scale or meter that tells what it shows, or the response that says why not. */
export const requireInstrument = (request: Request): Promise<Instrument | Response> =>
  requireToken(request, (token) => findInstrument(db(), token));

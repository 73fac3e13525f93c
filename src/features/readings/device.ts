import { findDevice } from '@/features/settings/service';
import { db } from '@/platform/db/client';

export type Device = { id: string; houseId: string };

const refuse = (status: number, code: string, message: string) =>
  Response.json({ ok: false, code, message }, { status });

/** The device behind a bearer token, or the response that says why not. */
export async function requireDevice(request: Request): Promise<Device | Response> {
  const token = /^Bearer (.+)$/.exec(request.headers.get('authorization') ?? '')?.[1];
  if (!token)
    return refuse(401, 'no_token', 'Send the device’s token as "Authorization: Bearer …".');
  const device = await findDevice(db(), token);
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
  return { id: device.id, houseId: device.houseId };
}

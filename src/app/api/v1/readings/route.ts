import { MAX_READINGS, clockOff, readingsRequestSchema } from '@/features/readings/contract';
import { requireDevice } from '@/features/readings/device';
import { ingestReadings } from '@/features/readings/ingest';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** Takes a batch of readings from a device. */
export async function POST(request: Request) {
  const device = await requireDevice(request);
  if (device instanceof Response) return device;
  const body: unknown = await request.json().catch(() => undefined);
  const parsed = readingsRequestSchema.safeParse(body);
  if (!parsed.success) {
    const message =
      body === undefined
        ? 'The body is not JSON.'
        : `Send { "readings": [ … ] } with 1 to ${MAX_READINGS} rows.`;
    return Response.json({ ok: false, code: 'bad_request', message }, { status: 400 });
  }
  const offS = clockOff(parsed.data.sentAt, nowS());
  if (offS !== null) {
    const message = `The clock of the device is ${Math.round(Math.abs(offS) / 60)} min ${offS > 0 ? 'fast' : 'slow'}: set it right. Nothing was kept.`;
    return Response.json({ ok: false, code: 'clock_wrong', message }, { status: 409 });
  }
  return Response.json(await ingestReadings(db(), device, parsed.data.readings, nowS()));
}

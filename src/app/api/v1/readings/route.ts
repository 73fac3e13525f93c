import { MAX_READINGS, readingsRequestSchema } from '@/features/readings/contract';
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
  return Response.json(await ingestReadings(db(), device, parsed.data.readings, nowS()));
}

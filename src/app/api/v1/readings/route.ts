import type { z } from 'zod';
import { MAX_READINGS, clockOff, readingsRequestSchema } from '@/features/readings/contract';
import { requireDevice, type Device } from '@/features/readings/device';
import { ingestReadings } from '@/features/readings/service';
import { nowS } from '@/platform/clock';
import { ServerClockInDoubt, neverBlameDevices } from '@/platform/clock-watch';
import { db } from '@/platform/db/client';
import { troubleOf } from '@/platform/db/trouble';

type Report = z.infer<typeof readingsRequestSchema>;

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
  try {
    return await taken(device, parsed.data);
  } catch (error) {
    const code = error instanceof ServerClockInDoubt ? 'server_clock' : troubleOf(error);
    if (!code) throw error;
    const message = `${(error as Error).message}. Nothing was kept: keep it and send it again.`;
    return Response.json({ ok: false, code, message }, { status: 503 });
  }
}

async function taken(device: Device, report: Report): Promise<Response> {
  const offS = clockOff(report.sentAt, nowS());
  if (offS !== null) {
    neverBlameDevices();
    const message = `The clock of the device is ${Math.round(Math.abs(offS) / 60)} min ${offS > 0 ? 'fast' : 'slow'}: set it right. Nothing was kept.`;
    return Response.json({ ok: false, code: 'clock_wrong', message }, { status: 409 });
  }
  return Response.json(await ingestReadings(db(), device, report.readings, nowS()));
}

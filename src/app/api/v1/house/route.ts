import { houseForDevice } from '@/features/houses/device-view';
import { requireDevice } from '@/features/readings/device';
import { db } from '@/platform/db/client';

/** The running program of the device's house: what a controller or its stand-in needs to know. */
export async function GET(request: Request) {
  const device = await requireDevice(request);
  if (device instanceof Response) return device;
  return Response.json(await houseForDevice(db(), device.houseId));
}

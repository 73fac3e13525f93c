import type { Dossier } from '@/features/batches/case';
import { houseChannels, type Channel } from '@/features/readings/repository';
import { listHouses } from '@/features/settings/repository';
import type { Handle } from '@/platform/db/client';
import { batchInHouse } from './program';

export type HouseNow = { id: string; name: string; channels: Channel[]; load: Dossier | null };

/** Every house with its channels and the batch that it works on. */
export async function housesNow(db: Handle, open: readonly Dossier[]): Promise<HouseNow[]> {
  const houses = await listHouses(db);
  return Promise.all(
    houses.map(async (h) => ({
      id: h.id,
      name: h.name,
      channels: await houseChannels(db, h.id),
      load: batchInHouse(open, h.id),
    })),
  );
}

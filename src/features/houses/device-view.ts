import { loadOpenDossiers } from '@/features/batches/case';
import type { HouseProgram } from '@/features/readings/contract';
import { houseChannels, lastReadings } from '@/features/readings/repository';
import type { Handle } from '@/platform/db/client';
import { batchInHouse, surroundings } from './program';

/** What a device of a house may know: the batch at work, its set point, and the channels with their last value. */
export async function houseForDevice(
  db: Handle,
  houseId: string,
  nowS: number,
): Promise<HouseProgram> {
  const house = await db
    .selectFrom('house')
    .select('name')
    .where('id', '=', houseId)
    .executeTakeFirstOrThrow();
  const dossier = batchInHouse(await loadOpenDossiers(db, nowS), houseId);
  const channels = await houseChannels(db, houseId);
  const last = await lastReadings(
    db,
    channels.map((c) => c.id),
  );
  const around = dossier
    ? surroundings(dossier.head.recipe, dossier.case.state)
    : { stage: null, medium: 'air' as const, setC: null };
  return {
    ok: true,
    house: house.name,
    batch: dossier?.head.code ?? null,
    ...around,
    diameterMm: dossier?.head.recipe.casing.diameterMm ?? null,
    channels: channels.map((c) => ({ key: c.key, what: c.what, lastC: last[c.id]?.tempC ?? null })),
  };
}

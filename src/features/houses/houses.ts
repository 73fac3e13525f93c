import { placeOf, type HouseKind, type ProgramStage, type StagePlace } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { houseChannels, type Channel } from '@/features/readings/service';
import { listHouses } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import { batchInHouse } from './program';

export type HouseNow = {
  id: string;
  name: string;
  kind: HouseKind;
  channels: Channel[];
  load: Dossier | null;
};

const KINDS: Partial<Record<StagePlace, HouseKind>> = { water_bath: 'water_bath', oven: 'oven' };

/** Places that fit the first stage of a program, before the others. */
export function fittingFirst(houses: readonly HouseNow[], first: ProgramStage | undefined) {
  const wanted = first ? (KINDS[placeOf(first)] ?? 'house') : 'house';
  const usual = first?.kind === 'ferment' || first?.kind === 'hang' ? 'chamber' : wanted;
  const off = (h: HouseNow) => (h.kind === wanted || h.kind === usual ? 0 : 1);
  return [...houses].sort((a, b) => off(a) - off(b));
}

/** Every house with its channels and the batch that it works on. */
export async function housesNow(db: Handle, open: readonly Dossier[]): Promise<HouseNow[]> {
  const houses = await listHouses(db);
  return Promise.all(
    houses.map(async (h) => ({
      id: h.id,
      name: h.name,
      kind: h.kind,
      channels: await houseChannels(db, h.id),
      load: batchInHouse(open, h.id),
    })),
  );
}

/** The other places of the site, with the channels that measure there. */
export async function otherPlaces(db: Handle, houseId: string) {
  const houses = (await listHouses(db)).filter((h) => h.id !== houseId);
  return Promise.all(
    houses.map(async ({ id, name, kind }) => ({
      id,
      name,
      kind,
      channels: (await houseChannels(db, id)).map((c) => ({ id: c.id, what: c.what })),
    })),
  );
}

import { placeNow, type PlaceKnown } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { houseChannels } from '@/features/readings/service';
import { listHouses } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';

/** What the site knows of the place that a batch is in: how it is kept, and where its air sensors hang; null before its run. */
export async function placeKnown(db: Handle, d: Dossier): Promise<PlaceKnown | null> {
  const { run } = d.case.state;
  if (!run) return null;
  const id = placeNow(run);
  const [houses, channels] = await Promise.all([listHouses(db), houseChannels(db, id)]);
  return {
    care: houses.find((h) => h.id === id)?.care ?? null,
    sensors: Object.fromEntries(
      channels
        .filter((c) => c.what === 'air')
        .map((c) => [c.id, { name: c.name, spot: { level: c.level, depth: c.depth } }]),
    ),
  };
}

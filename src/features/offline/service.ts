import { loadOpenStandings } from '@/features/logbook/service';
import { listHouses } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';

/** A batch has been through the house: its bench pages are of no use any more. */
const AFTER = new Set(['chilling', 'drying', 'finishing', 'serving', 'to_sign']);

/** Pages that the floor needs where no network is: of every open batch, of every house, and the lists. */
export async function pagesToKeep(db: Handle): Promise<string[]> {
  const [open, houses] = await Promise.all([loadOpenStandings(db), listHouses(db)]);
  const ofBatches = open.flatMap(({ head, case: { state } }) => {
    const at = `/batches/${head.id}`;
    return AFTER.has(state.phase)
      ? [at, `${at}/house`, `${at}/log`]
      : [at, `${at}/stuffing`, `${at}/house`, `${at}/log`, `/recipes/${head.recipeId}/sheet`];
  });
  const ofHouses = houses.flatMap((h) => [
    `/house/${encodeURIComponent(h.id)}`,
    ...(h.layout ? [`/house/${encodeURIComponent(h.id)}/map`] : []),
  ]);
  return [...new Set(['/', '/house', ...ofHouses, ...ofBatches, '/cleaning'])];
}

import { loadOpenStandings } from '@/features/logbook/service';
import { listHouses } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import { floorAddress, type FloorPage } from '@/workers/offline/protocol';

/** A batch has been through the house: its bench pages are of no use any more. */
const AFTER = new Set(['chilling', 'drying', 'finishing', 'serving', 'to_sign']);

const PAST_BENCH: readonly FloorPage[] = [
  '/batches/[id]',
  '/batches/[id]/house',
  '/batches/[id]/log',
];
const ON_BENCH: readonly FloorPage[] = [...PAST_BENCH, '/batches/[id]/stuffing'];

/** Pages that the floor needs where no network is: of every open batch, of every house, and the lists. */
export async function pagesToKeep(db: Handle): Promise<string[]> {
  const [open, houses] = await Promise.all([loadOpenStandings(db), listHouses(db)]);
  const ofBatches = open.flatMap(({ head, case: { state } }) => [
    ...(AFTER.has(state.phase) ? PAST_BENCH : ON_BENCH).map((p) => floorAddress(p, head.id)),
    ...(AFTER.has(state.phase) ? [] : [floorAddress('/recipes/[id]/sheet', head.recipeId)]),
  ]);
  const ofHouses = houses.flatMap((h) => [
    floorAddress('/house/[id]', h.id),
    ...(h.layout ? [floorAddress('/house/[id]/map', h.id)] : []),
  ]);
  const lists = (['/', '/house', '/cleaning'] as const).map((p) => floorAddress(p));
  return [...new Set([...lists, ...ofHouses, ...ofBatches])];
}

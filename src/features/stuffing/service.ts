import type { Scale } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { dosesOf } from '@/features/making/service';
import { listMachines } from '@/features/settings/service';
import { casingLots } from '@/features/stores/service';
import type { Handle } from '@/platform/db/client';
import { stuffingSheet, type StuffingData } from './sheet';

/** How the stuffing of a batch stands; null before its meat is weighed. */
export async function stuffingOf(
  db: Handle,
  { case: c }: Dossier,
  scales: readonly Scale[],
  window: { startS: number; endS: number } | null,
  nowS: number,
): Promise<StuffingData | null> {
  if (c.state.meatG === null) return null;
  const [machines, lots] = await Promise.all([listMachines(db), casingLots(db)]);
  const { batterG } = dosesOf(c, scales);
  return stuffingSheet({ c, batterG, machines, lots, window, nowS });
}

import type { Dossier } from '@/features/logbook/service';
import { listMachines } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import type { Scale } from '@/core';
import { dosesOf } from './doses';
import { learnedHere } from './learned';
import { isBeingMade, makingSheet, type MakingSheetData } from './sheet';

/** The run sheet of a batch that is being made; null before its meat is weighed, after it is stuffed, and without a rule of making. */
export async function runSheetOf(
  db: Handle,
  d: Dossier,
  scales: readonly Scale[],
): Promise<MakingSheetData | null> {
  const { case: c, head } = d;
  if (!isBeingMade(c.state) || !c.rules.making) return null;
  const { lines, batterG } = dosesOf(c, scales);
  const [machines, learned] = await Promise.all([listMachines(db), learnedHere(db, head.batchId)]);
  return makingSheet({ c, lines, batterG, machines, learned });
}

export { dosesOf, weighedByKey } from './doses';
export { learnedByMachine, learnedHere, passKey, type Learned } from './learned';
export { goesOn, isBeingMade } from './sheet';

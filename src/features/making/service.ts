import type { Scale } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { listMachines } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import type { MakingSheetData } from './contract';
import { dosesOf } from './doses';
import { learnedFrom, lookBack } from './learned';
import { isBeingMade, makingSheet } from './sheet';

/** What is stuffed may still owe a temperature, a word about a bowl, or another spoonful. */
const owesAnswers = ({ verdict, case: { state } }: Dossier) =>
  state.meatG !== null &&
  state.phase !== 'released' &&
  state.phase !== 'destroyed' &&
  verdict.checks.some((k) => k.code === 'making' && k.status === 'missing');

/**
 * The run sheets of batches that are being made, by their id: none before the meat is weighed, without a rule of making,
 * and after it is stuffed, unless an answer is still owed. The site's machines and what they have shown are looked up once for all.
 */
export async function runSheetsOf(
  db: Handle,
  dossiers: readonly Dossier[],
  scales: readonly Scale[],
): Promise<Map<string, MakingSheetData>> {
  const made = dossiers.filter(
    (d) => (isBeingMade(d.case.state) || owesAnswers(d)) && d.case.rules.making,
  );
  if (made.length === 0) return new Map();
  const [machines, shown] = await Promise.all([listMachines(db), lookBack(db)]);
  return new Map(
    made.map(({ head, case: c }) => {
      const { lines, batterG } = dosesOf(c, scales);
      const learned = learnedFrom(shown, head.batchId);
      return [head.id, makingSheet({ c, lines, batterG, machines, learned })];
    }),
  );
}

/** The run sheet of one batch, or null where it has none. */
export const runSheetOf = async (db: Handle, d: Dossier, scales: readonly Scale[]) =>
  (await runSheetsOf(db, [d], scales)).get(d.head.id) ?? null;

export { dosesOf, weighedByKey } from './doses';
export { learnedByMachine, learnedFrom, lookBack, passKey, type Learned } from './learned';
export { goesOn, isBegun, isBeingMade } from './sheet';

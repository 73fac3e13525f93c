'use client';

import { BatchContext, type BatchContextValue } from '@/features/logbook/ui';
import type { MakingSheetData } from '../sheet';
import { Reminders } from './Reminders';
import { StepForm } from './StepForm';

/** What is due on the bench of one batch, and the form of its step that is next; loaded when it is asked for. */
export default function BenchForms({
  sheet,
  batch,
  nowS,
}: {
  sheet: MakingSheetData;
  batch: BatchContextValue;
  nowS: number;
}) {
  const row = sheet.rows.find((r) => r.open.length > 0);
  return (
    <BatchContext value={batch}>
      <Reminders reminders={sheet.reminders} nowS={nowS} />
      {row && <StepForm key={`${row.key}:${row.open[0]}`} row={row} sheet={sheet} />}
    </BatchContext>
  );
}

'use client';

import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';
import type { BatchContextValue } from '@/features/logbook/ui';
import { REMINDER_WORDS } from '@/words/bench';
import type { MakingSheetData } from '../sheet';
import { Countdown } from './Countdown';
import { WarmNow } from './WarmNow';
import { When } from '@/ui/when';

/** Forms come after the page, which is shown sooner without them; loaded before they are asked for. */
const loadForms = () => import('./BenchForms');
const BenchForms = dynamic(loadForms, {
  ssr: false,
  loading: () => <p role="status">Loading …</p>,
});

/** What is next on the bench of one batch, on the Floor: its step, its clock, what is due, and the form where it is recorded. */
export function NowOnBench({
  sheet,
  batch,
  nowS,
}: {
  sheet: MakingSheetData;
  batch: BatchContextValue;
  nowS: number;
}) {
  const [open, setOpen] = useState(false);
  useEffect(() => void loadForms().catch(() => undefined), []);
  const row = sheet.rows.find((r) => r.open.length > 0);
  const due = sheet.reminders.filter((r) => r.dueS <= nowS);
  const soon = sheet.reminders.find((r) => r.dueS > nowS);
  const chopping = row?.measured === 'chop' && row.readings.length > 0 && row.limits.outC !== null;
  return (
    <div className="space-y-2">
      <WarmNow warm={sheet.warm} />
      {due.length > 0 && (
        <p className="font-semibold text-wait">
          {due.length} due: {due.map((r) => REMINDER_WORDS[r.code].toLowerCase()).join(', ')}
        </p>
      )}
      {soon && (
        <p className="small max-sm:hidden">
          {REMINDER_WORDS[soon.code]}: <When at={soon.dueS} nowS={nowS} />
        </p>
      )}
      <div className="max-sm:flex max-sm:items-center max-sm:justify-between max-sm:gap-2 sm:space-y-2">
        {row && (
          <p className="font-semibold">
            {row.task}
            {row.open[0] === null ? '' : `, load ${row.open[0]}`}
          </p>
        )}
        {batch.canWork && (row ?? due.length > 0) && (
          <button
            type="button"
            className="button min-h-12 shrink-0 sm:w-full"
            aria-expanded={open}
            onClick={() => setOpen((o) => !o)}
          >
            {open
              ? 'Close'
              : row?.measured === 'pass' || row?.measured === 'chop'
                ? 'Log its temperature'
                : 'Do it now'}
          </button>
        )}
      </div>
      {chopping && !open && (
        <Countdown
          readings={row.readings.filter((x) => x.load === row.open[0])}
          limitC={row.limits.outC!}
        />
      )}
      {open && <BenchForms sheet={sheet} batch={batch} nowS={nowS} />}
    </div>
  );
}

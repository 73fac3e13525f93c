'use client';

import { Check } from 'lucide-react';
import { tickedTemps } from '@/words/ticked';
import { useShow } from '@/ui/show-context';
import { useBatch } from '@/features/logbook/ui';
import type { MakingRow, MakingSheetData } from '../making';
import { StepTick } from './StepTick';

function Adds({ adds }: { adds: MakingRow['adds'] }) {
  const show = useShow();
  if (adds.length === 0) return null;
  return (
    <ul className="small flex flex-wrap gap-x-4">
      {adds.map((a) => (
        <li key={a.name}>
          {a.name}
          {a.doseG === null ? '' : `, ${show.grams(a.doseG, a.resolutionG)}`}
        </li>
      ))}
    </ul>
  );
}

/** How warm the meat came out of a pass; a surface that was chilled says nothing of the middle. */
const cameOut = (before: MakingRow | undefined) =>
  before?.measured === 'pass' ? (before.done?.tempC ?? null) : null;

/** The bench work in order: what was done with its figures, the one step that is next, and what comes. */
export function MakingSheet({ sheet }: { sheet: MakingSheetData }) {
  const show = useShow();
  const { canWork } = useBatch();
  const next = sheet.rows.find((r) => !r.done);
  return (
    <section className="sheet" aria-label="Making">
      <h2 className="text-lg font-semibold">Making</h2>
      <ol>
        {sheet.rows.map((r, i) => (
          <li key={r.stepId} className="border-t border-line py-2">
            <div className="flex min-h-9 flex-wrap items-center gap-x-3">
              <span className={r === next ? 'text-xl font-extrabold' : 'font-semibold'}>
                {i + 1}. {r.task}
              </span>
              {r.done && (
                <span className="ml-auto text-good">
                  <Check className="inline" size={18} aria-hidden="true" /> {r.done.by},{' '}
                  {show.time(r.done.atS)}
                  {tickedTemps(r.done, show)}
                </span>
              )}
            </div>
            {!r.done && <Adds adds={r.adds} />}
            {r === next && canWork && (
              <StepTick
                key={r.stepId}
                row={r}
                limits={sheet.limits}
                lastC={cameOut(sheet.rows[i - 1])}
              />
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

'use client';

import { Check } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { tickedTemps } from '@/words/ticked';
import { useShow } from '@/ui/show-context';
import { useBatch } from '@/features/logbook/ui';
import type { MakingSheetData, SheetRow } from '../sheet';
import { BowlForm } from './BowlForm';
import { LoadsForm } from './LoadsForm';
import { PartClocks } from './PartClocks';
import { Reminders } from './Reminders';
import { TasteForm } from './TasteForm';
import { StepForm } from './StepForm';
import { WarmNow } from './WarmNow';

/** What was done at a step, with its figures, by whom; skipped and late are said in words. */
function Ticks({ row }: { row: SheetRow }) {
  const show = useShow();
  return (
    <ul className="ml-auto text-right">
      {row.ticks.map((t) => (
        <li key={`${t.load}:${t.atS}`} className={t.skipped === null ? 'text-good' : 'text-wait'}>
          {t.skipped === null && <Check className="inline" size={18} aria-hidden="true" />}{' '}
          {t.load === null ? '' : `Load ${t.load}, `}
          {t.skipped === null ? '' : 'skipped, '}
          {t.by}, {show.time(t.atS)}
          {t.skipped === null ? tickedTemps(t, show) : `: ${t.skipped}`}
          {t.late ? ', out of order' : ''}
        </li>
      ))}
    </ul>
  );
}

/** One step as a card: what to do, what goes in, what was done; the form where it is next or was chosen. */
function Row({
  row,
  nth,
  next,
  sheet,
  onChoose,
}: {
  row: SheetRow;
  nth: number;
  next: boolean;
  sheet: MakingSheetData;
  onChoose: () => void;
}) {
  const show = useShow();
  const { canWork } = useBatch();
  const open = row.open.length > 0;
  return (
    <li className="border-t border-line py-2">
      <div className="flex min-h-9 flex-wrap items-center gap-x-3">
        <span className={next ? 'text-xl font-extrabold' : 'font-semibold'}>
          {nth}. {row.task}
        </span>
        {row.ticks.length > 0 && <Ticks row={row} />}
        {open && !next && canWork && (
          <button type="button" className="button ml-auto min-h-12" onClick={onChoose}>
            Do it now<span className="sr-only">: {row.task}</span>
          </button>
        )}
      </div>
      {open && !next && row.adds.length > 0 && (
        <p className="small">
          {row.adds
            .map((a) => {
              const g = a.amounts[0]?.g ?? null;
              const nth = a.portion ? ` ${a.portion[0]}/${a.portion[1]}` : '';
              return `${a.name}${nth}${g === null ? '' : ` ${show.grams(g, a.resolutionG)}`}`;
            })
            .join(' · ')}
        </p>
      )}
      {open && next && canWork && (
        <StepForm key={`${row.key}:${row.open[0]}`} row={row} sheet={sheet} />
      )}
    </li>
  );
}

/** The bench work in order: what is due, the step that is next with its form, and what was done by whom. */
export function RunSheet({ sheet, nowS }: { sheet: MakingSheetData; nowS: number }) {
  const show = useShow();
  const { canWork } = useBatch();
  const [chosen, setChosen] = useState<string | null>(null);
  const isOpen = (r: SheetRow) => r.open.length > 0;
  const next = sheet.rows.find((r) => r.key === chosen && isOpen(r)) ?? sheet.rows.find(isOpen);
  const section = useRef<HTMLElement>(null);
  const isBegun = sheet.rows.some((x) => x.ticks.length > 0);
  const [begunAtFirst] = useState(isBegun);
  /* The first tick takes it to the top of the page: who pressed it goes with it. */
  useEffect(() => {
    if (isBegun && !begunAtFirst) section.current?.scrollIntoView({ block: 'start' });
  }, [isBegun, begunAtFirst]);
  const left = sheet.raw && sheet.raw.coldS + sheet.raw.maxS - nowS;
  return (
    <section ref={section} className="sheet scroll-mt-2 space-y-3" aria-label="Making" id="making">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h2 className="text-lg font-semibold">Making</h2>
        {left !== null && left > 0 && (
          <p className="small">
            Raw out of the cold: {show.duration(left)} left, or until it is measured cold
          </p>
        )}
      </div>
      <WarmNow warm={sheet.warm} />
      <Reminders reminders={sheet.reminders} nowS={nowS} />
      {canWork && sheet.loadsOpen && <LoadsForm key={sheet.loads} sheet={sheet} />}
      {!sheet.loadsOpen && sheet.loads > 1 && <p>In {sheet.loads} equal loads.</p>}
      {canWork && <PartClocks sheet={sheet} />}
      <ol>
        {sheet.rows.map((r, i) => (
          <Row
            key={r.key}
            row={r}
            nth={i + 1}
            next={r === next}
            sheet={sheet}
            onChoose={() => setChosen(r.key)}
          />
        ))}
      </ol>
      {canWork && (
        <details open={sheet.balances.length > 0}>
          <summary className="min-h-12 cursor-pointer py-3 font-semibold">
            Weigh the bowl against its parts
          </summary>
          <BowlForm sheet={sheet} />
        </details>
      )}
      {canWork && (
        <details>
          <summary className="min-h-12 cursor-pointer py-3 font-semibold">
            Correct the batter after its trial
          </summary>
          <TasteForm sheet={sheet} />
        </details>
      )}
    </section>
  );
}

'use client';

import { useState } from 'react';
import { FRESH_WAYS, toBase, unitSymbol, type FreshWay } from '@/core';
import { FRESH_WAY_WORDS } from '@/words/bench';
import { NumberField, readFigure } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import { usePost } from '@/features/logbook/ui';
import { useWhen } from '@/ui/when-field';
import type { MakingSheetData } from '../sheet';

const WAYS = FRESH_WAYS.map((w) => [w, FRESH_WAY_WORDS[w]] as const);
const COLD_C = 4;

/** A culture that is put into its water, 20 to 25 °C, no chlorine; from then on it goes by the clock of its label. */
function Culture({ c }: { c: MakingSheetData['cultures'][number] }) {
  const show = useShow();
  const { system } = show.settings;
  const { send, busy, message } = usePost();
  const when = useWhen();
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (c.started) {
    const { startS, readyS, staleS } = c.started;
    return (
      <p>
        {c.name}: in its water since {show.time(startS)}. Ready {show.time(startS + readyS)}, used
        by {show.time(startS + staleS)}.
      </p>
    );
  }
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      aria-label={`${c.name} into its water`}
      onSubmit={(e) => {
        e.preventDefault();
        const read = text.trim() === '' ? null : readFigure(text);
        setError(read && !read.ok ? read.error : null);
        if (read && !read.ok) return;
        void send(
          {
            kind: 'culture_started',
            lineId: c.lineId,
            ...(read ? { waterC: toBase('temperature', read.value, system) } : {}),
          },
          when.at,
        );
      }}
    >
      <NumberField
        label={`${c.name}: water, no chlorine, ${show.temp(20)} to ${show.temp(25)}`}
        unit={unitSymbol('temperature', system)}
        value={text}
        onChange={setText}
        error={error}
      />
      {when.field}
      <button className="button min-h-12" disabled={busy}>
        Into its water now
      </button>
      <Said text={message} />
    </form>
  );
}

/** A part that was roasted or fried before it goes in: how hot, and how cold again. */
function Cooked({ c }: { c: MakingSheetData['cooked'][number] }) {
  const show = useShow();
  const { system } = show.settings;
  const { send, busy, message } = usePost();
  const when = useWhen();
  const [way, setWay] = useState<FreshWay>('roasted');
  const [cook, setCook] = useState('');
  const [cooled, setCooled] = useState('');
  const [said, setSaid] = useState<{ cook: string | null; cooled: string | null }>({
    cook: null,
    cooled: null,
  });
  const unit = unitSymbol('temperature', system);
  const [k, l] = [readFigure(cook), readFigure(cooled)];
  const warm = l.ok && toBase('temperature', l.value, system) > COLD_C;
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3">
        {c.name}: {c.done ? 'cooked and cooled, in the log' : 'goes in cooked?'}
      </summary>
      <form
        className="grid grid-cols-2 gap-2"
        aria-label={`${c.name}, cooked`}
        onSubmit={(e) => {
          e.preventDefault();
          setSaid({ cook: k.ok ? null : k.error, cooled: l.ok ? null : l.error });
          if (!k.ok || !l.ok) return;
          void send(
            {
              kind: 'fresh_part_made',
              lineId: c.lineId,
              way,
              cookC: toBase('temperature', k.value, system),
              cooledC: toBase('temperature', l.value, system),
            },
            when.at,
          ).then((outcome) => outcome.ok && when.again());
        }}
      >
        <SelectField
          wrap="col-span-2"
          dense
          label="How"
          value={way}
          options={WAYS}
          onChange={setWay}
        />
        <NumberField
          label="Cooked to"
          unit={unit}
          value={cook}
          onChange={setCook}
          error={said.cook}
        />
        <NumberField
          label="Cooled to"
          unit={unit}
          value={cooled}
          onChange={setCooled}
          error={said.cooled}
        />
        {warm && (
          <p className="col-span-2 font-semibold text-wait">
            It goes in at {show.temp(COLD_C)} or colder.
          </p>
        )}
        <div className="col-span-2">{when.field}</div>
        <Said text={message} />
        <button className="button col-span-2 min-h-12" disabled={busy}>
          Record
        </button>
      </form>
    </details>
  );
}

/** Clocks of what is prepared beside the meat. */
export const PartClocks = ({ sheet }: { sheet: MakingSheetData }) => (
  <div className="space-y-2">
    {sheet.cultures.map((c) => (
      <Culture key={c.lineId} c={c} />
    ))}
    {sheet.cooked.map((c) => (
      <Cooked key={c.lineId} c={c} />
    ))}
  </div>
);

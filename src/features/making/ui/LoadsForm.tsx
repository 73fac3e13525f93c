'use client';

import { useState } from 'react';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice, Said } from '@/ui/status';
import { useWhen } from '@/ui/when-field';
import { usePost } from '@/features/logbook/ui';
import type { MakingSheetData } from '../sheet';

/** In how many equal loads the batch is made, before its doses are weighed: each gets its own share of cure, ice, salt and spice. */
export function LoadsForm({ sheet }: { sheet: MakingSheetData }) {
  const show = useShow();
  const { send, busy, message } = usePost();
  const when = useWhen();
  const bowl = sheet.bowls.find((b) => b.loads > 1);
  const [text, setText] = useState(String(bowl?.loads ?? sheet.loads));
  const [error, setError] = useState<string | null>(null);
  const read = readFigure(text);
  const submit = () => {
    setError(read.ok ? null : read.error);
    if (!read.ok) return;
    const machine = bowl ? { machineId: bowl.id, machine: bowl.name } : {};
    void send({ kind: 'loads_set', loads: read.value, ...machine }, when.at);
  };
  const each = read.ok && read.value >= 1 ? sheet.batterG / read.value : null;
  const form = (
    <form
      className="space-y-2"
      aria-label="Loads"
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      {bowl && sheet.loads < bowl.loads && (
        <Notice tone="wait">
          {bowl.name} holds {show.mass(bowl.capacityG)}, the batter will be{' '}
          {show.mass(sheet.batterG)}: {bowl.loads} equal loads, each with its own share of cure, ice
          and spice.
        </Notice>
      )}
      <div className="flex items-end gap-2">
        <NumberField label="Loads" unit="" value={text} onChange={setText} error={error} />
        <button className="button min-h-12" disabled={busy}>
          Make it in {read.ok ? show.number(read.value) : '…'}{' '}
          {read.ok && read.value === 1 ? 'load' : 'loads'}
        </button>
      </div>
      {each !== null && <p className="small">{show.mass(each)} of batter each.</p>}
      {when.field}
      <Said text={message} />
    </form>
  );
  return bowl ? (
    form
  ) : (
    <details open={sheet.loads > 1}>
      <summary className="min-h-12 cursor-pointer py-3 text-soft">Make it in several loads</summary>
      {form}
    </details>
  );
}

'use client';

import { useState } from 'react';
import { linkCheck, toBase, unitSymbol } from '@/core';
import { useBatch, usePost } from '@/features/logbook/ui';
import { useWhen } from '@/ui/when-field';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice, Said } from '@/ui/status';
import { linkWords } from '@/words/casing';
import type { StuffingData } from '../sheet';

const THREE = [0, 1, 2] as const;

/** The first three links against their target, live: what to change, before the rest is linked. */
export function LinkPart({ data }: { data: StuffingData }) {
  const show = useShow();
  const { system } = show.settings;
  const { canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [texts, setTexts] = useState(() => THREE.map(() => ({ length: '', weight: '' })));
  const [error, setError] = useState<string | null>(null);
  const when = useWhen();
  const { target, lastCheck } = data;
  if (!target) return null;
  const set = (i: number, of: 'length' | 'weight', value: string) =>
    setTexts((t) => t.map((x, k) => (k === i ? { ...x, [of]: value } : x)));
  /** Links that are typed in full; the length of the first stands for one that is left out. */
  const links = texts.flatMap(({ length, weight }) => {
    const [l, w] = [readFigure(length || texts[0]!.length), readFigure(weight)];
    return l.ok && w.ok && l.value > 0 && w.value > 0
      ? [{ lengthMm: toBase('diameter', l.value, system), weightG: w.value }]
      : [];
  });
  const live =
    links.length >= 2 ? linkCheck({ links, targetG: target.g, tolerance: data.tolerance }) : null;
  const submit = async () => {
    if (links.length < 2) return setError('Measure and weigh at least two links.');
    setError(null);
    const outcome = await send({ kind: 'links_checked', links, targetG: target.g }, when.at);
    if (!outcome.ok && outcome.code !== 'kept') return;
    setTexts(THREE.map(() => ({ length: '', weight: '' })));
    when.again();
  };
  return (
    <section className="sheet space-y-2" aria-label="Links">
      <h2 className="text-lg font-semibold">Links</h2>
      <p>
        <span className="figure">{show.grams(target.g, 1)}</span>{' '}
        <span className="small">at {show.quantity('diameter', target.mm)} long</span>
      </p>
      {lastCheck && (
        <p className={lastCheck.status === 'right' ? 'text-good' : 'font-semibold text-wait'}>
          {linkWords(lastCheck, show)}{' '}
          <span className="small">
            {lastCheck.by}, {show.time(lastCheck.atS)}
          </span>
        </p>
      )}
      {canWork && !data.stuffed && (
        <form
          className="space-y-2"
          aria-label="Check three links"
          onSubmit={(e) => {
            e.preventDefault();
            void submit();
          }}
        >
          {THREE.map((i) => (
            <div key={i} className="grid grid-cols-2 gap-2">
              <NumberField
                label={`Link ${i + 1}, length`}
                unit={unitSymbol('diameter', system)}
                value={texts[i]!.length}
                onChange={(v) => set(i, 'length', v)}
              />
              <NumberField
                label={`Link ${i + 1}, weight`}
                unit="g"
                value={texts[i]!.weight}
                onChange={(v) => set(i, 'weight', v)}
              />
            </div>
          ))}
          {live && (
            <Notice tone={live.status === 'right' ? 'good' : 'wait'}>
              {linkWords(live, show)}
            </Notice>
          )}
          {when.field}
          <Said text={error ?? message} />
          <button className="button min-h-12 w-full" disabled={busy}>
            {data.checks === 0 ? 'Record these links' : 'Record these links again'}
          </button>
        </form>
      )}
    </section>
  );
}

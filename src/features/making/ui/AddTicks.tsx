'use client';

import { Check } from 'lucide-react';
import { useState } from 'react';
import { CURE_WAYS, type CureWay } from '@/core';
import { CURE_WAY_WORDS } from '@/words/bench';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import { useBatch, usePost } from '@/features/logbook/ui';
import type { SheetAdd } from '../sheet';

const WAYS = CURE_WAYS.map((w) => [w, CURE_WAY_WORDS[w][0]] as const);

const inFor = (a: SheetAdd, load: number | null) =>
  a.in.find((x) => x.load === 0 || load === null || x.load === load);

/** What is in the cup for a load. */
const amountFor = (a: SheetAdd, load: number | null) =>
  (a.amounts.find((x) => x.load === load) ?? a.amounts[0])?.g ?? null;

/** What goes in at a step, in order, each ticked as it does. */
export function AddTicks({
  adds,
  load,
  batterC,
  fromC,
  at,
}: {
  adds: SheetAdd[];
  load: number | null;
  /** Of the batter as it was measured last, and what binders go in from, °C. */
  batterC: number | null;
  fromC: number | null;
  /** When it happened, where that was not now. */
  at: { happenedAt?: string };
}) {
  const show = useShow();
  const { canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [how, setHow] = useState<CureWay>('dissolved');
  if (adds.length === 0) return null;
  return (
    <div className="space-y-1">
      <ul>
        {adds.map((a) => {
          const done = inFor(a, load);
          const g = amountFor(a, load);
          const what = `${a.name}${a.portion ? `, portion ${a.portion[0]} of ${a.portion[1]}` : ''}`;
          const cold = a.isBinder && fromC !== null && batterC !== null && batterC < fromC;
          return (
            <li key={`${a.lineId}:${a.portion?.[0] ?? 0}`} className="border-t border-line py-1">
              <div className="flex min-h-12 flex-wrap items-center gap-x-3">
                <span className={a.isCure ? 'font-extrabold text-cure' : 'font-semibold'}>
                  {what}
                </span>
                {g !== null && (
                  <span className={`ml-auto text-xl font-extrabold ${a.isCure ? 'text-cure' : ''}`}>
                    {show.grams(g, a.resolutionG)}
                  </span>
                )}
                {done ? (
                  <span className="text-good">
                    <Check className="inline" size={18} aria-hidden="true" /> in, {done.by},{' '}
                    {show.time(done.atS)}
                  </span>
                ) : (
                  canWork && (
                    <button
                      type="button"
                      className="button min-h-12"
                      disabled={busy}
                      onClick={() =>
                        void send(
                          {
                            kind: 'addition_ticked',
                            lineId: a.lineId,
                            ...(a.portion ? { portion: a.portion[0] } : {}),
                            ...(load === null ? {} : { load }),
                            ...(batterC === null ? {} : { batterC }),
                            ...(a.isCure ? { how } : {}),
                          },
                          at,
                        )
                      }
                    >
                      In<span className="sr-only">: {what}</span>
                    </button>
                  )
                )}
              </div>
              {a.isCure && !done && canWork && (
                <div className="pb-1">
                  <SelectField
                    label="How the cure goes in"
                    dense
                    value={how}
                    options={WAYS}
                    onChange={setHow}
                  />
                  <p className="small">{CURE_WAY_WORDS[how][1]}.</p>
                </div>
              )}
              {cold && !done && (
                <p className="font-semibold text-wait">
                  The batter is at {show.temp(batterC!)}: binder goes in from {show.temp(fromC!)}{' '}
                  on.
                </p>
              )}
            </li>
          );
        })}
      </ul>
      <Said text={message} />
    </div>
  );
}

'use client';

import { useRouter } from 'next/navigation';
import { ActionForm, Field } from '@/ui/action-form';
import { useShow } from '@/ui/show-context';
import { NamedTimeField } from '@/ui/time-field';
import { removeClosureAction, saveClosureAction } from '../actions';
import type { Closure } from '../repository';
import { instantS } from '@/ui/local-time';

type Props = {
  closures: Closure[];
  places: { id: string; name: string }[];
  canRun: boolean;
};

/** Places and machines in which nothing goes on for a while. */
export function ShutPlaces({ closures, places, canRun }: Props) {
  const show = useShow();
  const router = useRouter();
  const { timeZone } = show.settings;
  const nameOf = (id: string) => places.find((p) => p.id === id)?.name ?? 'A place that is gone';
  const iso = (f: FormData, name: string) => {
    const s = instantS(String(f.get(name) ?? ''), timeZone);
    return s === null ? '' : new Date(s * 1000).toISOString();
  };
  return (
    <>
      {closures.length === 0 && <p className="text-soft">Everything is open.</p>}
      <ul>
        {closures.map((c) => (
          <li
            key={c.id}
            className="flex items-center justify-between gap-3 border-t border-line py-1"
          >
            <span>
              {nameOf(c.placeId)}: {show.clock(c.fromS)} to {show.clock(c.toS)}, {c.why}
            </span>
            {canRun && (
              <button
                type="button"
                className="button"
                onClick={() => void removeClosureAction({ id: c.id }).then(() => router.refresh())}
              >
                Open again
              </button>
            )}
          </li>
        ))}
      </ul>
      {canRun && (
        <ActionForm
          action={saveClosureAction}
          label="Shut it"
          done="It is shut then; the plan goes round it once it is made anew."
          read={(f) => ({
            id: crypto.randomUUID(),
            placeId: String(f.get('place') ?? ''),
            fromAt: iso(f, 'from'),
            toAt: iso(f, 'to'),
            why: String(f.get('why') ?? ''),
          })}
        >
          <Field name="place" label="Place or machine">
            {places.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Field>
          <NamedTimeField name="from" label="From" />
          <NamedTimeField name="to" label="To" />
          <Field name="why" label="Why" />
        </ActionForm>
      )}
    </>
  );
}

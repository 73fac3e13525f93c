'use client';

import type { Duty } from '@/core';
import { ActionForm, Field } from '@/ui/action-form';
import { formFigure } from '@/ui/form-figure';
import { RANK_WORDS } from '@/words/house';
import { saveDutyAction } from '../actions';

type Person = { id: string; name: string };

const PLACES = ['first', 'second', 'third', 'fourth', 'fifth'];

const time = (v: FormDataEntryValue | null) => (typeof v === 'string' && v !== '' ? v : null);

/** What the form says of one person: their place in the order, 0 for none, and their hours. */
const said = (f: FormData, id: string) => {
  const [from, to] = [time(f.get(`from-${id}`)), time(f.get(`to-${id}`))];
  return {
    place: Number(f.get(`place-${id}`)),
    personId: id,
    /* One of two is no span: the server says so. */
    hours: from === null && to === null ? null : { from: from ?? '', to: to ?? '' },
  };
};

/** Who is told of alarms away from the page, in what order and when; and how soon the next. */
export function DutyForm({ duty, people }: { duty: Duty; people: Person[] }) {
  const read = (f: FormData) => ({
    people: people
      .map((p) => said(f, p.id))
      .filter((p) => p.place > 0)
      .sort((a, b) => a.place - b.place)
      .map(({ personId, hours }) => ({ personId, hours })),
    everyMin: formFigure(f.get('everyMin')) ?? Number.NaN,
    rank: Number(f.get('rank')),
  });
  return (
    <ActionForm action={saveDutyAction} read={read} label="Save who is told">
      <ul>
        {people.map((p) => {
          const at = duty.people.findIndex((d) => d.personId === p.id);
          const hours = duty.people[at]?.hours;
          return (
            <li
              key={p.id}
              className="grid items-end gap-2 border-t border-line py-2 sm:grid-cols-3"
            >
              <Field name={`place-${p.id}`} label={p.name} value={String(at + 1)}>
                <option value="0">not told</option>
                {people.map((_, i) => (
                  <option key={i} value={i + 1}>
                    {PLACES[i] ?? `number ${i + 1}`}
                  </option>
                ))}
              </Field>
              <Field
                optional
                name={`from-${p.id}`}
                label={`${p.name} from`}
                type="time"
                value={hours?.from}
              />
              <Field
                optional
                name={`to-${p.id}`}
                label={`${p.name} to`}
                type="time"
                value={hours?.to}
              />
            </li>
          );
        })}
      </ul>
      <p className="small">Without hours somebody is always told.</p>
      <div className="grid gap-3 sm:grid-cols-2">
        <Field
          name="everyMin"
          label="Nobody sees to it: the next after (min)"
          value={String(duty.everyMin)}
        />
        <Field name="rank" label="Alarms that are told" value={String(duty.rank)}>
          <option value="1">{RANK_WORDS[1]}</option>
          <option value="2">
            {RANK_WORDS[1]}, {RANK_WORDS[2].toLowerCase()}
          </option>
          <option value="3">all of them</option>
        </Field>
      </div>
    </ActionForm>
  );
}

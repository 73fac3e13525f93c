'use client';

import { DateTime } from 'luxon';
import type { Roster } from '@/core';
import { ActionForm, Field } from '@/ui/action-form';
import { useShow } from '@/ui/show-context';
import { changeRosterAction } from '../actions';
import { EntryRow } from './RosterRow';

type Person = { id: string; name: string };
type Props = { roster: Roster; people: Person[]; canRun: boolean };

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

const text = (f: FormData, name: string) => String(f.get(name) ?? '');

function WhoField({ people, all }: { people: Person[]; all?: string }) {
  return (
    <Field name="who" label="Who" value={all === undefined ? people[0]?.id : ''}>
      {all !== undefined && <option value="">{all}</option>}
      {people.map((p) => (
        <option key={p.id} value={p.id}>
          {p.name}
        </option>
      ))}
    </Field>
  );
}

const Times = () => (
  <div className="grid grid-cols-2 gap-2">
    <Field name="from" label="From" type="time" />
    <Field name="to" label="To" type="time" />
  </div>
);

/** Weekly shifts, days off and hours besides; what is planned keeps to them. */
export function RosterForms({ roster, people, canRun }: Props) {
  const show = useShow();
  const nameOf = (id: string | null) =>
    id === null ? 'Everybody' : (people.find((p) => p.id === id)?.name ?? 'Somebody who left');
  const dayOf = (iso: string) =>
    DateTime.fromISO(iso)
      .setLocale(show.settings.locale)
      .toLocaleString(DateTime.DATE_MED_WITH_WEEKDAY);
  return (
    <div className="grid gap-6 lg:grid-cols-3">
      <section aria-label="Shifts" className="space-y-3">
        <h3 className="font-semibold">Every week</h3>
        <ul>
          {roster.shifts.map((shift) => (
            <EntryRow
              canRun={canRun}
              key={JSON.stringify(shift)}
              change={{ change: 'remove_shift', shift }}
            >
              {nameOf(shift.personId)}: {shift.days.map((d) => DAYS[d - 1]).join(' ')}, {shift.from}{' '}
              to {shift.to}
              {shift.to <= shift.from ? ' the day after' : ''}
            </EntryRow>
          ))}
        </ul>
        {canRun && (
          <ActionForm
            action={changeRosterAction}
            label="Add the shift"
            read={(f) => ({
              change: 'add_shift',
              shift: {
                personId: text(f, 'who'),
                days: f.getAll('day').map(Number),
                from: text(f, 'from'),
                to: text(f, 'to'),
              },
            })}
          >
            <WhoField people={people} />
            <fieldset>
              <legend className="label">Days</legend>
              <div className="flex flex-wrap gap-x-4">
                {DAYS.map((d, i) => (
                  <label key={d} className="flex min-h-12 items-center gap-2">
                    <input type="checkbox" name="day" value={i + 1} className="size-6" />
                    {d}
                  </label>
                ))}
              </div>
            </fieldset>
            <Times />
            <p className="small">A shift that ends before it begins goes over midnight.</p>
          </ActionForm>
        )}
      </section>
      <section aria-label="Days off" className="space-y-3">
        <h3 className="font-semibold">Days off and holidays</h3>
        <ul>
          {roster.off.map((off) => (
            <EntryRow
              canRun={canRun}
              key={JSON.stringify(off)}
              change={{ change: 'remove_off', off }}
            >
              {nameOf(off.personId)}: {dayOf(off.from)}
              {off.to === off.from ? '' : ` to ${dayOf(off.to)}`}, {off.why}
            </EntryRow>
          ))}
        </ul>
        {canRun && (
          <ActionForm
            action={changeRosterAction}
            label="Add the days off"
            read={(f) => ({
              change: 'add_off',
              off: {
                personId: text(f, 'who') || null,
                from: text(f, 'from'),
                to: text(f, 'to') || text(f, 'from'),
                why: text(f, 'why'),
              },
            })}
          >
            <WhoField people={people} all="Everybody: the site is shut" />
            <div className="grid grid-cols-2 gap-2">
              <Field name="from" label="First day" type="date" />
              <Field name="to" label="Last day" type="date" optional />
            </div>
            <Field name="why" label="What for" />
          </ActionForm>
        )}
      </section>
      <section aria-label="Hours besides" className="space-y-3">
        <h3 className="font-semibold">On one day besides</h3>
        <ul>
          {roster.extra.map((extra) => (
            <EntryRow
              canRun={canRun}
              key={JSON.stringify(extra)}
              change={{ change: 'remove_extra', extra }}
            >
              {nameOf(extra.personId)}: {dayOf(extra.day)}, {extra.from} to {extra.to}
            </EntryRow>
          ))}
        </ul>
        {canRun && (
          <ActionForm
            action={changeRosterAction}
            label="Add the hours"
            read={(f) => ({
              change: 'add_extra',
              extra: {
                personId: text(f, 'who'),
                day: text(f, 'day'),
                from: text(f, 'from'),
                to: text(f, 'to'),
              },
            })}
          >
            <WhoField people={people} />
            <Field name="day" label="Day" type="date" />
            <Times />
          </ActionForm>
        )}
      </section>
    </div>
  );
}

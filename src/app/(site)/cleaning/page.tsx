import { cleaningList, type CleaningRow } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { cleanedLately, cleaningTasks } from '@/features/cleaning/service';
import { DoneForm, TaskForm } from '@/features/cleaning/ui/CleaningForms';
import { freeTime } from '@/features/houses/free-time';
import { loadOpen } from '@/features/logbook/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

const STAND: Record<CleaningRow['stand'], string> = {
  overdue: 'overdue',
  due: 'due',
  open: 'when there is time',
  done: 'done',
};

/** The cleaning list: what fits into the time that is free now, and the record of what was done by whom. */
export default async function CleaningPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const now = nowS();
  const { dossiers } = await loadOpen(db(), now);
  const free = freeTime(dossiers, now);
  const rows = cleaningList(await cleaningTasks(db()), free.untilS - now, free.hot, now);
  const done = await cleanedLately(db());
  const work = may(person.role, 'work_batches');
  return (
    <>
      <h1 className="mb-1 text-2xl font-extrabold">Cleaning</h1>
      <p className="mb-3">
        {free.hot
          ? free.untilS > now
            ? `Nobody is needed at the house until ${show.when(free.untilS, now)}.`
            : 'The house needs somebody now.'
          : 'No house is hot.'}
      </p>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section className="sheet" aria-label="To be cleaned">
          <h2 className="mb-1 text-lg font-semibold">List</h2>
          {rows.length === 0 && (
            <p className="text-soft">Nothing is on the list. A release lead puts it there.</p>
          )}
          <ul>
            {rows.map((r) => (
              <li key={r.id} className="border-t border-line py-2">
                <p>
                  <strong>{r.name}</strong>, {r.minutes} min
                  <span className={r.stand === 'overdue' ? 'font-semibold text-bad' : 'text-soft'}>
                    {' '}
                    · {STAND[r.stand]}
                    {r.lastS === null ? ', never yet' : `, last ${show.when(r.lastS, now)}`}
                  </span>
                </p>
                {r.stand !== 'done' && (
                  <p className={r.fits ? 'text-good' : 'small'}>
                    {r.fits
                      ? 'Fits into the time that is free now.'
                      : r.needsCold && free.hot
                        ? 'Only when the houses are cold.'
                        : 'Takes longer than the time that is free now.'}
                  </p>
                )}
                {work && r.stand !== 'done' && <DoneForm task={r} />}
                {may(person.role, 'run_site') && (
                  <details>
                    <summary className="min-h-12 cursor-pointer py-3 text-soft">
                      Change {r.name}
                    </summary>
                    <TaskForm task={r} />
                  </details>
                )}
              </li>
            ))}
          </ul>
        </section>
        <div className="space-y-4">
          {may(person.role, 'run_site') && (
            <section className="sheet" aria-label="Put on the list">
              <h2 className="mb-2 text-lg font-semibold">Put on the list</h2>
              <TaskForm />
            </section>
          )}
          <section className="sheet" aria-label="Cleaning record">
            <h2 className="mb-1 text-lg font-semibold">Record</h2>
            {done.length === 0 && <p className="text-soft">Nothing recorded yet.</p>}
            <ul>
              {done.map((d) => (
                <li key={d.id} className="border-t border-line py-1.5">
                  {show.clock(d.atS)} · {d.name} · <strong>{d.by}</strong>
                  {d.note && <span className="small block">{d.note}</span>}
                </li>
              ))}
            </ul>
          </section>
        </div>
      </div>
    </>
  );
}

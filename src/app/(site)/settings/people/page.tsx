import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { listPeople, listWorkers } from '@/features/accounts/service';
import { loadDuty, onDutyNow } from '@/features/reach/service';
import { DutyForm } from '@/features/reach/ui/DutyForm';
import { Part } from '@/features/settings/ui/Part';
import { PersonForm, PersonRow, ResetPasswordForm } from '@/features/settings/ui/PeopleForms';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { pushKeys } from '@/platform/push-keys';

/** Who works here, and what each may do. */
export default async function PeoplePage() {
  const person = await requirePage();
  const people = await listPeople(db());
  const run = may(person.role, 'run_site');
  const duty = await loadDuty(db());
  const there = await onDutyNow(db(), duty, nowS());
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <Part title="People">
        <ul>
          {people.map((p) => (
            <li key={p.id} className="border-t border-line py-2">
              <p>
                {p.name}
                {run ? `, ${p.email}` : ''}
              </p>
              {run && (
                <>
                  <PersonRow
                    id={p.id}
                    name={p.name}
                    role={p.role ?? 'reader'}
                    banned={p.banned ?? false}
                  />
                  <div className="mt-2">
                    <ResetPasswordForm id={p.id} name={p.name} />
                  </div>
                </>
              )}
            </li>
          ))}
        </ul>
      </Part>
      {run && (
        <Part title="A new person">
          <PersonForm />
        </Part>
      )}
      <div className="lg:col-span-2">
        <Part title="Who is told of alarms">
          <p>
            {there.length > 0
              ? `Now: ${there.map((p) => p.name).join(', then ')}.`
              : 'Nobody now: alarms are shown on open pages only.'}
          </p>
          {!pushKeys() && (
            <p className="small">
              Nothing is sent before the server has keys: <code>./kettle push-keys</code>.
            </p>
          )}
          <p className="small">
            Everybody switches it on for each of their devices, under Your account. What was sent to
            whom, and who could not be reached, is in the log of the batch.
          </p>
          {run && <DutyForm duty={duty} people={await listWorkers(db())} />}
        </Part>
      </div>
    </div>
  );
}

import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { listPeople } from '@/features/accounts/service';
import { Part } from '@/features/settings/ui/Part';
import { PersonForm, PersonRow, ResetPasswordForm } from '@/features/settings/ui/PeopleForms';
import { db } from '@/platform/db/client';

/** Who works here, and what each may do. */
export default async function PeoplePage() {
  const person = await requirePage();
  const people = await listPeople(db());
  const run = may(person.role, 'run_site');
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
    </div>
  );
}

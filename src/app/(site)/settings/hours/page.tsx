import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { listWorkers } from '@/features/accounts/service';
import { loadSite } from '@/features/settings/service';
import { Part } from '@/features/settings/ui/Part';
import { RosterForms } from '@/features/settings/ui/RosterForms';
import { db } from '@/platform/db/client';

/** Who works when: what is planned keeps to it. */
export default async function HoursPage() {
  const person = await requirePage();
  const { roster } = await loadSite(db());
  return (
    <Part title="Who works when">
      <p className="small mb-3">
        What is planned keeps to these hours and to how many are there. Without shifts, one person
        in the working hours of the site counts.
      </p>
      <RosterForms
        roster={roster ?? { shifts: [], off: [], extra: [] }}
        people={await listWorkers(db())}
        canRun={may(person.role, 'run_site')}
      />
    </Part>
  );
}

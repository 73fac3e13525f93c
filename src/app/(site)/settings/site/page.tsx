import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { loadSite } from '@/features/settings/service';
import { Part } from '@/features/settings/ui/Part';
import { SiteForm } from '@/features/settings/ui/SiteForm';
import { db } from '@/platform/db/client';

/** The site itself: name, zone, units, working hours. */
export default async function SitePage() {
  const person = await requirePage();
  const site = await loadSite(db());
  return (
    <div className="max-w-xl">
      <Part title="Site">
        {may(person.role, 'run_site') ? (
          <SiteForm site={site} zones={['UTC', ...Intl.supportedValuesOf('timeZone')]} />
        ) : (
          <p>
            {site.name}, {site.timeZone}
          </p>
        )}
      </Part>
    </div>
  );
}

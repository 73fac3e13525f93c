import { Link } from '@/ui/link';
import { notFound } from 'next/navigation';
import { requirePage } from '@/features/accounts/identify';
import { loadOpenStandings } from '@/features/logbook/service';
import { CalibrateForm } from '@/features/houses/ui/CalibrateForm';
import {
  lastAltitudeM,
  lastChecks,
  houseChannels,
  lastReadings,
} from '@/features/readings/service';
import { currentRules, listHouses } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { StatusChip } from '@/ui/status';

/** The probes of a house: what each is in, what it shows, when it was last checked. */
export default async function ProbesPage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage();
  const id = decodeURIComponent((await params).id);
  const house = (await listHouses(db())).find((h) => h.id === id);
  if (!house) notFound();
  const show = await showOfRequest();
  const now = nowS();
  const channels = await houseChannels(db(), id);
  const ids = channels.map((c) => c.id);
  const last = await lastReadings(db(), ids);
  const checks = await lastChecks(db(), ids);
  const open = await loadOpenStandings(db());
  const maxAgeS = (await currentRules(db())).probe_evidence.body.calibrationMaxAgeS;
  const isIn = (channelId: number) => {
    for (const d of open) {
      const use = d.case.state.probes.find((p) => p.channelId === channelId && p.toS === null);
      if (use && !d.case.state.steps.pack)
        return `${d.head.recipe.name}, ${use.thickest ? 'thickest piece' : 'another piece'}${use.position ? `, ${use.position}` : ''}`;
    }
    return 'in no batch';
  };
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">Probes of {house.name}</h1>
        <Link href={`/house/${house.id}`} className="text-accent underline">
          To the load
        </Link>
      </div>
      <section className="sheet" aria-label="Probes">
        <ul>
          {channels.map((c) => {
            const check = checks[c.id];
            const due = maxAgeS !== undefined && (!check || now - check.atS > maxAgeS);
            return (
              <li
                key={c.id}
                className="flex flex-wrap items-center gap-x-4 border-t border-line py-2"
              >
                <strong>{c.name}</strong>
                <span>{last[c.id] ? show.temp(last[c.id]!.tempC) : 'nothing yet'}</span>
                {c.what === 'core' && (
                  <>
                    <span className="text-soft">{isIn(c.id)}</span>
                    <span className="ml-auto">
                      {check
                        ? `checked ${show.day(check.atS)} by ${check.byName}, shows ${show.tempStep(check.offsetC)} too much`
                        : 'never checked'}
                    </span>
                    {maxAgeS !== undefined && (
                      <StatusChip status={due ? 'missing' : 'pass'}>
                        {due ? 'No credit: check it' : 'Good'}
                      </StatusChip>
                    )}
                  </>
                )}
              </li>
            );
          })}
        </ul>
      </section>
      <section className="sheet" aria-label="Check a probe">
        <h2 className="text-lg font-semibold">Check a probe</h2>
        <p className="small mb-2">
          Crushed ice with a little water, stirred two minutes: 0 °C. Boiling water is colder the
          higher you are; the altitude says how much.
          {maxAgeS === undefined
            ? ' The rule in use asks for no check.'
            : ` A check counts for ${Math.round(maxAgeS / 86_400)} days.`}
        </p>
        <CalibrateForm
          channels={channels.filter((c) => c.what === 'core')}
          altitudeM={await lastAltitudeM(db())}
        />
      </section>
    </div>
  );
}

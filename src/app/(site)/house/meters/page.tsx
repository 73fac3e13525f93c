import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { AddMeterForm, MeterCheckForm, RetireMeter } from '@/features/houses/ui/MeterForms';
import { isChecked, listMeters, type PhMeter } from '@/features/readings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { Link } from '@/ui/link';
import { StatusChip } from '@/ui/status';
import type { Show } from '@/words/show';

function MeterRow({ m, now, show }: { m: PhMeter; now: number; show: Show }) {
  const good = isChecked(m.last, now);
  return (
    <>
      <strong>{m.name}</strong>
      <span className="text-soft">
        {m.last
          ? `checked ${show.clock(m.last.atS)} by ${m.last.byName}: slope ${show.number(m.last.slope * 100, 1)} %, ${show.number(Math.abs(m.last.offsetPh), 2)} too ${m.last.offsetPh < 0 ? 'low' : 'high'}`
          : 'never checked'}
      </span>
      <span className="ml-auto">
        <StatusChip status={good ? 'pass' : 'missing'}>
          {good ? 'Good today' : m.last?.ok === false ? 'Found wrong' : 'No credit: check it'}
        </StatusChip>
      </span>
    </>
  );
}

/** The pH meters of the site: when each was last held against its buffers, and what that found. */
export default async function MetersPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const now = nowS();
  const meters = await listMeters(db(), now);
  const runs = may(person.role, 'run_site');
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">pH meters</h1>
        <Link href="/house" className="text-accent underline">
          All houses
        </Link>
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section className="sheet" aria-label="Meters in use">
          <h2 className="text-lg font-semibold">In use</h2>
          {meters.length === 0 && (
            <p className="text-soft">
              No meter yet. A release lead adds them; until then a pH counts when two readings a
              quarter of an hour apart show it.
            </p>
          )}
          <ul>
            {meters.map((m) => (
              <li key={m.id} className="border-t border-line py-2">
                <div className="flex flex-wrap items-center gap-x-4">
                  <MeterRow m={m} now={now} show={show} />
                </div>
                {runs && (
                  <details>
                    <summary className="min-h-12 cursor-pointer py-3 text-soft">
                      No longer in use?
                    </summary>
                    <RetireMeter id={m.id} name={m.name} />
                  </details>
                )}
              </li>
            ))}
          </ul>
          {runs && (
            <details className="mt-2 border-t border-line pt-2">
              <summary className="min-h-12 cursor-pointer py-3 font-semibold">Add a meter</summary>
              <AddMeterForm />
            </details>
          )}
        </section>
        <section className="sheet" aria-label="Check a meter">
          <h2 className="text-lg font-semibold">Check a meter</h2>
          <p className="small mb-2">
            Rinse, then fresh buffers of one temperature: the middle one first, then the sour one. A
            check counts for a day. What a meter showed since its last good check is no evidence
            when it is found wrong.
          </p>
          <MeterCheckForm key={show.settings.system} meters={meters} />
        </section>
      </div>
    </div>
  );
}

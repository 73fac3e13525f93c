import { Link } from '@/ui/link';
import { requirePage } from '@/features/accounts/identify';
import { loadOpenDossiers } from '@/features/logbook/service';
import { alarmGroups } from '@/features/houses/alarm-groups';
import { loadOf } from '@/features/houses/load';
import { loadHead } from '@/features/houses/load-data';
import { AlarmList } from '@/features/houses/ui/AlarmList';
import { readyWords } from '@/features/houses/ui/ForecastCard';
import { LoadSummary } from '@/features/houses/ui/LoadSummary';
import { listHouses } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { standWords } from '@/words/batch';

/** Every house now: its stage and air, its batches, who comes out next, what is wrong. */
export default async function HousesPage() {
  await requirePage();
  const show = await showOfRequest();
  const now = nowS();
  const open = await loadOpenDossiers(db(), now);
  const houses = await listHouses(db());
  const views = [];
  for (const house of houses) {
    const members = await loadOf(db(), open, house.id, now);
    views.push({ house, members, head: await loadHead(db(), house, members) });
  }
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">House</h1>
        <Link href="/house/meters" className="text-accent underline">
          pH meters
        </Link>
      </div>
      {views.length === 0 && (
        <p className="sheet">No house is set up. A release lead adds one in Settings.</p>
      )}
      <div className="space-y-4">
        {views.map(({ house, members, head }) => (
          <section key={house.id} className="sheet space-y-3" aria-label={house.name}>
            <div className="flex flex-wrap items-center justify-between gap-2">
              <h2 className="text-lg font-semibold">{house.name}</h2>
              <Link href={`/house/${house.id}`} className="button">
                {members.length > 0 ? 'Open the load' : 'Load it'}
              </Link>
            </div>
            <AlarmList groups={alarmGroups(members)} show={show} nowS={now} />
            {members.length > 0 ? (
              <>
                <LoadSummary head={head} members={members} show={show} nowS={now} />
                <ul>
                  {members.map((m) => {
                    const f = m.forecast;
                    const out = f?.done ?? f?.cold;
                    return (
                      <li
                        key={m.dossier.head.id}
                        className="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5"
                      >
                        <Link
                          className="text-accent underline"
                          href={`/batches/${m.dossier.head.id}/house`}
                        >
                          {m.dossier.head.recipe.name}, {m.dossier.head.code}
                        </Link>
                        <span>{standWords(m.dossier.case.state, house.name)}</span>
                        {m.heat && <strong>{show.temp(m.heat.coreC)} core</strong>}
                        <span>
                          {out?.p50 == null
                            ? ''
                            : `forecast ${f?.done ? 'done' : 'cold'} ${show.when(out.p50, now)}`}
                        </span>
                        <span className="ml-auto text-soft">{readyWords(m, show) ?? ''}</span>
                      </li>
                    );
                  })}
                </ul>
              </>
            ) : (
              <p className="text-soft">
                Empty.{' '}
                {head.air
                  ? `Air ${show.temp(head.air.tempC)}, ${show.until(head.air.tS, now)}.`
                  : ''}
              </p>
            )}
          </section>
        ))}
      </div>
    </>
  );
}

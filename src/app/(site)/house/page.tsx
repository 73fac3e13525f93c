import Link from 'next/link';
import { requirePage } from '@/features/accounts/identify';
import { loadOpenDossiers } from '@/features/batches/case';
import { runChart } from '@/features/batches/chart-data';
import { nextStep } from '@/features/batches/next-step';
import { HeatFigures } from '@/features/batches/ui/HeatFigures';
import { RunChart } from '@/features/batches/ui/RunChart';
import { PHASE_WORDS, nextWords } from '@/features/batches/ui/words';
import { housesNow } from '@/features/houses/houses';
import { lastReadings } from '@/features/readings/repository';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** Every house now: its load, its curves, what its probes say. */
export default async function HousePage() {
  await requirePage();
  const show = await showOfRequest();
  const now = nowS();
  const houses = await housesNow(db(), await loadOpenDossiers(db(), now));
  const views = await Promise.all(
    houses.map(async (h) => ({
      h,
      chart: h.load && (await runChart(db(), h.load.case)),
      last: await lastReadings(
        db(),
        h.channels.map((c) => c.id),
      ),
    })),
  );
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">House</h1>
      {views.length === 0 && (
        <p className="sheet">No house is set up. A release lead adds one in Settings.</p>
      )}
      <div className="space-y-4">
        {views.map(({ h, chart, last }) => {
          const next = h.load && nextStep(h.load.case);
          return (
            <section key={h.id} className="sheet space-y-3" aria-label={h.name}>
              <div className="flex flex-wrap items-baseline gap-x-3">
                <h2 className="text-lg font-semibold">{h.name}</h2>
                {h.load ? (
                  <p>
                    <Link
                      className="text-accent underline"
                      href={`/batches/${h.load.head.id}/house`}
                    >
                      {h.load.head.recipe.name}, {h.load.head.code}
                    </Link>{' '}
                    · {PHASE_WORDS[h.load.case.state.phase]}
                  </p>
                ) : (
                  <p className="text-soft">Empty.</p>
                )}
                {next && (
                  <p className="ml-auto font-semibold">
                    {nextWords(next, show)}
                    {next.dueS === null ? '' : `, ${show.when(next.dueS, now)}`}
                  </p>
                )}
              </div>
              {h.load && h.load.case.state.phase === 'in_house' && (
                <HeatFigures c={h.load.case} show={show} nowS={now} />
              )}
              {chart && chart.lines.length > 0 && <RunChart data={chart} height={300} />}
              <ul className="flex flex-wrap gap-x-6 small">
                {h.channels.map((c) => (
                  <li key={c.id}>
                    {c.name}:{' '}
                    {last[c.id]
                      ? `${show.temp(last[c.id]!.tempC)}, ${show.until(last[c.id]!.tS, now)}`
                      : 'nothing yet'}
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
      </div>
    </>
  );
}

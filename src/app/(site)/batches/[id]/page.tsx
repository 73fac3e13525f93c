import { requirePage } from '@/features/accounts/identify';
import { dossierOfPage } from '@/features/batches/page-data';
import { piecesOf, planOfBatch } from '@/features/batches/plan';
import { NowPanel } from '@/features/batches/ui/NowPanel';
import { Timeline } from '@/features/batches/ui/Timeline';
import { listScales, loadSite, siteDay } from '@/features/settings/repository';
import { lotChoices } from '@/features/stores/choices';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** A batch now: the next step, the weighing, the plan. */
export default async function BatchPage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage();
  const dossier = await dossierOfPage((await params).id);
  const show = await showOfRequest();
  const now = nowS();
  const { recipe, state } = dossier.case;
  const plan = planOfBatch(dossier.case, await loadSite(db()));
  const pieces = piecesOf(plan);
  const closed = state.phase === 'released' || state.phase === 'destroyed';
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <NowPanel
        dossier={dossier}
        scales={await listScales(db())}
        lots={closed ? {} : await lotChoices(db(), recipe, state, await siteDay(db(), now))}
        show={show}
        nowS={now}
      />
      {pieces.length > 0 && (
        <section className="sheet" aria-label="Schedule">
          <h2 className="mb-2 text-lg font-semibold">Schedule for {show.clock(state.readyByS)}</h2>
          {plan.status === 'late' && (
            <p className="mb-2 font-semibold text-bad">
              Ready-by could not be met; the earliest was{' '}
              {show.clock(plan.readyS ?? state.readyByS)}.
            </p>
          )}
          <Timeline pieces={pieces} recipe={recipe} show={show} nowS={now} />
          <a href={`/api/v1/batches/${dossier.head.id}/schedule`} className="button mt-3">
            Calendar file (.ics)
          </a>
        </section>
      )}
    </div>
  );
}

import { recipeOfRun } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { dossierOfPage } from '@/features/batches/page-data';
import { runSheetOf } from '@/features/making/service';
import { NowPanel } from '@/features/batches/ui/NowPanel';
import { Timeline } from '@/features/batches/ui/Timeline';
import { WayHeading } from '@/features/batches/ui/WayHeading';
import { wayNow } from '@/features/houses/way';
import { plannedSteps } from '@/features/plan/service';
import { listScales, loadSite, siteDay } from '@/features/settings/service';
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
  const planned = (await plannedSteps(db()))(dossier.head.id);
  const way = await wayNow(db(), dossier, await loadSite(db()), now, planned);
  const scales = await listScales(db());
  const closed = state.phase === 'released' || state.phase === 'destroyed';
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <NowPanel
        dossier={dossier}
        scales={scales}
        lots={closed ? {} : await lotChoices(db(), recipe, state, await siteDay(db(), now))}
        sheet={await runSheetOf(db(), dossier, scales)}
        show={show}
        nowS={now}
      />
      {way.pieces.length > 0 && (
        <section className="sheet" aria-label="Schedule">
          <WayHeading way={way} readyByS={state.readyByS} closed={closed} show={show} />
          <Timeline
            pieces={way.pieces}
            recipe={recipeOfRun(recipe, state)}
            show={show}
            nowS={now}
          />
          <a href={`/api/v1/batches/${dossier.head.id}/schedule`} className="button mt-3">
            Calendar file (.ics)
          </a>
        </section>
      )}
    </div>
  );
}

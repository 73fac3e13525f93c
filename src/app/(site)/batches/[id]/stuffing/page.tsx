import { requirePage } from '@/features/accounts/identify';
import { dossierOfPage } from '@/features/batches/page-data';
import { wayNow } from '@/features/houses/way';
import { plannedSteps } from '@/features/plan/service';
import { listScales, loadSite } from '@/features/settings/service';
import { stuffingOf } from '@/features/stuffing/service';
import { StuffingDesk } from '@/features/stuffing/ui';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** The stuffing of a batch: casings in their water, links, what came out, what is kept apart. */
export default async function StuffingPage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage();
  const dossier = await dossierOfPage((await params).id);
  const now = nowS();
  const planned = (await plannedSteps(db()))(dossier.head.id);
  const way = await wayNow(db(), dossier, await loadSite(db()), now, planned);
  const data = await stuffingOf(db(), dossier, await listScales(db()), way.pieces, now);
  return data ? (
    <StuffingDesk data={data} nowS={now} />
  ) : (
    <p className="sheet">
      Weigh the meat first: casings, links and fillings follow its real weight.
    </p>
  );
}

import { notFound } from 'next/navigation';
import { requirePage } from '@/features/accounts/identify';
import { loadMapOf } from '@/features/houses/load-map';
import { LoadMapDesk } from '@/features/houses/ui/map/LoadMapDesk';
import { loadOpenDossiers } from '@/features/logbook/service';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { Link } from '@/ui/link';

/** Where each stick of a house hangs. */
export default async function MapPage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage();
  const id = decodeURIComponent((await params).id);
  const data = await loadMapOf(db(), await loadOpenDossiers(db(), nowS()), id);
  if (!data) notFound();
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">How {data.name} hangs</h1>
        <Link href={`/house/${id}`} className="text-accent underline">
          {data.name} now
        </Link>
      </div>
      <LoadMapDesk data={data} />
    </>
  );
}

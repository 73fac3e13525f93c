import type { ReactNode } from 'react';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { dossierOfPage } from '@/features/batches/page-data';
import { BatchProvider } from '@/features/batches/ui/BatchProvider';
import { BatchTabs } from '@/features/batches/ui/BatchTabs';
import { KeptHere } from '@/features/batches/ui/KeptHere';
import { PartTabs } from '@/features/batches/ui/PartTabs';
import { HoldPanel } from '@/features/batches/ui/HoldPanel';
import { db } from '@/platform/db/client';
import { placeNow } from '@/core';
import { standWords } from '@/words/batch';
import { listHouses } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';

export default async function BatchLayout({
  params,
  children,
}: {
  params: Promise<{ id: string }>;
  children: ReactNode;
}) {
  const person = await requirePage();
  const dossier = await dossierOfPage((await params).id);
  const show = await showOfRequest();
  const { head, case: c } = dossier;
  const { run } = c.state;
  const place = run
    ? (await listHouses(db())).find((h) => h.id === placeNow(run))?.name
    : undefined;
  const value = {
    batchId: head.id,
    personId: person.id,
    /* A destroyed batch offers no more work. */
    canWork: may(person.role, 'work_batches') && c.state.phase !== 'destroyed',
    canDecide: may(person.role, 'decide'),
    timeZone: show.settings.timeZone,
  };
  return (
    <BatchProvider value={value}>
      <div className="mb-1 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">{head.recipe.name}</h1>
        <p className="text-soft">
          Batch {head.code} · recipe version {head.recipeVersion} ·{' '}
          {show.mass(c.state.meatG ?? c.state.plannedMeatG)} ·{' '}
          <strong className="text-ink">{standWords(c.state, place)}</strong>
          {c.state.practice ? ' · PRACTICE, never to be released' : ''}
        </p>
      </div>
      <PartTabs head={head} />
      <BatchTabs
        batchId={head.id}
        ripens={c.recipe.fermentation !== undefined || c.recipe.drying !== undefined}
      />
      <KeptHere />
      <HoldPanel dossier={dossier} show={show} canDecide={may(person.role, 'decide')} />
      {children}
    </BatchProvider>
  );
}

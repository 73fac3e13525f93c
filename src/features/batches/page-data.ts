import 'server-only';
import { notFound, redirect } from 'next/navigation';
import { cache } from 'react';
import { isParted } from '@/core';
import { nowS } from '@/platform/clock';
import { refSchema } from '@/features/logbook/contract';
import { findBatch, partsOfHead, seeDossier } from '@/features/logbook/service';
import { db } from '@/platform/db/client';

/** The batch of a page as it was judged last; no such batch is a 404. A batter that has been made is looked at part by part. */
export const dossierOfPage = cache(async (id: string) => {
  const head = refSchema.safeParse(id).success ? await findBatch(db(), id) : null;
  if (!head) notFound();
  const dossier = await seeDossier(db(), head, nowS());
  if (isParted(dossier.head.recipe, dossier.case.state))
    redirect(`/batches/${partsOfHead(dossier.head)[0]!.id}`);
  return dossier;
});

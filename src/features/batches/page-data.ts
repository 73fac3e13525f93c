import 'server-only';
import { notFound, redirect } from 'next/navigation';
import { cache } from 'react';
import { isParted } from '@/core';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { loadDossier } from './case';
import { refSchema } from './ref';
import { partsOfHead } from './repository';

/** The batch of a page, judged once per request; no such batch is a 404. A batter that has been made is looked at part by part. */
export const dossierOfPage = cache(async (id: string) => {
  const dossier = refSchema.safeParse(id).success ? await loadDossier(db(), id, nowS()) : null;
  if (!dossier) notFound();
  if (isParted(dossier.head.recipe, dossier.case.state))
    redirect(`/batches/${partsOfHead(dossier.head)[0]!.id}`);
  return dossier;
});

import 'server-only';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { z } from 'zod';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { loadDossier } from './case';

/** The batch of a page, judged once per request; no such batch is a 404. */
export const dossierOfPage = cache(async (id: string) => {
  const dossier = z.uuid().safeParse(id).success ? await loadDossier(db(), id, nowS()) : null;
  return dossier ?? notFound();
});

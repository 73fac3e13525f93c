import { requireRoute } from '@/features/accounts/identify';
import { pagesToKeep } from '@/features/offline/service';
import { db } from '@/platform/db/client';

/** The pages that the device of whoever asks is to keep for when no network is there. */
export async function GET(): Promise<Response> {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  return Response.json({ urls: await pagesToKeep(db()) });
}

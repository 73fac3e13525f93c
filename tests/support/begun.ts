import { randomUUID } from 'node:crypto';
import type { Person } from '@/features/accounts/identify';
import { postEntry, startBatch } from '@/features/batches/service';
import type { PostedBody } from '@/features/logbook/contract';
import type { TestDb } from './database';
import { weigh } from './weigh';

export const MIN = 60;
export const nowS = () => Date.now() / 1000;
export const iso = (s: number) => new Date(s * 1000).toISOString();

/** What a person records, as an interface posts it, at a time of their own. */
export const posts =
  (t: () => TestDb, by: Person) =>
  (
    ref: string,
    atS: number,
    body: PostedBody,
    corrects: string | null = null,
    id: string = randomUUID(),
  ) =>
    postEntry(t().db, by, ref, {
      id,
      happenedAt: iso(atS),
      body,
      corrects,
      confirmed: true,
      enteredIn: 'metric',
    });

/** A batch of 20 kg that began five hours ago, its meat weighed. */
export async function begun(t: TestDb, by: Person): Promise<{ id: string; startS: number }> {
  const [id, startS] = [randomUUID(), nowS() - 300 * MIN];
  const started = await startBatch(t.db, by, {
    id,
    recipeVersionId: t.versionId,
    meatG: 20_000,
    readyBy: iso(nowS() + 3600 * MIN),
    startedAt: iso(startS),
  });
  expect(started).toMatchObject({ ok: true });
  const post = posts(() => t, by);
  await post(id, startS + 1, weigh('shoulder', 17_000));
  await post(id, startS + 2, weigh('jowl', 3_000));
  return { id, startS };
}

import { foldBatch, isParted, type Phase } from '@/core';
import type { Handle, Tx } from '@/platform/db/client';
import type { Asker } from '@/workers/pool';
import { seeDossier, type Dossier, type Standing } from './case';
import { lastSeqsOf, loadEntries } from './chain';
import { findBatch, openBatches, partsOfHead, setClosed, type BatchHead } from './heads';

const isClosed = (phase: Phase) => phase === 'released' || phase === 'destroyed';

/** Where a batch stands, or, once its batter is made, each of its parts. */
async function standingsOf(db: Handle, head: BatchHead): Promise<Standing[]> {
  const stand = async (h: BatchHead): Promise<Standing> => {
    const state = foldBatch(h.recipe, await loadEntries(db, h.id));
    return { head: h, case: { recipe: h.recipe, state } };
  };
  const whole = await stand(head);
  if (!isParted(head.recipe, whole.case.state)) return [whole];
  return Promise.all(partsOfHead(head).map(stand));
}

const openStandings = async (db: Handle, head: BatchHead): Promise<Standing[]> =>
  (await standingsOf(db, head)).filter((s) => !isClosed(s.case.state.phase));

/** Where every open batch stands: for those who need no readings and no judgement. */
export async function loadOpenStandings(db: Handle): Promise<Standing[]> {
  const all = await Promise.all((await openBatches(db)).map((head) => openStandings(db, head)));
  return all.flat();
}

/** The other parts of a batch; none where it has only one. */
export async function otherParts(db: Handle, head: BatchHead): Promise<Standing[]> {
  const whole = await findBatch(db, head.batchId);
  if (!whole?.recipe.parts) return [];
  return (await standingsOf(db, whole)).filter((s) => s.head.id !== head.id);
}

/** Closes a batch when its last part is done; opens it whenever one is open again. */
export async function closeRef(tx: Tx, head: BatchHead, closedS: number | null): Promise<void> {
  const others = closedS === null ? [] : await otherParts(tx, head);
  if (others.every((o) => isClosed(o.case.state.phase))) await setClosed(tx, head.id, closedS);
}

/** A batch whose record or readings could not be judged, with the reason: it is shown as such and hides no other. */
export type Unjudged = { head: BatchHead; message: string };

/** Every batch whose record is open, judged, each by itself; its parts once they go their own ways. */
export async function loadOpen(
  db: Handle,
  nowS: number,
  asker: Asker = 'page',
): Promise<{ dossiers: Dossier[]; unjudged: Unjudged[] }> {
  const dossiers: Dossier[] = [];
  const unjudged: Unjudged[] = [];
  const wholes = await openBatches(db);
  const seqs = await lastSeqsOf(
    db,
    wholes.map((w) => w.id),
  );
  for (const whole of wholes)
    for (const head of await openHeads(db, whole))
      try {
        dossiers.push(await seeDossier(db, head, nowS, asker, seqs));
      } catch (error) {
        const message = error instanceof Error ? error.message : String(error);
        console.warn(`batch ${head.code}: ${message}`);
        unjudged.push({ head, message });
      }
  return { dossiers, unjudged };
}

/** A batch that can't be folded is met, and named, where it is judged. */
const openHeads = async (db: Handle, head: BatchHead): Promise<BatchHead[]> =>
  head.recipe.parts
    ? (await openStandings(db, head).catch(() => [{ head }])).map((s) => s.head)
    : [head];

/** The open batches that can be judged. */
export const loadOpenDossiers = async (
  db: Handle,
  nowS: number,
  asker: Asker = 'page',
): Promise<Dossier[]> => (await loadOpen(db, nowS, asker)).dossiers;

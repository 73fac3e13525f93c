import { requirePage } from '@/features/accounts/identify';
import { dossierOfPage } from '@/features/batches/page-data';
import { CorrectForm } from '@/features/batches/ui/CorrectForm';
import { entryWords } from '@/words/entry';
import { NoteForms } from '@/features/batches/ui/NoteForms';
import { showOfRequest } from '@/features/settings/show';

const FINAL = ['batch_started', 'signed', 'corrected', 'held', 'disposed', 'cure_checked'];
/** Recorded later than this after it happened, an entry says so. */
const LATE_S = 300;

/** The batch's logbook, newest first: every entry as written, with its corrections. */
export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage();
  const dossier = await dossierOfPage((await params).id);
  const show = await showOfRequest();
  const corrected = new Set(dossier.entries.map((e) => e.corrects));
  const rows = [...dossier.entries].sort((a, b) => b.happenedS - a.happenedS || b.seq - a.seq);
  const { phase } = dossier.case.state;
  return (
    <div className="space-y-4">
      <NoteForms closed={phase === 'released' || phase === 'destroyed'} />
      <ol className="sheet">
        {rows.map((e) => (
          <li key={e.id} className="border-t border-line py-2 first:border-t-0">
            <div className="flex flex-wrap items-baseline gap-x-3">
              <time className="font-semibold">{show.clock(e.happenedS)}</time>
              <span className={corrected.has(e.id) ? 'text-soft line-through' : ''}>
                {entryWords(e.body, dossier.head.recipe, show, dossier.case.state.run?.program)}
              </span>
              {corrected.has(e.id) && <span className="font-semibold text-wait">corrected</span>}
              <span className="ml-auto text-sm text-soft">
                {e.by.name}
                {e.recordedS - e.happenedS > LATE_S
                  ? `, recorded ${show.clock(e.recordedS)}`
                  : ''}{' '}
                · no. {e.seq}
              </span>
            </div>
            {!FINAL.includes(e.body.kind) && !corrected.has(e.id) && (
              <CorrectForm entryId={e.id} body={e.body} happenedS={e.happenedS} />
            )}
          </li>
        ))}
      </ol>
    </div>
  );
}

import { CHAPTER_NAMES, chapterOf, isCorrectable, type Entry } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { dossierOfPage } from '@/features/batches/page-data';
import { CorrectForm } from '@/features/batches/ui/CorrectForm';
import { NoteForms } from '@/features/batches/ui/NoteForms';
import { showOfRequest } from '@/features/settings/show';
import { Link } from '@/ui/link';
import { CHAPTER_WORDS, entryWords } from '@/words/entry';

/** Recorded later than this after it happened, an entry says so. */
const LATE_S = 300;

/** Entries that are shown, newest first, by the day on which they happened. */
function byDay(entries: readonly Entry[], dayOf: (tS: number) => string): [string, Entry[]][] {
  const days = new Map<string, Entry[]>();
  for (const e of [...entries].sort((a, b) => b.happenedS - a.happenedS || b.seq - a.seq)) {
    const day = dayOf(e.happenedS);
    days.set(day, [...(days.get(day) ?? []), e]);
  }
  return [...days];
}

/** The batch's log, newest first, a day a group: every entry as written, with its corrections. */
export default async function LogPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ about?: string }>;
}) {
  await requirePage();
  const { entries, head, case: c } = await dossierOfPage((await params).id);
  const show = await showOfRequest();
  const { about } = await searchParams;
  const corrected = new Set(entries.map((e) => e.corrects));
  const chapters = CHAPTER_NAMES.filter((n) => entries.some((e) => chapterOf(e.body.kind) === n));
  const shown = chapters.find((n) => n === about);
  const rows = entries.filter((e) => !shown || chapterOf(e.body.kind) === shown);
  const { phase } = c.state;
  const path = `/batches/${head.id}/log`;
  const filter = (here: boolean) =>
    `inline-flex min-h-12 items-center px-2 ${here ? 'font-semibold text-ink' : 'text-accent underline'}`;
  return (
    <div className="space-y-4">
      <NoteForms closed={phase === 'released' || phase === 'destroyed'} />
      <nav aria-label="What the log shows" className="flex flex-wrap gap-x-2">
        <Link href={path} className={filter(!shown)} aria-current={shown ? undefined : 'true'}>
          Everything
        </Link>
        {chapters.map((n) => (
          <Link
            key={n}
            href={`${path}?about=${n}`}
            className={filter(shown === n)}
            aria-current={shown === n ? 'true' : undefined}
          >
            {CHAPTER_WORDS[n]}
          </Link>
        ))}
      </nav>
      {byDay(rows, show.day).map(([day, list]) => (
        <section key={day} className="sheet" aria-label={day}>
          <h2 className="font-semibold">{day}</h2>
          <ol>
            {list.map((e) => (
              <li
                key={e.id}
                className="flex flex-wrap items-baseline gap-x-3 border-t border-line first:border-t-0"
              >
                <time className="font-semibold">{show.time(e.happenedS)}</time>
                <span className={corrected.has(e.id) ? 'text-soft line-through' : ''}>
                  {entryWords(e.body, head.recipe, show, c.state.run?.program)}
                </span>
                {corrected.has(e.id) && <span className="font-semibold text-wait">corrected</span>}
                <span className="ml-auto text-sm text-soft">
                  {e.by.name}
                  {e.recordedS - e.happenedS > LATE_S
                    ? `, recorded ${show.clock(e.recordedS)}`
                    : ''}{' '}
                  · no. {e.seq}
                </span>
                {isCorrectable(e.body.kind) && !corrected.has(e.id) && (
                  <CorrectForm entryId={e.id} body={e.body} happenedS={e.happenedS} />
                )}
              </li>
            ))}
          </ol>
        </section>
      ))}
    </div>
  );
}

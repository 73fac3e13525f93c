import { Link } from '@/ui/link';
import { requirePage } from '@/features/accounts/identify';
import { closedBatches } from '@/features/logbook/service';
import { showOfRequest } from '@/features/settings/show';
import { db } from '@/platform/db/client';
import { outcomeOf } from '@/core';
import { OUTCOME_WORDS } from '@/words/route';
import { TextField } from '@/ui/text-field';

const MOST = 20;
const LAST_PAGE = 4000;

/** Records: find a finished batch and take its record away. */
export default async function RecordsPage({
  searchParams,
}: {
  searchParams: Promise<{ q?: string; page?: string }>;
}) {
  await requirePage();
  const show = await showOfRequest();
  const asked = await searchParams;
  const q = (asked.q ?? '').slice(0, 100);
  const page = Math.min(LAST_PAGE, Math.max(0, Number.parseInt(asked.page ?? '', 10) || 0));
  const found = await closedBatches(db(), q, MOST + 1, page * MOST);
  /* A batch with several parts has a row for each. */
  const more = new Set(found.map((b) => b.batchId)).size > MOST;
  const batches = more ? found.filter((b) => b.batchId !== found.at(-1)!.batchId) : found;
  const pageLink = (to: number) => `/records?${new URLSearchParams({ q, page: String(to) })}`;
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">Records</h1>
      <form className="mb-3 flex max-w-xl gap-2" role="search">
        <TextField
          label="Batch number or recipe"
          quiet
          wrap="grow"
          name="q"
          defaultValue={q}
          placeholder="Batch number or recipe"
        />
        <button className="button-main">Find</button>
      </form>
      <div className="sheet">
        {batches.length === 0 ? (
          <p>
            {q
              ? `No closed batch matches “${q}”.`
              : 'No batch is closed yet. The first signed release appears here.'}
          </p>
        ) : (
          <table className="plain-table">
            <thead>
              <tr>
                <th scope="col">Batch</th>
                <th scope="col">Recipe</th>
                <th scope="col" className="max-sm:hidden">
                  What it is
                </th>
                <th scope="col" className="max-sm:hidden">
                  Closed
                </th>
                <th scope="col">Record</th>
              </tr>
            </thead>
            <tbody>
              {batches.map((b) => (
                <tr key={b.id}>
                  <td>
                    <Link
                      href={`/batches/${b.id}/verdict`}
                      className="inline-flex min-h-12 items-center text-accent underline"
                    >
                      {b.code}
                    </Link>
                  </td>
                  <td className="pt-5">{b.recipe.name}</td>
                  <td className="pt-5 max-sm:hidden">{OUTCOME_WORDS[outcomeOf(b.recipe)]}</td>
                  <td className="pt-5 max-sm:hidden">
                    {show.clock(b.closedS!)}, {show.day(b.closedS!)}
                  </td>
                  <td>
                    <span className="flex flex-wrap gap-x-3">
                      {['pdf', 'json', 'csv'].map((as) => (
                        <a
                          key={as}
                          className="inline-flex min-h-12 items-center text-accent underline"
                          href={`/api/v1/batches/${b.id}/record?as=${as}`}
                        >
                          {as.toUpperCase()}
                        </a>
                      ))}
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {(page > 0 || more) && (
          <nav className="mt-2 flex gap-4" aria-label="Pages of records">
            {page > 0 && (
              <Link href={pageLink(page - 1)} className="button">
                Later records
              </Link>
            )}
            {more && (
              <Link href={pageLink(page + 1)} className="button">
                Earlier records
              </Link>
            )}
          </nav>
        )}
      </div>
    </>
  );
}

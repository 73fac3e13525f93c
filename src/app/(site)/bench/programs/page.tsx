import { Link } from '@/ui/link';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { latestPrograms } from '@/features/programs/service';
import { showOfRequest } from '@/features/settings/show';
import { db } from '@/platform/db/client';

/** The house's stage programs, each with its stages at a glance. */
export default async function ProgramsPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const programs = await latestPrograms(db());
  const canWrite = may(person.role, 'write_recipes');
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-2xl font-extrabold">Stage programs</h1>
        <div className="flex gap-2">
          <Link href="/bench" className="button">
            To the bench
          </Link>
          {canWrite && (
            <Link href="/bench/programs/new" className="button-main">
              Write a program
            </Link>
          )}
        </div>
      </div>
      {programs.length === 0 && (
        <p className="sheet">
          No program of its own is kept yet; every recipe brings its stages with it.
        </p>
      )}
      <ul className="grid gap-3 lg:grid-cols-2">
        {programs.map((p) => (
          <li key={p.id} className="sheet">
            <h2 className="text-lg font-semibold">
              <Link className="text-accent underline" href={`/bench/programs/${p.programId}`}>
                {p.name}
              </Link>{' '}
              <span className="small">version {p.number}</span>
            </h2>
            <ol>
              {p.content.map((s) => (
                <li key={s.id} className="flex flex-wrap items-baseline gap-x-2 py-0.5">
                  <span
                    className="size-3 rounded-sm border border-soft"
                    style={{ background: `var(--${s.kind})` }}
                    aria-hidden="true"
                  />
                  {s.name}
                  <span className="text-soft">
                    {show.temp(s.airC)} · {show.duration(s.plannedS)}
                  </span>
                </li>
              ))}
            </ol>
          </li>
        ))}
      </ul>
    </>
  );
}
